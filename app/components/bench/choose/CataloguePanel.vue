<script setup lang="ts">
import type { JudgedEntry } from '#core/check/evaluate/judged-catalogue'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { resultId } from '#core/check/contract'
import type { PackPlace } from '#core/check/pack-place'
import { packAt } from '#core/check/document'
import { percent } from '#core/quantity/percent'
import { formatFigure, unitName } from '#core/quantity/figure'
import { samePack, type Lot } from '#core/pack/lot'
import type { CheckCommand } from '#shared/writes'
import { key, useKeys } from '~/composables/keys/useKeys'
import { stateText } from '~/composables/words/stateColour'
import { usePreferences } from '~/stores/preferences'

/** What a place can be filled with by the kind's own reckoning: every piece, how it is set, what each figure would come to. */
const props = defineProps<{
  document: CheckDocument
  evaluation: CheckEvaluation
  place: PackPlace
  lots: readonly Lot[]
  locked: boolean
  /** a reading is being typed: nothing is fitted before it is logged */
  typing: boolean
  busy: boolean
  fault: string | null
  command: CheckCommand
}>()
defineEmits<{ fit: [JudgedEntry] }>()
const preferences = usePreferences()
const filling = ref(false)
const catalogue = computed(() => props.evaluation.catalogues.find(({ place }) => place === props.place.id))
const entries = computed(() => catalogue.value?.entries ?? [])
const results = computed(() => props.evaluation.current.results)
/** Every figure an entry tells, in the order of the results. */
const columns = computed(() => {
  const told = new Set(entries.value.flatMap(({ leaves }) => leaves.map(({ result, position }) => resultId(result, position))))
  return results.value.filter(({ id }) => told.has(id))
})
const leaves = (entry: JudgedEntry, id: string) => entry.leaves.find(({ result, position }) => resultId(result, position) === id)!
const show = (entry: JudgedEntry, { id, kind }: ResultEvaluation) =>
  (leaves(entry, id).atMost ? '≤ ' : '') +
  formatFigure(leaves(entry, id).estimate.value, preferences.unit, { sign: kind.bothWays ?? false })
/** Several positions of one figure by their position, several figures of one position by what they are. */
const severalPositions = computed(() => new Set(columns.value.map(({ position }) => position)).size > 1)
const head = ({ kind, position, label }: ResultEvaluation) => (severalPositions.value && position !== null ? label : kind.label)
const fitted = computed(() => packAt(props.document.trials.at(-1)!, props.place) ?? [])
const isIn = (entry: JudgedEntry) => samePack(entry.pieces, fitted.value)
const best = computed(() => entries.value.find(({ here }) => here) ?? null)
const reached = computed(() => entries.value.some(({ state }) => state === 'in'))
const asItIs = (entry: JudgedEntry) => isIn(entry) && entry.setting === null
/** The best that is here and changes something: the key goes to its button, Enter fits it. */
const first = computed(() => (best.value && catalogue.value?.hold === undefined && !asItIs(best.value) ? best.value : null))
const list = ref<HTMLElement>()
useKeys(
  computed(() =>
    first.value && !props.locked
      ? [key('F', 'to the best that is here', () => list.value?.querySelector<HTMLElement>('[data-first-fit]')?.focus())]
      : [],
  ),
)
const empty = computed(() => !props.lots.some(({ family, onHand }) => family === props.document.family && onHand > 0))
</script>

<template>
  <section :aria-label="place.label" data-test="catalogue">
    <h2 class="label mb-1">{{ place.label }}: what each would leave, {{ unitName(preferences.unit) }}</h2>
    <p v-if="typing && !locked" class="text-[14px] text-near">A reading is being typed: log it or clear it before anything is fitted.</p>
    <LazyDrawerHere
      v-if="!locked && (empty || filling)"
      v-model:adding="filling"
      class="mt-2"
      :document="document"
      :lots="lots"
      @keep="command('settings', { settings: $event })"
    />
    <p v-if="catalogue?.hold" class="my-1 text-[14.5px] text-near" data-test="hold">{{ catalogue.hold }}</p>
    <p v-if="catalogue?.note" class="my-1 text-[14px] text-near">{{ catalogue.note }}</p>
    <div v-if="entries.length" ref="list" class="overflow-x-auto">
      <table class="tight w-full">
        <thead>
          <tr>
            <th>{{ catalogue!.title }}</th>
            <th v-for="column in columns" :key="column.id" class="text-right">
              {{ head(column) }}
            </th>
            <th>Verdict</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr v-for="entry in entries" :key="entry.words" :class="entry === best ? 'font-bold' : ''">
            <td class="whitespace-nowrap">{{ entry.words }}</td>
            <td v-for="column in columns" :key="column.id" class="figure text-right" :class="column.kind.unjudged ? 'text-mute' : ''">
              {{ show(entry, column) }}
            </td>
            <td class="whitespace-nowrap" :class="stateText(entry.state)">
              {{ entry.word
              }}<span v-if="entry.chance !== null" class="figure ml-2 font-normal text-mute">{{ percent(entry.chance) }}</span>
            </td>
            <td class="text-right whitespace-nowrap">
              <span v-if="asItIs(entry)" class="text-[13px] font-normal text-mute">as it is</span>
              <span v-else-if="catalogue!.hold !== undefined" class="text-[13px] font-normal text-mute">read again first</span>
              <span v-else-if="!entry.here" class="text-[13px] font-normal text-mute">not here</span>
              <button
                v-else-if="!locked"
                type="button"
                class="button min-h-9"
                :class="entry === best ? 'primary' : ''"
                :disabled="typing || busy"
                :data-first-fit="entry === first || undefined"
                @click="$emit('fit', entry)"
              >
                {{ isIn(entry) ? 'Turn' : 'Fit' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="entries.length && !reached && !evaluation.headline.limits.working" class="mt-1 text-[14px] text-mute">
      Each is judged once a limit is set.
    </p>
    <p v-else-if="entries.length && !reached" class="mt-1 text-[14px] text-near" data-test="elsewise">
      None of the set is sure to reach the limit. {{ catalogue!.elsewise }}
    </p>
    <p v-if="entries.length" class="mt-1 text-[13.5px] text-mute">
      {{ catalogue!.advice }}
    </p>
    <p v-if="!locked && !empty && !filling" class="mt-1 text-[13.5px]">
      <button type="button" class="link min-h-9" @click="filling = true">put more of the set into stock</button>
    </p>
    <p v-if="fault" class="fault">{{ fault }}</p>
  </section>
</template>
