import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nm, thou } from '../quantity/length'
import { estimatePlay } from './estimate'
import { closingLimit, gateSeries, isValid, spreadLimit } from './gates'
import { PLAIN_GAUGE, type Gauge } from './gauge'
import { meanSignedPlay, signedPlay, type Repeat } from './repeat'

export const dial: Gauge = {
  id: 'd',
  name: 'Test dial',
  kind: 'dial-indicator',
  unit: 'thou',
  graduation: thou(1),
  readableFraction: 0.5,
  permissibleError: thou(0.5),
  repeatability: thou(0.2),
  hysteresis: thou(0.2),
  rangePerTurn: null,
  lastCheck: null,
  ...PLAIN_GAUGE,
}
const r = (far: number, back = 0, start = 0, more: Partial<Repeat> = {}): Repeat => ({
  id: `${far}/${back}/${start}`,
  start: thou(start),
  far: thou(far),
  back: thou(back),
  ...more,
})
const options = (band: number | null) => ({
  graduation: thou(1),
  step: thou(0.5),
  band: band === null ? null : thou(band),
  unit: 'thou' as const,
})
const gates = (repeats: Repeat[], band: number | null = 11) => gateSeries(repeats, options(band)).map(f => `${f.gate}:${f.level}`)

describe('a repeat', () => {
  it('is far less the middle of start and back, signed', () => {
    expect(signedPlay(r(3, -1, -1))).toBe(thou(4))
    expect(signedPlay(r(19, 1))).toBe(thou(18.5))
    expect(signedPlay(r(-18))).toBe(-thou(18))
  })
  it('averages exactly on a limit when it is on it', () => {
    expect(meanSignedPlay([r(18.9), r(19), r(19.1)])).toBe(thou(19))
  })
})

describe('the gates', () => {
  it('pass a good series without a word', () => expect(gates([r(19), r(19.5), r(19.2)])).toEqual([]))

  it('warn above half a graduation of closing error and refuse above the limit', () => {
    expect(gates([r(19, 0.5), r(19), r(19)])).toEqual([])
    expect(gates([r(19, 0.6), r(19), r(19)])).toEqual(['closing:warn'])
    expect(gates([r(19, 1.1), r(19), r(19)])).toEqual(['closing:warn'])
    expect(gates([r(19, 1.2), r(19), r(19)])).toEqual(['closing:fail'])
    // a band of 2 thou: a quarter of it, half a thou, is the most
    expect(gates([r(3, 0.6), r(3), r(3)], 2)).toEqual(['closing:fail'])
    expect(closingLimit({ graduation: thou(1), band: thou(2) })).toBe(thou(0.5))
    expect(closingLimit({ graduation: thou(1), band: thou(40) })).toBe(thou(4))
    expect(closingLimit({ graduation: thou(1), band: null })).toBe(thou(1))
  })

  it('a voided repeat no longer speaks', () => {
    expect(gates([r(19, 3, 0, { voided: { reason: 'base moved' } }), r(19), r(19.5), r(19)])).toEqual([])
  })

  it('call 28 and then 31 not seated', () => expect(gates([r(28), r(31)])).toEqual(['seat-drift:fail', 'few-readings:note']))
  it('see zeros that walk', () => expect(gates([r(19, 0.6), r(19.9, 1.2, 0.6), r(20.4, 1.8, 1.2)])).toContain('seat-drift:fail'))

  it('refuse a spread above two graduations or a fifth of the band until there are enough readings', () => {
    expect(spreadLimit({ graduation: thou(1), band: thou(11) })).toBe(thou(2.2))
    expect(gates([r(19), r(21.3), r(19)])).toContain('spread:fail')
    expect(gates([r(19), r(21.2), r(19)])).not.toContain('spread:fail')
    expect(gates([r(19), r(21.3), r(19), r(20), r(19), r(20)])).toContain('spread:warn')
  })

  it('never average a needle that falls back', () => {
    const findings = gateSeries([r(19, 0, 0, { springBack: true }), r(19), r(19)], options(11))
    expect(isValid(findings)).toBe(false)
    expect(findings[0]!.words).toContain('Find it, do not average it')
  })

  it('refuse mixed signs', () => expect(gates([r(18), r(-18), r(18)])).toEqual(['mixed-signs:fail']))
  it('mark one or two readings', () => {
    expect(gates([r(19)])).toEqual(['few-readings:note'])
    expect(gates([r(19), r(19)])).toEqual(['few-readings:note'])
  })
  it('suggest an outlier from four readings on, and only suggest', () => {
    const findings = gateSeries([r(19), r(19), r(19.2), r(20.8), r(19.1)], options(11))
    expect(findings.map(f => `${f.gate}:${f.level}:${f.repeatId}`)).toEqual(['outlier:note:20.8/0/0'])
  })
  it('nothing in, nothing said', () => expect(gates([])).toEqual([]))
})

