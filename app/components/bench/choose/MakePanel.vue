<script setup lang="ts">
import type { ChoiceRequest } from '#core/choice/question/question'
import type { CheckDocument } from '#core/check/document'
import { pieceList } from '#core/pack/arithmetic'
import { LAP_POINTS, lapProgress, type Lap } from '#core/pack/lapping'
import { lotMap, type Lot } from '#core/pack/lot'
import type { MakeOption } from '#core/choice/answer/make-plan'
import { readDecimals } from '#core/quantity/figure'
import { toldText } from '#core/choice/question/told'
import { formatLength, markedText } from '#core/quantity/format-length'
import { parseLength } from '#core/quantity/parse-length'
import { UNIT_NAME, type Nm } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** A piece made for a place: cut from sheet, or lapped to size; the log of its passes at four points. */
const props = defineProps<{
  document: CheckDocument
  /** pieces made for this place, and the one that is being lapped */
  laps: readonly Lap[]
  lap: Lap | null
  plan: readonly MakeOption[]
  request: ChoiceRequest
  lots: readonly Lot[]
  open: boolean
  locked: boolean
  /** a write is on its way */
  busy: boolean
}>()
const emit = defineEmits<{
  ask: []
  begin: [{ lotId: string; target: Nm; low?: Nm; high?: Nm }]
  pass: [string, readonly Nm[]]
  end: [string, boolean]
}>()
const preferences = usePreferences()
const index = computed(() => lotMap(props.lots))
const progress = computed(() => (props.lap ? lapProgress(props.lap, preferences.unit) : null))
const log = computed(() =>
  (props.lap?.passes ?? []).map((pass, i) => {
    const { parallelism, left } = lapProgress({ ...props.lap!, passes: [pass] }, preferences.unit)
    return { ...pass, number: i + 1, parallelism: parallelism!, left: left! }
  }),
)
const full = (value: number) => formatLength(value, preferences.unit, { fine: true })
const leaves = (value: number) => toldText(value, props.request.question.told, preferences.unit)
const show = (value: number) => formatLength(value, preferences.unit, { fine: true, trim: true })
const name = (id: string) => {
  const lot = index.value.get(id)
  return lot ? `${markedText(lot.nominal)}${lot.shape === 'sheet' ? ' sheet' : ''}` : id
}
const words = ({ from, amount, target, rest }: MakeOption) =>
  `${amount === 0 ? `Cut one from the ${name(from.id)}` : from.shape === 'sheet' ? `Cut one from the ${name(from.id)}, lap it to ${show(target)}` : `Lap ${show(amount)} off a ${name(from.id)}, to ${show(target)}`}${rest.length ? `, with ${pieceList(rest, index.value, preferences.unit)}` : ''}`
const begin = ({ from, target, low, high }: MakeOption) =>
  emit('begin', { lotId: from.id, target, ...(low === null ? {} : { low }), ...(high === null ? {} : { high }) })

const texts = ref<string[]>(Array.from({ length: LAP_POINTS }, () => ''))
const tried = ref(false)
const entries = computed(() => texts.value.map(text => parseLength(text, props.document.entryUnit, { name: 'thickness' })))
const fault = computed(() => {
  const bad = entries.value.find((entry, i) => texts.value[i]!.trim() !== '' && !entry.ok)
  if (bad && !bad.ok) return bad.reason
  if (tried.value && texts.value.some(text => text.trim() === ''))
    return 'All four points: one figure does not show whether its faces are parallel.'
  return entries.value.some(entry => entry.ok && entry.value <= 0) ? 'A thickness is above zero.' : null
})
const fields = ref<HTMLInputElement[]>([])
function enter(i: number): void {
  if (i + 1 < LAP_POINTS) return fields.value[i + 1]?.focus()
  tried.value = true
  const figures = entries.value.flatMap(entry => (entry.ok ? [entry.value] : []))
  if (props.busy) return
  if (fault.value || figures.length < LAP_POINTS)
    return fields.value[texts.value.findIndex((text, at) => text.trim() === '' || !entries.value[at]!.ok)]?.focus()
  emit('pass', props.lap!.id, figures)
}
// Four figures read at a plate are not thrown away before they are stored.
watch(
  () => props.lap?.passes.length,
  () => {
    texts.value = texts.value.map(() => '')
    tried.value = false
    fields.value[0]?.focus()
  },
  { flush: 'post' },
)
</script>

