<script setup lang="ts">
import { outstanding } from '#core/pack/order-list'
import { lotMap, measuredText } from '#core/pack/lot'
import { markedText } from '#core/quantity/format-length'
import { dayText } from '#core/quantity/day'
import { useBench } from '~/stores/bench'
import type { CheckOrder } from '#shared/orders'

/** What is on the order list for a place, on its way, or here; until the place is fitted with it. */
defineProps<{ orders: readonly CheckOrder[] }>()
const bench = useBench()
const lots = computed(() => lotMap(bench.lots))
const size = ({ lotId }: CheckOrder) => {
  const lot = lots.value.get(lotId)
  return lot ? [markedText(lot.nominal), lot.mark].filter(Boolean).join(' ') : lotId
}
const isHere = (order: CheckOrder) => order.arrived > 0 && outstanding(order) === 0
function words(order: CheckOrder): string {
  const { arrived, pieces, cancelled, purchase, supplier, due, sizes } = order
  const lot = lots.value.get(order.lotId)
  const came = lot ? sizes.map(one => measuredText(one, lot)).join(' · ') : ''
  if (cancelled !== null) return `will not come from ${supplier}: ${cancelled}${came && `. Here: ${came}`}`
  if (outstanding(order) === 0) return `here: ${came}`
  if (purchase === null) return 'on the order list'
  return `from ${supplier}, ${due === null ? 'no day said' : `due ${dayText(due)}`}${arrived ? `, ${arrived} of ${pieces} here: ${came}` : ''}`
}
</script>

<template>
  <ul class="mt-2 text-[14px]" aria-label="Ordered for this place" data-test="place-orders">
    <li v-for="order in orders" :key="order.id" :class="isHere(order) ? 'text-in' : order.cancelled ? 'text-near' : 'text-mute'">
      <span class="figure">{{ order.pieces }} × {{ size(order) }}</span>: {{ words(order) }}
    </li>
    <li><NuxtLink class="link text-[13.5px]" to="/orders">the order list</NuxtLink></li>
  </ul>
</template>
