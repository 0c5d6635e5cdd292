<script setup lang="ts">
import { statePaint } from '~/composables/words/stateColour'
import type { ListState } from '#shared/types'

/** A state as a shape of its own; the word stands beside it, the colour comes third. */
const props = withDefaults(defineProps<{ state: ListState; size?: number; inherit?: boolean }>(), { size: 24, inherit: false })
const colour = computed(() => (props.inherit ? 'currentColor' : statePaint(props.state)))
const on = computed(() => (props.inherit ? 'var(--dye-top)' : 'var(--on-state)'))
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 24 24" aria-hidden="true" class="shrink-0">
    <template v-if="state === 'in'">
      <circle cx="12" cy="12" r="10.5" :fill="colour" />
      <path d="M7.5 12.3l3 3 6-6.2" fill="none" :stroke="on" stroke-width="2.2" />
    </template>
    <template v-else-if="state === 'above'">
      <rect x="1" y="2.5" width="22" height="19" rx="2.5" :fill="colour" />
      <path d="M10 12H4.5M7 9l-3 3 3 3M14 12h5.5M17 9l3 3-3 3" fill="none" :stroke="on" stroke-width="2" />
    </template>
    <template v-else-if="state === 'below'">
      <rect x="1" y="2.5" width="22" height="19" rx="2.5" :fill="colour" />
      <path d="M4 12h5.5M7 9l3 3-3 3M20 12h-5.5M17 9l-3 3 3 3" fill="none" :stroke="on" stroke-width="2" />
    </template>
    <template v-else-if="state === 'close'">
      <path d="M12 .8L23.2 12 12 23.2.8 12z" :fill="colour" />
      <path d="M7 12.8c1.6-2.6 3.4-2.6 5-.8s3.400 1.800 5-.8" fill="none" :stroke="on" stroke-width="2" />
    </template>
    <template v-else-if="state === 'doubted'">
      <path d="M12 .8L23.2 12 12 23.2.8 12z" :fill="colour" />
      <path d="M12 6.500v7M12 16v2" fill="none" :stroke="on" stroke-width="2.400" />
    </template>
    <template v-else-if="state === 'accepted'">
      <path d="M12 .8L23.2 12 12 23.2.8 12z" fill="none" :stroke="colour" stroke-width="2" />
      <path d="M8 12.300l2.800 2.800 5.400-5.800" fill="none" :stroke="colour" stroke-width="2.2" />
    </template>
    <template v-else-if="state === 'stale'">
      <circle cx="12" cy="12" r="10" fill="none" :stroke="colour" stroke-width="2.2" stroke-dasharray="4.500 3" />
      <path d="M12 6.500V12l3.500 2.5" fill="none" :stroke="colour" stroke-width="2" />
    </template>
    <template v-else-if="state === 'not-valid'">
      <rect x="2" y="2" width="20" height="20" rx="3" fill="none" :stroke="colour" stroke-width="2.2" />
      <path d="M7.500 16.500l9-9" :stroke="colour" stroke-width="2.4" />
    </template>
    <template v-else-if="state === 'provisional'">
      <rect x="2" y="2" width="20" height="20" rx="3" fill="none" :stroke="colour" stroke-width="2.2" />
      <path d="M9.300 7.500v9M14.700 7.500v9" :stroke="colour" stroke-width="2.2" />
    </template>
    <template v-else-if="state === 'no-limit'">
      <circle cx="12" cy="12" r="10" fill="none" :stroke="colour" stroke-width="2" />
      <path d="M7 12h10" :stroke="colour" stroke-width="2.2" />
    </template>
    <template v-else-if="state === 'part-read'">
      <circle cx="12" cy="12" r="10" fill="none" :stroke="colour" stroke-width="2" />
      <path d="M12 12V5.500a6.500 6.500 0 1 1-6.500 6.500z" :fill="colour" />
    </template>
    <circle v-else cx="12" cy="12" r="10" fill="none" :stroke="colour" stroke-width="2" />
  </svg>
</template>
