import { formatLength } from '../../quantity/format-length'
import { UNIT_NAME } from '../../quantity/length'
import { quadrature } from '../../reading/statistics'
import { chiSquareLimit, weightedBase, type BasedEntry, type LedgerContext } from './base'
import { lotOf, thickness, type Lot } from '../../pack/lot'

/** What could have gone wrong with a fitting, by the sign of its effect on the play. Given by the check kind. */
export interface Suspicion {
  readonly effect: 'less-play' | 'more-play'
  readonly words: string
}

/** A piece whose size does not fit what was measured with it. */
export interface Mislabelled {
  readonly lotId: string
  /** what it really is, by the fittings, nm */
  readonly really: number
  readonly words: string
}

const ofFamily = ({ lots, family }: LedgerContext): Lot[] => [...lots.values()].filter(lot => family === '' || lot.family === family)

/** Only what fits in sign and size. A misreading and a wrong piece that appears once cannot be told apart: both are said. */
export function reasonsFor(
  odd: BasedEntry,
  offset: number,
  rest: readonly BasedEntry[],
  context: LedgerContext,
  suspicions: readonly Suspicion[],
): string[] {
  const { lots, response, unit } = context
  const show = (value: number) => formatLength(value, unit, { trim: true })
  const within = 2 * quadrature(odd.u, ...rest.map(entry => entry.u / rest.length))
  const extra = offset / response.perPiece
  const wrongPieces = odd.pack.flatMap(piece => {
    if (rest.some(entry => entry.pack.some(other => other.lotId === piece.lotId))) return []
    const lot = lotOf(lots, piece.lotId)
    const really = thickness(lot) + extra / piece.count
    if (really <= 0) return []
    const like = nearest(
      ofFamily(context)
        .filter(other => other.id !== lot.id)
        .map(other => other.nominal),
      really,
      within / piece.count,
    )
    return [
      `A ${show(lot.nominal)} that is ${like === null ? `about ${formatLength(really, unit)}` : `really a ${show(like)}`}: measure it.`,
    ]
  })
  const hidden = extra > 0 && context.most > 2 ? nearest(ofFamily(context).map(thickness), extra, within) : null
  return [
    `The dial was misread by about ${show(Math.abs(offset))} ${UNIT_NAME[unit]}.`,
    ...wrongPieces,
    ...(hidden === null ? [] : [`Two pieces stuck together: a ${show(hidden)} went in unseen.`]),
    ...suspicions.filter(({ effect }) => (effect === 'less-play') === offset < 0).map(({ words }) => words),
  ]
}

function nearest(sizes: readonly number[], wanted: number, within: number): number | null {
  const best = sizes.reduce<number | null>(
    (found, size) => (found === null || Math.abs(size - wanted) < Math.abs(found - wanted) ? size : found),
    null,
  )
  return best !== null && Math.abs(best - wanted) <= within ? best : null
}

/**
 * The one size that, were it of another thickness, would bring all fittings together: it must have been in two of them at least and
 * not in all, and no other size may do the same.
 */
export function mislabelled(entries: readonly BasedEntry[], { lots, response, unit }: LedgerContext): Mislabelled | null {
  const ids = [...new Set(entries.flatMap(({ pack }) => pack.map(({ lotId }) => lotId)))]
  const found = ids.flatMap(lotId => {
    const counts = entries.map(({ pack }) => pack.find(piece => piece.lotId === lotId)?.count ?? 0)
    const holding = counts.filter(count => count > 0).length
    if (holding < 2 || holding === entries.length) return []
    const error = errorOf(
      entries,
      counts.map(count => response.perPiece * count),
    )
    if (!error || Math.abs(error.value) < 3 * error.u || error.chiSquare > chiSquareLimit(entries.length - 2)) return []
    return [{ lotId, error: error.value }]
  })
  if (found.length !== 1) return null
  const { lotId, error } = found[0]!
  const lot = lotOf(lots, lotId)
  const show = (value: number) => formatLength(value, unit, { trim: true })
  return {
    lotId,
    really: thickness(lot) + error,
    words: `The ${show(thickness(lot))}${lot.mark ? ` (${lot.mark})` : ''} is not its size: the fittings it was in say ${formatLength(thickness(lot) + error, unit, { unit: true })}. Measure it.`,
  }
}

/** Weighted least squares of base = b + error·factor: the error, its standard uncertainty, and what is left. */
function errorOf(entries: readonly BasedEntry[], factors: readonly number[]): { value: number; u: number; chiSquare: number } | null {
  const weights = entries.map(({ uOwn }) => 1 / uOwn ** 2)
  const total = weights.reduce((a, b) => a + b, 0)
  const mean = factors.reduce((sum, factor, i) => sum + factor * weights[i]!, 0) / total
  const spread = factors.reduce((sum, factor, i) => sum + weights[i]! * (factor - mean) ** 2, 0)
  if (spread === 0) return null
  const value = entries.reduce((sum, { base }, i) => sum + weights[i]! * (factors[i]! - mean) * base, 0) / spread
  const left = weightedBase(entries.map(({ base, uOwn }, i) => ({ base: base - value * factors[i]!, u: uOwn })))
  return { value, u: 1 / Math.sqrt(spread), chiSquare: left.chiSquare }
}
