import { pendingItems } from '../check/evaluate/said-conditions'
import { piecesNow, sizesNamed } from '../check/as-signed'
import { counts, signedFigures } from '../check/evaluate/gravity'
import { checkKind } from '../check/registry'
import { evaluateCheck } from '../check/evaluate/evaluate-check'
import { CORE_VERSION } from '../version'
import { apply } from './apply'
import type { Bench, PartChangeCommand, ReopenCommand, SignCommand } from './command'
import { happened, refused, type Happening, type Outcome } from './happening'

/** Locks the check: what is promised to it is let go. */
export function sign({ document, lots, reserves }: Bench, { at, by, reason: why, accepts = [] }: SignCommand): Outcome {
  const { signOff: gate, current, lots: reckoned } = evaluateCheck(document, lots)
  if (gate.blockers.length > 0) return { ok: false, code: 'invalid', faults: gate.blockers.map(words => ({ path: '', reason: words })) }
  const reason = why?.trim() || null
  if (gate.needsReason && !reason) return refused('invalid', `This can be signed only with a reason: ${gate.needsReason}.`, 'reason')
  const trial = document.trials.at(-1)!.id
  const pending = pendingItems(checkKind(document.kind), document)
  const ghost = accepts.find(item => !pending.some(({ id }) => id === item))
  if (ghost !== undefined) return refused('invalid', 'Nothing of that kind is pending.', 'accepts')
  return happened(
    `Signed off by ${by.trim()}`,
    ...accepts.map((item): Happening => ({ type: 'cleared', clearing: { item, trial, how: 'accepted', by: by.trim(), at } })),
    {
      type: 'signed',
      signOff: {
        at,
        by: by.trim(),
        reason,
        core: CORE_VERSION,
        figures: signedFigures(current),
        pieces: piecesNow(sizesNamed(document), reckoned),
      },
    },
    ...Object.keys(reserves).map((place): Happening => ({ type: 'promised', place, pack: [] })),
  )
}

export function reopen({ document }: Bench, { at, by, reason }: ReopenCommand): Outcome {
  if (!document.signOff) return refused('conflict', 'This check is not signed off.')
  return happened(`Reopened by ${by.trim()}: ${reason.trim()}`, {
    type: 'reopened',
    reopening: { at, by: by.trim(), reason: reason.trim() },
  })
}

/**
 * A part of the job is replaced or reworked. Every reading taken before on what rests on it is stale from now on; a signed check
 * that loses a figure by it is opened again. A check whose figures do not rest on the part stays as it is: nothing happens.
 */
export function changePart(bench: Bench, { at, part, reason, by }: PartChangeCommand): Outcome {
  const { document } = bench
  const changes = Object.entries(document.parts)
    .filter(([, id]) => id === part.id)
    .map(([role]) => ({ role, at, reason }))
  const words = `${part.name.toLowerCase()}: ${reason}`
  const happenings = changes.map((change): Happening => ({ type: 'part-changed', change, by: by.trim() }))
  const after = happenings.reduce(apply, { ...bench, document: { ...document, signOff: null } })
  const stale = evaluateCheck(after.document, after.lots).current.results.some(result => counts(result) && result.stale !== null)
  if (!stale) return happened('', ...happenings)
  const opened: Happening[] = document.signOff
    ? [{ type: 'reopened', reopening: { at, by: by.trim(), reason: `Replaced or reworked, ${words}` } }]
    : []
  return happened(`Stale: ${words}`, ...happenings, ...opened)
}
