import { describe, expect, it } from 'vitest'
import { checkOf, trial } from '../../tests/documents'
import { newLot } from '../command/found-pack'
import { thou } from '../quantity/length'
import type { SignOff } from './document'
import { asSigned, piecesNow, sizesNamed } from './as-signed'

const lot = (id: string, size: number) => ({ ...newLot({ id, family: 'shims', nominal: thou(size), tags: [] }, true), onHand: 2 })
const DRAWER = [lot('c', 20), lot('a', 3), lot('spare', 5)]
const fitted = (...ids: string[]) => ({ packs: { pack: ids.map(lotId => ({ lotId, count: 1 })) } })
const CHECK = checkOf('shaft-end-play', { trials: [trial('t1', [], fitted('c')), trial('t2', [], fitted('c', 'a'))] })
const SIGNED: SignOff = {
  at: '2026-01-05T08:00:00.000Z',
  by: 'T. Marl',
  reason: null,
  core: '3.5.0',
  pieces: piecesNow(sizesNamed(CHECK), DRAWER),
}

describe('the pieces a signature rests on', () => {
  it('are all that was ever fitted, whatever lies beside it, without what the drawer counts and pays', () => {
    expect(SIGNED.pieces!.map(({ id }) => id)).toEqual(['a', 'c'])
    expect(Object.keys(SIGNED.pieces![0]!)).not.toContain('onHand')
    expect(Object.keys(SIGNED.pieces![0]!)).not.toContain('cost')
    expect([...sizesNamed({ ...CHECK, packRules: { required: 'spare' } })]).toContain('spare')
  })
  it('stand for those of the drawer, once it is signed: as they were, and as many as there are now', () => {
    const since = DRAWER.map(one => (one.id === 'c' ? { ...one, measured: thou(20.25), mark: 'B7', onHand: 1 } : one))
    const seen = new Map(asSigned({ signOff: SIGNED }, since).map(one => [one.id, one]))
    expect(seen.get('c')).toMatchObject({ measured: DRAWER[0]!.measured, mark: '', onHand: 1 })
    expect(seen.get('spare')).toBe(since[2])
    expect(seen.size).toBe(3)
    expect(asSigned({ signOff: null }, since)).toBe(since)
    const { pieces: _, ...old } = SIGNED
    expect(asSigned({ signOff: old }, since)).toBe(since)
  })
  it('are there even where the drawer has none of it any more', () => {
    expect(asSigned({ signOff: SIGNED }, []).map(({ id, onHand }) => [id, onHand])).toEqual([
      ['a', 0],
      ['c', 0],
    ])
  })
})
