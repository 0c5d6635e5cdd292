import { stated } from '../../reading/estimate'
import { ZERO, nm } from '../../quantity/length'
import { formatFigure, type Unit } from '../../quantity/figure'
import type { Finding } from '../../reading/gates'
import { isFigure, unvoided } from '../../reading/reading'
import { NO_ANSWER, type Way } from '../way'
import { insideRange } from '../../verdict/limits'
import { scaleStep, stripFor } from './scale'

/** A gap by the squashed width of a plastic strip, read against the printed scale: u = step/√12. The newest reading counts. */
export const plasticStrip: Way = {
  id: 'plastic-strip',
  title: 'Plastic gauging strip',
  entry: 'figure',
  gauge: 'plastic-strip',
  scale: 'play',
  again: 'next',
  hint: 'Hold the scale against the squashed strip and type the gap printed beside the width that matches.',
  answer(readings, { gauge }) {
    const last = unvoided(readings.filter(isFigure)).at(-1)
    if (!gauge || !last) return NO_ANSWER
    const step = scaleStep(gauge.sizes, last.figure)
    if (step === null) return { estimate: null, findings: [offScale(last.figure, last.id, gauge)], word: null }
    return {
      estimate: stated(last.figure, [
        { source: 'resolution', words: 'Step of the printed scale here, step/√12', u: step / Math.sqrt(12), nu: Infinity, shared: false },
      ]),
      findings: [],
      word: null,
    }
  },
  asks(gauge) {
    const printed = gauge?.sizes ?? []
    return {
      least: ZERO,
      name: 'gap',
      ...(printed.length > 0
        ? { plausible: nm(TIMES_SCALE * Math.max(...printed)), likely: { low: Math.min(...printed), high: Math.max(...printed) } }
        : {}),
    }
  },
  /** The grade whose scale holds the limits; an end that is open asks for nothing. */
  suited(of, { limits }) {
    if (!limits) return null
    const { low, high } = insideRange(limits)
    return stripFor(of, Number.isFinite(low) ? low : Infinity, Number.isFinite(high) ? high : -Infinity)
  },
  /** The finest: most bearings are for it. */
  likely: of => [...of].sort((a, b) => Math.min(...a.sizes) - Math.min(...b.sizes))[0],
}

/** This many times what the scale shows is no gap read from a strip; beyond the scale is another grade. Common sense, no source. */
const TIMES_SCALE = 5

function offScale(figure: number, id: string, { sizes, unit, name }: { sizes: readonly number[]; unit: Unit; name: string }): Finding {
  const show = (value: number) => formatFigure(value, unit, { trim: true })
  const range = sizes.length > 0 ? ` (${show(Math.min(...sizes))} – ${show(Math.max(...sizes))})` : ''
  return {
    gate: 'size',
    level: 'fail',
    repeatId: id,
    words: `${formatFigure(figure, unit, { unit: true })} is off the scale of ${name}${range}: take another grade.`,
  }
}
