<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { formatLength } from '#core/quantity/format-length'
import { NM_PER, UNIT_NAME } from '#core/quantity/length'
import type { Ledger } from '#core/pack/ledger'
import type { Response } from '#core/pack/response'
import { endsOf, finiteEnds, type LimitSet } from '#core/verdict/limits'
import { usePreferences } from '~/stores/preferences'
import { axisTicks, paddedExtent, useChartWidth } from './axis'

/** Does the play follow the pack? Total thickness across, play up, the line all fittings should lie on, the odd one pointed at. */
const props = defineProps<{ ledger: Ledger; response: Response; limits: LimitSet | null }>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const width = useChartWidth(box)
const HEIGHT = 236
const LEFT = 52
const BASE = HEIGHT - 40
const unit = computed(() => NM_PER[preferences.unit])
const expected = (total: number) => (props.ledger.base ? props.ledger.base.value + props.response.perPiece * total : null)
/** Room round the fittings, as a part of what they span. */
const ROOM = 0.18
const x = computed(() =>
  scaleLinear(
    paddedExtent(
      props.ledger.entries.map(e => e.total),
      ROOM,
      20_000,
    ),
    [LEFT, width.value - 16],
  ),
)
const y = computed(() => {
  const lines = props.ledger.entries.flatMap(e => [
    e.play - 2 * e.u,
    e.play + 2 * e.u,
    ...(expected(e.total) === null ? [] : [expected(e.total)!]),
  ])
  return scaleLinear(paddedExtent([...lines, ...finiteEnds(props.limits)], ROOM, 12_000), [BASE, 12])
})
const limitBox = computed(() => {
  const ends = endsOf(props.limits)
  if (!ends) return null
  const top = Number.isFinite(ends.upper) ? y.value(ends.upper) : 12
  return { top, height: (Number.isFinite(ends.lower) ? y.value(ends.lower) : BASE) - top }
})
const show = (value: number) => formatLength(value, preferences.unit)
/** What all fittings should share. */
const sum = computed(() => `Play ${props.response.perPiece > 0 ? '−' : '+'} pack`)
const isOdd = (id: string) => props.ledger.suspect?.id === id
const labelSide = (i: number) => (x.value(props.ledger.entries[i]!.total) > width.value - 90 ? 'end' : 'start')
</script>

<template>
  <div ref="box">
    <svg
      :width="width"
      :height="HEIGHT"
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      role="img"
      :aria-label="`Trial ledger. ${ledger.words}`"
      class="block"
      data-drawing="trial ledger"
      data-test="ledger-plot"
    >
      <rect
        v-if="limitBox"
        :x="LEFT"
        :y="limitBox.top"
        :width="width - LEFT - 8"
        :height="Math.max(1, limitBox.height)"
        fill="var(--in)"
        opacity="0.13"
      />
      <text v-if="limitBox" :x="LEFT + 6" :y="limitBox.top + 15" font-size="12.5" fill="var(--in)">limits</text>
      <g stroke="var(--hair)">
        <line :x1="LEFT" :x2="width - 8" :y1="BASE" :y2="BASE" />
        <line :x1="LEFT" :x2="LEFT" y1="8" :y2="BASE" />
      </g>
      <g class="figure" font-size="12" fill="var(--mute)">
        <text v-for="t in axisTicks(x, unit)" :key="`x${t.value}`" :x="t.at" :y="BASE + 17" text-anchor="middle">{{ t.value }}</text>
        <text v-for="t in axisTicks(y, unit)" :key="`y${t.value}`" :x="LEFT - 7" :y="t.at + 4" text-anchor="end">{{ t.value }}</text>
      </g>
      <text :x="width - 8" :y="HEIGHT - 6" text-anchor="end" font-size="12.5" fill="var(--mute)">
        pack thickness, {{ UNIT_NAME[preferences.unit] }}
      </text>
      <text x="2" :y="HEIGHT - 6" font-size="12.5" fill="var(--mute)">↑ play, {{ UNIT_NAME[preferences.unit] }}</text>
      <line
        v-if="ledger.base"
        :x1="x.range()[0]"
        :x2="x.range()[1]"
        :y1="y(expected(x.domain()[0]!)!)"
        :y2="y(expected(x.domain()[1]!)!)"
        stroke="var(--accent)"
        stroke-width="2"
      />
      <g v-for="(entry, i) in ledger.entries" :key="entry.id">
        <line
          v-if="isOdd(entry.id)"
          :x1="x(entry.total)"
          :x2="x(entry.total)"
          :y1="y(entry.play)"
          :y2="y(expected(entry.total)!)"
          stroke="var(--out)"
          stroke-width="1.5"
          stroke-dasharray="4 3"
        />
        <line
          :x1="x(entry.total)"
          :x2="x(entry.total)"
          :y1="y(entry.play - 2 * entry.u)"
          :y2="y(entry.play + 2 * entry.u)"
          stroke="var(--ink)"
          stroke-width="1.5"
        />
        <circle v-if="!isOdd(entry.id)" :cx="x(entry.total)" :cy="y(entry.play)" r="5.5" fill="var(--ink)" />
        <rect
          v-else
          :x="x(entry.total) - 6"
          :y="y(entry.play) - 6"
          width="12"
          height="12"
          fill="var(--sheet)"
          stroke="var(--out)"
          stroke-width="2.4"
        />
        <text
          :x="x(entry.total) + (labelSide(i) === 'end' ? -10 : 10)"
          :y="y(entry.play) + (labelSide(i) === 'end' ? 19 : -8)"
          :text-anchor="labelSide(i)"
          font-size="13"
          :fill="isOdd(entry.id) ? 'var(--out)' : 'var(--ink)'"
        >
          <tspan :font-weight="isOdd(entry.id) ? 650 : 400">
            {{ isOdd(entry.id) ? `Fitting ${i + 1}: odd one out` : `Fitting ${i + 1}` }}
          </tspan>
        </text>
      </g>
    </svg>
    <p class="mt-1 text-[13px] text-mute">{{ sum }} thickness comes to the same for every fitting, if all is well.</p>
    <table class="mt-1 text-sm">
      <thead>
        <tr>
          <th>Fitting</th>
          <th>Pack</th>
          <th>Play</th>
          <th>{{ sum }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(entry, i) in ledger.entries" :key="entry.id">
          <td>{{ i + 1 }}<span v-if="isOdd(entry.id)" class="text-out"> · odd one out</span></td>
          <td class="figure">{{ show(entry.total) }}</td>
          <td class="figure">{{ show(entry.play) }}</td>
          <td class="figure">{{ entry.base === null ? 'none: zero play' : show(entry.base) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
