import { describe, expect, it } from 'vitest'
import { thou } from '#core/quantity/length'
import { parseFoundPack } from './found-pack'

describe('a pack read out at the bench', () => {
  it('takes pieces, repeats and units', () => {
    expect(parseFoundPack('10, 8, 2 x 3, 0.25 mm', 'thou')).toEqual({
      ok: true,
      pieces: [
        { size: thou(10), count: 1 },
        { size: thou(8), count: 1 },
        { size: thou(3), count: 2 },
        { size: 250_000, count: 1 },
      ],
    })
    expect(parseFoundPack('5 + 5 + 2', 'thou')).toEqual({
      ok: true,
      pieces: [
        { size: thou(5), count: 2 },
        { size: thou(2), count: 1 },
      ],
    })
    expect(parseFoundPack('0,25; 0,30', 'mm')).toEqual({
      ok: true,
      pieces: [
        { size: 250_000, count: 1 },
        { size: 300_000, count: 1 },
      ],
    })
  })
  it('says which piece it cannot read', () => {
    expect(parseFoundPack('10, ten', 'thou')).toMatchObject({ ok: false, reason: expect.stringContaining('ten:') })
    expect(parseFoundPack('10, -2', 'thou')).toMatchObject({ ok: false })
    expect(parseFoundPack(' ', 'thou')).toMatchObject({ ok: false })
    expect(parseFoundPack('0 x 3', 'thou')).toMatchObject({ ok: false })
  })
})
