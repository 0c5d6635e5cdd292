<script setup lang="ts">
import { inject } from 'vue'
import { POINT_IN_HAND } from './point-in-hand'

/** What of a sketch belongs to some of its points: lit where one of these is in hand, faint where another is. `journal A1/A2`: of the words in its id all, of those between strokes one. */
const props = defineProps<{ at: string }>()
const point = inject(POINT_IN_HAND, null)
const state = computed(() => {
  if (!point?.value) return undefined
  const words = point.value.split('-')
  return props.at.split(' ').every(wanted => wanted.split('/').some(word => words.includes(word))) ? 'place-lit' : 'place-off'
})
</script>

<template>
  <g class="place" :class="state" font-size="11"><slot /></g>
</template>
