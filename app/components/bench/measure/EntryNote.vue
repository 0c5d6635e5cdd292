<script setup lang="ts">
import type { Choice } from '#core/quantity/question'

/** Under an entry: what is wrong with it, or the question it raises. */
defineProps<{ reason: string | null; choices: readonly Choice[] }>()
defineEmits<{ answer: [Choice] }>()
</script>

<template>
  <div id="entry-note">
    <p v-if="reason" class="fault mt-1" role="alert">{{ reason }}</p>
    <div v-if="choices.length" class="mt-1 flex flex-wrap items-baseline gap-2">
      <button v-for="(choice, at) in choices" :key="choice.label" type="button" class="button" @click="$emit('answer', choice)">
        <kbd>{{ at + 1 }}</kbd> {{ choice.label }}
      </button>
      <span class="text-[13px] text-mute">or type it again</span>
    </div>
  </div>
</template>
