<script setup lang="ts">
import type { PackPlace } from '#core/check/contract'
import { packIn, type CheckDocument } from '#core/check/document'
import { lotMap, thickness, type Lot } from '#core/pack/lot'
import { formatLength } from '#core/quantity/format-length'
import type { Nm } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'
import { parseFoundPack } from './found-pack'

/** The pack as it was found, listed piece by piece, before anything is changed. */
const props = defineProps<{ document: CheckDocument; places: readonly PackPlace[]; lots: readonly Lot[] }>()
const emit = defineEmits<{ found: [{ place: string; pieces: { size: Nm; measured: boolean; count: number }[] }] }>()
const preferences = usePreferences()
const found = ref('')
const measuredPieces = ref(true)
const foundFault = ref<string | null>(null)
const index = computed(() => lotMap(props.lots))
const placeId = ref('')
const place = computed(() => props.places.find(candidate => candidate.id === placeId.value) ?? props.places[0] ?? null)
const pack = computed(() => (place.value ? packIn(props.document.trials[0]!, place.value.id) : null))
const listed = computed(
  () =>
    pack.value &&
    [...pack.value]
      .map(piece => ({ count: piece.count, size: thickness(index.value.get(piece.lotId)!) }))
      .sort((a, b) => b.size - a.size)
      .map(({ count, size }) => `${count} × ${formatLength(size, preferences.unit, { trim: true })}`)
      .join(', '),
)
function listPack(): void {
  const read = parseFoundPack(found.value, preferences.unit)
  foundFault.value = read.ok ? null : read.reason
  if (!read.ok) return
  emit('found', { place: place.value!.id, pieces: read.pieces.map(piece => ({ ...piece, measured: measuredPieces.value })) })
}
// What was typed stays until it is stored: the server may be away.
watch(
  () => JSON.stringify(pack.value),
  () => {
    found.value = ''
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
    <label class="label block" for="found-pack">Pack as found, piece by piece, {{ preferences.system === 'inch' ? 'thou' : 'mm' }}</label>
    <p v-if="pack" class="text-[14px]">{{ listed || 'no pieces' }}</p>
    <div class="flex gap-2">
      <input
        id="found-pack"
        v-model="found"
        class="field figure"
        placeholder="10, 8, 2 x 3"
        autocomplete="off"
        :aria-invalid="foundFault !== null"
      />
      <button type="submit" class="button">{{ pack ? 'List anew' : 'List' }}</button>
    </div>
    <p v-if="foundFault" class="fault">{{ foundFault }}</p>
    <label class="flex min-h-11 items-center gap-2 text-[13.5px]">
      <input v-model="measuredPieces" type="checkbox" class="size-4" />measured with a micrometer, stuck ones parted</label
    >
  </form>
</template>