describe('the estimate', () => {
  it('carries the budget of a series of three', () => {
    const e = estimatePlay([r(19), r(20), r(18)], dial)!
    expect(e.value).toBe(thou(19))
    expect(e.lines.map(line => line.source)).toEqual(['repeatability', 'gauge-error', 'hysteresis'])
    expect(e.lines[0]!.u).toBeCloseTo(thou(1) / Math.sqrt(3), 6)
    // U of three readings alone is 2.5 s; the gauge's own errors come on top
    const alone = estimatePlay([r(19), r(20), r(18)], { ...dial, permissibleError: nm(0), hysteresis: nm(0) })!
    expect(alone.U / thou(1)).toBeCloseTo(4.303 / Math.sqrt(3), 3)
    expect(alone.oneMore! / thou(1)).toBeCloseTo(3.182 / 2, 3)
  })
  it('uses the resolution when repeats agree better than the dial can be read', () => {
    const e = estimatePlay([r(19), r(19), r(19)], dial)!
    expect(e.lines[0]).toMatchObject({ source: 'resolution' })
    expect(e.lines[0]!.u).toBeCloseTo(thou(0.5) / Math.sqrt(6), 6)
    expect(e.oneMore).toBeNull()
  })
  it('assumes the stated repeatability for one reading, or takes the shop’s history', () => {
    const coarse = { ...dial, repeatability: thou(1) }
    expect(estimatePlay([r(19)], coarse)!.lines[0]).toMatchObject({ source: 'repeatability', assumed: true, u: thou(1) })
    const pooled = estimatePlay([r(19), r(19)], coarse, { pooled: { s: thou(0.8), nu: 12 } })!
    expect(pooled.lines[0]).toMatchObject({ nu: 12 })
    expect(pooled.lines[0]!.u).toBeCloseTo(thou(0.8) / Math.SQRT2, 6)
    expect(pooled.lines[0]!.assumed).toBeUndefined()
  })
  it('does not average a closing error away', () => {
    const few = estimatePlay([r(19, 1)], dial)!.lines.find(l => l.source === 'closing')!
    const many = estimatePlay([r(19, 1), r(19, 1), r(19, 1), r(19, 1)], dial)!.lines.find(l => l.source === 'closing')!
    expect(few.u).toBeCloseTo(thou(0.5) / Math.sqrt(3), 6)
    expect(many.u).toBe(few.u)
  })
  it('shortens a slanted plunger’s travel by the cosine', () => {
    const straight = estimatePlay([r(20)], dial)!
    const slanted = estimatePlay([r(20)], dial, { scale: Math.cos((20 * Math.PI) / 180) })!
    expect(slanted.value / straight.value).toBeCloseTo(0.9397, 4)
    expect(slanted.u / straight.u).toBeCloseTo(0.9397, 4)
  })
  it('is the size of the play, whichever way the dial ran', () =>
    expect(estimatePlay([r(-18), r(-18.2)], dial)!.value).toBeCloseTo(thou(18.1), 6))
  it('shifts with the zero and nothing else (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 10, max: 400 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: -500, max: 500 }),
        (tenths, zero) => {
          const at = (z: number) => tenths.map(t => ({ id: `${t}`, start: nm(z * 2540), far: nm((t + z) * 2540), back: nm(z * 2540) }))
          const a = estimatePlay(at(0), dial)!
          const b = estimatePlay(at(zero), dial)!
          expect(b.value).toBe(a.value)
          expect(b.U).toBe(a.U)
        },
      ),
    )
  })
})
