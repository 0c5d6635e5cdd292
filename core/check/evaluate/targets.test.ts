import { describe, expect, it } from 'vitest'
import { between, checkOf, trial } from '../../../tests/documents'
import { nm, thou } from '../../quantity/length'
import type { LimitSet } from '../../verdict/limits'
import type { CheckDocument } from '../document'
import { evaluateCheck } from './evaluate-check'

const upTo = (upper: number): LimitSet => ({ kind: 'upper', upper: thou(upper), unit: 'thou', source: { kind: 'own' } })
const pump = (outer: number, inner: number, limits: LimitSet | null, change: Partial<CheckDocument> = {}) =>
  evaluateCheck(
    checkOf('oil-pump-clearance', {
      limits: { working: 'book', sets: { clearance: { book: limits, shop: null } } },
      // Go and no-go a thou apart: the figure is the middle.
      trials: [trial('t1', [between('feeler-outer', outer - 0.5, outer + 0.5), between('feeler-inner', inner - 0.5, inner + 0.5)])],
      ...change,
    }),
    [],
  )

describe('a face rubbed down moves both clearances', () => {
  it('as much comes off as leaves both in limits: 6 and 5, up to 3, is over 3 and less than 5', () => {
    const { targets, phase, state } = pump(6, 5, upTo(3))
    expect([state, phase]).toEqual(['above', 'choose'])
    // Aimed at 1.5 each: 4.5 and 3.5 off, the middle of both leaves 2 and 1.
    expect(targets).toMatchObject([
      { id: 'face', does: 'rework', value: thou(4), low: thou(3), high: nm(thou(5) - 1), left: thou(4), enough: false, impossible: false },
    ])
  })
  it('what it comes to stays within what both allow', () =>
    // 7 wants 5.5 off, 3 wants 1.5: the middle, 3.5, would bind the smaller one and leave the larger too much.
    expect(pump(7, 3, upTo(3)).targets).toMatchObject([{ impossible: true, low: null, high: null }]))
  it('is nothing where both are in limits as they are', () => {
    const { targets, phase } = pump(2, 1.5, upTo(3))
    expect([targets[0]!.enough, phase]).toEqual([true, 'prove'])
  })
  it('a window with one end open is open there', () => {
    const least: LimitSet = { kind: 'lower', lower: thou(1), unit: 'thou', source: { kind: 'own' } }
    expect(pump(6, 5, least).targets).toMatchObject([{ low: null, high: thou(4) }])
  })
  it('without limits there is nothing to work to', () => expect(pump(6, 5, null).targets).toEqual([]))
  it('rubbed, the body says that what was read no longer holds; the cover says nothing of the kind', () => {
    const changed = (role: string) =>
      pump(6, 5, upTo(3), { partChanges: [{ role, at: '2026-05-06T08:00:00.000Z', reason: 'rubbed', order: 1e9 }] })
    expect([changed('pump').targets, changed('pump').state]).toEqual([[], 'stale'])
    expect([changed('cover').targets.length, changed('cover').state]).toEqual([1, 'above'])
  })
})
