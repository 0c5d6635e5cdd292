<script setup lang="ts">
import { markFor, scaleMarks } from '#core/method/plastic-strip/scale'
import type { Gauge } from '#core/reading/gauge'
import { formatLength } from '#core/quantity/format-length'
import type { Nm } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** The printed scale of a plastic strip, widths to one scale, inches on the left and millimetres on the right. A width finds its gap. */
const props = defineProps<{ gauge: Gauge; /** the gap being typed, nm */ figure: number | null }>()
defineEmits<{ pick: [Nm] }>()
const preferences = usePreferences()
const marks = computed(() => scaleMarks(props.gauge.sizes, props.gauge.widest))
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
          class="relative grid min-h-8 w-full grid-cols-[4.2rem_1fr_4.2rem] items-center gap-2 rounded"
          :class="lit === mark.gap ? 'bg-sheet outline-2 outline-accent' : ''"
          :aria-pressed="lit === mark.gap"
          @click="$emit('pick', mark.gap as Nm)"
        >
          <span class="figure text-right text-[12.5px]">{{ formatLength(mark.gap, 'in') }}<span class="sr-only"> in, </span> </span>
          <span
            class="mx-auto block h-4 rounded-[1px] border"
            :style="{
              width: `${share(mark.gap, mark.width)}%`,
              background: lit === mark.gap ? 'var(--brass)' : 'var(--steel)',
              borderColor: 'var(--brass-line)',
            }"
          />
          <span class="figure text-left text-[12.5px]"
            >{{ formatLength(mark.gap, 'mm')
            }}<span class="sr-only">
              mm{{ mark.width === null ? '' : `: strip ${formatLength(mark.width, 'mm', { decimals: 2, unit: true })} wide` }}</span
            >
          </span>
        </button>
      </li>
    </ul>
    <p class="flex justify-between text-[12px] text-mute">
      <span>gap, in</span>
      <span>gap, mm</span>
    </p>
    <template v-if="gauge.widest !== null">
      <LengthField
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
          {{ formatLength(found.gap, preferences.unit, { unit: true }) }}</button>.
      </p>
    </template>
    <p v-else class="text-[12.5px] text-mute">
      Widths not to scale: put the printed width at the smallest gap in the register, and a width by calipers can be read too.
    </p>
  </div>
</template>
