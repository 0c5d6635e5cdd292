import { describe, expect, it } from 'vitest'
import { nm, thou } from '../../quantity/length'
import { readLedger, type LedgerTrial } from './ledger'
import { lotMap, type Lot } from '../../pack/lot'
import { predict } from '../answer/predict'
import { proofResidual } from './residual'
import { stackingOrder } from '../../pack/stacking'
import { floored } from '../../verdict/limits'
import { packWindow } from '../window/window'
import { lotOf } from '../../../tests/pieces'

const ring = (size: number, more: Partial<Lot> = {}): Lot => lotOf(`r${size}`, thou(size), { family: 'rings', scatter: nm(1_000), ...more })
const kit = lotMap([57, 58, 59, 60, 61, 63, 10, 6, 4, 2, 5].map(size => ring(size)))
const pair = { perPiece: -1, pair: true } as const
const trial = (size: number, play: number, uOwn = 1, id = `t${size}`): LedgerTrial => ({
  id,
  pack: [{ lotId: `r${size}`, count: 2 }],
  play: thou(play),
  uOwn: thou(uOwn),
  bound: false,
})
const suspicions = [
  { effect: 'less-play' as const, words: 'A groove was dirty, or a ring not home.' },
  { effect: 'more-play' as const, words: 'Loose bolts.' },
]
const context = { lots: kit, family: 'rings', response: pair, most: 9, unit: 'thou' as const, uShared: 0 }
const read = (trials: LedgerTrial[]) => readLedger(trials, context, suspicions)

