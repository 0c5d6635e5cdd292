<script setup lang="ts">
import type { Nm } from '#core/quantity/length'
import { formatLength, markedText } from '#core/quantity/format-length'
import type { StockLot } from '#core/shop/shop'
import { key, useKeys } from '~/composables/keys/useKeys'
import { useLotCommand } from '~/composables/drawer/useLotCommand'
import { useScanTaker } from '~/composables/keys/useScan'
import { usePreferences } from '~/stores/preferences'
import type { StockView } from '#shared/types'

/** Going through the drawer with a micrometer: figure, Enter, next piece; the last of a size, next size. */
const props = defineProps<{ lots: readonly StockLot[] }>()
const emit = defineEmits<{ changed: [StockView]; at: [string]; close: [] }>()
const preferences = usePreferences()
const measurable = computed(() => props.lots.filter(lot => !lot.apart && lot.shape !== 'sheet' && lot.onHand > 0))
const figures = (lot: StockLot) => lot.sizes?.length ?? 0
const at = ref(measurable.value.find(lot => figures(lot) < lot.onHand)?.id ?? measurable.value[0]?.id ?? null)
const lot = computed(() => measurable.value.find(({ id }) => id === at.value) ?? null)
watch(at, id => id && emit('at', id), { immediate: true })
const { send, fault, rest, stale } = useLotCommand(
  () => lot.value!,
  view => emit('changed', view),
)
const left = computed(() => (lot.value ? lot.value.onHand - figures(lot.value) : 0))
const form = ref<{ focus: () => void; giveBack: (size: Nm) => void }>()
const focus = () => form.value?.focus()

function go(by: 1 | -1): void {
  const now = measurable.value.findIndex(({ id }) => id === at.value)
  const next = measurable.value[Math.min(measurable.value.length - 1, Math.max(0, now + by))]
  if (next) at.value = next.id
}
function before(): void {
  go(-1)
  focus()
}

useScanTaker(({ thing, id }) => {
  if (thing !== 'size' || !measurable.value.some(candidate => candidate.id === id)) return false
  at.value = id
  focus()
  return true
})

/** Whoever types faster than the shop answers is not held up: figures go in one after the other. */
let stored = Promise.resolve()
function keep(figure: Nm, mark: string | null): void {
  stored = stored.then(() => store(figure, mark))
}
function skip(): void {
  stored = stored.then(() => go(1))
}
async function store(figure: Nm, mark: string | null): Promise<void> {
  const { value: current } = lot
  if (!current) return
  const here = measurable.value.findIndex(({ id }) => id === current.id)
  const last = left.value <= 1
  const done =
    mark === null
      ? await send('keep', 'PATCH /api/stock/lots/:id', head => ({ ...head, sizes: [...(current.sizes ?? []), figure] }))
      : await send('keep', 'POST /api/stock/lots/:id/pieces', (head, id) => ({ ...head, id, size: figure, mark }))
  if (!done) return form.value?.giveBack(figure)
  await nextTick()
  // The last piece with a place of its own takes its size off this list.
  if (!measurable.value.some(({ id }) => id === current.id)) at.value = measurable.value[here]?.id ?? measurable.value.at(-1)?.id ?? null
  else if (last) go(1)
}
/** Not before the last figure is stored. */
const close = () => void stored.then(() => emit('close'))
async function takeBack(): Promise<void> {
  await send('keep', 'PATCH /api/stock/lots/:id', head => ({ ...head, sizes: (lot.value!.sizes ?? []).slice(0, -1) }))
  focus()
}
useKeys(computed(() => [key('Esc', 'leave the drawer', () => close(), { keys: ['Escape'] })]))
</script>

<template>
  <section class="dye mb-4 px-5 py-4" aria-label="Measure the drawer" data-test="measure-drawer" @keydown.esc.stop="close">
    <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <h2 class="display text-xl">Measure the drawer</h2>
      <p v-if="lot" class="text-[17px]" aria-live="polite">
        <strong>{{ markedText(lot.nominal) }}</strong>{{ lot.mark ? ` ${lot.mark}` : '' }}, {{ lot.family }}:
        {{ left > 0 ? `piece ${figures(lot) + 1} of ${lot.onHand}` : `all ${lot.onHand} measured` }}
      </p>
      <p v-else class="text-[17px]">Nothing here is left to measure.</p>
      <button type="button" class="button scribed ml-auto" @click="close">Done</button>
    </div>
    <PieceForm
      v-if="lot"
      ref="form"
      :lot="lot"
      empty="Next size"
      :size-fault="fault('keep', 'size') ?? fault('keep', 'sizes')"
      :mark-fault="fault('keep', 'mark')"
      @keep="keep"
      @none="skip"
    >
      <button type="button" class="button scribed under-label" @click="before">Size before</button>
    </PieceForm>
    <FormSays :says="rest('keep')" :busy="false" />
    <p v-if="stale.length" class="fault">Changed elsewhere: {{ stale.join('. ') }}. Close and open this again.</p>
    <p v-if="lot && figures(lot)" class="mt-2 text-[14px]">
      So far: <span class="figure">{{ lot.sizes!.map(s => formatLength(s, preferences.unit)).join(' · ') }}</span>
      <button type="button" class="link ml-3 !text-inherit" @click="takeBack">take the last back</button>
    </p>
    <p class="mt-2 text-[13.5px]">
      Figure, Enter, next piece. Enter on an empty field: next size. Pieces fitted in pairs go back together.
    </p>
  </section>
</template>
