<script setup lang="ts">
import { drawerFor, goesInto, packAt, type CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate-check'
import { whatIf, type Reach } from '#core/check/gear-train/what-if'
import { lotMap, lotOf, thickness, type Lot, type Pack } from '#core/pack/lot'
import { samePack } from '#core/pack/predict'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { markedText } from '~/composables/sizeText'
import { usePreferences } from '~/stores/preferences'

/** What if: pieces taken out, put in, moved from one place to another, and what every gap would come to, before anything is taken apart. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; lots: readonly Lot[]; locked: boolean; busy: boolean }>()
const emit = defineEmits<{ fit: [{ place: string; pieces: Pack }[]] }>()
const preferences = usePreferences()
const index = computed(() => lotMap(props.lots))
const places = computed(() => props.evaluation.places.map(({ place }) => place))
const fittedIn = (id: string): Pack =>
  packAt(
    props.document.trials.at(-1)!,
    places.value.find(place => place.id === id)!,
  ) ?? []
const known = (id: string) =>
  packAt(
    props.document.trials.at(-1)!,
    places.value.find(place => place.id === id)!,
  ) !== null
/** Packs as they would be, by place; what is not in it stays. */
const packs = ref<Record<string, Pack>>({})
watch(
  () => props.document.trials.length,
  () => {
    packs.value = {}
  },
)
const inPlace = (id: string): Pack => packs.value[id] ?? fittedIn(id)
const changed = computed(() => Object.entries(packs.value).filter(([id, pack]) => !samePack(pack, fittedIn(id))))
function alter(id: string, lotId: string, by: 1 | -1): void {
  const pack = inPlace(id)
  const count = (pack.find(piece => piece.lotId === lotId)?.count ?? 0) + by
  const others = pack.filter(piece => piece.lotId !== lotId)
  packs.value = { ...packs.value, [id]: count > 0 ? [...others, { lotId, count }] : others }
}
function move(from: string, lotId: string, to: string): void {
  alter(from, lotId, -1)
  if (to !== 'out') alter(to, lotId, 1)
}
const name = (lotId: string) => {
  const lot = index.value.get(lotId)
  return lot ? [markedText(lot.nominal), lot.mark || lot.colour].filter(Boolean).join(' ') : lotId
}
/** What the drawer still has, and what was taken out elsewhere. */
const free = (lotId: string) => {
  const lot = lotOf(index.value, lotId)
  const out = changed.value.reduce((sum, [id, pack]) => {
    const count = (of: Pack) => of.find(piece => piece.lotId === lotId)?.count ?? 0
    return sum + count(fittedIn(id)) - count(pack)
  }, 0)
  return lot.onHand - lot.reserved + out
}
const offered = (id: string) => {
  const place = places.value.find(candidate => candidate.id === id)!
  return drawerFor(props.document, props.lots, place)
    .filter(lot => goesInto(place, lot) && free(lot.id) > 0)
    .sort((a, b) => thickness(a) - thickness(b))
}
const rows = computed(() => whatIf(props.document, props.evaluation, props.lots, packs.value))
const show = (value: number, sign = false) => formatLength(value, preferences.unit, { trim: true, sign })
const reach = (of: Reach | null) => (of === null ? '–' : `${show(of.low)} to ${show(of.high)}`)
const LANDS = { in: 'in', may: 'may land', out: 'out' } as const
const nothing = computed(() => changed.value.length > 0 && rows.value.every(({ change }) => Math.abs(change) < 1))
const value = (event: Event) => (event.target as HTMLSelectElement).value
function pickMove(event: Event, from: string, lotId: string): void {
  move(from, lotId, value(event))
  ;(event.target as HTMLSelectElement).value = ''
}
function pickIn(event: Event, to: string): void {
  if (value(event)) alter(to, value(event), 1)
  ;(event.target as HTMLSelectElement).value = ''
}
</script>

<template>
  <section class="mt-5 border-t rule pt-3" aria-label="What if" data-test="what-if">
    <h2 class="label mb-1">What if, before it is apart, {{ UNIT_NAME[preferences.unit] }}</h2>
    <div class="space-y-3">
      <table class="tight">
        <thead>
          <tr>
            <th>Gap</th>
            <th class="text-right">now</th>
            <th class="text-right">moved</th>
            <th class="text-right">then</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <td class="!pr-4">{{ row.label }}</td>
            <td class="figure text-right whitespace-nowrap">{{ reach(row.now) }}</td>
            <td class="figure text-right">{{ row.change === 0 ? '0' : show(row.change, true) }}</td>
            <td class="figure text-right whitespace-nowrap" :class="row.change === 0 ? 'text-mute' : 'font-bold'">{{ reach(row.then) }}</td>
            <td
              class="text-[13px] whitespace-nowrap"
              :class="row.lands === 'in' ? 'text-in' : row.lands === 'out' ? 'text-out' : 'text-mute'"
            >
              {{ row.lands ? LANDS[row.lands] : '' }}
            </td>
          </tr>
        </tbody>
      </table>
      <div class="grid gap-x-6 gap-y-2 sm:grid-cols-2">
        <div v-for="place in places" :key="place.id" class="flex flex-wrap content-start items-center gap-x-2 gap-y-1">
          <span class="w-full text-[13.5px]">{{ place.label }}</span>
          <span v-if="!known(place.id)" class="text-[13px] text-mute">not listed</span>
          <template v-for="piece in inPlace(place.id)" :key="piece.lotId">
            <label class="flex items-center gap-1 text-[14px]">
              <span class="figure">{{ piece.count > 1 ? `${piece.count} × ` : '' }}{{ name(piece.lotId) }}</span>
              <select
                v-if="!locked"
                class="field !min-h-9 !w-auto !py-0 !pl-2 text-[13px]"
                :aria-label="`${name(piece.lotId)} of ${place.label}: take out or move`"
                @change="pickMove($event, place.id, piece.lotId)"
              >
                <option value="">stays</option>
                <option value="out">out</option>
                <option v-for="other in places.filter(({ id }) => id !== place.id)" :key="other.id" :value="other.id">
                  to {{ other.label }}
                </option>
              </select>
            </label>
          </template>
          <select
            v-if="!locked && known(place.id)"
            class="field !min-h-9 !w-auto !py-0 !pl-2 text-[13px]"
            :aria-label="`Put into ${place.label}`"
            @change="pickIn($event, place.id)"
          >
            <option value="">put in …</option>
            <option v-for="lot in offered(place.id)" :key="lot.id" :value="lot.id">{{ name(lot.id) }}</option>
          </select>
        </div>
      </div>
    </div>
    <p v-if="nothing" class="mt-1 text-[15px] text-near" data-test="gains-nothing">It gains nothing: as thick as what comes out.</p>
    <p v-if="changed.length && !locked" class="mt-2 flex flex-wrap gap-3">
      <button
        type="button"
        class="button"
        :disabled="busy"
        @click="
          emit(
            'fit',
            changed.map(([place, pieces]) => ({ place, pieces })),
          )
        "
      >
        Fit these
      </button>
      <button type="button" class="button" @click="packs = {}">As it is</button>
    </p>
  </section>
</template>
