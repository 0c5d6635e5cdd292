<script setup lang="ts">
import { beforeAfter } from '#core/check/evaluate/before-after'
import type { CheckDocument } from '#core/check/document'
import { shownFigure, type CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { shortWord } from '#core/check/evaluate/state-words'
import { unitOfResult } from '#core/check/common/results'
import { formatChange, unitName } from '#core/quantity/figure'
import { stateText } from '~/composables/words/stateColour'
import { usePreferences } from '~/stores/preferences'

/** What was found and what it is now, side by side: what a record of a repair begins with. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation }>()
const preferences = usePreferences()
const rows = computed(() => beforeAfter(props.evaluation.found, props.evaluation.current))
const told = computed(() => rows.value.some(({ before }) => before !== null))
const unit = (result: ResultEvaluation) => unitOfResult(result.kind, preferences.system)
const figure = (result: ResultEvaluation) => (result.estimate ? shownFigure(result, unit(result)) : result.overrule ? '≤ 0' : '–')
const U = (result: ResultEvaluation) => (result.estimate ? `± ${formatChange(result.estimate.U, unit(result))}` : '')
const several = computed(() => rows.value.length > 1)
</script>

<template>
  <div v-if="told" data-test="before-after">
    <h2 class="label mb-1">Before and after</h2>
    <TableBox label="Before and after"
      ><table class="tight w-full">
        <thead>
          <tr>
            <td v-if="several" class="!border-0"></td>
            <th class="text-right">as found</th>
            <th class="text-right">now</th>
            <th class="text-right">change</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <th v-if="several" scope="row" class="text-left align-baseline font-normal">{{ row.name }}</th>
            <template v-for="(result, i) in [row.before, row.after]" :key="i">
              <td class="text-right align-baseline whitespace-nowrap">
                <template v-if="result">
                  <span class="figure text-[17px]">{{ figure(result) }}</span>
                  <span class="figure ml-1 text-[12.5px] text-mute max-sm:ml-0 max-sm:block">{{ U(result) }}</span>
                  <span class="block text-[13px]" :class="stateText(result.state)">{{ shortWord(result) }}</span>
                </template>
                <template v-else>–</template>
              </td>
            </template>
            <td class="figure text-right align-baseline whitespace-nowrap">
              {{ row.change ? formatChange(row.change.value, unit(row.after), { sign: true }) : '–' }}
              <span class="block text-[12.5px] text-mute">{{ unitName(unit(row.after)) }}</span>
            </td>
          </tr>
        </tbody>
      </table></TableBox
    >
  </div>
</template>
