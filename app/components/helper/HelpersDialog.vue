<script setup lang="ts">
import type { WayId } from '#core/method/way'
import type { RegisteredGauge } from '#shared/types'
import { inRegister } from '~/composables/server/keptIn'
import { allOf } from '~/composables/server/useApi'

/** The helpers of the gauges, beside the check on the bench. */
const props = defineProps<{
  open: boolean
  way: WayId
  /** id of the gauge in hand */
  prefer?: string
  /** width of the limits, nm */
  band: number | null
}>()
defineEmits<{ close: [] }>()
const register = ref<readonly RegisteredGauge[]>([])
watch(
  () => props.open,
  async open => {
    if (open) register.value = await allOf<RegisteredGauge>('/api/gauges').catch(() => [])
  },
)
</script>

<template>
  <PlainDialog :open="open" title="Helpers" wide @close="$emit('close')">
    <HelperTabs :gauges="register" :way="way" :prefer="prefer" :band="band" @changed="register = inRegister(register, $event)" />
  </PlainDialog>
</template>
