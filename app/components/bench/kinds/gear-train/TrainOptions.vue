<script setup lang="ts">
import { drawerFor, packAt, type CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { whatIf, type Reach } from '#core/check/kinds/gear-train/what-if'
import { samePack, lotMap, lotOf, thickness, type Lot, type Pack } from '#core/pack/lot'
import { formatLength, markedText } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
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
/** A piece that can be moved: where it is now, and which. */
interface Source {
  readonly key: string
  readonly from: string
  readonly lotId: string
  readonly words: string
}
const sources = computed<Source[]>(() => [
  ...places.value.flatMap(({ id, label }) =>
    inPlace(id).map(({ lotId }) => ({ key: `${id} ${lotId}`, from: id, lotId, words: `${name(lotId)}, in ${label}` })),
  ),
  ...drawerFor(props.document, props.lots)
    .filter(lot => lot.shape !== 'packing' && free(lot.id) > 0)
    .sort((a, b) => thickness(a) - thickness(b))
    .map(({ id }) => ({ key: `drawer ${id}`, from: 'drawer', lotId: id, words: `${name(id)}, from the drawer` })),
])
const taken = ref('')
const to = ref('')
const source = computed(() => sources.value.find(({ key }) => key === taken.value) ?? null)
const targets = computed(() => [
  ...(source.value && source.value.from !== 'drawer' ? [{ id: 'out', label: 'the drawer' }] : []),
  ...places.value.filter(({ id }) => id !== source.value?.from && known(id)),
])
/** One piece from where it is to where it would go. */
function move(): void {
  const { from, lotId } = source.value!
  if (from !== 'drawer') alter(from, lotId, -1)
  if (to.value !== 'out') alter(to.value, lotId, 1)
  to.value = ''
}
/** `Planet to planet: 58 plastic, 2 × 14 steel` */
const asChanged = computed(() =>
  changed.value.map(([id, pack]) => {
    const list = pack.map(({ lotId, count }) => `${count > 1 ? `${count} × ` : ''}${name(lotId)}`).join(', ')
    return `${places.value.find(place => place.id === id)!.label}: ${list || 'none'}`
  }),
)
const rows = computed(() => whatIf(props.document, props.evaluation, props.lots, packs.value))
const show = (value: number, sign = false) => formatLength(value, preferences.unit, { trim: true, sign })
const reach = (of: Reach | null) => (of === null ? '–' : `${show(of.low)} to ${show(of.high)}`)
const LANDS = { in: 'in', may: 'may land', out: 'out' } as const
const nothing = computed(() => changed.value.length > 0 && rows.value.every(({ change }) => Math.abs(change) < 1))
</script>

<template>
  <section class="mt-5 border-t rule pt-3" aria-label="What if" data-test="what-if">
    <h2 class="label mb-1">What if, before it is apart, {{ UNIT_NAME[preferences.unit] }}</h2>
    <div class="space-y-3">
      <TableBox label="Gaps of the chain"
        ><table class="tight">
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
              <td class="figure text-right whitespace-nowrap" :class="row.change === 0 ? 'text-mute' : 'font-bold'">
                {{ reach(row.after) }}
              </td>
              <td
                class="text-[13px] whitespace-nowrap"
                :class="row.lands === 'in' ? 'text-in' : row.lands === 'out' ? 'text-out' : 'text-mute'"
              >
                {{ row.lands ? LANDS[row.lands] : '' }}
              </td>
            </tr>
          </tbody>
        </table></TableBox
      >
      <form v-if="!locked" class="flex flex-wrap items-end gap-2" novalidate @submit.prevent="source && to && move()">
        <div class="min-w-0 flex-1 basis-52">
          <label class="label mb-1 block" for="what-if-piece">Piece</label>
          <select id="what-if-piece" v-model="taken" class="field">
            <option value="">which?</option>
            <option v-for="one in sources" :key="one.key" :value="one.key">{{ one.words }}</option>
          </select>
        </div>
        <div class="min-w-0 flex-1 basis-44">
          <label class="label mb-1 block" for="what-if-to">Goes into</label>
          <select id="what-if-to" v-model="to" class="field">
            <option value="">where?</option>
            <option v-for="target in targets" :key="target.id" :value="target.id">
              {{ target.label }}
            </option>
          </select>
        </div>
        <button type="submit" class="button" :disabled="!source || !to">Move it</button>
      </form>
      <p v-for="words in asChanged" :key="words" class="text-[14px]">{{ words }}</p>
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
