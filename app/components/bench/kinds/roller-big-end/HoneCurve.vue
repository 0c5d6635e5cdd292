<script setup lang="ts">
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { COARSE_UNTIL, MEDIUM_UNTIL, type HonePlan } from '#core/check/kinds/roller-big-end/hone-plan'
import { formatLength } from '#core/quantity/format-length'
import { NM_PER, UNIT_NAME } from '#core/quantity/length'
import { axisTicks, useChartWidth } from '~/components/chart/axis'
import { usePreferences } from '~/stores/preferences'

/** Stock left on the bore, pass by pass, cold, down to size; one line an end of the bore. */
const props = defineProps<{ plan: HonePlan }>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const width = useChartWidth(box)
const HEIGHT = 190
const BASE = HEIGHT - 26
const LEFT = 46
const RIGHT = 66
const unit = computed(() => NM_PER[preferences.unit])
const passes = computed(() => props.plan.ends.flatMap(end => end.passes))
const most = computed(() => Math.max(2, ...props.plan.ends.map(end => end.passes.length)))
const x = computed(() => scaleLinear([1, most.value], [LEFT + 14, width.value - RIGHT - 44]))
const y = computed(() => {
  const [low = 0, high = 0] = extent(passes.value, pass => pass.left) as [number | undefined, number | undefined]
  return scaleLinear([Math.min(low, 0) - NM_PER.tenth, Math.max(high, COARSE_UNTIL) * 1.12], [BASE, 8])
})
/** Below each line the stone it names. */
const marks = computed(() =>
  (
    [
      ['medium ↓', COARSE_UNTIL],
      ['fine ↓', MEDIUM_UNTIL],
      ['size', 0],
    ] as const
  ).map(([words, at]) => ({ words, at: y.value(at), size: at === 0 })),
)
const lines = computed(() =>
  props.plan.ends
    .filter(({ passes: some }) => some.length > 0)
    .map(({ end, passes: some }) => ({ end, at: some.map((pass, i) => ({ id: pass.id, x: x.value(i + 1), y: y.value(pass.left) })) })),
)
const labelY = computed(() => {
  const ends = lines.value.map(line => line.at.at(-1)!.y)
  return ends.length < 2 || Math.abs(ends[0]! - ends[1]!) > 14
    ? ends.map(at => at + 4)
    : ends[0]! <= ends[1]!
      ? [ends[0]! - 4, ends[1]! + 12]
      : [ends[0]! + 12, ends[1]! - 4]
})
const show = (value: number) => formatLength(value, preferences.unit, { fine: true })
const rows = computed(() =>
  Array.from({ length: Math.max(...props.plan.ends.map(end => end.passes.length)) }, (_, i) =>
    props.plan.ends.map(end => end.passes[i] ?? null),
  ),
)
</script>

<template>
  <div ref="box">
    <svg
      :width="width"
      :height="HEIGHT"
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      role="img"
      :aria-label="`Stock left by pass: ${plan.words.join(' ')}`"
      class="block"
      data-drawing="hone curve"
      data-test="hone-curve"
    >
      <g v-for="mark in marks" :key="mark.words">
        <line
          :x1="LEFT"
          :x2="width - RIGHT"
          :y1="mark.at"
          :y2="mark.at"
          :stroke="mark.size ? 'var(--in)' : 'var(--hair)'"
          :stroke-width="mark.size ? 2 : 1"
          :stroke-dasharray="mark.size ? undefined : '5 4'"
        />
        <text
          :x="width - RIGHT + 8"
          :y="mark.at + 4"
          font-size="12.5"
          :font-weight="mark.size ? 650 : 400"
          :fill="mark.size ? 'var(--in)' : 'var(--mute)'"
        >
          {{ mark.words }}
        </text>
      </g>
      <g class="figure" font-size="11.5" fill="var(--mute)">
        <text v-for="t in axisTicks(y, unit)" :key="t.value" :x="LEFT - 7" :y="t.at + 4" text-anchor="end">{{ t.value }}</text>
        <text v-for="i in most" :key="i" :x="x(i)" :y="BASE + 15" text-anchor="middle">{{ i }}</text>
      </g>
      <line :x1="LEFT" :x2="LEFT" y1="6" :y2="BASE" stroke="var(--hair)" />
      <text x="0" :y="HEIGHT - 1" font-size="12" fill="var(--mute)">↑ left, {{ UNIT_NAME[preferences.unit] }}</text>
      <text :x="width - RIGHT" :y="HEIGHT - 1" text-anchor="end" font-size="12" fill="var(--mute)">pass</text>
      <g v-for="(line, l) in lines" :key="line.end">
        <path
          :d="`M${line.at.map(p => `${p.x} ${p.y}`).join('L')}`"
          fill="none"
          stroke="var(--accent)"
          stroke-width="2"
          :stroke-dasharray="line.end === 'rear' ? '6 4' : undefined"
        />
        <template v-for="p in line.at" :key="p.id">
          <circle v-if="line.end === 'front'" :cx="p.x" :cy="p.y" r="4.5" fill="var(--accent)" />
          <rect v-else :x="p.x - 4.5" :y="p.y - 4.5" width="9" height="9" fill="var(--sheet)" stroke="var(--accent)" stroke-width="2" />
        </template>
        <text :x="line.at.at(-1)!.x + 9" :y="labelY[l]" font-size="12.5" fill="var(--ink)">{{ line.end }}</text>
      </g>
    </svg>
    <table v-if="rows.length" class="tight mt-1">
      <thead>
        <tr>
          <th>Pass</th>
          <template v-for="{ end } in plan.ends" :key="end">
            <th class="pl-8">stone, {{ end }}</th>
            <th class="text-right">left, {{ end }}</th>
          </template>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="i">
          <td class="figure text-mute">{{ i + 1 }}</td>
          <template v-for="(pass, e) in row" :key="e">
            <td class="pl-8 text-[13px]">{{ pass ? (pass.stone ?? (i === 0 ? 'as found' : 'not noted')) : '' }}</td>
            <td class="figure text-right">{{ pass ? show(pass.left) : '–' }}</td>
          </template>
        </tr>
      </tbody>
    </table>
  </div>
</template>
