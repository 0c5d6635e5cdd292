import { scaleLinear, type ScaleLinear } from 'd3-scale'
import { extent } from 'd3-array'
import { perUnit, zeroOf, type Unit } from '#core/quantity/figure'

export interface BandScale {
  readonly x: ScaleLinear<number, number>
  /** where the axis is broken, px; null when it runs through */
  readonly breakAt: number | null
  /** stretches of the axis, nm, each drawn to one scale */
  readonly stretches: readonly (readonly [number, number])[]
}

/** A band narrower than this part of the axis would not be readable: the axis is broken instead. */
const LEAST_SHARE = 1 / 9

/** The band may take so small a part of its stretch. */
const NEAR_BANDS = 4

/**
 * Marks so far from the band that the axis is broken before them: behind the widest gap, so that a figure and its uncertainty stay together.
 * @param away  how far a mark lies outside the band, nm
 */
function beyond(marks: readonly number[], away: (mark: number) => number, band: number): number[] {
  const sorted = marks.toSorted((a, b) => away(a) - away(b))
  const cuts = sorted.flatMap((mark, at) => {
    const before = at === 0 ? 0 : Math.max(0, away(sorted[at - 1]!))
    return away(mark) > band && before <= NEAR_BANDS * band ? [{ at, gap: away(mark) - before }] : []
  })
  const [widest] = cuts.toSorted((a, b) => b.gap - a.gap)
  return widest ? sorted.slice(widest.at) : []
}

/**
 * The axis of the limit band. It holds the limits and every mark; when a mark lies far off, the middle is left out so that the
 * band keeps its size.
 * @param limits  ends that are drawn, nm
 * @param marks  readings, mean with its U, prediction, nm
 */
export function bandScale(limits: readonly number[], marks: readonly number[], width: number, margin: number): BandScale {
  const [low, high] = extent([...limits, ...marks]) as [number | undefined, number | undefined]
  if (low === undefined || high === undefined)
    return { x: scaleLinear([0, 100_000], [margin, width - margin]), breakAt: null, stretches: [[0, 100_000]] }
  const [bandLow, bandHigh] = (limits.length > 0 ? extent(limits) : [low, high]) as [number, number]
  const band = Math.max(bandHigh - bandLow, 20_000)
  const pad = Math.max(band * 0.35, (high - low) * 0.06)
  // Where nothing is below nothing, the axis is not either.
  const floor = bandLow >= 0 && low >= 0 ? 0 : -Infinity
  const from = Math.max(floor, low - pad)
  const whole: [number, number] = [from, high + pad]
  if (limits.length < 2 || band / (whole[1] - whole[0]) >= LEAST_SHARE)
    return { x: scaleLinear(whole, [margin, width - margin]), breakAt: null, stretches: [whole] }

  const right = beyond(marks, mark => mark - bandHigh, band)
  const far = right.length > 0 ? right : beyond(marks, mark => bandLow - mark, band)
  const near = [...limits, ...marks.filter(mark => !far.includes(mark))]
  const [nearLow, nearHigh] = extent(near) as [number, number]
  const [farLow, farHigh] = extent(far) as [number, number]
  const nearPad = (nearHigh - nearLow) * 0.3
  const farPad = Math.max((farHigh - farLow) * 0.6, band * 0.35)
  // Each stretch ends where the other has not begun.
  const between = right.length > 0 ? (nearHigh + farLow) / 2 : (farHigh + nearLow) / 2
  const [atLeast, atMost] = right.length > 0 ? [-Infinity, between] : [between, Infinity]
  const a: [number, number] = [Math.max(floor, nearLow - nearPad, atLeast), Math.min(nearHigh + nearPad, atMost)]
  const b: [number, number] =
    right.length > 0 ? [Math.max(farLow - farPad, between), farHigh + farPad] : [farLow - farPad, Math.min(farHigh + farPad, between)]
  const [first, second] = right.length > 0 ? [a, b] : [b, a]
  const share = right.length > 0 ? 0.62 : 0.34
  const split = margin + (width - 2 * margin) * share
  return {
    x: scaleLinear([...first, ...second], [margin, split - 14, split + 14, width - margin]),
    breakAt: split,
    stretches: [first, second],
  }
}

/** Round steps for ticks at least `apart` px from each other, and the labelled ones among them. */
export function ticks(scale: BandScale, unit: Unit, apart: number): { at: number; value: number; major: boolean }[] {
  const per = perUnit(unit)
  const zero = zeroOf(unit)
  return scale.stretches.flatMap(([low, high]) => {
    const pxPerUnit = Math.abs(scale.x(high) - scale.x(low)) / ((high - low) / per)
    const wanted = apart / pxPerUnit
    const power = 10 ** Math.floor(Math.log10(wanted))
    const step = [1, 2, 5, 10].map(factor => factor * power).find(candidate => candidate >= wanted)!
    const every = String(step / power).startsWith('2') ? 5 : step / power === 5 ? 4 : 5
    const first = Math.ceil((low - zero) / per / step - 1e-9)
    const last = Math.floor((high - zero) / per / step + 1e-9)
    return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => first + i).map(n => ({
      at: scale.x(n * step * per + zero),
      value: n * step,
      major: n % every === 0,
    }))
  })
}
