import { describe, expect, it } from 'vitest'
import { GAUGES, checkOf, gauge, plays, trial } from '../../../tests/documents'
import { mm, nm, thou } from '../../quantity/length'
import type { Gauge } from '../../reading/gauge'
import { twoSided, type LimitSet } from '../../verdict/limits'
import { checkKind, checkKinds } from '../registry'
import { evaluateCheck } from './evaluate-check'
import { gaugeAhead } from './gauge-ahead'

const BOOK = { kind: 'book' } as const
/** A dial that can be read to its graduation and has no other fault: U = 1.96 × d/√6 = 0.80 d. */
const dial = (step: number, id: string, more: Partial<Gauge> = {}) =>
  gauge('dial-indicator', nm(step), { id, name: id, readableFraction: 1, permissibleError: nm(0), repeatability: nm(0), ...more })
const [coarse, half, fine] = [dial(thou(1), 'coarse'), dial(thou(0.5), 'half'), dial(thou(0.1), 'fine')]

function ahead(band: number, used: Gauge = coarse, register: readonly Gauge[] = [coarse, fine, half]) {
  const document = checkOf('shaft-end-play', {
    gauges: { ...GAUGES, 'dial-indicator': used },
    limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(3 + band), 'thou', BOOK), shop: null } } },
  })
  const { current, headline } = evaluateCheck(document, [])
  return gaugeAhead(document, checkKind('shaft-end-play'), current.answers, headline, register)!
}

describe('before the first reading', () => {
  it('a dial readable to 1 thou cannot decide a band of 1.2: 0.80 against 0.6, and one of 0.1 would', () => {
    const told = ahead(1.2)
    expect(told.U / thou(1)).toBeCloseTo(1.96 / Math.sqrt(6), 3)
    expect(told.fit).toMatchObject({ answer: 'cannot-decide' })
    expect(told.fit.ratio).toBeCloseTo(1.333, 2)
    // A quarter of 0.6 is 0.15: a step of 0.19. Of 1, 0.5, 0.1 … thou it is 0.1.
    expect(told.wants).toBe(thou(0.1))
    expect(told.finer.map(({ gauge: { id } }) => id)).toEqual(['fine', 'half'])
  })
  it('one that decides is named before a finer one, the finest first where none does', () => {
    // A quarter of half of 4 is 0.5: 0.40 by half a thou is enough.
    expect(ahead(4).finer.map(({ gauge: { id } }) => id)).toEqual(['half', 'fine'])
    expect(ahead(4).wants).toBe(thou(0.5))
    expect(ahead(0.1).finer.map(({ gauge: { id } }) => id)).toEqual(['fine', 'half'])
    expect(ahead(0.1).wants).toBe(thou(0.01))
  })
  it('is enough where U is under a quarter of half the band; what is no finer, or of another kind, is not offered', () => {
    expect(ahead(8)).toMatchObject({ fit: { answer: 'fit' } })
    const others = [dial(thou(0.9), 'hardly'), gauge('micrometer', thou(0.1)), coarse]
    expect(ahead(1.2, coarse, others).finer).toEqual([])
  })
  it('a metric dial is asked for in its own steps', () =>
    expect(ahead(1.2, dial(mm(0.01), 'metric', { unit: 'mm' })).wants).toBe(mm(0.002)))
  it('of several gauges the one that makes it wide is named: a bore dial of 1 thou beside a micrometer of 0.1', () => {
    const document = checkOf('bearing-clearance', {
      setup: { positions: '1', stations: '1', master: String(nm(60_000_000)), masterError: '0' },
      gauges: { ...GAUGES, 'bore-gauge': gauge('bore-gauge', thou(1), { readableFraction: 1 }) },
      limits: {
        working: 'book',
        sets: { clearance: { book: { kind: 'upper', upper: thou(2), unit: 'thou', source: BOOK } satisfies LimitSet, shop: null } },
      },
    })
    const { current } = evaluateCheck(document, [])
    const result = current.results.find(({ kind }) => kind.id === 'clearance')!
    expect(gaugeAhead(document, checkKind('bearing-clearance'), current.answers, result, [])).toMatchObject({ key: 'bore-gauge' })
  })
  it.each(checkKinds.map(kind => [kind.id, kind] as const))('is told of any figure of a %s, or is not, and never fails', (id, kind) => {
    const setup = kind.defaultSetup
    const sets = Object.fromEntries(
      kind
        .results(setup)
        .flatMap(({ id: result, unit, scale }) =>
          scale === 'play'
            ? [[result, { book: unit ? twoSided(1e9, 3e9, unit, BOOK) : twoSided(thou(1), thou(2), 'thou', BOOK), shop: null }] as const]
            : [],
        ),
    )
    const document = checkOf(id, { limits: { working: 'book', sets }, trials: [trial('t1', [])] })
    const { current } = evaluateCheck(document, [])
    for (const result of current.results) {
      const told = gaugeAhead(document, kind, current.answers, result, Object.values(GAUGES))
      if (told) expect(told.U).toBeGreaterThan(0)
    }
  })
  it('goes by what was read already, where that stands', () => {
    const document = checkOf('shaft-end-play', {
      gauges: { ...GAUGES, 'dial-indicator': coarse },
      limits: { working: 'book', sets: { play: { book: twoSided(thou(3), thou(5), 'thou', BOOK), shop: null } } },
      trials: [trial('t1', plays('travel', 4, 4, 4))],
    })
    const { current, headline } = evaluateCheck(document, [])
    expect(gaugeAhead(document, checkKind('shaft-end-play'), current.answers, headline, [fine])!.finer[0]!.U / thou(1)).toBeCloseTo(0.08, 3)
  })
})
