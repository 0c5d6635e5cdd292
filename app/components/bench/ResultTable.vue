<script setup lang="ts">
import { groups as groupBy } from 'd3-array'
import { shownFigure } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { counts, rankedPositions } from '#core/check/evaluate/gravity'
import { resultName, shortWord, stateWord } from '#core/check/evaluate/state-words'
import { unitOfResult } from '#core/check/common/results'
import { formatChange, unitName } from '#core/quantity/figure'
import { describeLimits } from '#core/verdict/limits'
import { stateText } from '~/composables/words/stateColour'
import { useGridKeys } from '~/composables/keys/useGridKeys'
import { usePreferences } from '~/stores/preferences'

/** Every figure a check comes to: a row a position, a column a kind of result; one is looked at. */
const props = defineProps<{
  results: readonly ResultEvaluation[]
  headline: string
  /** the worst position on top, instead of their own order */
  worstFirst?: boolean
}>()
const picked = defineModel<string>('picked', { required: true })
const box = ref<HTMLElement>()
const { onKeydown } = useGridKeys(box)
const preferences = usePreferences()
/** What is judged stands before what is not. */
const read = computed(() =>
  groupBy(
    props.results.filter(result => counts(result) || result.estimate !== null),
    result => result.kind.id,
  ).map(([, of]) => ({ kind: of[0]!.kind, judged: of.some(result => counts(result) || result.kind.beside) })),
)
const judged = computed(() => read.value.filter(({ judged: counted }) => counted).map(({ kind }) => kind))
const unjudged = computed(() => read.value.filter(({ judged: counted }) => !counted).map(({ kind }) => kind))
/** What nothing judges is shown on request, or where it is all there is. */
const wanted = ref(false)
const withUnjudged = computed(
  () => wanted.value || judged.value.length === 0 || unjudged.value.some(({ id }) => picked.value.split('@')[0] === id),
)
const kinds = computed(() => (withUnjudged.value ? [...judged.value, ...unjudged.value] : judged.value))
const placed = computed(() => kinds.value.filter(kind => kind.positions.length > 0))
const single = computed(() => props.results.filter(result => result.position === null && kinds.value.includes(result.kind)))
const positions = computed(() => {
  const own = [...new Map(placed.value.flatMap(kind => kind.positions).map(position => [position.id, position])).values()]
  if (!props.worstFirst) return own
  const rank = new Map(rankedPositions(props.results).map((id, i) => [id, i]))
  return own.sort((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0))
})
const at = (kind: string, position: string) => props.results.find(result => result.kind.id === kind && result.position === position)
const unitOf = (result: Pick<ResultEvaluation, 'kind'>) => unitOfResult(result.kind, preferences.system)
const limits = (result: ResultEvaluation | undefined) =>
  result?.limits.working ? describeLimits(result.limits.working, unitOf(result)).replace(` ${unitName(unitOf(result))}`, '') : '–'
/** One row where all positions have the same limits; else one for each that differs. */
const limitRows = computed(() => {
  const rows = positions.value.map(({ id, label }) => ({ label, limits: placed.value.map(kind => limits(at(kind.id, id))) }))
  const groups = groupBy(rows, row => row.limits.join('|'))
  if (groups.length === 1) return [{ label: 'limits', limits: rows[0]!.limits }]
  return groups.map(([, of]) => ({ label: `limits, ${of.map(({ label }) => label).join(', ')}`, limits: of[0]!.limits }))
})
/** A mark is shown where something is to be seen: not for what is simply in limits, or has none. */
const marked = (result: ResultEvaluation) =>
  !['in', 'no-limit', 'to-do'].includes(result.state) && (counts(result) || result.overrule !== null)
</script>

<template>
  <div ref="box" class="@container relative space-y-4 overflow-x-auto" data-test="results" @keydown="onKeydown">
    <table v-if="placed.length" class="tight">
      <thead>
        <tr>
          <td class="!border-0" />
          <th v-for="kind in placed" :key="kind.id" class="w-24 !pr-1.5 pl-2 text-right align-bottom leading-tight">
            {{ kind.label }}<span class="block font-normal">{{ unitName(unitOfResult(kind, preferences.system)) }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="position in positions" :key="position.id">
          <td class="w-0 pr-3 whitespace-nowrap text-[14px]">{{ position.label }}</td>
          <td v-for="kind in placed" :key="kind.id" class="!py-0.5 !pr-0 text-right">
            <template v-for="result in [at(kind.id, position.id)]" :key="result?.id">
              <button
                v-if="result"
                type="button"
                class="figure inline-flex min-h-8 items-center justify-end gap-x-1 rounded px-1.5 text-[14px] whitespace-nowrap"
                :class="[
                  placed.length > 2 ? '@max-md:flex-wrap' : '',
                  picked === result.id ? 'bg-sheet outline-2 -outline-offset-2 outline-accent' : '',
                  result.id === headline ? 'font-bold' : '',
                  marked(result) ? stateText(result.state) : '',
                ]"
                :aria-pressed="picked === result.id"
                :aria-label="`${resultName(result)}: ${shownFigure(result, unitOf(result))}${kind.main && result.estimate ? `± ${formatChange(result.estimate.U, unitOf(result))}` : ''}, ${stateWord(result)}`"
                @click="picked = result.id"
              >
                <StateMark v-if="marked(result)" :state="result.state" :size="15" />{{ shownFigure(result, unitOf(result))
                }}<span
                  v-if="kind.main && result.estimate"
                  class="text-[12px] font-normal text-mute"
                  :class="placed.length > 2 ? '@max-md:basis-full @max-md:text-right' : ''"
                  >± {{ formatChange(result.estimate.U, unitOf(result)) }}</span
                >
              </button>
            </template>
          </td>
        </tr>
        <tr v-for="row in limitRows" :key="row.label" class="text-mute">
          <td class="text-[13px] whitespace-nowrap">{{ row.label }}</td>
          <td v-for="(words, i) in row.limits" :key="i" class="!pr-1.5 text-right text-[12.5px]">{{ words }}</td>
        </tr>
      </tbody>
    </table>
    <button
      v-if="unjudged.length && judged.length"
      type="button"
      class="link min-h-9 text-[13px]"
      :aria-expanded="withUnjudged"
      @click="wanted = !wanted"
    >
      {{ withUnjudged ? 'only what is judged' : `also: ${unjudged.map(({ label }) => label.toLowerCase()).join(', ')}` }}
    </button>
    <table v-if="single.length" class="tight">
      <tbody>
        <tr v-for="result in single" :key="result.id" :class="picked === result.id ? 'bg-sheet' : ''">
          <td class="pr-4">
            <button type="button" class="link min-h-8 text-left" :aria-pressed="picked === result.id" @click="picked = result.id">
              {{ resultName(result) }}
            </button>
          </td>
          <td class="figure text-right whitespace-nowrap" :class="result.id === headline ? 'font-bold' : ''">
            {{ shownFigure(result, unitOf(result)) }}
            <span class="font-normal text-mute @max-md:block @max-md:text-[12px]">{{
              result.estimate ? `± ${formatChange(result.estimate.U, unitOf(result), { unit: true })}` : ''
            }}</span>
          </td>
          <td class="text-right text-[13px] whitespace-nowrap text-mute">{{ limits(result) }}</td>
          <td class="w-0 pl-3 whitespace-nowrap">
            <span v-if="counts(result)" class="inline-flex items-center gap-1.5 text-[14px]" :class="stateText(result.state)">
              <StateMark :state="result.state" :size="17" />{{ shortWord(result) }}</span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