describe('the trial ledger', () => {
  it('one fitting gives a base', () => expect(read([trial(61, 3.5)])).toMatchObject({ state: 'one', base: { value: thou(125.5) } }))

  it('two that agree are fused, two that do not are not, and none is named', () => {
    const fused = read([trial(61, 3.5), trial(63, 0.5)])
    expect(fused.state).toBe('agree')
    expect(fused.base!.value).toBeCloseTo(thou(126), 0)
    expect(fused.base!.u).toBeLessThan(thou(1))
    const apart = read([trial(59, 3.5), trial(61, 3.5)])
    expect(apart).toMatchObject({ state: 'disagree', base: null, suspect: null, apparentSlope: 0 })
    expect(apart.words).toContain('the pack changed and the play did not')
  })

  it('tells a half slope and a wrong sign from the two', () => {
    expect(read([trial(57, 9), trial(61, 5)]).words).toContain('half of what it should')
    expect(read([trial(57, 3), trial(61, 8)]).words).toContain('the other way')
  })

  it('names the odd one of three: the 59 that is a 61', () => {
    const ledger = read([trial(59, 3.5), trial(61, 3.5), trial(63, 0.5)])
    expect(ledger.entries.map(e => e.base! / thou(1))).toEqual([121.5, 125.5, 126.5])
    expect(ledger.state).toBe('suspect')
    expect(ledger.suspect!.id).toBe('t59')
    expect(ledger.suspect!.offset / thou(1)).toBeCloseTo(-4.5, 9)
    expect(ledger.suspect!.reasons).toContain('A 59 that is really a 61: measure it.')
    expect(ledger.suspect!.reasons[0]).toContain('misread by about 4.5')
    expect(ledger.suspect!.reasons).toContain('A groove was dirty, or a ring not home.')
    expect(ledger.suspect!.reasons).not.toContain('Loose bolts.')
  })

  it('names nobody when no pair agrees, or when two pairs do', () => {
    expect(read([trial(57, 20), trial(61, 3.5), trial(63, 14)]).state).toBe('disagree')
    expect(read([trial(59, 3.5, 1), trial(60, 3.8, 1), trial(61, 4, 1)])).toMatchObject({ suspect: null })
  })

  it('leaves each out from four on', () => {
    const ledger = read([trial(57, 12), trial(58, 10.2), trial(59, 3), trial(60, 6.1), trial(61, 3.8)])
    expect(ledger.suspect!.id).toBe('t59')
    expect(read([trial(57, 12), trial(58, 10.2), trial(60, 6.1), trial(61, 3.8)]).state).toBe('agree')
    // By threes the 60 and the 61 would be the one pair; of four, two pairs stand against each other and nobody is named.
    const torn = read([trial(57, 12), trial(58, 10), trial(60, 1), trial(61, -1)])
    expect(torn).toMatchObject({ state: 'disagree', suspect: null })
    expect(torn.words).toContain('no single one explains it')
  })

  it('takes no base from a play that cannot be told from zero', () => {
    expect(read([{ ...trial(63, 0.2), bound: true }])).toMatchObject({ state: 'empty', base: null })
    expect(read([{ ...trial(63, 0.2), bound: true }]).words).toContain('looser pack')
    expect(read([trial(61, 3.5), { ...trial(63, 0), bound: true }]).state).toBe('one')
  })

  it('never averages down what the trials share', () => {
    const shared = readLedger([trial(61, 3.5), trial(63, 0)], { ...context, uShared: thou(2) }, [])
    expect(shared.base!.u).toBeGreaterThan(thou(2))
  })

  it('names only sizes of this family, and no piece that stood in a fitting that agrees', () => {
    const all = (lots: Lot[], trials: LedgerTrial[]) => readLedger(trials, { ...context, lots: lotMap(lots), family: 'rings' }, [])
    // The 59 measures like a 61, which only the shims have.
    const lots = [59, 60, 63].map(size => ring(size)).concat(ring(61, { family: 'shims' }))
    const trials = [trial(59, 3.5, 0.2), trial(60, 5.5, 0.2), trial(63, -0.5 + 0.01, 0.2)]
    const reasons = all(lots, trials).suspect!.reasons.join(' ')
    expect(reasons).toContain('A 59 that is about 61.0:')
    expect(all([...lots, ring(61, { id: 'own' })], trials).suspect!.reasons.join(' ')).toContain('really a 61')
    expect(readLedger(trials, { ...context, lots: lotMap(lots), family: '' }, []).suspect!.reasons.join(' ')).toContain('really a 61')
    // The same rings again: what they measured the other time clears them.
    const twice = all(lots, [trial(60, 5.5, 0.2), trial(63, -0.5, 0.2), { ...trial(60, 7.5, 0.2), id: 'again' }])
    expect(twice.suspect!.id).toBe('again')
    expect(twice.suspect!.reasons.join(' ')).not.toContain('A 60 that')
  })

  it('suspects two stuck together when the extra thickness is a size of the drawer', () => {
    const cover = { perPiece: 1, pair: false } as const
    const t = (id: string, lotId: string, play: number): LedgerTrial => ({
      id,
      pack: [{ lotId, count: 1 }],
      play: thou(play),
      uOwn: thou(0.3),
      bound: false,
    })
    const ledger = readLedger([t('a', 'r10', 13), t('b', 'r6', 9), t('c', 'r4', 12)], { ...context, response: cover }, suspicions)
    expect(ledger.suspect!.id).toBe('c')
    expect(ledger.suspect!.reasons).toContain('Two pieces stuck together: a 5 went in unseen.')
    expect(ledger.suspect!.reasons).toContain('Loose bolts.')
    // One alone, or one each side, hides no other.
    const single = readLedger([t('a', 'r10', 13), t('b', 'r6', 9), t('c', 'r4', 12)], { ...context, response: cover, most: 2 }, suspicions)
    expect(single.suspect!.reasons.join(' ')).not.toContain('stuck together')
    // Less play than the pack should give: nothing went in unseen there.
    const less = readLedger([t('a', 'r10', 13), t('b', 'r6', 9), t('c', 'r4', 2)], { ...context, response: cover }, suspicions)
    expect(less.suspect!.id).toBe('c')
    expect(less.suspect!.reasons.join(' ')).not.toContain('stuck together')
  })
})

