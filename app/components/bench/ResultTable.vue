<script setup lang="ts">
import { groups as groupBy } from 'd3-array'
import { shownFigure } from '#core/check/evaluate-check'
import { counts, type ResultEvaluation } from '#core/check/evaluate-fitting'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { describeLimits } from '#core/verdict/limits'
import { verdictWord } from '#core/verdict/words'
import { stateText } from '~/composables/stateColour'
import { usePreferences } from '~/stores/preferences'

/** Every figure a check comes to, grouped by what it is, each with its limits and verdict; one is looked at. */
const props = defineProps<{ results: readonly ResultEvaluation[], headline: string }>()
const picked = defineModel<string>('picked', { required: true })
const preferences = usePreferences()
const groups = computed(() => groupBy(props.results.filter(result => counts(result) || result.estimate !== null), result => result.kind.id).map(([, group]) => group))
const unitOf = (result: ResultEvaluation) => unitFor(preferences.system, result.kind.scale)
</script>

<template>
  <div class="space-y-4" data-test="results">
    <table v-for="group in groups" :key="group[0]!.kind.id" class="tight">
      <thead><tr><th>{{ group[0]!.kind.label }}, {{ UNIT_NAME[unitOf(group[0]!)] }}</th><th class="text-right">figure</th><th class="text-right">±</th><th class="text-right">limits</th><th /></tr></thead>
      <tbody>
        <tr v-for="result in group" :key="result.id" :class="picked === result.id ? 'bg-sheet' : ''">
          <td class="w-0 pr-4 whitespace-nowrap"><button type="button" class="link min-h-8 text-left" :aria-pressed="picked === result.id" @click="picked = result.id">{{ result.label }}</button></td>
          <td class="figure text-right" :class="result.id === headline ? 'font-bold' : ''">{{ shownFigure(result, unitOf(result)) }}</td>
          <td class="figure text-right text-mute">{{ result.estimate ? formatLength(result.estimate.U, unitOf(result)) : '' }}</td>
          <td class="text-right text-[13px] whitespace-nowrap text-mute">{{ result.limits.working ? describeLimits(result.limits.working, unitOf(result)).replace(/ (thou|in|mm)$/, '') : '–' }}</td>
          <td class="w-0 pl-3 whitespace-nowrap"><span v-if="result.overrule || counts(result)" class="inline-flex items-center gap-1.5 text-[14px]" :class="stateText(result.state)"><StateMark :state="result.state" :size="17" />{{ verdictWord(result.state, result.kind.ends) }}</span></td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
