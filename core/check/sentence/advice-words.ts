import { lowerFirst } from '../../quantity/first-letter'
import { formatChange, formatFigure, type Unit } from '../../quantity/figure'
import { percent } from '../../quantity/percent'
import { GAUGE_NAME, type Gauge, type GaugeKind } from '../../reading/gauge'
import type { GaugeAhead } from '../evaluate/gauge-ahead'
import type { Advice } from './advice'

/** What follows `Too close to call`. @param pack  what a refit would do, as a sentence */
export function adviceInWords(advice: Advice, unit: Unit, pack: string | null): string {
  switch (advice.by) {
    case 'reading':
      return `: ${advice.more === 1 ? 'one more reading' : `${advice.more} more readings`} like these would settle it.`
    case 'gauge':
      return `: read it with ${advice.gauge.name}, which tells it to ± ${formatChange(advice.U, unit, { unit: true })}.`
    case 'reason':
      return `, ${percent(advice.inside)} in limits. Nothing else is worth its trouble: leave it, and sign it with a reason.`
    case 'refit':
      return pack === null ? ': another pack would do better.' : `. ${pack}`
  }
}

/** So many gauges of the register are named. */
const NAMED = 3

/** What a gauge will tell, and whether that decides. */
export interface AheadWords {
  readonly words: string
  readonly decides: boolean
  /** what the check keeps it under, and what has to be taken for it */
  readonly key: string
  readonly kind: GaugeKind
  /** the one of the register to take in its place; none: there is no better */
  readonly finer: readonly Pick<Gauge, 'id' | 'name'>[]
}

/** Before it is read: can the gauge in hand decide? Null: it can, or nothing is known of it. */
export function aheadInWords(ahead: GaugeAhead | null, unit: Unit): AheadWords | null {
  if (!ahead || ahead.fit.answer === 'fit' || ahead.fit.answer === 'no-band') return null
  const { gauge, band, wants, finer, U } = ahead
  const decides = ahead.fit.answer !== 'cannot-decide'
  const of = `A band of ${formatFigure(band, unit, { unit: true, trim: true, change: true })}`
  const wanted =
    wants === null
      ? ''
      : ` wants a ${lowerFirst(GAUGE_NAME[gauge.kind])} of ${formatFigure(wants, gauge.unit, { unit: true, trim: true, decimals: 4 })}:`
  const tells = `${gauge.name} tells it to ± ${formatChange(U, unit, { unit: true })}${decides ? '' : ' and cannot decide it'}`
  const names = finer.slice(0, NAMED).map(one => `${one.gauge.name} (± ${formatChange(one.U, unit)})`)
  const register = names.length > 0 ? ` Finer in the register: ${names.join(', ')}.` : ''
  return {
    words: `${of}${wanted || ':'} ${tells}.${register}`,
    decides,
    key: ahead.key,
    kind: gauge.kind,
    finer: finer.slice(0, 1).map(({ gauge: { id, name } }) => ({ id, name })),
  }
}