describe('around a pack', () => {
  const cover = { perPiece: 1, pair: false } as const
  const band = {
    kind: 'two-sided' as const,
    lower: nm(1),
    upper: nm(Math.round(1.97 * 25400)),
    unit: 'thou' as const,
    source: { kind: 'borrowed' as const },
  }
  it('shows the window of totals: 59.77 to 60.75 a side', () => {
    const window = packWindow(band, thou(3.5), thou(118), { perPiece: -1, pair: true })!
    expect(window.low / 2 / thou(1)).toBeCloseTo(59.765, 3)
    expect(window.high / 2 / thou(1)).toBeCloseTo(60.75, 2)
  })
  it('has no window below nothing', () => {
    expect(packWindow({ ...band, upper: nm(100) }, thou(40), thou(10), cover)).toBeNull()
    // Over 0, up to 4 with 16 to share: 12 does, 16 would leave none.
    const some = { kind: 'upper', upper: thou(4), unit: 'thou', source: { kind: 'book' } } as const
    expect(packWindow(floored(some, 'never-zero'), thou(6), thou(10), { perPiece: -1, pair: false })).toEqual({
      low: thou(12),
      high: thou(16),
      lowExcluded: false,
      highExcluded: true,
    })
    expect(packWindow(null, thou(40), thou(10), cover)).toBeNull()
    expect(packWindow(band, thou(40), 0, cover, false)!.high).toBeLessThan(0)
  })
  it('pieces left in place carry no uncertainty, unmeasured ones carry their tolerance together', () => {
    const lots = lotMap([
      ring(10, { measured: null, tolerance: { plus: thou(0.5), minus: thou(0.5) } }),
      ring(6),
      ring(4, { measured: null }),
    ])
    const measured = { play: thou(20), u: thou(0.2), nu: 10 }
    const grounds = { measured, from: measured, before: [], uRefit: 0 }
    const same = predict({ ...grounds, uRefit: thou(0.3) }, [{ lotId: 'r10', count: 2 }], [{ lotId: 'r10', count: 2 }], lots, cover)
    expect(same.u).toBeCloseTo(thou(0.2), 6)
    const two = predict(grounds, [{ lotId: 'r10', count: 3 }], [{ lotId: 'r10', count: 1 }], lots, cover)
    expect(two.u).toBeCloseTo(Math.hypot(thou(0.2), (2 * thou(0.5)) / Math.sqrt(3), Math.sqrt(2) * 1000), 3)
    const micrometer = predict(grounds, [{ lotId: 'r6', count: 3 }], [], lots, cover)
    expect(micrometer.u).toBeCloseTo(Math.hypot(thou(0.2), 3 * 1000, Math.sqrt(3) * 1000), 3)
    expect(micrometer.play).toBe(thou(2))
  })
  it('stacks thick pieces outside and thin ones between, a stepped one last', () => {
    const lots = lotMap([ring(2), ring(4), ring(10), ring(6), ring(61, { shape: 'stepped' })])
    expect(
      stackingOrder(
        [
          { lotId: 'r2', count: 1 },
          { lotId: 'r10', count: 2 },
          { lotId: 'r4', count: 1 },
        ],
        lots,
      ),
    ).toEqual(['r10', 'r4', 'r2', 'r10'])
    expect(
      stackingOrder(
        [
          { lotId: 'r6', count: 1 },
          { lotId: 'r61', count: 1 },
          { lotId: 'r2', count: 1 },
        ],
        lots,
      ),
    ).toEqual(['r6', 'r2', 'r61'])
    expect(
      stackingOrder(
        [
          { lotId: 'r6', count: 1 },
          { lotId: 'r2', count: 1 },
        ],
        lots,
        'r2',
      )[0],
    ).toBe('r2')
  })
  it('flags a proof that is more than two u from what was predicted', () => {
    expect(proofResidual(thou(3), thou(0.3), thou(4), thou(0.3))).toMatchObject({ difference: -thou(1), flagged: true })
    expect(proofResidual(thou(3), thou(0.5), thou(4), thou(0.4)).flagged).toBe(false)
    expect(proofResidual(thou(4), 0, thou(4), 0)).toMatchObject({ z: 0, flagged: false })
  })
})
