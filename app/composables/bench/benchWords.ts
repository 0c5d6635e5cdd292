import type { ResultEvaluation } from '#core/check/evaluate/evaluate-fitting'
import type { PackChoice } from '#core/choice/answer/chooser/choose'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import type { Window as PackWindow } from '#core/choice/window/window'
import { formatLength } from '#core/quantity/format-length'
import { formatChange, formatFigure, type Unit } from '#core/quantity/figure'
import { UNIT_NAME, type LengthUnit } from '#core/quantity/length'
import { lowerFirst } from '#core/quantity/first-letter'
import { percent } from '#core/quantity/percent'
import type { DecisionRule } from '#core/verdict/decide'
import { readingsToSettle } from '#core/verdict/settle'

/** The pack totals that would do, or the changes where what is fitted is not known. */
export function windowInWords({ low, high, lowExcluded, highExcluded }: PackWindow, known: boolean, unit: LengthUnit): string {
  const figure = (value: number) => formatLength(value, unit, { trim: true })
  const name = UNIT_NAME[unit]
  const [over, under] = [lowExcluded ? 'over ' : '', highExcluded ? 'under ' : '']
  if (!known && high < 0)
    return `Take out ${highExcluded ? 'over ' : ''}${figure(-high)} to ${lowExcluded ? 'under ' : ''}${figure(-low)} ${name}.`
  if (!known && low < 0 && Number.isFinite(high)) return `Changes that would do: up to ${figure(-low)} out, up to ${figure(high)} in.`
  const what = known ? 'Totals that would do' : 'Changes that would do'
  if (!Number.isFinite(high)) return `${what}: ${lowExcluded ? `more than ${figure(low)} ${name}` : `${figure(low)} ${name} or more`}.`
  if (!Number.isFinite(low)) return `${what}: ${highExcluded ? 'under' : 'up to'} ${figure(high)} ${name}.`
  return `${what}: ${over}${figure(low)} to ${under}${figure(high)} ${name}.`
}

/** What more readings like these would bring; null: nothing worth saying. */
export function moreReadingsInWords({ estimate, state, limits }: ResultEvaluation, rule: DecisionRule, unit: Unit): string | null {
  if (estimate && state === 'close') {
    const more = readingsToSettle(estimate, limits.working, rule)
    return more === null
      ? 'More readings like these would not settle it: a finer gauge would, or a reason when it is signed.'
      : `${more === 1 ? 'One more reading' : `${more} more readings`} like these would settle it.`
  }
  return estimate?.oneMore && estimate.oneMore < estimate.U * 0.9
    ? `One more reading like these would bring ± ${formatChange(estimate.U, unit)} to ± ${formatChange(estimate.oneMore, unit, { unit: true })}.`
    : null
}

interface Proposed {
  readonly proposal: Proposal
  readonly choice: PackChoice | null
  /** what to do with the hands */
  readonly change: string
  /** what it leaves of the result looked at, in small units; null: only the way is known */
  readonly leaves: { readonly value: number; readonly U: number } | null
  /** in limits already */
  readonly fine: boolean
  /** the result, where there are several: `Main 2 clearance: ` */
  readonly at: string
  readonly unit: Unit
}

/** The proposal in hand as the answer of the bench. Whose it is stands beside the figure. */
export function proposalInWords({ proposal, choice, change, leaves, fine, at, unit }: Proposed): string {
  const show = (value: number, named = true) => formatFigure(value, unit, { unit: named })
  const inside = proposal.chance?.inside
  if (proposal.atMost)
    return `${at}no play that can be told from zero. For a trial: ${lowerFirst(change)}, leaves at most ${show(proposal.predicted.play)}.`
  if (!leaves) return `${at}${change}. By how much it moves, the next fitting shows.`
  if (choice?.fallback)
    return proposal.change.in.length + proposal.change.out.length === 0
      ? choice.notes[0]!
      : `${choice.notes[0]} Nearest for a trial: ${lowerFirst(change)}, leaves ${show(leaves.value)}.`
  const chance = inside === undefined ? '.' : inside >= 0.95 ? ', in limits.' : `, ${percent(inside)} in limits.`
  return `${fine ? `In limits already. Nearer the aim: ${lowerFirst(change)}` : change}: leaves ${show(leaves.value, false)} ± ${formatChange(leaves.U, unit, { unit: true })}${chance}`
}
