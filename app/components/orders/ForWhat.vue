<script setup lang="ts">
import { outstanding } from '#core/pack/order-list'
import { forWords } from '~/composables/drawer/useOrders'
import type { WantedLine } from '#shared/orders'

/** What the lines of a size are for, each with its number and the way to its check. */
defineProps<{ lines: readonly WantedLine[]; removable?: boolean }>()
defineEmits<{ drop: [WantedLine] }>()
const many = (line: WantedLine) => (outstanding(line) > 0 && line.arrived > 0 ? `${line.arrived} of ${line.pieces}` : `${line.pieces}`)
</script>

<template>
  <ul>
    <li v-for="line in lines" :key="line.id">
      <span class="figure">{{ many(line) }}</span>{{ ' '
      }}<NuxtLink v-if="line.check" class="link" :to="`/checks/${line.check.id}`">{{ forWords(line) }}</NuxtLink>
      <template v-else>{{ forWords(line) }}</template>
      <span v-if="line.check?.signed" class="text-mute"> signed since</span>
      <span v-if="line.cancelled" class="text-near"> will not come: {{ line.cancelled }}</span>
      <button
        v-if="removable"
        type="button"
        class="link ml-2 min-h-9 text-[13px] !text-mute"
        :aria-label="`Take off the list: ${line.pieces} for ${forWords(line)}`"
        @click="$emit('drop', line)"
      >
        take off
      </button>
    </li>
  </ul>
</template>
