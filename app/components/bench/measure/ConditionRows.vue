<script setup lang="ts">
import type { ConditionState } from '#core/check/evaluate/said-conditions'

/** In which state the unit is measured, one press each; what the procedure asks for stands first. */
defineProps<{ conditions: readonly ConditionState[]; locked: boolean; /** some of them can be said as before */ asBefore: boolean }>()
defineEmits<{ say: [condition: string, state: string]; before: [] }>()
</script>

<template>
  <section v-if="conditions.length" aria-label="As measured" class="mb-4" data-test="conditions">
    <div class="mb-1 flex flex-wrap items-baseline gap-x-4">
      <h2 class="label">As measured</h2>
      <button v-if="asBefore" type="button" class="link min-h-9 text-[13.5px]" @click="$emit('before')">All as before</button>
    </div>
    <fieldset
      v-for="{ condition, said, is } in conditions"
      :key="condition.id"
      class="grid grid-cols-[6.5rem_1fr] items-baseline gap-x-2 border-t rule py-1"
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
  </section>
</template>
