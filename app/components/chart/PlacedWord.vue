<script setup lang="ts">
import type { Spot } from './labels'

/** A word of a drawing where the layout has put it; nothing where there was no room. */
defineProps<{ spot: Spot | undefined }>()
</script>

<template>
  <text v-if="spot" :x="spot.x" :y="spot.y" :text-anchor="spot.anchor"><slot /></text>
</template>
