<script setup lang="ts">
import { markFor, scaleMarks, sideOf } from '#core/method/plastic-strip/scale'
import type { Gauge } from '#core/reading/gauge'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { systemOf, type Unit } from '#core/quantity/figure'
import type { Nm } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** One printed side of a plastic strip's scale, widths to one scale. A width finds its gap. */
const props = defineProps<{ gauge: Gauge; /** the gap being typed, nm */ figure: number | null; unit: Unit }>()
defineEmits<{ pick: [Nm] }>()
const preferences = usePreferences()
/** The side that is read: in the unit the reading is typed in. */
const system = computed(() => systemOf(props.unit))
const marks = computed(() => scaleMarks(sideOf(props.gauge.sizes, system.value), props.gauge.widest))
const sideUnit = computed(() => unitFor(system.value, 'size'))
/** Where no width is known, the shapes still follow width × gap. */
const widest = computed(() => marks.value[0]?.width ?? 1)
const share = (gap: number, width: number | null) => 100 * (width === null ? marks.value[0]!.gap / gap : width / widest.value)
const width = ref<Nm | null>(null)
const found = computed(() => (width.value === null ? null : markFor(marks.value, width.value)))
const lit = computed(() => props.figure ?? found.value?.gap ?? null)
</script>

<template>
  <div v-if="marks.length > 1" class="mt-3" data-test="strip-scale">
    <h3 class="label mb-1">Scale of {{ gauge.name }}</h3>
    <ul aria-label="Printed scale: the wider the strip, the smaller the gap">
      <li v-for="mark in marks" :key="mark.gap">
        <button
          type="button"
          class="relative grid min-h-8 w-full grid-cols-[5.5rem_1fr] items-center gap-2 rounded"
          :class="lit === mark.gap ? 'bg-sheet outline-2 outline-accent' : ''"
          :aria-pressed="lit === mark.gap"
          @click="$emit('pick', mark.gap as Nm)"
        >
          <span class="figure text-right text-[12.5px]">{{ formatLength(mark.gap, sideUnit, { unit: true }) }}</span>
          <span
            class="mx-auto block h-4 rounded-[1px] border"
            :style="{
              width: `${share(mark.gap, mark.width)}%`,
              background: lit === mark.gap ? 'var(--brass)' : 'var(--steel)',
              borderColor: 'var(--brass-line)',
            }"
          />
          <span class="sr-only">{{
            mark.width === null ? '' : `strip ${formatLength(mark.width, 'mm', { decimals: 2, unit: true })} wide`
          }}</span>
        </button>
      </li>
    </ul>
    <p class="text-[12px] text-mute">The {{ system === 'inch' ? 'inch' : 'millimetre' }} side of the scale, its figures as printed.</p>
    <template v-if="gauge.widest !== null">
      <FigureField
        v-model="width"
        label="Width by calipers, if the scale is not at hand"
        :unit="preferences.system === 'inch' ? 'in' : 'mm'"
        optional
      />
      <p v-if="width !== null && !found" class="fault" role="alert">
        That width is off the scale ({{ formatLength(marks.at(-1)!.width!, preferences.system === 'inch' ? 'in' : 'mm') }} –
        {{ formatLength(marks[0]!.width!, preferences.system === 'inch' ? 'in' : 'mm', { unit: true }) }}): take another grade.
      </p>
      <p v-else-if="found" class="text-[13.5px]">
        A strip so wide shows a gap of
        <button type="button" class="link font-semibold" @click="$emit('pick', found.gap as Nm)">
          {{ formatLength(found.gap, preferences.unit, { unit: true }) }}</button
        >.
      </p>
    </template>
    <p v-else class="text-[12.5px] text-mute">
      Widths not to scale: put the printed width at the smallest gap in the register, and a width by calipers can be read too.
    </p>
  </div>
</template>
