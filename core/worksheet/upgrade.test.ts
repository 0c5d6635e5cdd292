import { beforeEach, describe, expect, it } from 'vitest'
import { evaluateWorksheet } from './evaluate'
import { checkWorksheet } from './read'

/** A file as the first version wrote it. */
const old = (change: (check: Record<string, unknown>) => void = () => {}) => {
  const reading = (id: string, far: number) => ({ id, point: 'travel', start: 0, far, back: 0, at: '2026-05-04T09:00:00Z' })
  const check: Record<string, unknown> = {
    id: 'c1',
    kind: 'shaft-end-play',
    title: 'Input shaft',
    entryUnit: 'thou',
    setup: { pack: 'in-gap' },
    limits: {
      book: { kind: 'two-sided', lower: 76_200, upper: 152_400, unit: 'thou', source: { kind: 'book', page: '4' } },
      shop: null,
      working: 'book',
    },
    rule: 'plain',
    aim: { school: 'middle' },
    packRules: {},
    family: 'Washers',
    uRefit: 6_350,
    tipAngle: 0,
    gauge: {
      id: 'd1',
      name: 'Dial',
      kind: 'dial-indicator',
      unit: 'thou',
      graduation: 25_400,
      readableFraction: 0.5,
      permissibleError: 10_000,
      repeatability: 5_000,
      hysteresis: 5_000,
      rangePerTurn: null,
      lastCheck: null,
    },
    history: { s: 4_000, nu: 9 },
    trials: [
      {
        id: 't1',
        at: '2026-05-04T08:00:00Z',
        pack: [{ lotId: 'w1', count: 1 }],
        predicted: null,
        readings: [reading('r1', 254_000), reading('r2', 254_000)],
      },
      {
        id: 't2',
        at: '2026-05-04T10:00:00Z',
        pack: [{ lotId: 'w2', count: 1 }],
        predicted: { play: 114_300, u: 8_000, uOwn: 7_000 },
        readings: [reading('r3', 114_300)],
      },
    ],
    ticks: [{ step: 'clean', trial: null }],
    stale: null,
    signOff: null,
  }
  change(check)
  const lot = (id: string, nominal: number) => ({
    id,
    family: 'Washers',
    nominal,
    measured: nominal,
    tolerance: null,
    onHand: 1,
    reserved: 0,
    mark: '',
    colour: '',
    tags: [],
    cost: null,
    shape: 'flat',
  })
  return {
    format: 'finitum-worksheet',
    version: 1,
    lots: [lot('w1', 2_000_000), lot('w2', 2_139_700)],
    jobs: [{ id: 'j1', unit: { name: 'Ferry', description: '' }, title: 'Box', notes: '', checks: [check] }],
  }
}
const read = (sheet: unknown) => {
  const reading = checkWorksheet(sheet)
  if (!reading.ok) throw new Error(JSON.stringify(reading.faults))
  return reading.worksheet
}

describe('a worksheet of the first version', () => {
  let sheet: ReturnType<typeof read>
  let check: (typeof sheet)['jobs'][number]['checks'][number]
  beforeEach(() => {
    sheet = read(old())
    check = sheet.jobs[0]!.checks[0]!
  })
  it('gives its one gauge, pair of limits and pack their places', () => {
    expect(sheet.version).toBe(5)
    // Nobody kept how its pieces were: as they measure in the file, and marked so.
    expect(check.trials[1]!.pieces).toEqual({ w2: { size: 2_139_700, measured: true, mark: '', since: true } })
    expect(check.gauges['dial-indicator']).toMatchObject({ id: 'd1', sense: 'climbs', sizes: [], range: null })
    expect(check.limits.sets.play!.book).toMatchObject({ lower: 76_200, source: { page: '4' } })
    expect(check.history).toEqual({ d1: { s: 4_000, nu: 9 } })
    expect(check.trials.map(trial => trial.refitted)).toEqual([[], ['pack']])
    expect(check.trials[1]).toMatchObject({ packs: { pack: [{ lotId: 'w2', count: 1 }] }, predicted: { play: { play: 114_300 } } })
  })
  it('names the parts its checks rest on', () => {
    expect(sheet.jobs[0]!.parts.map(part => part.name)).toEqual(['Shaft', 'Bearings', 'Housing and cover'])
    expect(Object.keys(check.parts)).toEqual(['shaft', 'bearing', 'housing'])
  })
  it('is evaluated as ever: its residual, its pooled spread', () => {
    const [answer] = evaluateWorksheet(sheet).checks
    expect(answer).toMatchObject({ results: [{ id: 'play', estimate: { value: 114_300 }, residual: { difference: 0, flagged: false } }] })
    expect(answer!.results[0]!.estimate!.budget[0]!.words).toContain('Readable step')
  })
  it('a mark for stale becomes a change after the last reading', () => {
    const stale = read(
      old(c => {
        c.stale = 'new bearing'
      }),
    )
    expect(stale.jobs[0]!.checks[0]!.partChanges).toEqual([
      { role: '*', at: '2026-05-04T10:00:00Z', reason: 'new bearing', order: expect.any(Number) },
    ])
    expect(evaluateWorksheet(stale).checks[0]).toMatchObject({ state: 'stale', results: [{ stale: 'new bearing' }] })
  })
  it('is refused where it is wrong, in its own words', () => {
    const faults = (sheet: unknown) => {
      const reading = checkWorksheet(sheet)
      return reading.ok ? [] : reading.faults.map(fault => fault.path)
    }
    expect(
      faults(
        old(c => {
          c.gauges = {}
        }),
      ),
    ).toContain('jobs/0/checks/0/gauges')
    expect(
      faults(
        old(c => {
          c.kind = 'tea'
        }),
      ),
    ).toEqual(['jobs/0/checks/0/kind'])
    expect(faults({ ...old(), version: 2 }).length).toBeGreaterThan(0)
  })
})
