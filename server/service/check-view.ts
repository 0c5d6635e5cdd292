import { evaluateCheck, type CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { lookAt } from '#core/check/sentence/look-at'
import { answerOf } from '#core/check/sentence/answer'
import type { About } from '#core/check/sentence/sentence'
import { systemOf } from '#core/quantity/figure'
import { asSigned } from '#core/check/as-signed'
import { drawerFor, sheetsFor, type CheckDocument } from '#core/check/document'
import type { Bench } from '#core/command/command'
import { inDrawerOrder } from '#core/pack/lot'
import type { VerdictState } from '#core/verdict/decide'
import { upgradeStored } from '#core/worksheet/upgrade'
import type { CheckView } from '#shared/types'
import type { Sql } from '../database/client'
import { wholeCheck, type CheckRow, type ListedAnswer, type WholeCheck } from '../database/checks'
import { notFound } from '../http/refuse'

/** A check as `core` works on it, with what the server knows of it besides. */
export interface LoadedCheck extends Bench {
  readonly row: CheckRow
  readonly job: WholeCheck['job']
  readonly workshop: string
  readonly orders: CheckView['orders']
  readonly coming: CheckView['coming']
  /** the operation asked about was done already */
  readonly known: boolean
}

/**
 * The check as `core` evaluates it, in one statement. A signed one is what was signed, not what today's rows would say.
 * @param op  an operation to ask about
 */
export async function loadCheck(sql: Sql, id: string, op?: string): Promise<LoadedCheck> {
  const whole = await wholeCheck(sql, id, op)
  if (!whole) throw notFound('check')
  const { row, job, workshop, known, reserves, orders, coming, document: live } = whole
  const document = whole.signed
    ? {
        ...upgradeStored(whole.signed),
        signOff: live.signOff,
        parts: live.parts,
        partChanges: live.partChanges,
        clearings: live.clearings,
        reopened: live.reopened,
      }
    : live
  return { row, job, workshop, known, reserves, orders, coming, document, lots: lotsFor(document, whole.lots) }
}

/** What a check works with: what it may choose from, and the sheets pieces are made of; what was signed as it was then. */
export const lotsFor = (document: CheckDocument, all: CheckView['lots']): CheckView['lots'] =>
  [...asSigned(document, [...drawerFor(document, all), ...sheetsFor(document, all)])].sort(inDrawerOrder)

export const viewOf = ({ job, document, lots, reserves, orders, coming }: LoadedCheck, version: number): CheckView => ({
  job,
  version,
  document,
  lots,
  reserves,
  orders,
  coming,
})

export async function checkView(sql: Sql, id: string): Promise<CheckView> {
  const loaded = await loadCheck(sql, id)
  return viewOf(loaded, loaded.row.version)
}

/** Before the figure stands, what comes after it is not waited for. */
const stands = (state: VerdictState): boolean => state === 'in' || state === 'provisional'

/** What is to be done about it, where the lists would not show that by themselves. */
function noteOf(document: CheckDocument, evaluation: CheckEvaluation, lots: CheckView['lots']): string {
  // The list has the word already: stale, and why.
  if (evaluation.headline.stale) return evaluation.headline.stale
  if (!document.trials.some(trial => trial.readings.length > 0)) return ''
  // Packs are looked for only where one of them may be the advice.
  const { about, sentence } = answerOf(lookAt(document, evaluation, lots, { choosing: evaluation.state === 'close' }), {
    system: systemOf(document.entryUnit),
    time: at => at,
  })
  return LISTED.includes(about) ? sentence : ''
}
const LISTED: readonly About[] = ['next', 'close']

/** What the lists show. */
export function listedAnswer(document: CheckDocument, lots: CheckView['lots']): ListedAnswer {
  const evaluation = evaluateCheck(document, lots)
  const { state, word, estimate, headline, reminders } = evaluation
  return {
    state,
    word,
    note: noteOf(document, evaluation, lots),
    figure: estimate?.value ?? null,
    measure: headline.kind.unit ?? null,
    signed: document.signOff !== null,
    accepted: document.signOff?.reason != null,
    pending: document.signOff !== null || stands(state) ? reminders.filter(({ cleared }) => cleared === null).length : 0,
  }
}
