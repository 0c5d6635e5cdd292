<script setup lang="ts">
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { dryTrials } from '#core/check/kinds/comparator-hub/trials'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** Every setting of the spacer with what its dry trial said: end play, then how it spins. */
const props = defineProps<{ evaluation: CheckEvaluation }>()
const preferences = usePreferences()
const trials = computed(() => dryTrials(props.evaluation.current.answers))
const show = (value: number | string) => (typeof value === 'string' ? value : formatLength(value, preferences.unit))
</script>

<template>
  <TableBox v-if="trials.some(({ play, spin }) => play.length || spin)" label="Dry trials" class="mt-2"
    ><table class="tight" data-test="dry-trials">
      <thead>
        <tr>
          <th>Dry trials, {{ UNIT_NAME[preferences.unit] }}</th>
          <th class="text-right">spacer reads</th>
          <th class="text-right">end play</th>
          <th class="text-right">spins</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(trial, i) in trials" :key="i">
          <td>{{ i + 1 }}</td>
          <td class="figure text-right">{{ show(trial.spacer) }}</td>
          <td class="figure text-right">{{ trial.play.length ? trial.play.map(show).join(', ') : '–' }}</td>
          <td class="text-right">{{ trial.spin ?? '–' }}</td>
        </tr>
      </tbody>
    </table></TableBox
  >
</template>
