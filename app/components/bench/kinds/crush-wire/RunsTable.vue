<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { crushedOf, wholeRuns } from '#core/check/kinds/crush-wire/evaluate'
import { bearingsOf, FIELDS } from '#core/check/kinds/crush-wire/setup'
import { readSetup } from '#core/check/setup'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** Every run of every bearing, with how far its pieces taper and differ, and the mean of all: none is left out. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation }>()
const preferences = usePreferences()
const setup = computed(() => readSetup(FIELDS, props.document.setup))
const bearings = computed(() =>
  bearingsOf(setup.value).flatMap(({ id, label }) => {
    const { answers } = props.evaluation.current
    const runs = wholeRuns(setup.value, id, answers)
    const crushed = crushedOf(setup.value, id, answers)
    const said = props.evaluation.current.results
      .find(({ id: of }) => of === `crushed@${id}`)!
      .findings.flatMap(({ level, words, repeatId }) => (level === 'note' || repeatId ? [] : [words]))
    return crushed ? [{ id, label, runs, crushed, said }] : []
  }),
)
const show = (value: number) => formatLength(value, preferences.unit)
const squash = (value: number) => (setup.value.wire ? `${Math.round((1 - value / setup.value.wire) * 100)} %` : '–')
</script>

<template>
  <section v-if="bearings.length" class="mt-2 space-y-3" aria-label="Runs" data-test="runs">
    <div v-for="bearing in bearings" :key="bearing.id">
      <TableBox label="Runs of wire"
        ><table class="tight">
          <thead>
            <tr>
              <th>{{ bearing.label }}, {{ UNIT_NAME[preferences.unit] }}</th>
              <th class="text-right">A</th>
              <th class="text-right">taper</th>
              <th class="text-right">B</th>
              <th class="text-right">taper</th>
              <th class="text-right">mean</th>
              <th class="text-right">squashed</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="run in bearing.runs" :key="run.run">
              <td>Run {{ run.run }}</td>
              <template v-for="piece in run.pieces" :key="piece.piece">
                <td class="figure text-right">{{ show(piece.estimate.value) }}</td>
                <td class="figure text-right text-mute">{{ show(piece.taper) }}</td>
              </template>
              <td class="figure text-right">{{ show(run.estimate.value) }}</td>
              <td class="figure text-right text-mute">{{ squash(run.estimate.value) }}</td>
            </tr>
            <tr class="font-bold">
              <td>All {{ bearing.runs.length }}</td>
              <td :colspan="4" class="text-right text-[13px] font-normal text-mute">mean, with the scatter of all</td>
              <td class="figure text-right whitespace-nowrap">{{ show(bearing.crushed.value) }} ± {{ show(bearing.crushed.U) }}</td>
              <td class="figure text-right text-mute">{{ squash(bearing.crushed.value) }}</td>
            </tr>
          </tbody>
        </table></TableBox
      >
      <p v-for="words in bearing.said" :key="words" class="mt-1 text-[13.5px] text-near">{{ words }}</p>
    </div>
  </section>
</template>
