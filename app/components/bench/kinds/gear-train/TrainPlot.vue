<script setup lang="ts">
import { packAt, type CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { FIELDS, gapsOf, packAtGap } from '#core/check/kinds/gear-train/setup'
import { readSetup } from '#core/check/setup'
import { lotMap, packTotal } from '#core/pack/lot'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { stateWord } from '#core/check/evaluate/state-words'
import { statePaint } from '~/composables/words/stateColour'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'

/** The chain in build order, bottom up: each gap with what it reads, its state, and what is in it. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation }>()
const preferences = usePreferences()
const bench = useBench()
const rows = computed(() => {
  const gaps = gapsOf(readSetup(FIELDS, props.document.setup))
  const index = lotMap(bench.lots)
  return gaps
    .map(gap => {
      const result = props.evaluation.current.results.find(({ id }) => id === `gap@${gap.id}`)!
      const { place } = props.evaluation.places.find(candidate => candidate.place.id === packAtGap(gap.id))!
      const pack = packAt(props.document.trials.at(-1)!, place)
      return {
        ...gap,
        state: result.state,
        figure: result.estimate ? formatLength(result.estimate.value, preferences.unit, { trim: true }) : '–',
        word: result.overrule ?? stateWord(result),
        pack:
          pack === null
            ? 'not listed'
            : pack.length === 0
              ? 'none'
              : formatLength(packTotal(pack, index), preferences.unit, { trim: true }),
        also: gap.also
          ? `moves ${gaps.find(({ id }) => id === gap.also!.gap)!.name} too, ${gap.also.perPiece < 0 ? 'the same way' : 'against'}`
          : '',
      }
    })
    .reverse()
})
const ROW = 58
const height = computed(() => rows.value.length * ROW + 34)
const words = computed(() => rows.value.map(({ name, figure, word }) => `${name} ${figure}, ${word}`).join('; '))
</script>

<template>
  <section class="mt-2" aria-label="The chain in build order">
    <h2 class="label mb-1">The chain in build order, bottom up, {{ UNIT_NAME[preferences.unit] }}</h2>
    <svg
      :viewBox="`0 0 460 ${height}`"
      class="w-full max-w-[460px]"
      role="img"
      :aria-label="`The chain, top down: ${words}`"
      data-drawing="the chain in build order"
      fill="none"
    >
      <g v-for="(row, i) in rows" :key="row.id">
        <rect x="8" :y="i * ROW + 2" width="120" height="26" fill="var(--steel)" stroke="var(--ink)" stroke-width="1.2" />
        <rect x="24" :y="i * ROW + 28" width="88" :height="ROW - 26" fill="var(--paper)" stroke="none" />
        <rect
          v-if="row.pack !== 'none'"
          x="34"
          :y="i * ROW + 40"
          width="68"
          :height="ROW - 38"
          fill="var(--brass)"
          stroke="var(--brass-line)"
        />
        <line x1="136" x2="136" :y1="i * ROW + 28" :y2="(i + 1) * ROW + 2" :stroke="statePaint(row.state)" stroke-width="4" />
        <text x="148" :y="i * ROW + 41" font-size="14" fill="var(--ink)">{{ row.name }}</text>
        <text x="148" :y="i * ROW + 57" font-size="12" fill="var(--mute)">pieces {{ row.pack }}{{ row.also ? ` · ${row.also}` : '' }}</text>
        <text x="452" :y="i * ROW + 44" font-size="18" text-anchor="end" class="figure" fill="var(--ink)">{{ row.figure }}</text>
        <text x="392" :y="i * ROW + 42" font-size="13" text-anchor="end" :fill="statePaint(row.state)">{{ row.word }}</text>
      </g>
      <rect x="8" :y="rows.length * ROW + 2" width="120" height="26" fill="var(--steel)" stroke="var(--ink)" stroke-width="1.2" />
    </svg>
  </section>
</template>
