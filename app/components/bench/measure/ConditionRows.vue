<script setup lang="ts">
import type { ConditionState } from '#core/check/evaluate/said-conditions'
import { lowerFirst, upperFirst } from '#core/quantity/first-letter'

/** In which state the unit is measured: one sentence, still so at one key; what is asked for the first time, or changed, is chosen. What the procedure asks for stands first. */
const props = defineProps<{
  conditions: readonly ConditionState[]
  locked: boolean
  /** what was said before of those that are asked again, by condition */
  before: Readonly<Record<string, string>>
}>()
defineEmits<{ say: [condition: string, state: string]; before: [] }>()
const changing = ref(false)
const known = ({ condition, said }: ConditionState) => said ?? props.before[condition.id] ?? null
const fresh = computed(() => props.conditions.some(state => known(state) === null))
const asked = computed(() => props.conditions.some(({ is }) => is === 'not-said'))
const short = computed(() => props.conditions.some(({ is }) => is === 'short'))
const open = computed(() => !props.locked && (fresh.value || changing.value))
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
    <p v-if="!fresh" class="flex flex-wrap items-baseline gap-x-3 text-[14px]">
      <span :class="short ? 'text-near' : 'text-mute'">{{ sentence }}</span>
      <template v-if="asked && !locked">
        <strong class="text-near">still so? to be said</strong>
        <button type="button" class="link min-h-9" @click="$emit('before')"><kbd>Y</kbd> All as before</button>
      </template>
      <span v-if="short" class="text-near">provisional like this</span>
      <button v-if="!locked" type="button" class="link min-h-9 text-mute" :aria-expanded="changing" @click="changing = !changing">
        {{ changing ? 'done' : 'change' }}
      </button>
    </p>
    <div v-if="open" class="grid gap-x-7 md:grid-cols-2">
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
