<script setup lang="ts">
import { chosenFor } from '#core/check/contract'
import { packIn, piecesIn, type CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import { conditionsOf, stateWords } from '#core/check/evaluate/said-conditions'
import { checkKind } from '#core/check/registry'
import { shownFigure } from '#core/check/evaluate/evaluate-check'
import { pieceList } from '#core/pack/arithmetic'
import { lotMap, type Lot } from '#core/pack/lot'
import { unitOfResult } from '#core/check/common/results'
import { unitName } from '#core/quantity/figure'
import { shortTime } from '~/composables/words/shortTime'
import { usePreferences } from '~/stores/preferences'

/** Every fitting of a place from the first on, as it was found: what was in it, and what was read on it. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; place: PlaceEvaluation; lots: readonly Lot[] }>()
const preferences = usePreferences()
const index = computed(() => lotMap(props.lots))
const kind = computed(() => checkKind(props.document.kind))
const rows = computed(() =>
  props.document.trials.flatMap((trial, i) => {
    const { id } = props.place.place
    if (i > 0 && !trial.refitted.includes(id)) return []
    // What was read until it was taken apart again.
    const until = props.document.trials.findIndex((later, at) => at > i && later.refitted.includes(id))
    const fitting = props.evaluation.trials[(until === -1 ? props.document.trials.length : until) - 1]!
    const result = fitting.results.find(candidate => candidate.id === chosenFor(props.place.place).result)
    const unit = result ? unitOfResult(result.kind, preferences.system) : preferences.unit
    const pieces = pieceList(piecesIn(trial, id), index.value, preferences.unit)
    const known = packIn(trial, id) !== null
    return [
      {
        id: trial.id,
        number: i + 1,
        at: trial.at,
        pack: known ? pieces || 'nothing' : pieces ? `${pieces}, and what was not listed` : 'not listed',
        read: result?.atMost ? result.atMost.words : result?.estimate ? `${shownFigure(result, unit)} ${unitName(unit)}` : '–',
        stale: result?.stale ?? null,
        state: conditionsOf(kind.value, props.document, i)
          .filter(({ is }) => is === 'short')
          .map(stateWords)
          .join(', '),
      },
    ]
  }),
)
</script>

<template>
  <div v-if="rows.length > 1" data-test="fittings">
    <h2 class="label mb-1">Fittings, {{ place.place.label.toLowerCase() }}</h2>
    <table class="tight">
      <tbody>
        <tr v-for="row in rows" :key="row.id" :class="row.stale ? 'text-mute' : ''">
          <td class="figure w-8 text-mute">{{ row.number }}</td>
          <td>
            {{ row.pack
            }}<span class="block text-[12.5px] text-mute"
              >{{ row.number === 1 ? 'as found' : shortTime(row.at) }}{{ row.state && ` · ${row.state}` }}</span
            >
          </td>
          <td class="figure text-right whitespace-nowrap" :class="row.stale ? 'line-through' : ''">{{ row.read }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
