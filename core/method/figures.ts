import { formatFigure } from '../quantity/figure'
import { nm } from '../quantity/length'
import { estimateFigure } from '../reading/estimate'
import { gateFigures, type Finding } from '../reading/gates'
import { readableStep, type Gauge } from '../reading/gauge'
import { isFigure, unvoided, type FigureReading, type Reading } from '../reading/reading'
import { heatError, heatMatters } from '../reading/temperature'
import { boreSign } from './bore-gauge/bore'
import { NO_ANSWER, type Heat, type PointAnswer, type SingleFigure, type WayContext } from './way'

/**
 * What the heat of the part added to a figure, nm. Where no temperature was noted the part was as warm as its gauge; of the same
 * metal it then needs no correction. A deviation on a bore dial is read against a master of known size, and carries the heat of all of that size, with the sense of its dial.
 */
function heatIn(reading: FigureReading, heat: Heat | null, gauge: Gauge): number {
  if (!heat) return 0
  const part = { alpha: heat.partAlpha, celsius: reading.celsius ?? heat.gauge.celsius }
  return gauge.kind === 'bore-gauge'
    ? boreSign(gauge) * heatError(heat.size ?? 0, heat.gauge, part)
    : heatError(reading.figure, heat.gauge, part)
}

/** The figure as it would be at 20 °C. */
const cold = (reading: FigureReading, { heat }: WayContext, gauge: Gauge): FigureReading => ({
  ...reading,
  figure: nm(Math.round(reading.figure - heatIn(reading, heat, gauge))),
})

/** A figure that was read hot counts only until one is read cold. */
const counting = (figures: readonly FigureReading[]): readonly FigureReading[] => {
  const cool = figures.filter(({ hot }) => !hot)
  return unvoided(cool).length > 0 ? cool : figures
}

/** @param counted  those that go into the figure */
function hotFindings(figures: readonly FigureReading[], counted: readonly FigureReading[]): Finding[] {
  return unvoided(figures)
    .filter(({ hot }) => hot)
    .map((reading): Finding =>
      counted.includes(reading)
        ? { gate: 'hot', level: 'warn', repeatId: reading.id, words: 'Read hot, by no thermometer: not final. Read it again cold.' }
        : { gate: 'heat', level: 'note', repeatId: reading.id, words: 'Read hot: left out, it was read cold since.' },
    )
}

/** What was taken off for heat, said once a reading; a warning where it is more than a tenth of the band. */
function heatFindings(figures: readonly FigureReading[], { heat, band }: WayContext, gauge: Gauge): Finding[] {
  return unvoided(figures).flatMap((reading): Finding[] => {
    const effect = heatIn(reading, heat, gauge)
    if (Math.abs(effect) < 0.5) return []
    // Of the part itself, whichever way its dial runs.
    const part = gauge.kind === 'bore-gauge' ? boreSign(gauge) * effect : effect
    const amount = formatFigure(Math.abs(effect), gauge.unit, { unit: true })
    return [
      {
        gate: 'heat',
        level: heatMatters(effect, band) ? 'warn' : 'note',
        repeatId: reading.id,
        words: `Read at ${reading.celsius ?? heat!.gauge.celsius} °C: ${amount} ${part > 0 ? 'big with heat, taken off' : 'small with cold, put back'}.`,
      },
    ]
  })
}

/**
 * What single figures taken at one point come to.
 * @param ends  scale readings in a figure: 1 for a size, 2 where a zero was read as well
 * @param more  what else this way looks at
 */
export function answerFigures(
  readings: readonly Reading[],
  context: WayContext,
  ends: 1 | 2,
  more: (figures: readonly FigureReading[], gauge: Gauge) => Finding[] = () => [],
): PointAnswer {
  const { gauge, band, pooled, guarded = false } = context
  const figures = readings.filter(isFigure)
  if (!gauge || figures.length === 0) return NO_ANSWER
  const counted = counting(figures)
  const at20 = counted.map(reading => cold(reading, context, gauge))
  return {
    estimate: estimateFigure(at20, gauge, ends, { pooled }),
    findings: [
      ...more(figures, gauge),
      ...heatFindings(figures, context, gauge),
      ...hotFindings(figures, counted),
      ...gateFigures(at20, { graduation: gauge.graduation, step: readableStep(gauge), band, unit: gauge.unit, guarded }),
    ],
    word: null,
  }
}

/** Figures that each stand for themselves, those voided left out; none of them is averaged with another. Parameters as above. */
export function answerSingles(
  readings: readonly Reading[],
  context: WayContext,
  ends: 1 | 2,
  more: (figures: readonly FigureReading[], gauge: Gauge) => Finding[] = () => [],
): PointAnswer {
  const { gauge, pooled } = context
  const figures = readings.filter(isFigure)
  if (!gauge || figures.length === 0) return NO_ANSWER
  const singles = unvoided(figures).map((reading): SingleFigure => ({
    id: reading.id,
    at: reading.at ?? null,
    stone: reading.stone ?? null,
    heat: heatIn(reading, context.heat, gauge),
    estimate: estimateFigure([cold(reading, context, gauge)], gauge, ends, { pooled })!,
  }))
  return {
    estimate: null,
    findings: [...more(figures, gauge), ...heatFindings(figures, context, gauge), ...hotFindings(figures, figures)],
    word: null,
    singles,
  }
}
