<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import { openPlaces, type CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ShellOption } from '#core/check/kinds/bearing-clearance/options'
import { changeWords } from '#core/pack/arithmetic'
import { lowerFirst } from '#core/quantity/first-letter'
import { lotMap, type Lot, type Pack } from '#core/pack/lot'
import { formatLength, markedText } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { moneyAmong } from '~/composables/words/money'
import { useShellOptions } from '~/composables/bench/useShellOptions'
import { usePreferences } from '~/stores/preferences'

/** All bearings at once: what can be done, side by side with its cost, and what goes where. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; lots: readonly Lot[]; locked: boolean; busy: boolean }>()
const emit = defineEmits<{ fit: [{ place: string; pieces: Pack }[]] }>()
const preferences = usePreferences()
const { options, progress, failed, start, cancel } = useShellOptions()
const goal = ref<'nearest' | 'cheapest'>('cheapest')
const ordering = ref(false)
const picked = ref<ShellOption['id'] | null>(null)
const index = computed(() => lotMap(props.lots))
const begin = () => start({ document: props.document, lots: props.lots, goal: goal.value, ordering: ordering.value })
// What was reckoned from other readings or another drawer is not left standing.
watch(
  () => JSON.stringify([openPlaces(props.evaluation), props.lots, goal.value, ordering.value, props.document.setup]),
  () => {
    cancel()
    options.value = null
  },
)
watch(options, found => {
  picked.value = found
    ? ([...found]
        .filter(o => o.allocation)
        .sort((a, b) => b.inLimits - a.inLimits || (a.total ?? a.parts ?? 0) - (b.total ?? b.parts ?? 0))[0]?.id ?? null)
    : null
})
const shown = computed(() => options.value?.find(option => option.id === picked.value) ?? null)
const percent = (p: number | null) => (p === null ? '–' : p > 0.995 ? '> 99 %' : `${Math.round(p * 100)} %`)
const name = (id: string) => {
  const lot = index.value.get(id)
  return lot ? [markedText(lot.nominal), lot.mark].filter(Boolean).join(' ') : id
}
const list = (pack: Pack) => pack.map(piece => `${piece.count} × ${name(piece.lotId)}`).join(', ')
const rows = computed(() =>
  (shown.value?.allocation?.places ?? []).map(at => {
    const { place, request } = props.evaluation.places.find(candidate => candidate.place.id === at.id)!
    return {
      ...at,
      label: (place.label.split(', ')[1] ?? place.label).replace(/^./, c => c.toUpperCase()),
      words: at.pack ? changeWords(request!.fitted, at.pack, index.value, preferences.unit) : 'no pack left for it: stays as it is',
    }
  }),
)
const ordered = computed(() => shown.value?.allocation?.ordered ?? shown.value?.regrind?.ordered ?? [])
const changed = computed(() =>
  (shown.value?.allocation?.places ?? []).filter(({ pack, change }) => pack && change.in.length + change.out.length > 0),
)
const confirming = ref(false)
function fit(): void {
  confirming.value = false
  emit(
    'fit',
    changed.value.map(({ id, pack }) => ({ place: id, pieces: pack! })),
  )
}
</script>

<template>
  <section class="mt-6" aria-label="All bearings together" data-test="options">
    <div class="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
      <h2 class="label">All bearings</h2>
      <label class="flex items-center gap-2 text-[13px] text-mute"
        >bring them in
        <select v-model="goal" class="min-h-9 rounded border rule bg-sheet px-2 text-ink">
          <option value="cheapest">at least cost</option>
          <option value="nearest">nearest the aim</option>
        </select>
      </label>
      <label class="flex min-h-9 items-center gap-2 text-[13px] text-mute">
        <input v-model="ordering" type="checkbox" class="size-4" />may be ordered</label
      >
      <button v-if="!progress" type="button" class="button min-h-9" @click="begin">Work it out</button>
    </div>
    <div v-if="progress" class="flex items-center gap-3 text-[14px]" role="status">
      <progress :value="progress.share" max="1" class="w-40" aria-label="How far" />{{ progress.words }} …<button
        type="button"
        class="link min-h-9"
        @click="cancel"
      >
        stop
      </button>
    </div>
    <p v-if="failed" class="fault" role="alert">{{ failed }}</p>
    <template v-if="options">
      <table>
        <thead>
          <tr>
            <th>What can be done</th>
            <th class="text-right">in limits</th>
            <th class="text-right">least chance</th>
            <th class="text-right">parts</th>
            <th class="text-right">labour</th>
            <th class="text-right">total</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="option in options" :key="option.id" :class="picked === option.id ? 'bg-sheet' : ''" data-test="option">
            <td>
              <button
                type="button"
                class="link min-h-9 text-left"
                :class="picked === option.id ? 'font-bold' : ''"
                :aria-pressed="picked === option.id"
                @click="picked = option.id"
              >
                {{ option.title }}
              </button>
            </td>
            <td class="figure text-right whitespace-nowrap" :class="option.inLimits < option.bearings ? 'text-out' : 'text-in'">
              {{ option.inLimits }} of {{ option.bearings }}
            </td>
            <td class="figure text-right whitespace-nowrap">{{ percent(option.worst) }}</td>
            <td class="figure text-right">
              {{
                moneyAmong(
                  option.parts,
                  options.map(({ parts }) => parts),
                )
              }}
            </td>
            <td class="figure text-right">
              {{
                moneyAmong(
                  option.labour,
                  options.map(({ labour }) => labour),
                )
              }}
            </td>
            <td class="figure text-right font-bold">
              {{
                moneyAmong(
                  option.total,
                  options.map(({ total }) => total),
                )
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <div v-if="shown" class="mt-2 space-y-1" data-test="option-shown">
        <p class="text-[14px]">
          {{ shown.words
          }}<template v-if="shown.allocation && !shown.allocation.proven">
            Too many packs to try them all: a better way may exist.</template
          >
        </p>
        <table v-if="rows.length" class="tight">
          <thead>
            <tr>
              <th>Bearing</th>
              <th>Shell halves</th>
              <th class="text-right">leaves, {{ UNIT_NAME[preferences.unit] }}</th>
              <th class="text-right">chance</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.id">
              <td class="whitespace-nowrap">{{ row.label }}</td>
              <td class="text-[14px]" :class="row.pack ? '' : 'text-near'">{{ row.words }}</td>
              <td class="figure text-right whitespace-nowrap">
                {{
                  row.predicted
                    ? `${formatLength(row.predicted.play, preferences.unit)} ± ${formatLength(row.predicted.U, preferences.unit)}`
                    : '–'
                }}
              </td>
              <td class="figure pl-3 text-right whitespace-nowrap">{{ percent(row.inside) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="shown.regrind" class="text-[14px]">Shells: {{ list(shown.regrind.bought) }}.</p>
        <p v-if="ordered.length" class="text-[14px] text-near">To order first: {{ list(ordered) }}.</p>
        <button
          v-if="!locked && changed.length && !ordered.length"
          type="button"
          class="button primary min-h-10"
          :disabled="busy"
          @click="confirming = true"
        >
          Fit all of these
        </button>
        <p v-if="shown.regrind" class="text-[13px] text-mute">
          After grinding, say so under the job at the crankshaft: its journals are then measured anew, and shells chosen for them.
        </p>
        <p class="text-[12.5px] text-mute">
          Grades are nominal until measured in their own bore: another maker’s can differ by a thou. What is taken out goes back to stock.
        </p>
      </div>
    </template>
    <PlainDialog :open="confirming" title="Change the shells" @close="confirming = false">
      <div class="space-y-3">
        <ul class="list-disc pl-5">
          <li v-for="row in rows.filter(r => changed.some(c => c.id === r.id))" :key="row.id">
            {{ row.label }}: {{ lowerFirst(row.words) }}
          </li>
        </ul>
        <p class="caution">Every cap in its place and way round, full torque; the shaft turned by hand after each.</p>
        <div class="flex gap-3">
          <button type="button" class="button primary" :disabled="busy" @click="fit">The shells are changed</button>
          <button type="button" class="button" @click="confirming = false">Not yet</button>
        </div>
      </div>
    </PlainDialog>
  </section>
</template>
