<script setup lang="ts">
import type { limitedFigures } from '#core/check/common/results'
import type { Exact, Unit } from '#core/quantity/figure'

/** Limits typed for a check that is begun, and of which of its figures they are. */
type Figures = ReturnType<typeof limitedFigures>
defineProps<{ figures: Figures; limited: Figures[number]; unit: Unit; fault: string | undefined }>()
const lower = defineModel<Exact | null>('lower', { required: true })
const upper = defineModel<Exact | null>('upper', { required: true })
const picked = defineModel<string>('picked', { required: true })
</script>

<template>
  <div class="grid gap-3 md:grid-cols-2">
    <FigureField v-model="lower" :label="`Book limit, lower: ${limited.label}`" :unit="unit" optional />
    <FigureField v-model="upper" :label="`Book limit, upper: ${limited.label}`" :unit="unit" optional :fault="fault" />
    <div v-if="figures.length > 1" class="md:col-span-2">
      <label class="label mb-1 block" for="check-limited">Limits are of</label>
      <select id="check-limited" :value="limited.id" class="field" @change="picked = ($event.target as HTMLSelectElement).value">
        <option v-for="figure in figures" :key="figure.id" :value="figure.id">{{ figure.label }}</option>
      </select>
    </div>
  </div>
</template>
