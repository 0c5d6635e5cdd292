<script setup lang="ts">
import type { PointReading } from '#core/check/document'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { gaugeWarnings } from '#core/reading/gauge'
import type { LengthUnit } from '#core/quantity/length'
import type { Finding } from '#core/reading/gates'
import { today } from '~/composables/words/today'
import { usePointCells } from '~/composables/bench/usePointCells'
import type { useTaking } from '~/composables/bench/useTaking'

/** The reading being taken, its series, and where a check has many points, all of them. */
const props = defineProps<{
  taking: ReturnType<typeof useTaking>
  results: readonly ResultEvaluation[]
  readings: readonly PointReading[]
  findings: readonly Finding[]
  /** the check’s unit, shown beside that of the gauge */
  checkUnit: LengthUnit
  locked: boolean
  oneMore: string | null
  /** a pack is being chosen */
  quiet: boolean
  /** the point in hand can be left out */
  canLeave: boolean
}>()
defineEmits<{ log: []; zeroed: []; void: [PointReading]; word: [string]; pick: [string]; leave: []; ask: [] }>()
const { points, point, gauge, unit, turned, draft, start, far, back, heatFault, answer } = props.taking
const several = computed(() => points.value.length > 1)
const { cells, decimalsAt } = usePointCells(
  points,
  props.taking.readingsOf,
  computed(() => props.results),
  props.taking.unitOf,
  props.taking.leftOut,
)
const leftOut = computed(() => props.taking.leftOut(point.value))
const panel = ref<{ focus: () => void; submit: () => void }>()
defineExpose({ focus: () => panel.value?.focus(), submit: () => panel.value?.submit() })
</script>

<template>
  <div>
    <ReadingPanel
      ref="panel"
      v-model:draft="draft"
      :point="point"
      :several="several"
      :unit="unit"
      :check-unit="checkUnit"
      :gauge="gauge"
      :readings="readings"
      :findings="findings"
      :far="far"
      :back="back"
      :start="start"
      :heat-fault="heatFault"
      :locked="locked"
      :quiet="quiet"
      :one-more="several ? null : oneMore"
      :stale="taking.staleReadings.value"
      :decimals="decimalsAt(point)"
      :zero-words="taking.zeroWords.value"
      :warnings="gauge ? gaugeWarnings(gauge, today()) : []"
      @log="$emit('log')"
      @zeroed="$emit('zeroed')"
      @answer="answer"
      @void="$emit('void', $event)"
      @word="$emit('word', $event)"
    />
    <div v-if="several" class="mt-4">
      <div class="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 class="label">Points</h2>
        <button type="button" class="link min-h-9 text-[13px]" :aria-pressed="turned" @click="taking.turnRound">the other way round</button>
      </div>
      <p v-if="leftOut !== null && taking.open(point)" class="mb-1 text-[13.5px] text-near" data-test="left-out">
        {{ point.label }}: left out, {{ leftOut }}.
        <button v-if="!locked" type="button" class="link min-h-9" @click="$emit('ask')">Ask for it again</button>
      </p>
      <button v-else-if="canLeave" type="button" class="link mb-1 min-h-9 text-[13.5px]" @click="$emit('leave')">
        leave this point out
      </button>
      <PointGrid :picked="point.id" :cells="cells" @pick="$emit('pick', $event)" />
    </div>
  </div>
</template>
