<script setup lang="ts">
import type { ConditionState } from '#core/check/evaluate/said-conditions'
import { lowerFirst, upperFirst } from '#core/quantity/first-letter'

/** In which state the unit is measured: one sentence, so or still so at one key. It offers what was said before, else what the procedure asks for; a change opens the rest. */
const props = defineProps<{
  conditions: readonly ConditionState[]
  locked: boolean
  /** what is offered of those that are to be said, by condition */
  offered: Readonly<Record<string, string>>
  /** all of that was said before */
  again: boolean
}>()
defineEmits<{ say: [condition: string, state: string]; agree: [] }>()
const changing = ref(false)
const known = ({ condition, said }: ConditionState) => said ?? props.offered[condition.id] ?? null
const asked = computed(() => Object.keys(props.offered).length > 0)
const short = computed(() => props.conditions.some(({ is }) => is === 'short'))
// Asked anew it is one sentence again.
watch(asked, now => {
  if (now) changing.value = false
})
const open = computed(() => !props.locked && changing.value)
const rows = useTemplateRef<HTMLElement>('rows')
/** Opened by a key, the first of them has the focus: an arrow changes it. */
async function change(): Promise<void> {
  changing.value = true
  await nextTick()
  ;(
    rows.value?.querySelector<HTMLInputElement>('input:checked') ?? rows.value?.querySelector<HTMLInputElement>('input:not(:disabled)')
  )?.focus()
}
defineExpose({ change })
/** `Seals: out, dry · cover: at full torque` */
const sentence = computed(() =>
  upperFirst(
    props.conditions
      .map(state => {
        const { label, states } = state.condition
        return `${lowerFirst(label)} ${lowerFirst(states.find(({ value }) => value === known(state))?.label ?? 'not said')}`
      })
      .join(' · '),
  ),
)
</script>

<template>
  <section v-if="conditions.length" aria-label="As measured" class="mb-2" data-test="conditions">
    <p class="flex flex-wrap items-baseline gap-x-3 text-[14px]">
      <span :class="short ? 'text-near' : 'text-mute'">{{ sentence }}</span>
      <template v-if="asked && !locked">
        <strong class="text-near">{{ again ? 'still so?' : 'is it so?' }}</strong>
        <button type="button" class="link min-h-9" @click="$emit('agree')"><kbd>Y</kbd> {{ again ? 'All as before' : 'It is so' }}</button>
      </template>
      <span v-if="short" class="text-near">provisional like this</span>
      <button v-if="!locked" type="button" class="link min-h-9 text-mute" :aria-expanded="changing" @click="changing = !changing">
        <kbd v-if="!asked && !changing">Y</kbd> {{ changing ? 'done' : 'change' }}
      </button>
    </p>
    <div v-if="open" ref="rows" class="grid gap-x-7 md:grid-cols-2">
      <fieldset
        v-for="{ condition, said, is } in conditions"
        :key="condition.id"
        class="grid grid-cols-[6.5rem_1fr] items-baseline gap-x-2 border-t rule py-0.5"
      >
        <legend class="sr-only">{{ condition.label }}</legend>
        <span class="text-[13.5px]" aria-hidden="true">{{ condition.label }}</span>
        <span class="flex flex-wrap gap-x-4">
          <label
            v-for="(state, i) in condition.states"
            :key="state.value"
            class="flex min-h-9 items-center gap-1.5 text-[13.5px]"
            :class="said === state.value && i > 0 ? 'text-near' : ''"
          >
            <input
              type="radio"
              class="size-4"
              :name="`condition-${condition.id}`"
              :value="state.value"
              :checked="said === state.value"
              :disabled="locked || condition.packing?.state === (said ?? '') || condition.packing?.state === state.value"
              @change="$emit('say', condition.id, state.value)"
            />{{ state.label }}</label
          >
          <span v-if="is === 'not-said' && !locked" class="self-center text-[13px] text-near">to be said</span>
          <span v-else-if="is === 'short'" class="self-center text-[13px] text-near">provisional like this</span>
        </span>
      </fieldset>
    </div>
  </section>
</template>
