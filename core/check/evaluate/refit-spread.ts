import { nm, type Nm } from '../../quantity/length'
import { quantityOf } from '../../quantity/figure'
import { mean } from '../../reading/statistics'
import type { Lot } from '../../pack/lot'
import type { CheckDocument } from '../document'
import { evaluateCheck } from './evaluate-check'

/** How far a fitting came from what was foretold, and what of that its readings and pieces explain. */
export interface Proof {
  readonly trial: string
  readonly result: string
  /** measured − predicted, nm */
  readonly difference: number
  /** standard uncertainty of the difference without the refit, nm */
  readonly known: number
}

/** What a check's fittings say of refitting: every length that was foretold and read. */
export function proofsOf(document: CheckDocument, lots: readonly Lot[]): Proof[] {
  return evaluateCheck(document, lots).trials.flatMap(({ id: trial, results }, at) =>
    results.flatMap(({ id, kind, residual }): Proof[] =>
      residual && document.trials[at]!.predicted[id] !== undefined && (kind.unit === undefined || quantityOf(kind.unit) === 'length')
        ? [{ trial, result: id, difference: residual.difference, known: Math.sqrt(Math.max(0, residual.u ** 2 - document.uRefit ** 2)) }]
        : [],
    ),
  )
}

/** So many proofs tell what refitting does in this shop. Common practice. */
const FEWEST = 10
/** It is never less than a tenth of a thou, nm. */
const LEAST = 2_540

/**
 * What taking apart, seating and tightening again does to a play, by proofs: their mean square less what readings and pieces explain.
 * @returns standard uncertainty, nm; null with fewer than ten
 */
export function refitFrom(proofs: readonly Pick<Proof, 'difference' | 'known'>[]): Nm | null {
  if (proofs.length < FEWEST) return null
  const left = mean(proofs.map(({ difference, known }) => difference ** 2 - known ** 2))
  return nm(Math.round(Math.max(LEAST, Math.sqrt(Math.max(0, left)))))
}
