import highsLoader from 'highs'
import { beforeAll, describe, expect, it } from 'vitest'
import { checkOf, figures, trial } from '../../../../tests/documents'
import { highsSolver, type Solve } from '../../../choice/answer/allocation/solver'
import type { Lot } from '../../../pack/lot'
import { nm } from '../../../quantity/length'
import { twoSided } from '../../../verdict/limits'
import type { CheckDocument } from '../../document'
import { evaluateCheck } from '../../evaluate/evaluate-check'
import { shellOptions } from './options'
import { lotOf } from '../../../../tests/pieces'

let solve: Solve
beforeAll(async () => {
  solve = highsSolver(await highsLoader())
})

const MASTER = 50_000_000
const lot = (id: string, wall: number, onHand: number, cost: number | null): Lot =>
  lotOf(id, nm(wall), { scatter: nm(1_000), onHand, mark: id, cost })
/** Standard shells, a little thicker ones, and an undersize for a ground shaft. */
const lots = (cost: number | null = 500): Lot[] => [
  lot('std', 1_500_000, 0, 400),
  lot('plus', 1_512_000, 4, cost),
  lot('under', 1_625_000, 2, 600),
]
/** Two mains with so much clearance, µm, on journals of 49.950. */
function mains(clearances: readonly number[], setup: Record<string, string> = {}, journals = true): CheckDocument {
  const journal = 49_950_000
  return checkOf('bearing-clearance', {
    setup: {
      positions: String(clearances.length),
      stations: '1',
      master: String(MASTER),
      masterError: '0',
      labour: '1000',
      regrind: '20000',
      ...setup,
    },
    uRefit: nm(1_000),
    entryUnit: 'mm',
    limits: { working: 'book', sets: { clearance: { book: twoSided(nm(30_000), nm(62_000), 'mm', { kind: 'book' }), shop: null } } },
    trials: [
      trial(
        't1',
        clearances.flatMap((clearance, i) => [
          ...(journals ? ['A', 'B'].flatMap(direction => figures(`journal-${i + 1}-${direction}`, journal)) : []),
          ...['A', 'B'].flatMap(direction => figures(`bore-${i + 1}-${direction}`, MASTER - (journal + clearance * 1000))),
        ]),
        { packs: Object.fromEntries(clearances.map((_, i) => [`shells-${i + 1}`, [{ lotId: 'std', count: 2 }]])) },
      ),
    ],
  })
}
const options = (
  document: CheckDocument,
  drawer = lots(),
  how = { goal: 'cheapest', ordering: false } as { goal: 'cheapest' | 'nearest'; ordering: boolean },
) => shellOptions(document, evaluateCheck(document, drawer), drawer, how, solve)

describe('what can be done about worn bearings', () => {
  it('each bearing is ground by its own journal, bore and limits', () => {
    // Main 2 has a smaller journal and a bore as much smaller: the same clearance, another size to grind to.
    const two = mains([46, 46])
    const smaller = two.trials[0]!.readings.map(reading =>
      reading.point.startsWith('journal-2') && 'figure' in reading
        ? { ...reading, figure: nm(reading.figure - 40_000) }
        : reading.point.startsWith('bore-2') && 'figure' in reading
          ? { ...reading, figure: nm(reading.figure + 40_000) }
          : reading,
    )
    const document = { ...two, trials: [{ ...two.trials[0]!, readings: smaller }] }
    const ground = (of: CheckDocument) => options(of).find(({ id }) => id === 'regrind')!
    // One diameter serves both only where the bores are alike: 40 µm apart with 32 to spare, nothing does.
    expect(ground(two).inLimits).toBe(2)
    expect(ground(document).inLimits).toBeLessThan(2)
  })
  it('one loose main: one half is enough, a pair alike takes two, the regrind costs many times that', () => {
    const [alike, mixed, regrind] = options(mains([46, 66]))
    expect(mixed).toMatchObject({ id: 'mixed', inLimits: 2, bearings: 2, opened: 1, parts: 500, labour: 1000, total: 1500 })
    expect(mixed!.worst).toBeGreaterThan(0.95)
    expect(alike).toMatchObject({ id: 'alike', inLimits: 2, opened: 1, parts: 1000 })
    expect(regrind).toMatchObject({ id: 'regrind', opened: 2, labour: 22_000, parts: 2_000, total: 24_000 })
    expect(regrind!.total! / mixed!.total!).toBeGreaterThan(10)
  })
  it('a regrind cuts every journal below its smallest diameter, and orders what is not here', () => {
    const { regrind, words } = options(
      mains([46, 66]),
      lots().filter(({ id }) => id !== 'plus'),
    )[2]!
    expect(regrind!.lotId).toBe('under')
    expect(regrind!.journal).toBeLessThan(49_950_000 - 10_000)
    // Bores of 49.996 and 50.016; each pair is 0.25 thicker; the aim is 46.
    expect(regrind!.journal).toBeCloseTo((49_996_000 + 50_016_000) / 2 - 250_000 - 46_000, -3)
    expect(regrind!.ordered).toEqual([{ lotId: 'under', count: 2 }])
    expect(words).toContain('Measured anew after grinding')
    const plenty = lots()
      .filter(({ id }) => id !== 'plus')
      .map(one => ({ ...one, onHand: 20 }))
    expect(options(mains([46, 66]), plenty)[2]!.regrind!.ordered).toEqual([])
  })
  it('of the undersizes: the one that is surest everywhere, then the cheapest, then the one that takes off least', () => {
    const of = (...undersizes: readonly (readonly [id: string, wall: number, cost: number | null, scatter: number])[]) =>
      options(mains([66, 66]), [
        lots()[0]!,
        ...undersizes.map(([id, wall, cost, scatter]) => ({ ...lot(id, wall, 8, cost), scatter: nm(scatter) })),
      ]).find(({ id }) => id === 'regrind')!.regrind!.lotId
    expect(of(['rough', 1_625_000, 100, 12_000], ['sure', 1_750_000, 900, 500])).toBe('sure')
    expect(of(['dear', 1_625_000, 900, 500], ['cheap', 1_750_000, 100, 500], ['unknown', 1_625_000, null, 500])).toBe('cheap')
    expect(of(['deep', 1_750_000, 500, 500], ['slight', 1_625_000, 500, 500])).toBe('slight')
    expect(of(['deep', 1_750_000, null, 500], ['slight', 1_625_000, null, 500])).toBe('slight')
  })
  it('bores too far apart for one size of journal are said to be', () =>
    expect(options(mains([46, 120]))[2]).toMatchObject({
      regrind: null,
      inLimits: 0,
      words: 'No grade in the catalogue suits every bearing with one size of journal.',
    }))
  it('a price or a labour that is not known leaves the sum open', () => {
    expect(options(mains([46, 66]), lots(null))[1]).toMatchObject({ parts: null, total: null, labour: 1000 })
    expect(options(mains([46, 66], { labour: '' }))[1]).toMatchObject({ labour: null, total: null })
  })
  it('nothing measured, or shells not listed: nothing to weigh', () => {
    expect(options(mains([46, 57], {}, false))).toEqual([])
    const unknown = mains([46, 57])
    expect(options({ ...unknown, trials: unknown.trials.map(t => ({ ...t, packs: {} })) })).toEqual([])
  })
})
