import { evaluateCheck } from '#core/check/evaluate/evaluate-check'
import { median } from 'd3-array'
import { exact } from '#core/quantity/figure'
import { twoSided } from '#core/verdict/limits'
import { checkOf, plays, ranges, trial } from '../documents'
import { madeDrawer, stream } from '../reference/drawers'
import type { CheckDocument, PointReading } from '#core/check/document'

const FITTINGS = 6
const STEP = 100_000_000

/** A check of six fittings whose slope is learned, evaluated, against one whose slope is known from the start, on the same drawer. */
export function learnedFigures(say: (line: string) => void): void {
  const { lots } = madeDrawer(stream(19), 120, true)
  const drawer = lots.map(lot => ({ ...lot, family: 'pieces', onHand: Math.max(2, lot.onHand) }))
  const fitted = (place: string, read: (i: number) => PointReading[]) =>
    drawer
      .slice(40, 40 + FITTINGS)
      .map(({ id }, i) => trial(`t${i}`, read(i), { packs: { [place]: [{ lotId: id, count: 1 }] }, refitted: i === 0 ? [] : [place] }))
  const limits = (low: number, high: number, unit: 'N·m' | 'thou') => ({
    book: twoSided(exact(low), exact(high), unit, { kind: 'own' }),
    shop: null,
  })
  const learned = took(
    checkOf('torque-preload', {
      setup: { way: 'gauge' },
      limits: { working: 'book', sets: { turning: limits(5 * STEP, 9 * STEP, 'N·m') } },
      trials: fitted('shim-1', i => ranges('turning-1', ...[0, 0, 0].map((): [number, number] => [(i + 8) * STEP, (i + 8) * STEP]))),
    }),
    drawer,
  )
  const known = took(
    checkOf('shaft-end-play', {
      limits: { working: 'book', sets: { play: limits(50_800, 101_600, 'thou') } },
      trials: fitted('pack', i => plays('travel', 8 + i, 8 + i, 8 + i)),
    }),
    drawer,
  )
  say(`\nSix fittings and 120 sizes, evaluated: slope learned ${learned.toFixed(2)} ms, known ${known.toFixed(2)} ms`)
  say(`  learned / known: ${(learned / known).toFixed(2)}`)
}

function took(document: CheckDocument, lots: Parameters<typeof evaluateCheck>[1]): number {
  const times = Array.from({ length: 25 }, () => {
    const t0 = performance.now()
    evaluateCheck(document, lots)
    return performance.now() - t0
  })
  // The first only warm up.
  return median(times.slice(5))!
}
