import { formatChange, type Unit } from '../../quantity/figure'
import type { ResultEvaluation } from '../evaluate/evaluated'

/** What one more reading would bring to a figure; null: nothing worth saying. */
export const moreReadingsInWords = ({ estimate }: Pick<ResultEvaluation, 'estimate'>, unit: Unit): string | null =>
  estimate?.oneMore && estimate.oneMore < estimate.U * 0.9
    ? `One more reading like these would bring ± ${formatChange(estimate.U, unit)} to ± ${formatChange(estimate.oneMore, unit, { unit: true })}.`
    : null
