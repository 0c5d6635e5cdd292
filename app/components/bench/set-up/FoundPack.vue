<script setup lang="ts">
import { useSessionStorage } from '@vueuse/core'
import type { PackPlace } from '#core/check/pack-place'
import { packIn, type CheckDocument } from '#core/check/document'
import { lotMap, thickness, unitMade, type Lot } from '#core/pack/lot'
import { readPack, stuckPairs, type NamedPiece } from '#core/pack/read-pack'
import { pieceText } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { useScanTaker } from '~/composables/keys/useScan'

/** The pack as it was found, listed piece by piece, or none; as long as it is not known, also after something was put in. */
const props = defineProps<{
  document: CheckDocument
  places: readonly PackPlace[]
  lots: readonly Lot[]
  /** the place to begin with */ at?: string
}>()
const emit = defineEmits<{ found: [{ place: string; pieces: readonly (NamedPiece & { measured?: boolean })[] }] }>()
const measuredPieces = ref(false)
const tried = ref(false)
/** thicknesses said to be one piece, though two of the drawer would make them */
const whole = ref<readonly number[]>([])
const index = computed(() => lotMap(props.lots))
const placeId = ref(props.at ?? '')
const place = computed(() => props.places.find(candidate => candidate.id === placeId.value) ?? props.places[0] ?? null)
/** What was begun at a place waits there until it is listed, whatever phase is open. */
const texts = useSessionStorage<Record<string, string>>(`finitum.found.${props.document.id}`, {})
const found = computed({
  get: () => texts.value[place.value?.id ?? ''] ?? '',
  set: text => {
    texts.value[place.value?.id ?? ''] = text
  },
})
/** A pack of several can be stuck together; a race alone, or a pair of rings, cannot. */
const several = computed(() => (place.value?.capacity.most ?? 0) > 2)
const example = computed(() => (several.value ? '10, 8, 3, 3' : place.value?.capacity.most === 2 ? '57, 57' : '61'))
const pack = computed(() => (place.value ? packIn(props.document.trials[0]!, place.value.id) : null))
const family = computed(() => props.lots.filter(lot => lot.family === props.document.family && lot.shape !== 'sheet'))
/** Pieces are named in the unit they were made in, whatever is shown elsewhere. */
const unit = computed(() => unitMade(family.value) ?? props.document.entryUnit)
const size = (length: number) => pieceText(length, unit.value)
const listed = computed(
  () =>
    pack.value &&
    [...pack.value]
      .map(piece => ({ count: piece.count, lot: index.value.get(piece.lotId)! }))
      .sort((a, b) => thickness(b.lot) - thickness(a.lot))
      .map(({ count, lot }) => `${count} × ${size(thickness(lot))}${lot.mark ? ` (${lot.mark})` : ''}`)
      .join(', '),
)
const read = computed(() => readPack(found.value, unit.value, family.value))
const stuck = computed(() =>
  read.value.ok ? (stuckPairs(read.value.pieces, family.value).find(({ size: one }) => !whole.value.includes(one)) ?? null) : null,
)
/** What can be meant, each with the text that says it. */
const choices = computed(() => {
  if (!tried.value) return []
  if (!read.value.ok) return read.value.choices ?? []
  return []
})
const fault = computed(() => (!tried.value || read.value.ok ? null : read.value.reason))

function listPack(): void {
  tried.value = true
  if (!read.value.ok || stuck.value) return
  const { pieces } = read.value
  emit('found', {
    place: place.value!.id,
    pieces: pieces.map(piece => (piece.size === undefined ? piece : { ...piece, measured: measuredPieces.value })),
  })
}
/** A label scanned in the field names its piece. */
const field = ref<HTMLInputElement>()
useScanTaker(({ thing, id }, at) => {
  const lot = thing === 'size' && at === field.value ? family.value.find(candidate => candidate.id === id) : undefined
  if (!lot) return false
  const said = found.value.replace(/[\s,;+]+$/, '')
  found.value = [said, size(lot.nominal)].filter(Boolean).join(' + ')
  return true
})
function take(text: string): void {
  found.value = text
  listPack()
}
function split(): void {
  const [a, b] = stuck.value!.pair
  const one = size(stuck.value!.size)
  take(found.value.replace(one, `${size(a)} + ${size(b)}`))
}
function keepWhole(): void {
  whole.value = [...whole.value, stuck.value!.size]
  listPack()
}
// What was typed stays until it is stored: the server may be away.
watch(
  () => JSON.stringify(pack.value),
  () => {
    found.value = ''
    tried.value = false
  },
)
const value = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <form class="space-y-1" novalidate @submit.prevent="listPack">
    <div v-if="places.length > 1">
      <label class="label mb-1 block" for="found-place">Place</label>
      <select id="found-place" :value="place!.id" class="field" @change="placeId = value($event)">
        <option v-for="p in places" :key="p.id" :value="p.id">{{ p.label }}</option>
      </select>
    </div>
    <label class="label block" for="found-pack">Pack as found, piece by piece, {{ UNIT_NAME[unit] }}; or none</label>
    <p v-if="pack" class="text-[14px]">{{ listed || 'nothing fitted' }}</p>
    <div class="flex gap-2">
      <input
        id="found-pack"
        ref="field"
        v-model="found"
        v-reads="() => (read.ok ? 'entry' : read.choices ? 'asked' : 'nothing')"
        class="field figure"
        :placeholder="example"
        autocomplete="off"
        :aria-invalid="fault !== null"
        @input="tried = false"
      />
      <button type="submit" class="button">{{ pack ? 'List anew' : 'List' }}</button>
    </div>
    <p v-if="found.trim() && !tried" class="text-[13px] text-mute">Not listed yet: Enter lists it.</p>
    <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
    <div v-if="choices.length" class="flex flex-wrap gap-2">
      <button v-for="choice in choices" :key="choice.label" type="button" class="button min-h-9" @click="take(choice.text)">
        {{ choice.label }}
      </button>
    </div>
    <div v-if="tried && stuck" role="alert" data-test="stuck">
      <p class="fault">
        The drawer has no {{ size(stuck.size) }}, but {{ size(stuck.pair[0]) }} and {{ size(stuck.pair[1]) }}: are two stuck together?
      </p>
      <div class="mt-1 flex flex-wrap gap-2">
        <button type="button" class="button min-h-9" @click="split">They are: {{ size(stuck.pair[0]) }} + {{ size(stuck.pair[1]) }}</button>
        <button type="button" class="button min-h-9" @click="keepWhole">It is one piece of {{ size(stuck.size) }}</button>
      </div>
    </div>
    <label class="flex min-h-11 items-center gap-2 text-[13.5px]">
      <input v-model="measuredPieces" type="checkbox" class="size-4" />measured with a micrometer{{
        several ? ', stuck ones parted' : ''
      }}</label
    >
  </form>
</template>
