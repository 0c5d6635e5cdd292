<script setup lang="ts">
import { checkKind } from '#core/check/registry'
import type { CheckDocument } from '#core/check/document'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { lowerFirst } from '#core/quantity/first-letter'
import type { Fault } from '#shared/types'
import type { CheckSettings } from '#shared/writes'

/** Nothing to judge by: limits are set where they are missed, without leaving what is being measured. */
const props = defineProps<{
  document: CheckDocument
  shown: ResultEvaluation
  results: readonly ResultEvaluation[]
  faults: readonly Fault[]
}>()
const emit = defineEmits<{ keep: [CheckSettings]; close: [] }>()
const kind = computed(() => checkKind(props.document.kind))
const lacks = computed(() => {
  const set = props.shown.limits.working
  return props.shown.kind.main && (set === null || set.kind === 'none')
})
const box = ref<HTMLElement>()
/** Stays open while limits are typed, also once there are some. */
const open = ref(false)
watch(
  () => props.shown.id,
  // What is looked at may change because of the limits being typed: they are typed to their end.
  () => {
    if (!box.value?.contains(window.document.activeElement)) open.value = false
  },
)
async function show(): Promise<void> {
  // It comes now; the focus can only go to what is there.
  await preloadComponents('LimitsPanel')
  open.value = true
  await nextTick()
  await nextTick()
  box.value?.querySelector<HTMLElement>('select')?.focus()
}
/** The hand goes back to where it was: the figure. */
function close(): void {
  open.value = false
  emit('close')
}
</script>

<template>
  <section v-if="lacks || open" class="border-b rule pb-3" aria-label="Limits" data-test="limits-here">
    <p class="flex flex-wrap items-center gap-x-3 text-[14.5px]">
      <span v-if="lacks">Without a limit for {{ lowerFirst(shown.kind.label) }} nothing is judged, or aimed at.</span>
      <button v-if="!open" type="button" class="button" @click="show">Set a limit here</button>
      <button v-else type="button" class="button" @click="close">Done</button>
    </p>
    <div v-if="open" ref="box" class="mt-2 max-w-md">
      <LazyLimitsPanel :kind="kind" :document="document" :locked="false" :faults="faults" :results="results" @keep="emit('keep', $event)" />
    </div>
  </section>
</template>
