<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import { fittingsTold } from '#core/check/sentence/fittings-told'
import { lotMap, type Lot } from '#core/pack/lot'
import { shortTime } from '~/composables/words/shortTime'
import { usePreferences } from '~/stores/preferences'

/** Every fitting of a place from the first on, as it was found: what was in it, and what was read on it. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; place: PlaceEvaluation; lots: readonly Lot[] }>()
const preferences = usePreferences()
const rows = computed(() => fittingsTold(props.document, props.evaluation, props.place, lotMap(props.lots), preferences.system))
</script>

<template>
  <div v-if="rows.length > 1" data-test="fittings">
    <h2 class="label mb-1">Fittings, {{ place.place.label.toLowerCase() }}</h2>
    <TableBox label="Fittings"
      ><table class="tight">
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
      </table></TableBox
    >
  </div>
</template>
