<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { besideLast } from '#core/check/kinds/release-bearing/evaluate'
import { FIELDS } from '#core/check/kinds/release-bearing/setup'
import { readSetup } from '#core/check/setup'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { NM_PER, UNIT_NAME } from '#core/quantity/length'
import { finiteEnds } from '#core/verdict/limits'
import { statePaint } from '~/composables/words/stateColour'
import { usePreferences } from '~/stores/preferences'

/**
 * The bearing’s way from its free end to home, to scale, and where on it the fingers stand: what lies before them is compression, what
 * lies behind is reserve. It moves with the figures.
 */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation }>()
const preferences = usePreferences()
const LEFT = 14
const RIGHT = 446
const result = (id: string) => props.evaluation.current.results.find(({ kind }) => kind.id === id)!
const compression = computed(() => result('compression'))
const reserve = computed(() => result('reserve'))
/** Everything from the fingers, nm: back is where the bearing goes home. */
const free = computed(() => (compression.value.estimate ? -compression.value.estimate.value : null))
const home = computed(() => reserve.value.estimate?.value ?? null)
const ends = computed(() => finiteEnds(compression.value.limits.working).map(end => -end))
const x = computed(() => {
  const all = [0, ...ends.value, ...[free.value, home.value].filter(at => at !== null)]
  const pad = Math.max(0.06 * (Math.max(...all) - Math.min(...all)), NM_PER.mm)
  return scaleLinear([Math.min(...all) - pad, Math.max(...all) + pad], [LEFT, RIGHT])
})
const show = (value: number) => formatLength(value, preferences.unit, { trim: true })
const spans = computed(() => [
  ...(free.value === null
    ? []
    : [{ id: 'compression', name: 'compression', from: free.value, to: 0, state: compression.value.state, value: -free.value }]),
  ...(home.value === null
    ? []
    : [{ id: 'reserve', name: 'reserve', from: 0, to: home.value, state: reserve.value.state, value: home.value }]),
])
/** The last build like it stands beside what is read, as far as it was handed on. */
const lengths = computed(() =>
  besideLast(readSetup(FIELDS, props.document.setup), props.evaluation.current.answers).flatMap(({ last, ...length }) =>
    last === null ? [] : [{ ...length, last }],
  ),
)
const sizes = computed(() => unitFor(preferences.system, 'size'))
const size = (value: number) => formatLength(value, sizes.value, { trim: true })
const words = computed(() => spans.value.map(({ name, value }) => `${name} ${show(value)}`).join(', '))
</script>

<template>
  <section v-if="spans.length || lengths.length" class="mt-2" aria-label="The bearing’s way" data-test="release-plot">
    <h2 v-if="spans.length" class="label mb-1">The bearing’s way, to scale, {{ UNIT_NAME[preferences.unit] }}</h2>
    <svg
      v-if="spans.length"
      viewBox="0 0 460 132"
      class="w-full max-w-[460px]"
      role="img"
      :aria-label="`Fingers on the bearing’s way: ${words}`"
      data-drawing="the bearing’s way"
      fill="none"
    >
      <rect
        v-if="ends.length === 2"
        :x="Math.min(x(ends[0]!), x(ends[1]!))"
        y="48"
        :width="Math.abs(x(ends[1]!) - x(ends[0]!))"
        height="44"
        fill="var(--in)"
        fill-opacity=".14"
      />
      <path :d="`M${LEFT} 70H${RIGHT}`" stroke="var(--hair)" />
      <g v-for="span in spans" :key="span.id">
        <rect
          :x="Math.min(x(span.from), x(span.to))"
          y="60"
          :width="Math.abs(x(span.to) - x(span.from))"
          height="20"
          :fill="span.id === 'reserve' ? 'var(--brass)' : 'var(--steel)'"
          stroke="var(--ink)"
          stroke-width="1.2"
        />
        <text :x="(x(span.from) + x(span.to)) / 2" y="104" font-size="12.5" text-anchor="middle" fill="var(--mute)">{{ span.name }}</text>
        <text
          :x="(x(span.from) + x(span.to)) / 2"
          y="123"
          font-size="17"
          text-anchor="middle"
          class="figure"
          :fill="statePaint(span.state)"
        >
          {{ show(span.value) }}
        </text>
      </g>
      <path :d="`M${x(0)} 34V92`" stroke="var(--ink)" stroke-width="2.4" />
      <g font-size="12.5" fill="var(--ink)" text-anchor="middle">
        <text :x="x(0)" y="28">fingers</text>
        <template v-if="free !== null">
          <path :d="`M${x(free)} 50V90`" stroke="var(--ink)" stroke-dasharray="3 2" />
          <text :x="x(free)" y="44" :text-anchor="x(free) < 60 ? 'start' : 'middle'">D, free</text>
        </template>
        <template v-if="home !== null">
          <path :d="`M${x(home)} 50V90`" stroke="var(--ink)" stroke-dasharray="3 2" />
          <text :x="x(home)" y="44" :text-anchor="x(home) > 400 ? 'end' : 'middle'">B, home</text>
        </template>
      </g>
      <g font-size="11" fill="var(--mute)">
        <text :x="LEFT" y="14">engine</text>
        <text :x="RIGHT" y="14" text-anchor="end">gearbox</text>
        <text v-if="ends.length === 2" :x="Math.min(x(ends[0]!), x(ends[1]!)) + 4" y="57">D by the limits</text>
      </g>
    </svg>
    <TableBox v-if="lengths.length" label="Beside the last build like it" class="mt-2"
      ><table class="tight" data-test="beside-last">
        <thead>
          <tr>
            <th>Length, {{ UNIT_NAME[sizes] }}</th>
            <th class="text-right">now</th>
            <th class="text-right">last build</th>
            <th class="text-right">off by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ name, now, last } in lengths" :key="name">
            <td>{{ name }}</td>
            <td class="figure text-right">{{ now ? size(now.value) : '–' }}</td>
            <td class="figure text-right text-mute">{{ size(last) }}</td>
            <td class="figure text-right text-mute">{{ now ? formatLength(now.value - last, preferences.unit, { sign: true }) : '–' }}</td>
          </tr>
        </tbody>
      </table></TableBox
    >
  </section>
</template>
