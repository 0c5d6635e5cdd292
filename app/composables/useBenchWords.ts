import { computed, type Ref } from 'vue'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate-check'
import type { Phase } from '#core/method/step'
import { arithmeticLine, changeWords } from '#core/pack/arithmetic'
import type { PackChoice, Proposal } from '#core/pack/chooser/choose'
import { lotMap, type Lot } from '#core/pack/lot'
import { formatLength } from '#core/quantity/format-length'
import { coverageFactor } from '#core/reading/student'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'
import { shortTime } from './shortTime'

interface Bench {
  readonly document: Ref<CheckDocument>
  readonly evaluation: Ref<CheckEvaluation>
  readonly choice: Ref<PackChoice | null>
  readonly proposal: Ref<Proposal | null>
  readonly lots: Ref<readonly Lot[]>
  readonly phase: Ref<Phase>
}

/** What the bench says: the answer in one sentence, its sum in one line, and what the band points at. */
export function useBenchWords({ document, evaluation, choice, proposal, lots, phase }: Bench) {
  const preferences = usePreferences()
  const name = computed(() => UNIT_NAME[preferences.unit])
  const index = computed(() => lotMap(lots.value))
  const current = computed(() => document.value.trials.at(-1) ?? null)
  const fitted = computed(() => current.value?.pack ?? [])
  const estimate = computed(() => evaluation.value.current?.results[0]?.estimate ?? null)
  const change = computed(() => (proposal.value ? changeWords(fitted.value, proposal.value.pack, index.value, preferences.unit) : ''))

  const sentence = computed(() => {
    if (document.value.signOff) return `Signed off by ${document.value.signOff.by}, ${shortTime(document.value.signOff.at)}.`
    const e = evaluation.value
    if (!estimate.value) return current.value?.predicted ? `Fitted. Measure again: ${preferences.show(current.value.predicted.play)} ${name.value} is expected.` : 'Nothing measured with this fitting yet.'
    if (!e.estimate) return evaluation.value.current?.results[0]?.findings.find(f => f.level === 'fail')?.words ?? ''
    if (!e.place) return e.state === 'in' ? 'In limits. Ready to sign.' : ''
    const fine = e.state === 'in' || e.state === 'provisional'
    if (fine && phase.value === 'measure') return e.state === 'in' ? 'In limits: nothing needs changing. Sign it under Prove.' : 'In limits, provisional until every required step is ticked.'
    if (proposal.value && phase.value !== 'prove') {
      const words = change.value
      const inside = proposal.value.chance?.inside
      if (choice.value?.fallback) return `${choice.value.notes[0]} Nearest for a trial: ${words.toLowerCase()}, leaves ${preferences.show(proposal.value.predicted.play)} ${name.value}.`
      return `${fine ? 'In limits already. Nearer the aim: ' : ''}${fine ? words.toLowerCase() : words}: leaves ${preferences.show(proposal.value.predicted.play)} ± ${formatLength(proposal.value.predicted.U, preferences.unit, { unit: true })}${inside === undefined ? '' : inside >= 0.95 ? ', in limits.' : `, ${Math.round(inside * 100)} % in limits.`}`
    }
    if (e.state === 'provisional') return 'In limits, provisional until every required step is ticked.'
    if (e.current?.residual) return `Predicted ${preferences.show(current.value!.predicted!.play)}, measured ${preferences.show(e.estimate.value)}: ${e.current.residual.flagged ? 'it did not move as it should.' : 'it moved as predicted.'}`
    return choice.value?.notes[0] ?? e.choiceNote ?? ''
  })
  const arithmetic = computed(() => {
    if (!proposal.value || !evaluation.value.place || phase.value === 'prove' || document.value.signOff) return ''
    if (proposal.value.change.in.length + proposal.value.change.out.length === 0) return ''
    const { measured } = evaluation.value.request!.question
    const inside = proposal.value.chance?.inside
    return arithmeticLine(Math.round(measured.play), evaluation.value.request!.fitted, proposal.value.pack, proposal.value.predicted.play, index.value, evaluation.value.place.response, preferences.unit)
      + (inside === undefined ? '' : ` · chance in limits ${(inside * 100).toFixed(inside > 0.99 ? 1 : 0)} %`)
  })
  const predicted = computed(() => {
    if (phase.value === 'prove' || !proposal.value) {
      const due = current.value?.predicted
      return due && !estimate.value ? { value: due.play, U: coverageFactor(Infinity) * due.u, words: 'expected' } : null
    }
    const { out, in: put } = proposal.value.change
    if (out.length + put.length === 0) return null
    return { value: proposal.value.predicted.play, U: proposal.value.predicted.U, words: change.value.toLowerCase() }
  })
  const windowWords = computed(() => {
    const w = evaluation.value.window
    if (!w) return null
    const figure = (value: number) => formatLength(value, preferences.unit, { trim: true })
    const known = current.value?.pack !== null
    if (!known && w.high < 0) return `Take out ${figure(-w.high)} to ${figure(-w.low)} ${name.value}.`
    if (!known && w.low < 0 && Number.isFinite(w.high)) return `Changes that would do: up to ${figure(-w.low)} out, up to ${figure(w.high)} in.`
    const what = known ? 'Totals that would do' : 'Changes that would do'
    if (!Number.isFinite(w.high)) return `${what}: ${figure(w.low)} ${name.value} or more.`
    if (!Number.isFinite(w.low)) return `${what}: up to ${figure(w.high)} ${name.value}.`
    return `${what}: ${figure(w.low)} to ${figure(w.high)} ${name.value}.`
  })
  const oneMore = computed(() => {
    const e = estimate.value
    return e?.oneMore && e.oneMore < e.U * 0.9 ? `One more reading like these would bring ± ${formatLength(e.U, preferences.unit)} to ± ${formatLength(e.oneMore, preferences.unit, { unit: true })}.` : null
  })
  return { sentence, arithmetic, predicted, windowWords, oneMore }
}
