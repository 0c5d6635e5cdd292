import { CORE_VERSION } from '../version'
import { answerRequest, evaluateCheck, headlineFigure } from '../check/evaluate-check'
import type { CheckDocument } from '../check/document'
import { lotMap, thickness, type Lot, type LotMap } from '../pack/lot'
import type { Proposal } from '../pack/chooser/choose'
import { checkKind } from '../check/registry'
import { verdictWord } from '../verdict/words'
import type { Verdict } from '../verdict/decide'
import type { Worksheet } from './worksheet'

/** JSON has no infinity: degrees of freedom without bound are null. */
const finite = (value: number) => (Number.isFinite(value) ? value : null)

/**
 * The evaluation of every check of a worksheet as plain JSON, documented in `docs/evaluation.md`. Lengths in nm.
 */
export function evaluateWorksheet(worksheet: Worksheet) {
  return {
    format: 'finitum-evaluation', version: 1, core: CORE_VERSION,
    checks: worksheet.jobs.flatMap(job => job.checks.map(check => ({ job: job.id, ...checkAnswer(check, worksheet.lots) }))),
  }
}

export function checkAnswer(check: CheckDocument, lots: readonly Lot[]) {
  const evaluation = evaluateCheck(check, lots)
  const { current, estimate, ledger } = evaluation
  const ends = checkKind(check.kind).ends
  const verdict = (v: Verdict | null) => v && { plain: v.plain, guarded: v.guarded, plainWord: verdictWord(v.plain, ends), guardedWord: verdictWord(v.guarded, ends), chance: v.chance }
  const choice = evaluation.request && answerRequest(evaluation.request)
  return {
    id: check.id, title: check.title, kind: check.kind,
    state: evaluation.state, word: evaluation.word, phase: evaluation.phase,
    estimate: estimate && {
      value: estimate.value, shown: headlineFigure(evaluation, check), unit: check.entryUnit, n: estimate.n, u: estimate.u, nuEff: finite(estimate.nu), k: estimate.k, U: estimate.U,
      budget: estimate.lines.map(line => ({ ...line, nu: finite(line.nu) })),
    },
    gates: current?.results.flatMap(result => result.findings) ?? [],
    gauge: evaluation.gauge,
    verdict: current && { rule: check.rule, working: verdict(current.verdict.working), book: verdict(current.verdict.book), shop: verdict(current.verdict.shop) },
    aim: evaluation.aim, window: evaluation.window && { low: finite(evaluation.window.low), high: finite(evaluation.window.high) },
    proposals: choice?.proposals.map(proposal => proposalAnswer(proposal, lotMap(lots))) ?? [],
    choice: { proven: choice?.proven ?? null, fallback: choice?.fallback ?? null, notes: [...(evaluation.choiceNote ? [evaluation.choiceNote] : []), ...(choice?.notes ?? [])] },
    ledger: ledger && { state: ledger.state, words: ledger.words, base: ledger.base, apparentSlope: ledger.apparentSlope, suspect: ledger.suspect, bases: ledger.entries.map(({ id, total, play, base, u }) => ({ id, total, play, base, u })) },
    residual: current?.residual ?? null,
    signOff: evaluation.signOff,
  }
}

function proposalAnswer(proposal: Proposal, lots: LotMap) {
  const pieces = (pack: Proposal['pack']) => pack.map(({ lotId, count }) => ({ lot: lotId, count, thickness: thickness(lots.get(lotId)!) }))
  const { predicted } = proposal
  return {
    words: proposal.words, arithmetic: proposal.arithmetic, pieces: pieces(proposal.pack), order: proposal.order, total: proposal.total,
    takeOut: pieces(proposal.change.out), putIn: pieces(proposal.change.in),
    predicted: { play: predicted.play, u: predicted.u, nuEff: finite(predicted.nu), U: predicted.U }, chance: proposal.chance, unmeasured: proposal.unmeasured, tied: proposal.tied,
  }
}

export type CheckAnswer = ReturnType<typeof checkAnswer>
