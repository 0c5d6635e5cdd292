import { groups, mean } from 'd3-array'
import { computed, type Ref } from 'vue'
import type { MeasuringPoint } from '#core/check/contract'
import type { PointReading } from '#core/check/document'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { ways } from '#core/method/ways'
import { ZERO_WORDS } from '#core/method/zero-words'
import { formatFigure, isLengthUnit, readDecimals, unitName, type Unit } from '#core/quantity/figure'
import { isFigure, isRange, isRepeat, readingWords, unvoided } from '#core/reading/reading'
import { signedPlay } from '#core/reading/repeat'

/** A point of a check with many, as the grid shows it. */
export interface PointCell {
  readonly point: MeasuringPoint
  /** as text; null while nothing is read */
  readonly figure: string | null
  readonly bad: boolean
  readonly stale: boolean
  /** why it is not read */
  readonly leftOut: string | null
  /** how many readings the figure is the mean of */
  readonly times: number
  /** typed there, and not stored */
  readonly waiting: string
}

/** What every cell of the sheet shows: the figure that is used, in the unit it was read in. Pieces that were only taken together are no figure. */
export function usePointCells(
  points: Ref<readonly MeasuringPoint[]>,
  readingsOf: (point: MeasuringPoint) => readonly PointReading[],
  results: Ref<readonly ResultEvaluation[]>,
  /** that of its gauge */
  unitOf: (point: MeasuringPoint) => Unit,
  leftOut: (point: MeasuringPoint) => string | null,
  waiting: (point: string) => string,
) {
  /** As many for all points of a part as one of them needs, in the grid and in the series beside it. */
  const decimalsOf = computed(
    () =>
      new Map(
        groups(points.value, ({ at }) => at.part).map(([part, of]) => [
          part,
          Math.max(
            ...of.map(point => {
              const figures = readingsOf(point).flatMap(reading =>
                isFigure(reading) ? [reading.figure] : isRepeat(reading) ? [reading.far] : [],
              )
              return figures.length > 0 ? readDecimals(figures, unitOf(point)) : 0
            }),
          ),
        ]),
      ),
  )

  const decimalsAt = (point: MeasuringPoint) => decimalsOf.value.get(point.at.part) ?? 0

  /** Repeats of one figure are averaged, as its way does; null: it is no figure. */
  function meanOf({ way }: MeasuringPoint, live: readonly PointReading[]): number | null {
    const figures = live.flatMap(reading => (isFigure(reading) ? [reading.figure as number] : []))
    if (figures.length > 0) return averages(way) ? mean(figures)! : figures.at(-1)!
    const plays = live.flatMap(reading => (isRepeat(reading) ? [signedPlay(reading)] : []))
    return plays.length > 0 ? Math.abs(mean(plays)!) : null
  }
  const averages = (way: MeasuringPoint['way']) => ways[way].newest !== true && ways[way].again !== 'another'

  function figureOf(point: MeasuringPoint, live: readonly PointReading[]): string | null {
    const last = live.at(-1)
    if (!last) return null
    if (point.way === 'pieces') return `${live.length} read`
    if (isRange(last) && !isLengthUnit(unitOf(point))) return formatFigure(last.low, unitOf(point))
    const used = meanOf(point, live)
    if (used !== null) return formatFigure(used, unitOf(point), { decimals: decimalsAt(point) })
    const word =
      'word' in last && last.torque === undefined
        ? [...(point.words ?? []), ...ZERO_WORDS].find(({ value }) => value === last.word)?.label
        : undefined
    const unit = ` ${unitName(unitOf(point))}`
    const said = word ?? readingWords(last, unitOf(point))
    return said.endsWith(unit) ? said.slice(0, -unit.length) : said
  }

  const cells = computed(() =>
    points.value
      .filter(point => ways[point.way].entry !== 'pieces')
      .map((point): PointCell => {
        const all = readingsOf(point)
        const live = unvoided(all)
        const result = results.value.find(({ points: rests }) => rests.includes(point.id))
        const ids = new Set(all.map(({ id }) => id))
        return {
          point,
          figure: figureOf(point, live),
          leftOut: live.length === 0 ? leftOut(point) : null,
          times: averages(point.way) && ways[point.way].entry !== 'word' ? live.length : 0,
          waiting: waiting(point.id),
          stale: live.length > 0 && result !== undefined && result.stale !== null,
          bad: result?.findings.some(({ level, repeatId }) => level === 'fail' && repeatId !== undefined && ids.has(repeatId)) ?? false,
        }
      }),
  )
  return { cells, decimalsAt }
}
