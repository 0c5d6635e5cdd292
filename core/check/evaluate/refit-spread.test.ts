import { describe, expect, it } from 'vitest'
import { checkOf, plays, trial } from '../../../tests/documents'
import { nm, thou } from '../../quantity/length'
import { proofsOf, refitFrom } from './refit-spread'

describe('what refitting does in this shop', () => {
  const proofs = (count: number, difference: number, known: number) =>
    Array.from({ length: count }, (_, i) => ({ difference: i % 2 ? difference : -difference, known }))
  it('is the mean square of ten proofs less what readings and pieces explain: 5 and 3 leave 4', () =>
    expect(refitFrom(proofs(10, 5_000, 3_000))).toBe(4_000))
  it('is not told by nine, and never less than a tenth of a thou', () => {
    expect(refitFrom(proofs(9, 5_000, 3_000))).toBeNull()
    expect(refitFrom(proofs(10, 3_000, 5_000))).toBe(2_540)
  })
  it('takes each fitting once, by what its residual is known to without the refit', () => {
    const predicted = { play: { play: thou(4), u: 9_000, uOwn: 8_000 } }
    const document = checkOf('shaft-end-play', {
      setup: { pack: 'under-cover' },
      uRefit: nm(5_000),
      trials: [
        trial('t1', plays('travel', 9, 9, 9), { packs: { pack: [] } }),
        trial('t2', plays('travel', 4.2, 4.2, 4.2), { packs: { pack: [] }, refitted: ['pack'], predicted }),
      ],
    })
    const [proof, ...others] = proofsOf(document, [])
    expect(others).toEqual([])
    expect(proof).toMatchObject({ trial: 't2', result: 'play', difference: expect.closeTo(0.2 * thou(1), 3) })
    // Own of the reading: half a graduation at both ends, 0.5/√6 thou.
    expect(proof!.known).toBeCloseTo(Math.sqrt((thou(0.5) / Math.sqrt(6)) ** 2 + 8_000 ** 2 - 5_000 ** 2), 3)
  })
})
