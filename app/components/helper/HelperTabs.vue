<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import type { WayId } from '#core/method/way'
import type { RegisteredGauge } from '#shared/types'

/** Helpers at the bench: set a micrometer, build a bore gauge, stack feelers, correct for heat. */
const props = defineProps<{ gauges: readonly RegisteredGauge[]; band?: number | null; way?: WayId; prefer?: string }>()
defineEmits<{ changed: [RegisteredGauge] }>()
const TABS = ['Micrometer setting', 'Bore gauge', 'Feelers', 'Temperature']
const first = { 'bore-gauge': 1, 'feeler': 2 }[props.way as string] ?? 0
</script>

<template>
  <TabGroup :default-index="first">
    <TabList class="mb-4 flex flex-wrap gap-x-1 border-b rule">
      <Tab v-for="tab in TABS" :key="tab" v-slot="{ selected }" as="template">
        <button
          type="button"
          class="min-h-11 border-b-3 px-3 font-semibold"
          :class="selected ? 'border-accent text-ink' : 'border-transparent text-mute'"
        >
          {{ tab }}
        </button>
      </Tab>
    </TabList>
    <TabPanels>
      <TabPanel>
        <MicrometerHelper />
      </TabPanel>
      <TabPanel>
        <BoreHelper :gauges="gauges" :prefer="prefer" @changed="$emit('changed', $event)" />
      </TabPanel>
      <TabPanel>
        <FeelerHelper :gauges="gauges" />
      </TabPanel>
      <TabPanel>
        <TemperatureHelper :band="band ?? null" />
      </TabPanel>
    </TabPanels>
  </TabGroup>
</template>