<template>
  <section class="mt-4" aria-label="Make or lap a piece" data-test="make">
    <div class="mb-1 flex flex-wrap items-center gap-x-4">
      <h2 class="label">Make or lap a piece</h2>
      <button v-if="!open" type="button" class="link min-h-9 text-[13.5px]" @click="$emit('ask')">what could be made for this place</button>
    </div>
    <template v-if="lap && progress">
      <p class="text-[14.5px]">
        From a {{ name(lap.lotId) }} to <strong class="figure">{{ show(lap.target) }} {{ UNIT_NAME[preferences.unit] }}</strong>
        <template v-if="lap.low !== null && lap.high !== null"
          >{{ ' ' }}<span class="text-mute">({{ show(lap.low) }} to {{ show(lap.high) }} would do)</span> </template
        >.
      </p>
      <p
        v-for="(line, i) in progress.words"
        :key="line"
        class="text-[14.5px]"
        :class="
          progress.state === 'below'
            ? 'text-out'
            : progress.crooked && i === progress.words.length - 1
              ? 'text-near'
              : progress.state === 'size'
                ? 'text-in'
                : ''
        "
        data-test="lap-words"
      >
        {{ line }}
      </p>
      <table v-if="lap.passes.length" class="tight" data-test="lap-log">
        <thead>
          <tr>
            <th>Pass</th>
            <th v-for="n in LAP_POINTS" :key="n" class="text-right">point {{ n }}</th>
            <th class="text-right">parallel</th>
            <th class="text-right">left</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in log" :key="row.id">
            <td class="figure text-mute">{{ row.number }}</td>
            <td v-for="(figure, at) in row.figures" :key="at" class="figure text-right">
              {{ formatLength(figure, preferences.unit, { decimals: readDecimals(row.figures, preferences.unit) }) }}
            </td>
            <td class="figure text-right">{{ full(row.parallelism) }}</td>
            <td class="figure text-right">{{ full(row.left) }}</td>
          </tr>
        </tbody>
      </table>
      <div v-if="!locked" class="mt-2 flex flex-wrap items-end gap-2">
        <label v-for="(_, i) in texts" :key="i" class="block text-[12.5px] text-mute">
          <span class="block">point {{ i + 1 }}{{ i === 0 ? `, ${UNIT_NAME[document.entryUnit]}` : '' }}</span>
          <input
            ref="fields"
            v-model="texts[i]"
            data-keys
            class="field figure !w-22"
            inputmode="decimal"
            autocomplete="off"
            :aria-invalid="fault !== null"
            @keydown.enter.prevent.stop="enter(i)"
        /></label>
        <button type="button" class="button" @click="enter(LAP_POINTS - 1)">Log the pass</button>
      </div>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <p class="caution mt-2">
        Flat plate, face down, turned a quarter every few strokes. Wash it before it is measured. Eye protection at a grinder.
      </p>
      <div v-if="!locked" class="mt-2 flex flex-wrap gap-3">
        <button
          type="button"
          class="button"
          :class="progress.does ? 'primary' : ''"
          :disabled="lap.passes.length === 0"
          @click="$emit('end', lap.id, true)"
        >
          Into the drawer as measured
        </button>
        <button type="button" class="button" @click="$emit('end', lap.id, false)">Scrap it</button>
      </div>
    </template>
    <template v-else-if="open">
      <ul v-if="plan.length" class="border-b rule">
        <li
          v-for="option in plan"
          :key="option.from.id"
          class="flex flex-wrap items-center gap-x-4 border-t rule py-1"
          data-test="make-option"
        >
          <span class="min-w-0 flex-1 text-[14.5px]">{{ words(option) }}</span>
          <span class="figure text-[14px]">{{ leaves(option.predicted.play) }} ± {{ leaves(option.predicted.U) }}</span>
          <button type="button" class="button min-h-9" @click="begin(option)">Begin</button>
        </li>
      </ul>
      <p v-else-if="!locked" class="text-[14px] text-mute">
        {{
          request.response.pair
            ? 'Pieces here go in equal pairs: make none alone.'
            : 'No piece of the drawer, and no sheet, is a little thicker than what is wanted.'
        }}
      </p>
      <p v-if="plan.length" class="text-[13px] text-mute">
        Cut whole and deburr; no ring cut through. What is made is measured as it is, and kept for this place.
      </p>
      <p v-for="done in laps" :key="done.id" class="text-[13.5px]" data-test="lap-done">
        {{
          done.end!.lotId
            ? `Made: ${show(index.get(done.end!.lotId)?.measured ?? 0)} ${UNIT_NAME[preferences.unit]}, in ${done.passes.length} ${done.passes.length === 1 ? 'pass' : 'passes'}.`
            : `Scrapped after ${done.passes.length} ${done.passes.length === 1 ? 'pass' : 'passes'}.`
        }}
      </p>
    </template>
  </section>
</template>
