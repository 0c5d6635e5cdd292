import type { Quantity } from '../quantity/quantity'
import { limitsFault, type LimitFields, type LimitSet } from '../verdict/limits'
import { resultId, type CheckKind, type ResultKind } from './contract'
import type { CheckDocument } from './document'
import { checkKinds } from './registry'
import { fieldFault, type Setup } from './setup'

/** Limits the shop keeps, to be taken by its checks: of a figure of a kind, for units of a type. */
export interface LibraryLimit {
  readonly id: string
  /** counts up whenever it is changed */
  readonly version: number
  /** what it is called: `Input shaft end play` */
  readonly name: string
  readonly kind: string
  /** which of the kind’s figures; of one position alone: `clearance@3` */
  readonly result: string
  /** units of this type; empty: of any */
  readonly type: string
  readonly role: 'book' | 'shop'
  readonly set: LimitSet
  /** Set-up fields that go with it: which figure a runout limit is for. */
  readonly rule: Setup
}

/** The fields of a kind that say what its limits are for. */
export const ruleFields = ({ setupFields }: Pick<CheckKind, 'setupFields'>) => setupFields.filter(field => field.ofLimit)

/** The figures of a kind that have limits, in every set-up that differs by one choice. */
function limitedInAny(kind: CheckKind): ResultKind[] {
  const setups = [
    kind.defaultSetup,
    ...kind.setupFields.flatMap(field =>
      field.kind === 'choice' ? field.options.map(({ value }): Setup => ({ ...kind.defaultSetup, [field.id]: value })) : [],
    ),
  ]
  return setups.flatMap(setup => kind.results(setup)).filter(result => !result.judgedBy && !result.unjudged)
}
/** The figures a kind can come to that have limits, whatever is set up: one of each id. */
export const limitedResults = (kind: CheckKind): ResultKind[] => [
  ...new Map(limitedInAny(kind).map(result => [result.id, result])).values(),
]
/** The positions a figure can be taken at, whatever is set up; none: it is one figure. */
export const positionsOf = (kind: CheckKind, result: string): ResultKind['positions'] => {
  const all = limitedInAny(kind).flatMap(({ id, positions }) => (id === result ? positions : []))
  return [...new Map(all.map(position => [position.id, position])).values()]
}

const quantityOf = (kind: CheckKind, result: string): Quantity | null =>
  limitedResults(kind).find(({ id }) => id === result.split('@')[0])?.quantity ?? null

/** An entry as it is typed or sent. */
export type LibraryFields = Omit<LibraryLimit, 'id' | 'version' | 'set'> & { readonly set: LimitFields }

/** What is wrong with an entry, and where; null: nothing. */
export function libraryFault({
  name,
  kind: kindId,
  result,
  set,
  rule,
}: LibraryFields): { readonly at: keyof LibraryLimit; readonly words: string } | null {
  const kind = checkKinds.find(({ id }) => id === kindId)
  if (!kind) return { at: 'kind', words: 'This version knows no such kind of check.' }
  if (name.trim() === '') return { at: 'name', words: 'What are these limits called?' }
  const quantity = quantityOf(kind, result)
  if (quantity === null) return { at: 'result', words: `${kind.title} has no such figure.` }
  for (const [field, value] of Object.entries(rule)) {
    const fault = ruleFields(kind).some(({ id }) => id === field)
      ? fieldFault(kind.setupFields, field, value)
      : 'That is not what a limit of this kind is for.'
    if (fault) return { at: 'rule', words: fault }
  }
  if (set.kind === 'none') return { at: 'set', words: 'Without a limit there is nothing to keep.' }
  const fault = limitsFault(set, quantity)
  return fault === null ? null : { at: 'set', words: fault }
}

/** The limits as a check takes them: they know where they are from. */
export const limitsFrom = ({ id, version, set }: Pick<LibraryLimit, 'id' | 'version' | 'set'>): LimitSet => ({
  ...set,
  source: { ...set.source, entry: { id, version } },
})

/**
 * The entries for a check of this kind on a unit of this type: those for the type before those for any. Of figures it comes to.
 * @param results  the check’s own, as it is set up; null: not known yet
 */
export function offeredLimits(
  entries: readonly LibraryLimit[],
  kind: string,
  type: string,
  results: readonly ResultKind[] | null,
): LibraryLimit[] {
  const figures = results && new Set(results.flatMap(({ id, positions }) => [id, ...positions.map(position => resultId(id, position.id))]))
  const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()
  const fits = (entry: LibraryLimit) =>
    entry.kind === kind && (figures === null || figures.has(entry.result)) && (entry.type === '' || same(entry.type, type))
  return entries.filter(fits).sort((a, b) => Number(a.type === '') - Number(b.type === ''))
}

/** Limits of a check that were taken from an entry which has been changed since. */
export interface LibraryChange {
  readonly result: string
  readonly role: 'book' | 'shop'
  /** what the check goes by */
  readonly here: LimitSet
  readonly entry: LibraryLimit
}
/** What has to be asked of an open check; a signed one is what was signed. */
export function libraryChanges(
  { limits, signOff }: Pick<CheckDocument, 'limits' | 'signOff'>,
  entries: readonly LibraryLimit[],
): LibraryChange[] {
  if (signOff !== null) return []
  return Object.entries(limits.sets).flatMap(([result, pair]) =>
    (['book', 'shop'] as const).flatMap((role): LibraryChange[] => {
      const here = pair[role]
      const entry = here?.source.entry && entries.find(({ id }) => id === here.source.entry!.id)
      return here && entry && entry.version > here.source.entry!.version ? [{ result, role, here, entry }] : []
    }),
  )
}
/** Kept as they are, though the entry was changed: it is not asked again until it is changed once more. */
export const keptLimits = ({ here, entry }: LibraryChange): LimitSet => ({
  ...here,
  source: { ...here.source, entry: { id: entry.id, version: entry.version } },
})
