import { upToT } from './student-t'
import { jStat } from 'jstat'
import { describe, expect, it } from 'vitest'
import type { PointReading } from '#core/check/document'
import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { nm } from '#core/quantity/length'
import { readingsToSettle } from '#core/verdict/settle'
import type { LimitSet } from '#core/verdict/limits'
import { checkOf, gauge, GAUGES, trial } from '../documents'
import { caseByCase, runs } from '../runs'
import { stream } from './drawers'

// JCGM 100 and the gates of the trade (common practice), written down as the handbook tells them; t is another library's.
interface Push {
  readonly id: string
  readonly start: number
  readonly far: number
  readonly back: number
  readonly springBack: boolean
  readonly voided: boolean
}
const GRADUATIONS = [2_540, 12_700, 25_400, 10_000]
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length
const middle = (values: readonly number[]) => {
  const sorted = [...values].sort((a, b) => a - b)
  return (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2
}
const t = (nu: number) => (nu === Infinity ? jStat.normal.inv(0.975, 0, 1) : jStat.studentt.inv(0.975, nu))
const chance = upToT

/** Welch–Satterthwaite, ν cut to a whole number where it is used. */
function together(terms: readonly { readonly u: number; readonly nu: number }[]) {
  const u = Math.sqrt(terms.reduce((sum, term) => sum + term.u ** 2, 0))
  const down = terms.reduce((sum, term) => sum + (term.nu === Infinity ? 0 : term.u ** 4 / term.nu), 0)
  const nu = down === 0 ? Infinity : Math.max(1, Math.floor((u ** 4 / down) * (1 + 1e-12)))
  return { u, nu, U: t(nu) * u }
}

describe('a series of a dial, against the handbook written down', () => {
  const random = stream(22)
  const of = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)]!
  const COUNT = runs(4_000, 400)
  const seen: Record<string, number> = {}

  function compare(): void {
    const graduation = of(GRADUATIONS)
    const fraction = of([1, 0.5, 0.2])
    const [error, stated, hysteresis] = [of([0, 2_540, 5_000]), of([0, 1_270, 9_000]), of([0, 0, 3_000])]
    const pooled = random() < 0.3 ? { s: of([800, 4_000]), nu: of([2, 7]) } : null
    const tipAngle = of([0, 0, 10, 25])
    const rule = of(['plain', 'careful', 'guarded'] as const)
    const band = of([20_000, 60_000, 100_000, 200_000, 500_000])
    const lower = 100_000
    const source = { kind: 'own' } as const
    const limits = of<LimitSet | null>([
      { kind: 'two-sided', lower: nm(lower), upper: nm(lower + band), unit: 'thou', source },
      { kind: 'two-sided', lower: nm(lower), upper: nm(lower + band), unit: 'thou', source },
      { kind: 'upper', upper: nm(lower + band), unit: 'thou', source },
      { kind: 'lower', lower: nm(lower), unit: 'thou', source },
      null,
    ])
    const scatter = of([0, 0.3, 1, 3]) * graduation
    const walk = of([0, 0, 0, 1]) * graduation * random()
    const way = of([1, 1, 1, -1])
    const step = graduation * fraction
    const near = (value: number) => Math.round(value / step) * Math.round(step)
    const play = lower + (random() * 1.6 - 0.3) * band
    const pushes = Array.from({ length: 1 + Math.floor(random() * 7) }, (_, i): Push => {
      const start = near((random() < 0.2 ? random() - 0.5 : 0) * 6 * graduation)
      const closing = random() < 0.2 ? (random() - 0.5) * 5 * graduation : 0
      const turned = random() < 0.04 ? -1 : 1
      return {
        id: `r${i}`,
        start,
        far: near(start + way * turned * (play + i * walk + (random() - 0.5) * scatter + (random() < 0.05 ? 8 * graduation : 0))),
        back: near(start + closing),
        springBack: random() < 0.03,
        voided: random() < 0.08,
      }
    })
    const dial = gauge('dial-indicator', nm(graduation), {
      readableFraction: fraction,
      permissibleError: nm(error),
      repeatability: nm(stated),
      hysteresis: nm(hysteresis),
    })
    const document = checkOf('shaft-end-play', {
      rule,
      tipAngle,
      gauges: { ...GAUGES, 'dial-indicator': dial },
      history: pooled ? { [dial.id]: pooled } : {},
      limits: { working: 'book', sets: { play: { book: limits, shop: null } } },
      trials: [
        trial(
          't1',
          pushes.map(({ id, start, far, back, springBack, voided }): PointReading => ({
            id,
            point: 'travel',
            start: nm(start),
            far: nm(far),
            back: nm(back),
            ...(springBack ? { springBack } : {}),
            ...(voided ? { voided: { reason: 'slip' } } : {}),
          })),
        ),
      ],
    })
    const result = evaluateCheck(document, []).trials[0]!.results[0]!
    const live = pushes.filter(({ voided }) => !voided)
    if (live.length === 0) return expect(result.estimate).toBeNull()

    // 2.2, 2.3
    const plays = live.map(({ start, far, back }) => far - (start + back) / 2)
    const n = live.length
    const scale = Math.cos((tipAngle * Math.PI) / 180)
    const s = Math.sqrt(plays.reduce((sum, one) => sum + (one - mean(plays)) ** 2, 0) / (n - 1))
    const repeat =
      n >= 3
        ? { u: s / Math.sqrt(n), nu: n - 1 }
        : pooled
          ? { u: pooled.s / Math.sqrt(n), nu: pooled.nu }
          : { u: stated / Math.sqrt(n), nu: Infinity }
    const resolution = { u: step / Math.sqrt(6), nu: Infinity }
    const byRepeats = repeat.u >= resolution.u
    const closing = live.map(({ start, back }) => Math.abs(back - start))
    const fixed = [error / Math.sqrt(3), hysteresis / Math.sqrt(3), Math.max(...closing) / 2 / Math.sqrt(3)].map(u => ({ u, nu: Infinity }))
    const scaled = (own: { u: number; nu: number }) => together([own, ...fixed].map(term => ({ ...term, u: term.u * scale })))
    const known = scaled(byRepeats ? repeat : resolution)
    const value = Math.abs(mean(plays)) * scale
    expect(result.estimate!.value).toBeCloseTo(value, 3)
    expect(result.estimate!.u).toBeCloseTo(known.u, 3)
    expect(result.estimate!.nu).toBe(known.nu)
    expect(result.estimate!.U).toBeCloseTo(known.U, 2)
    expect(result.estimate!.n).toBe(n)
    if (n >= 3 && byRepeats) expect(result.estimate!.oneMore).toBeCloseTo(scaled({ u: s / Math.sqrt(n + 1), nu: n }).U, 2)
    else expect(result.estimate!.oneMore).toBeNull()

    // The gates. An upper limit of a play means over zero, up to it.
    const width = limits === null || limits.kind === 'lower' ? null : limits.kind === 'upper' ? lower + band : band
    const wanted = new Set<string>()
    const say = (gate: string, level: string, id = '') => wanted.add(`${gate} ${level} ${id}`.trim())
    const tooFar = width === null ? graduation : Math.min(Math.max(graduation, width / 10), width / 4)
    live.forEach(({ id, springBack }, i) => {
      if (closing[i]! > tooFar) say('closing', 'fail', id)
      else if (closing[i]! > graduation / 2) say('closing', 'warn', id)
      const { start, far, back } = live[i]!
      if (Math.sign(back - start) === -Math.sign(far - start) && Math.abs(back - start) >= graduation / 2) say('past-zero', 'warn', id)
      if (springBack) say('spring-back', 'fail', id)
    })
    const signs = new Set(plays.filter(one => one !== 0).map(Math.sign))
    const zeros = live.map(({ start, back }) => (start + back) / 2)
    /** How far it goes one way from the first on, where that are three or more. */
    const run = (values: readonly number[]) => {
      const steps = values.slice(1).map((one, i) => one - values[i]!)
      const broken = steps.findIndex(one => one <= 0)
      const length = broken === -1 ? steps.length : broken
      return length < 2 ? 0 : values[length]! - values[0]!
    }
    const drift = Math.max(run(plays.map(Math.abs)), run(zeros), run(zeros.map(zero => -zero)))
    const spread = Math.max(...plays) - Math.min(...plays)
    if (signs.size > 1) say('mixed-signs', 'fail')
    else if (drift > Math.max(graduation, (width ?? 0) / 10)) say('seat-drift', 'fail')
    else if (spread > Math.max(2 * graduation, (width ?? 0) / 5)) say('spread', n >= 6 ? 'warn' : 'fail')
    const twoWillDo = n === 2 && rule !== 'guarded' && (width ?? 0) >= 100_000 && Math.abs(plays[0]! - plays[1]!) <= graduation
    if (n < 3 && !twoWillDo) say('few-readings', 'note')
    if (n >= 4) {
      const mad = Math.max(middle(plays.map(one => Math.abs(one - middle(plays)))), step / 2)
      live.forEach(({ id }, i) => Math.abs(plays[i]! - middle(plays)) > 3 * 1.4826 * mad && say('outlier', 'note', id))
    }
    const found = result.findings.map(({ gate, level, repeatId }) => `${gate} ${level} ${repeatId ?? ''}`.trim())
    expect(found.filter(one => !one.startsWith('feel')).sort()).toEqual([...wanted].sort())
    for (const one of wanted) seen[one.split(' ').slice(0, 2).join(' ')] = (seen[one.split(' ').slice(0, 2).join(' ')] ?? 0) + 1
    const valid = [...wanted].every(one => !one.includes('fail'))
    expect(result.valid).toBe(valid)

    // 2.4
    if (!valid) expect(result.state).toBe('not-valid')
    else if (limits === null) expect(result.state).toBe('no-limit')
    else {
      const [low, high] = [limits.kind === 'upper' ? 0 : lower, limits.kind === 'lower' ? Infinity : lower + band]
      const beneath = chance((low - value) / known.u, known.nu)
      const beyond = high === Infinity ? 0 : chance((value - high) / known.u, known.nu)
      const level = rule === 'careful' ? 0.8 : 0.95
      const sure = 1 - beneath - beyond >= level ? 'in' : beneath >= level ? 'below' : beyond >= level ? 'above' : 'close'
      const plain = value < low || (limits.kind === 'upper' && value === 0) ? 'below' : value > high ? 'above' : 'in'
      expect(result.state).toBe(rule === 'plain' ? plain : sure)
      seen[result.state] = (seen[result.state] ?? 0) + 1
      // How many more readings like these would settle it, up to six in all.
      const settled = Array.from({ length: 6 }, (_, more) => more).find(more => {
        if (more > 0 && n + more > 6) return false
        const own = byRepeats ? { u: repeat.u * Math.sqrt(n / (n + more)), nu: repeat.nu === n - 1 ? n + more - 1 : repeat.nu } : resolution
        const then = scaled(own)
        const [a, b] = [chance((low - value) / then.u, then.nu), high === Infinity ? 0 : chance((value - high) / then.u, then.nu)]
        return Math.max(a, b, 1 - a - b) >= level
      })
      expect(readingsToSettle(result.estimate!, result.limits.working, rule)).toBe(rule === 'plain' ? 0 : (settled ?? null))
    }
  }

  it('agrees, case by case', () => {
    caseByCase(COUNT, compare)
    expect(Object.keys(seen).sort()).toEqual([
      'above',
      'below',
      'close',
      'closing fail',
      'closing warn',
      'few-readings note',
      'in',
      'mixed-signs fail',
      'outlier note',
      'past-zero warn',
      'seat-drift fail',
      'spread fail',
      'spread warn',
      'spring-back fail',
    ])
  }, 120_000)
})
