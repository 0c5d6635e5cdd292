<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import { pieceAsks, pieceScatter, unitMade } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'
import { formatLength } from '#core/quantity/format-length'
import type { StockLot } from '#core/shop/shop'
import { useLotCommand } from '~/composables/drawer/useLotCommand'
import { usePreferences } from '~/stores/preferences'
import type { StockView } from '#shared/types'

/** What a micrometer said of the pieces of a size: figure by figure, or of the one that is told apart. */
const props = defineProps<{ lot: StockLot }>()
const emit = defineEmits<{ changed: [StockView]; reload: [] }>()
const preferences = usePreferences()
const { send, refuse, fault, rest, stale, busy } = useLotCommand(
  () => props.lot,
  view => emit('changed', view),
)
const measured = ref<Nm | null>(null)
const mark = ref('')
const sizes = computed(() => props.lot.sizes ?? [])
const scatter = ref<Nm | null>(props.lot.scatter ?? null)
watch(
  () => [props.lot.id, props.lot.version],
  () => {
    scatter.value = props.lot.scatter ?? null
  },
)
const show = (value: number) => formatLength(value, preferences.unit, { trim: true })
const summary = computed(() => {
  if (props.lot.measured === null) return 'Nobody measured one.'
  if (props.lot.apart) return `This piece is ${formatLength(props.lot.measured, preferences.unit, { unit: true })}.`
  const figures = sizes.value.length > 12 ? `${sizes.value.length} pieces` : sizes.value.map(show).join(' · ')
  const from = sizes.value.length > 1 ? `, on average ${show(props.lot.measured)}` : ''
  return `${figures}${from}; any one within about ± ${formatLength(2 * pieceScatter(props.lot), preferences.unit, { unit: true })} of that.`
})

async function measure(): Promise<void> {
  const place = mark.value.trim()
  const size = measured.value
  if (size === null) return refuse('measure', 'sizes', 'Type what the micrometer says.')
  if (place && !props.lot.apart) {
    if (!(await send('measure', 'POST /api/stock/lots/:id/pieces', (head, id) => ({ ...head, id, size, mark: place })))) return
  } else if (
    !(await send('measure', 'PATCH /api/stock/lots/:id', head => ({ ...head, sizes: props.lot.apart ? [size] : [...sizes.value, size] })))
  )
    return
  measured.value = null
  mark.value = ''
}
const keepScatter = () => send('scatter', 'PATCH /api/stock/lots/:id', head => ({ ...head, scatter: scatter.value }))
</script>

<template>
  <div class="space-y-2">
    <StaleNotice :changed="stale" @reload="emit('reload')" />
    <form id="lot-measure" novalidate class="space-y-1" @submit.prevent="heldBack($event) || measure()">
      <p class="text-[14px]" data-test="lot-sizes">{{ summary }}</p>
      <div class="flex gap-2">
        <div class="min-w-0 flex-1">
          <FigureField
            v-model="measured"
            :label="lot.apart ? 'Measure it again' : 'Measure a piece'"
            :unit="unitMade([lot])!"
            :options="pieceAsks(lot)"
            :fault="fault('measure', 'sizes') ?? fault('measure', 'size')"
          />
        </div>
        <div v-if="!lot.apart" class="w-24">
          <label class="label mb-1 block" for="lot-place">Own place</label>
          <input id="lot-place" v-model="mark" class="field" maxlength="20" placeholder="tray 4" autocomplete="off" />
        </div>
      </div>
      <p v-if="fault('measure', 'mark')" class="fault">{{ fault('measure', 'mark') }}</p>
      <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
        <button class="button" type="submit">Keep as measured</button>
        <button
          v-if="lot.apart && lot.onHand > 0"
          type="button"
          class="link text-[14px]"
          @click="send('join', 'POST /api/stock/lots/:id/join', head => head)"
        >
          put it back among the others
        </button>
        <template v-else-if="!lot.apart && sizes.length">
          <button
            type="button"
            class="link text-[14px]"
            @click="send('back', 'PATCH /api/stock/lots/:id', head => ({ ...head, sizes: sizes.slice(0, -1) }))"
          >
            take the last figure back
          </button>
          <button
            v-if="sizes.length > 1"
            type="button"
            class="link text-[14px]"
            @click="send('anew', 'PATCH /api/stock/lots/:id', head => ({ ...head, sizes: [] }))"
          >
            measure all anew
          </button>
        </template>
      </div>
      <FormSays :says="rest('measure') ?? rest('join') ?? rest('back') ?? rest('anew')" :busy="busy" />
      <p v-if="!lot.apart" class="text-[13px] text-mute">A piece with a place of its own is chosen by its own figure.</p>
    </form>
    <form v-if="!lot.apart && lot.measured !== null" novalidate class="space-y-1" @submit.prevent="heldBack($event) || keepScatter()">
      <div class="flex items-end gap-2">
        <div class="min-w-0 flex-1">
          <FigureField v-model="scatter" label="Piece to piece, if known" :unit="unitMade([lot])!" :fault="fault('scatter', 'scatter')" />
        </div>
        <button class="button" type="submit">Keep</button>
      </div>
      <FormSays :says="rest('scatter')" :busy="busy" />
    </form>
  </div>
</template>
