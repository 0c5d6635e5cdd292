import { formatChange, formatFigure, type Unit } from '../../quantity/figure'
import { percent } from '../../quantity/percent'
import type { ByBoth } from '../evaluate/by-both'

/** What a reading and its prediction say together, under its own name: it never stands for the reading. */
export const bothInWords = ({ value, U, verdict: { chance } }: ByBoth, unit: Unit): string =>
  `by reading and prediction together ${formatFigure(value, unit)} ± ${formatChange(U, unit, { unit: true })}${
    chance ? `, ${percent(chance.inside)} in limits` : ''
  }; the reading alone is too close to call`
