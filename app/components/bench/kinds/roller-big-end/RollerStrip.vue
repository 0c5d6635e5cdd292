<script setup lang="ts">
import { groups } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import type { Roller } from '#core/check/kinds/roller-big-end/sort-rollers'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { NM_PER, UNIT_NAME } from '#core/quantity/length'
import { axisTicks, paddedExtent, useChartWidth } from '~/components/chart/axis'
import { usePreferences } from '~/stores/preferences'

/** Every measured roller where its size puts it, a row a bag; those of a set carry the number of their rod. To scale along the axis. */
const props = defineProps<{
  rollers: readonly Roller[]
  /** roller to rod */
  rods: ReadonlyMap<string, string>
  /** they stand for their bag, none is taken by itself */
  sample?: boolean
}>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const unit = computed(() => unitFor(preferences.system, 'size'))
const width = useChartWidth(box)
const LEFT = 46
const x = computed(() => {
  const all = props.rollers.map(roller => roller.size)
  return scaleLinear(paddedExtent(all, 0.06, 500), [LEFT + 8, width.value - 12])
})
const sizes = computed(() => [...new Set(props.rollers.map(roller => roller.size))].sort((a, b) => a - b))
/** As large as the closest two sizes leave room for. */
const r = computed(() => {
  const gaps = sizes.value.slice(1).map((size, i) => x.value(size) - x.value(sizes.value[i]!))
  return Math.max(3, Math.min(9, Math.min(...gaps, 18) / 2))
})
const rows = computed(() => {
  let y = 4
  return groups(props.rollers, roller => roller.bag)
    .sort((a, b) => a[0].localeCompare(b[0]))
    .map(([bag, rollers]) => {
      const stacks = groups(rollers, roller => roller.size)
      const high = Math.max(...stacks.map(([, of]) => of.length)) * (2 * r.value + 1)
      const foot = y + high + 6
      y = foot + 6
      return {
        bag,
        count: rollers.length,
        foot,
        dots: stacks.flatMap(([size, of]) =>
          [...of]
            .sort((a, b) => Number(props.rods.has(b.id)) - Number(props.rods.has(a.id)))
            .map((roller, i) => ({
              id: roller.id,
              rod: props.rods.get(roller.id) ?? null,
              cx: x.value(size),
              cy: foot - 3 - r.value - i * (2 * r.value + 1),
            })),
        ),
      }
    })
})
const height = computed(() => (rows.value.at(-1)?.foot ?? 0) + 38)
/** Sizes are long figures: of many, every other. */
const ticks = computed(() => axisTicks(x.value, NM_PER[unit.value]).filter((_, i, all) => all.length < 7 || i % 2 === 0))
const summary = computed(() => rows.value.map(row => `bag ${row.bag}, ${row.count} rollers`).join('; '))
</script>

<template>
  <div ref="box">
    <svg
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      role="img"
      :aria-label="`Rollers sorted by size: ${summary}`"
      class="block"
      data-drawing="sorted rollers"
      data-test="roller-strip"
    >
      <g v-for="row in rows" :key="row.bag">
        <text x="0" :y="row.foot - 2" font-size="13" fill="var(--ink)">Bag {{ row.bag }}</text>
        <line :x1="LEFT" :x2="width - 4" :y1="row.foot" :y2="row.foot" stroke="var(--hair)" />
        <g v-for="dot in row.dots" :key="dot.id">
          <circle
            :cx="dot.cx"
            :cy="dot.cy"
            :r="r"
            :fill="dot.rod ? 'var(--brass)' : 'var(--sheet)'"
            :stroke="dot.rod ? 'var(--brass-line)' : 'var(--mute)'"
          />
          <text
            v-if="dot.rod && r > 4.5"
            :x="dot.cx"
            :y="dot.cy + r * 0.45"
            :font-size="r * 1.35"
            text-anchor="middle"
            fill="#1b1b1b"
            font-weight="650"
          >
            {{ dot.rod }}
          </text>
        </g>
      </g>
      <g class="figure" font-size="11.5" fill="var(--mute)">
        <text v-for="{ value, at } in ticks" :key="value" :x="at" :y="height - 20" text-anchor="middle">
          {{ formatLength(value * NM_PER[unit], unit, { fine: true }) }}
        </text>
      </g>
      <text :x="width - 4" :y="height - 4" text-anchor="end" font-size="12" fill="var(--mute)">
        roller diameter, {{ UNIT_NAME[unit] }}{{ sample ? '' : ' · a number: taken for that rod · open: left over' }}
      </text>
    </svg>
  </div>
</template>
