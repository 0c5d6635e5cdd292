<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { readRollers, sampled } from '#core/check/kinds/roller-big-end/setup'

/** What there is to choose for roller big ends: a set a rod, then the bore to hone to and how far it is. What is in hand stands first. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; locked: boolean }>()
const emit = defineEmits<{ take: [string, readonly string[]]; leave: [] }>()
const box = ref<HTMLElement>()
const pressed = ref(false)
function take(rod: string, pieces: readonly string[]): void {
  pressed.value = true
  emit('take', rod, pieces)
}
/** Once it is taken the button that was pressed is gone: the next set to take has the focus, else the reading. */
watch(
  () => props.document,
  () => {
    if (!pressed.value) return
    pressed.value = false
    const next = box.value?.querySelector<HTMLElement>('button.primary')
    if (next) next.focus()
    else emit('leave')
  },
  { flush: 'post' },
)
/** A set is still to be taken, and no reading due. */
const sorting = computed(
  () => props.evaluation.targets.length === 0 || (props.evaluation.next?.phase === 'choose' && props.evaluation.next.point === null),
)
</script>

<template>
  <section ref="box" class="space-y-5" aria-label="Sets and bores" data-test="rollers">
    <RollerHoning v-if="!sorting" :document="document" :evaluation="evaluation" />
    <RollerSamples
      v-if="sampled(readRollers(document.setup))"
      :document="document"
      :evaluation="evaluation"
      :locked="locked"
      @take="take"
    />
    <RollerSets v-else :document="document" :evaluation="evaluation" :locked="locked" @take="take" />
    <RollerHoning v-if="sorting" :document="document" :evaluation="evaluation" />
  </section>
</template>
