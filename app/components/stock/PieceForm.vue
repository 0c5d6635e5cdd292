<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import { useLocalStorage } from '@vueuse/core'
import { pieceAsks, unitMade, type Lot } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'

/** One piece after the other under the micrometer: figure, Enter; with a place of its own where the pieces are told apart. */
const props = defineProps<{
  lot: Lot
  /** what Enter does on an empty field */
  empty: string
  sizeFault?: string | undefined
  markFault?: string | undefined
}>()
const emit = defineEmits<{ keep: [Nm, string | null]; none: [] }>()
const size = ref<Nm | null>(null)
/** Each piece gets a place of its own, or they go back together. */
const ownPlaces = useLocalStorage('finitum.own-places', false)
const place = ref('')
const missing = ref(false)
const field = ref<HTMLElement>()
const focus = () => void nextTick(() => field.value?.querySelector('input')?.focus())
onMounted(focus)
/** `tray 3` after `tray 2`: places are filled in turn. */
const following = (mark: string) => mark.replace(/\d+(?=\D*$)/, digits => String(Number(digits) + 1))

function keep(): void {
  if (size.value === null) {
    // What is no figure stays in the field, which says so.
    if (!field.value?.querySelector('input')?.value.trim()) emit('none')
    return focus()
  }
  const mark = ownPlaces.value ? place.value.trim() : null
  missing.value = mark === ''
  if (missing.value) return
  const figure = size.value
  size.value = null
  if (mark !== null) place.value = following(mark)
  focus()
  emit('keep', figure, mark)
}
/** A figure that was not taken stands in its field again, unless another is being typed. */
const giveBack = (figure: Nm) => {
  size.value ??= figure
}
defineExpose({ focus, giveBack })
const unit = computed(() => unitMade([props.lot])!)
</script>

<template>
  <form novalidate class="mt-3 flex flex-wrap items-start gap-3" @submit.prevent="heldBack($event) || keep()">
    <div ref="field" class="w-72">
      <FigureField v-model="size" label="What the micrometer says" :unit="unit" :options="pieceAsks(lot)" :fault="sizeFault" />
    </div>
    <div v-if="ownPlaces" class="w-32">
      <label class="label mb-1 block" for="piece-place">Its place</label>
      <input id="piece-place" v-model="place" class="field" maxlength="20" placeholder="tray 1" autocomplete="off" />
      <p v-if="missing || markFault" class="fault">{{ markFault ?? 'Where does it lie? A mark, or a place in the tray.' }}</p>
    </div>
    <button type="submit" class="button scribed under-label">{{ size === null ? empty : 'Keep' }}</button>
    <slot />
    <label class="under-label flex min-h-11 items-center gap-2 text-[14px]">
      <input v-model="ownPlaces" type="checkbox" class="tick" /> each has a place of its own
    </label>
  </form>
</template>
