import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nm, thou } from '../quantity/length'
import { estimatePlay } from './estimate'
import { closingLimit, gateSeries, isValid, spreadLimit } from './gates'
import { gaugeWarnings, PLAIN_GAUGE, type Gauge } from './gauge'
import type { Repeat } from './reading'
import { meanSignedPlay, signedPlay } from './repeat'
import { stream } from '../../tests/reference/drawers'

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

it('a play that comes back past zero was zeroed unseated: the figure stands, and it is said (handbook: 0, 3, −0.5 gives 3.25)', () => {
  const options = { graduation: 12_700, step: 6_350, band: 101_600, unit: 'thou' as const }
  const past = { id: 'a', start: thou(0), far: thou(3), back: thou(-0.5) }
  expect(signedPlay(past)).toBe(thou(3.25))
  const words = (back: number, far = 3) =>
    gateSeries([{ ...past, far: thou(far), back: thou(back) }], options)
      .map(finding => finding.words)
      .join(' ')
  expect(words(-0.5)).toContain('the zero was taken unseated')
  expect(words(0.5, -3)).toContain('the zero was taken unseated')
  expect(words(0.5)).not.toContain('unseated')
  expect(words(0.5)).toContain('off zero')
  expect(words(0)).not.toContain('unseated')
  // A finding of its own: half a graduation past zero, where the closing gate says nothing yet.
  const whole = gateSeries([past], { ...options, graduation: 25_400 })
  expect(whole.map(({ gate, level }) => `${gate} ${level}`)).toEqual(['past-zero warn', 'few-readings note'])
  expect(whole[0]!.words).toContain('Press home, zero again, repeat.')
  expect(gateSeries([{ ...past, back: thou(-0.4) }], { ...options, graduation: 25_400 }).map(({ gate }) => gate)).toEqual(['few-readings'])
})

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

  it('call 28, 29, 31 not seated: a run of three from the first on; two show no drift', () => {
    expect(gates([r(28), r(29), r(31)])).toContain('seat-drift:fail')
    expect(gates([r(28), r(29)])).not.toContain('seat-drift:fail')
    // A shaft that goes home reads more, never less.
    expect(gates([r(31), r(29), r(28)])).not.toContain('seat-drift:fail')
    // The run breaks at once, or begins later: scatter.
    expect(gates([r(29), r(28), r(29), r(30.5)])).not.toContain('seat-drift:fail')
    // A tenth of a wide band is not drift; the first reading voided, the rest stands.
    expect(gates([r(28), r(28.6), r(29.9)], 30)).not.toContain('seat-drift:fail')
    expect(gates([r(28, 0, 0, { voided: { reason: 'not home' } }), r(30), r(31), r(31)])).not.toContain('seat-drift:fail')
  })
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
    expect(gates([r(19), r(19)], 3)).toEqual(['few-readings:note'])
    // Two that agree within a graduation are enough from a band of 4 thou up, unless failure can hurt.
    const two = (band: number, apart: number, guarded = false) =>
      gateSeries([r(19), r(19 + apart)], { ...options(band), guarded }).map(({ gate }) => gate)
    expect([two(4, 1), two(3.9, 0), two(4, 1.1), two(4, 0, true)]).toEqual([[], ['few-readings'], ['few-readings'], ['few-readings']])
  })
  it('suggest an outlier from four readings on, and only suggest', () => {
    const findings = gateSeries([r(19), r(19), r(19.2), r(20.8), r(19.1)], options(11))
    expect(findings.map(f => `${f.gate}:${f.level}:${f.repeatId}`)).toEqual(['outlier:note:20.8/0/0'])
    // Half a readable step is the least deviation: 3 × 1.4826 × 0.25 thou is 1.1, and from there it stands apart.
    const apart = (by: number) => gateSeries([r(19), r(19), r(19), r(19 + by)], options(11)).some(({ gate }) => gate === 'outlier')
    expect([apart(1), apart(1.2)]).toEqual([false, true])
  })
  it('nothing in, nothing said', () => expect(gates([])).toEqual([]))
})

/** How often a gate speaks over simulated series; each reading is rounded to what can be read of the dial. */
describe('the gates over thousands of series', () => {
  const SERIES = 4_000
  const random = stream(20260511)
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
  const read = (value: number) => Math.round(value * 2) / 2
  /** @param play  of reading i, thou; @param sd  scatter of a reading, thou */
  const rate = (gate: string, count: number, play: (i: number) => number, sd: number, back: (i: number) => number = () => 0) => {
    let spoke = 0
    for (let s = 0; s < SERIES; s++) {
      const repeats = Array.from({ length: count }, (_, i) => ({
        ...r(read(play(i) + sd * normal()), read(back(i) + 0.3 * sd * normal())),
        id: String(i),
      }))
      if (gateSeries(repeats, options(11)).some(finding => finding.gate === gate && finding.level === 'fail')) spoke++
    }
    return spoke / SERIES
  }
  const still = () => 20
  it('honest scatter of a third of a graduation is hardly ever refused, two readings never as drift', () => {
    expect(rate('seat-drift', 2, still, 0.35)).toBe(0)
    expect(rate('seat-drift', 3, still, 0.35)).toBeLessThan(0.01)
    expect(rate('seat-drift', 5, still, 0.35)).toBeLessThan(0.01)
    expect(rate('spread', 5, still, 0.35)).toBeLessThan(0.01)
    expect(rate('closing', 5, still, 0.35)).toBeLessThan(0.01)
  })
  it('a seat that settles by a graduation a push is caught, and a base that moved', () => {
    expect(rate('seat-drift', 4, i => 20 + [0, 1.5, 3, 3][i]!, 0.2)).toBeGreaterThan(0.95)
    expect(rate('closing', 3, still, 0.2, i => (i === 1 ? 2 : 0))).toBeGreaterThan(0.95)
    expect(rate('spread', 4, i => (i === 1 ? 24 : 20), 0.35)).toBeGreaterThan(0.95)
  })
})

describe('the estimate', () => {
  it('carries the budget of a series of three', () => {
    const e = estimatePlay([r(19), r(20), r(18)], dial)!
    expect(e.value).toBe(thou(19))
    expect(e.lines.map(line => line.source)).toEqual(['repeatability', 'gauge-error', 'hysteresis'])
    expect(e.lines[0]!.u).toBeCloseTo(thou(1) / Math.sqrt(3), 6)
    // U of three readings alone is 2.5 s; the gauge's own errors come on top
    const alone = estimatePlay([r(19), r(20), r(18)], { ...dial, permissibleError: nm(0), hysteresis: nm(0) })!
    expect(alone.lines.map(line => line.source)).toEqual(['repeatability'])
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

describe('what is said of a gauge before it is used', () => {
  const words = (more: Partial<Gauge>) =>
    gaugeWarnings({ ...dial, zeroedOn: '2026-05-04', ...more }, '2026-05-04').map(w => [w.words, w.zero])
  it('nothing where its check is not due, or never is, and it was zeroed today', () => {
    expect(words({ due: null })).toEqual([])
    expect(words({ due: '2026-05-04' })).toEqual([])
  })
  it('overdue since yesterday; not zeroed today', () => {
    expect(words({ due: '2026-05-03' })).toEqual([['Test dial was due for its check on 3 May 2026.', false]])
    expect(words({ zeroedOn: '2026-05-03' })).toEqual([['Test dial is not marked as zeroed today.', true]])
    expect(words({ kind: 'micrometer', zeroedOn: null })).toEqual([['Test dial is not marked as tried on its standard today.', true]])
  })
})
