import { torqueUnitBeside } from '../../method/zero-words'
import { formatFigure } from '../../quantity/figure'
import { unitFor } from '../../quantity/format-length'
import type { UnitSystem } from '../../quantity/length'
import type { SetMark } from '../contract'
import { newerThan, type CheckDocument, type PartChange } from '../document'
import type { CheckEvaluation } from './evaluate-check'
import type { ResultEvaluation } from './evaluated'
import { checkKind } from '../registry'

/** Parts measured together that stay together: what is on their label. */
export interface MatchedSet {
  /** roles, with the part of the job each is */
  readonly members: readonly { readonly role: string; readonly label: string; readonly part: string | null }[]
  /** results that are figures, as they were signed or stand now */
  readonly figures: readonly ResultEvaluation[]
  /** what it was read, set and tightened to */
  readonly marks: readonly SetMark[]
  /** made with the signature; null: nothing is signed */
  readonly made: { readonly by: string; readonly at: string } | null
  /** the newest member that was changed since it was signed: the label no longer holds; null: it holds */
  readonly void: { readonly label: string; readonly change: PartChange } | null
}

/**
 * The set a check makes of its parts; null where its kind makes none.
 *
 * Changing one member voids it: the check is stale then, and opened again. It stays void until it is measured and signed anew.
 */
export function matchedSet(document: CheckDocument, { current, targets }: Pick<CheckEvaluation, 'current' | 'targets'>): MatchedSet | null {
  const kind = checkKind(document.kind)
  const roles = kind.matched?.(document.setup) ?? []
  if (roles.length === 0) return null
  const labels = new Map(kind.parts(document.setup).map(({ id, label }) => [id, label]))
  const changed = changesSince(document)
    .filter(({ role }) => role === '*' || roles.includes(role))
    .at(-1)
  return {
    members: roles.map(role => ({ role, label: labels.get(role)!, part: document.parts[role] ?? null })),
    figures: current.results.filter(({ estimate }) => estimate !== null),
    marks: kind.marks?.(document.setup, current.answers, targets) ?? [],
    made: document.signOff && { by: document.signOff.by, at: document.signOff.at },
    void: document.signOff === null && changed ? { label: labels.get(changed.role) ?? 'Everything', change: changed } : null,
  }
}

/** What was changed since the last reading that was signed: signed, a check is not read again before it is opened. */
function changesSince({ trials, partChanges, reopened }: CheckDocument): readonly PartChange[] {
  if (reopened === null) return []
  const signed = trials.flatMap(({ readings }) => readings.flatMap(({ order }) => (newerThan(order, reopened.order) ? [] : [order!])))
  return partChanges.filter(({ order }) => newerThan(order, Math.max(0, ...signed)))
}

/** A mark of the label in the units of a system. */
export const markText = ({ value, of }: SetMark, system: UnitSystem): string =>
  formatFigure(value, of === 'play' ? unitFor(system) : torqueUnitBeside(unitFor(system)), { unit: true })
