<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { formatLength } from '#core/quantity/format-length'
import { NM_PER, UNIT_NAME } from '#core/quantity/length'
import type { Ledger } from '#core/choice/grounds/ledger'
import type { Response } from '#core/pack/response'
import { finiteEnds, type LimitSet } from '#core/verdict/limits'
import { usePreferences } from '~/stores/preferences'
import { paddedExtent, PLOT, useChartWidth } from './axis'
import { alongLine, beside, laidOut } from './labels'
import PlotFrame from './PlotFrame.vue'

/** Does the play follow the pack? Total thickness across, play up, the line all fittings should lie on, the odd one pointed at. */
const props = defineProps<{ ledger: Ledger; response: Response; limits: LimitSet | null }>()
const box = ref<HTMLElement>()
const preferences = usePreferences()
const width = useChartWidth(box)
const unit = computed(() => NM_PER[preferences.unit])
const expected = (total: number) => (props.ledger.base ? props.ledger.base.value + props.response.perPiece * total : null)
const x = computed(() =>
  scaleLinear(
    paddedExtent(
      props.ledger.entries.map(e => e.total),
      PLOT.room,
      20_000,
    ),
    [PLOT.left, width.value - 16],
  ),
)
const y = computed(() => {
  const lines = props.ledger.entries.flatMap(e => [
    e.play - 2 * e.u,
    e.play + 2 * e.u,
    ...(expected(e.total) === null ? [] : [expected(e.total)!]),
  ])
  return scaleLinear(paddedExtent([...lines, ...finiteEnds(props.limits)], PLOT.room, 12_000), [PLOT.base, PLOT.top])
})
const show = (value: number) => formatLength(value, preferences.unit)
/** What all fittings should share. */
const sum = computed(() => `Play ${props.response.perPiece > 0 ? '−' : '+'} pack`)
const isOdd = (id: string) => props.ledger.suspect?.id === id
const nameOf = ({ id, number }: { readonly id: string; readonly number: number }) =>
  isOdd(id) ? `Fitting ${number}: odd one out` : `Fitting ${number}`
/** What the pack should do to the play, from edge to edge, px; null: nothing is expected yet. */
const expectedLine = computed((): readonly [readonly [number, number], readonly [number, number]] | null => {
  const [from, to] = x.value.domain() as [number, number]
  return props.ledger.base
    ? [
        [x.value(from), y.value(expected(from)!)],
        [x.value(to), y.value(expected(to)!)],
      ]
    : null
})
/** Their names: beside each, where no bar and no other name is. */
const names = computed(() => {
  const at = props.ledger.entries.map(entry => ({ entry, x: x.value(entry.total), y: y.value(entry.play) }))
  return laidOut(
    at.map(({ entry, x: px, y: py }) => ({
      id: entry.id,
      width: nameOf(entry).length * 6.9,
      size: 13,
      spots: beside(px, py),
    })),
    [
      ...at.map(({ entry, x: px }) => ({
        left: px - 7,
        right: px + 7,
        top: y.value(entry.play + 2 * entry.u),
        bottom: y.value(entry.play - 2 * entry.u),
      })),
      ...(expectedLine.value ? alongLine(...expectedLine.value) : []),
    ],
    { left: PLOT.left + 2, right: width.value - 4, top: 0, bottom: PLOT.base },
  )
})
</script>

<template>
  <div ref="box">
    <PlotFrame
      :width="width"
      :x="x"
      :y="y"
      :floor="PLOT.base"
      :limits="limits"
      limits-at="start"
      :per="{ x: unit, y: unit }"
      :captions="{ x: `pack thickness, ${UNIT_NAME[preferences.unit]}`, y: `play, ${UNIT_NAME[preferences.unit]}` }"
      :label="`Trial ledger. ${ledger.words}`"
      data-drawing="trial ledger"
      data-test="ledger-plot"
    >
      <line
        v-if="expectedLine"
        :x1="expectedLine[0][0]"
        :x2="expectedLine[1][0]"
        :y1="expectedLine[0][1]"
        :y2="expectedLine[1][1]"
        stroke="var(--accent)"
        stroke-width="2"
      />
      <g v-for="entry in ledger.entries" :key="entry.id">
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
        <path
          v-if="entry.bound"
          :d="`M${x(entry.total)} ${y(entry.play)}v16m-5 -7l5 7 5 -7m-13 -16h16`"
          fill="none"
          stroke="var(--ink)"
          stroke-width="1.8"
          data-mark="bound"
        />
        <circle v-else-if="!isOdd(entry.id)" :cx="x(entry.total)" :cy="y(entry.play)" r="5.5" fill="var(--ink)" />
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
        <PlacedWord
          :spot="names.get(entry.id)"
          font-size="13"
          :font-weight="isOdd(entry.id) ? 650 : 400"
          :fill="isOdd(entry.id) ? 'var(--out)' : 'var(--ink)'"
          >{{ nameOf(entry) }}</PlacedWord
        >
      </g>
    </PlotFrame>
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
        <tr v-for="entry in ledger.entries" :key="entry.id">
          <td>{{ entry.number }}<span v-if="isOdd(entry.id)" class="text-out"> · odd one out</span></td>
          <td class="figure">{{ show(entry.own) }}</td>
          <td class="figure">{{ entry.bound ? '≤ ' : '' }}{{ show(entry.read) }}</td>
          <td class="figure">{{ entry.base === null ? 'none: only “no more than”' : show(entry.base) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
