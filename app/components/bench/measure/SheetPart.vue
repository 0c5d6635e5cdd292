<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { lowerFirst } from '#core/quantity/first-letter'
import { readingWords } from '#core/reading/reading'
import { faultsOf } from '~/composables/server/useApi'
import { useZeroed } from '~/composables/server/useZeroed'
import type { useCommand } from '~/composables/bench/useCommand'
import { useReadingLog } from '~/composables/bench/useReadingLog'
import type { useSaying } from '~/composables/bench/useSaying'
import type { useShown } from '~/composables/bench/useShown'
import type { useTaking } from '~/composables/bench/useTaking'
import { useBench } from '~/stores/bench'

/** What is filled in: in which state the unit is measured, the sheet, and why something of it is struck or left out. */
const props = defineProps<{
  document: CheckDocument
  evaluation: CheckEvaluation
  taking: ReturnType<typeof useTaking>
  saying: ReturnType<typeof useSaying>
  look: ReturnType<typeof useShown>
  writes: ReturnType<typeof useCommand>
  locked: boolean
  /** a pack is being chosen */
  quiet: boolean
  /** one more reading would settle it */
  oneMore: string | null
}>()
const bench = useBench()
const { point, gauge, unit } = props.taking
const { several, picked, readings, findings } = props.look
const { here, offered, leaving, canLeave } = props.saying
const { faults } = props.writes
const sheet = ref<{ focus: () => void; submit: () => void }>()
const focus = () => sheet.value?.focus()

const { log, logWord, take, voiding, voidingAt, voidLast, voidNow } = useReadingLog({
  taking: props.taking,
  findings,
  locked: toRef(props, 'locked'),
  focus,
})
function pickPoint(next: string): void {
  picked.value = ''
  props.taking.pick(next)
  // A point may have a field of another form.
  void nextTick(focus)
}
const states = ref<{ change: () => void }>()
const offeredStates = computed(() => Object.fromEntries(offered.value.map(({ condition, state }) => [condition, state])))

const sayZeroed = useZeroed()
/** Says that the gauge in hand was zeroed today, and shows the check with it. */
async function markZeroed(): Promise<void> {
  await sayZeroed(gauge.value!.id).catch(error => {
    faults.value = faultsOf(error)
  })
  await bench.reload()
  focus()
}
const voidTitle = computed(() => {
  const where = several.value && voidingAt.value ? `, ${lowerFirst(voidingAt.value)}` : ''
  return voiding.value ? `Void reading ${readingWords(voiding.value, unit.value)}${where}` : ''
})
defineExpose({ focus, submit: () => sheet.value?.submit(), voidLast, take, changeStates: () => states.value?.change() })
</script>

<template>
  <div>
    <ConditionRows
      v-show="!quiet"
      ref="states"
      :conditions="here"
      :locked="locked"
      :offered="offeredStates"
      :again="offered.every(({ again }) => again)"
      @say="saying.say"
      @agree="saying.agree"
    />
    <MeasureSheet
      ref="sheet"
      :taking="taking"
      :results="evaluation.current.results"
      :readings="readings"
      :findings="findings"
      :check-unit="document.entryUnit"
      :locked="locked"
      :one-more="oneMore"
      :quiet="quiet"
      :can-leave="canLeave"
      @log="log"
      @zeroed="markZeroed"
      @void="voiding = $event"
      @word="logWord"
      @pick="pickPoint"
      @leave="saying.askToLeave"
      @ask="saying.takeBack"
    />
    <WhyDialog
      :open="voiding !== null"
      :title="voidTitle"
      label="Why? It stays in the record, struck out."
      fault="Say why this reading is struck out."
      :reasons="['base moved', 'tip loose', 'not seated', 'misread', 'pushed unevenly']"
      action="Void it"
      @close="voiding = null"
      @done="voidNow"
    />
    <WhyDialog
      :open="leaving"
      :title="`Leave out ${lowerFirst(point.label)}`"
      label="Why? The record says that it was not read, and why."
      fault="Say why this point is left out."
      :reasons="['cannot be reached', 'not fitted here', 'worn away there']"
      action="Leave it out"
      @close="leaving = false"
      @done="saying.leaveOut"
    />
  </div>
</template>
