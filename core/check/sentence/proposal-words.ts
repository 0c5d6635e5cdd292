import type { PackChoice } from '../../choice/answer/chooser/choose'
import type { Proposal } from '../../choice/answer/chooser/proposal'
import { lowerFirst } from '../../quantity/first-letter'
import { formatChange, formatFigure, type Unit } from '../../quantity/figure'
import { percent } from '../../quantity/percent'

export interface Proposed {
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
  const stays = proposal.change.in.length + proposal.change.out.length === 0
  const lead = !fine
    ? change
    : stays
      ? `In limits already: ${lowerFirst(change)}`
      : `In limits already. Nearer the aim: ${lowerFirst(change)}`
  return `${lead}: leaves ${show(leaves.value, false)} ± ${formatChange(leaves.U, unit, { unit: true })}${chance}`
}
