<script setup lang="ts">
import { markFor, scaleMarks, sideOf } from '#core/method/plastic-strip/scale'
import type { Gauge } from '#core/reading/gauge'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { systemOf, type Unit } from '#core/quantity/figure'
import type { Nm } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** Both printed sides of a plastic strip’s scale, widths to one scale: either can be read, whatever the unit of the field. A width finds its gap. */
const props = defineProps<{ gauge: Gauge; /** the gap being typed, nm */ figure: number | null; unit: Unit }>()
defineEmits<{ pick: [Nm] }>()
const preferences = usePreferences()
/** Width × gap is one for both sides. */
const marksOf = (gaps: readonly number[]) =>
  scaleMarks(gaps, props.gauge.widest === null ? null : (props.gauge.widest * Math.min(...props.gauge.sizes)) / Math.min(...gaps))
/** That of the field first. A strip printed on one side only has one. */
const sides = computed(() =>
  (systemOf(props.unit) === 'inch' ? (['inch', 'metric'] as const) : (['metric', 'inch'] as const))
    .map(system => ({ system, unit: unitFor(system, 'size'), marks: marksOf(sideOf(props.gauge.sizes, system)) }))
    .filter(({ marks: [first] }, at, all) => at === 0 || first?.gap !== all[0]!.marks[0]?.gap),
)
const marks = computed(() => sides.value[0]!.marks)
/** Where no width is known, the shapes still follow width × gap. */
const widest = computed(() => Math.max(1, ...sides.value.flatMap(side => side.marks.map(({ width: printed }) => printed ?? 0))))
const narrowest = computed(() => Math.min(...sides.value.flatMap(side => side.marks.map(({ gap }) => gap))))
const share = (gap: number, width: number | null) => 100 * (width === null ? narrowest.value / gap : width / widest.value)
const width = ref<Nm | null>(null)
const found = computed(() => (width.value === null ? null : markFor(marks.value, width.value)))
const lit = computed(() => props.figure ?? found.value?.gap ?? null)
</script>

<template>
  <div v-if="marks.length > 1" class="mt-3" data-test="strip-scale">
    <h3 class="label mb-1">Scale of {{ gauge.name }}</h3>
    <div class="grid gap-x-6 gap-y-3 @lg:grid-cols-2">
      <ul
        v-for="side in sides"
        :key="side.system"
        :aria-label="`${side.system === 'inch' ? 'Inch' : 'Millimetre'} side of the printed scale: the wider the strip, the smaller the gap`"
      >
        <li class="text-[12px] text-mute">{{ side.system === 'inch' ? 'Inch side' : 'Millimetre side' }}</li>
        <li v-for="mark in side.marks" :key="mark.gap">
          <button
            type="button"
            class="relative grid min-h-8 w-full grid-cols-[5.5rem_1fr] items-center gap-2 rounded"
            :class="lit === mark.gap ? 'bg-sheet outline-2 outline-accent' : ''"
            :aria-pressed="lit === mark.gap"
            @click="$emit('pick', mark.gap as Nm)"
          >
            <span class="figure text-right text-[12.5px]">{{ formatLength(mark.gap, side.unit, { unit: true }) }}</span>
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
    </div>
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
