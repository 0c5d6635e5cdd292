import { describe, expect, it } from 'vitest'
import { checkOf, plays, trial } from '../../../tests/documents'
import { newLot } from '../../command/found-pack'
import { thou } from '../../quantity/length'
import { twoSided } from '../../verdict/limits'
import { lackingPlaces } from './lacking'

const BOOK = { book: twoSided(thou(2), thou(6), 'thou', { kind: 'book' }), shop: null }
const lot = (size: number, onHand: number) => ({
  ...newLot({ id: `s${size}`, family: 'shims', nominal: thou(size), tags: [] }, true),
  onHand,
})
/** 20 thou with a 30 in the gap: a pack of 46 leaves the middle. */
const check = (more: object = {}) =>
  checkOf('shaft-end-play', {
    setup: { pack: 'in-gap' },
    family: 'shims',
    limits: { working: 'book', sets: { play: BOOK } },
    trials: [trial('t1', plays('travel', 20, 20, 20), { packs: { pack: [{ lotId: 's30', count: 1 }] } })],
    ...more,
  })
const wanted = (document = check(), ...lots: ReturnType<typeof lot>[]) =>
  lackingPlaces(document, [lot(30, 0), ...lots]).map(({ place, plan }) => [
    place.id,
    plan.items.map(({ lotId, pieces }) => `${pieces} ${lotId}`),
  ])

describe('what a check lacks', () => {
  it('is what to order where the drawer reaches no limits and the catalogue has a size that helps', () =>
    expect(wanted(check(), lot(10, 2), lot(16, 0), lot(40, 0))).toEqual([['pack', ['1 s16']]]))
  it('is nothing where the drawer has it, nothing helps, nothing was measured, or no limits are known', () => {
    expect(wanted(check(), lot(10, 2), lot(16, 1))).toEqual([])
    expect(wanted(check(), lot(10, 2), lot(200, 0))).toEqual([])
    expect(wanted(check({ trials: [trial('t1', [], { packs: { pack: [] } })] }), lot(16, 0))).toEqual([])
    expect(wanted(check({ limits: { working: 'book', sets: {} } }), lot(10, 2), lot(16, 0))).toEqual([])
  })
})
