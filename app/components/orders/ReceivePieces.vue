<script setup lang="ts">
import { outstanding } from '#core/pack/order-list'
import { measuredText } from '#core/pack/lot'
import { markedText } from '#core/quantity/format-length'
import type { Nm } from '#core/quantity/length'
import type { Purchase, StockLot } from '#core/shop/shop'
import { key, useKeys } from '~/composables/keys/useKeys'
import { forWords, type Orders } from '~/composables/drawer/useOrders'
import type { WantedLine } from '#shared/orders'
import { write } from '~/composables/server/useApi'

/** What came of a size, piece by piece under the micrometer: into the drawer, and kept for the check that waited for it. */
const props = defineProps<{ purchase: Purchase; lot: StockLot; lines: readonly WantedLine[]; orders: Orders }>()
const emit = defineEmits<{ close: [] }>()
const WHAT = 'receive'
const fault = (path: string) => props.orders.fault(WHAT, path)
const form = ref<{ focus: () => void; giveBack: (size: Nm) => void }>()
const sizes = computed(() => props.lines.flatMap(line => line.sizes))
const left = computed(() => props.lines.reduce((sum, line) => sum + outstanding(line), 0))
/** checks that have all they waited for of this size */
const served = computed(() => props.lines.filter(({ check, arrived, pieces }) => check !== null && !check.signed && arrived >= pieces))

/** Whoever types faster than the shop answers is not held up: pieces go in one after the other. */
let stored = Promise.resolve()
async function store(size: Nm | null, mark: string | null): Promise<void> {
  const piece = { lotId: props.lot.id, ...(size === null ? {} : { size }), ...(mark === null ? {} : { mark }) }
  const done = await props.orders.send(WHAT, names => write('POST /api/orders/:id/receipts', { ...names, ...piece }, props.purchase.id))
  if (!done && size !== null) form.value?.giveBack(size)
}
function keep(size: Nm | null, mark: string | null): void {
  stored = stored.then(() => store(size, mark))
}
async function takeBack(): Promise<void> {
  await props.orders.send(WHAT, ({ op }) => write('POST /api/orders/:id/returns', { op, lotId: props.lot.id }, props.purchase.id))
  form.value?.focus()
}
/** The field is gone when all is here: the hand is on what comes next. */
const panel = ref<HTMLElement>()
watch(left, (now, before) => {
  if (now === 0 && before > 0) void nextTick(() => panel.value?.querySelector<HTMLElement>('[data-next]')?.focus())
})
/** Not before the last figure is stored. */
const close = () => void stored.then(() => emit('close'))
useKeys(computed(() => [key('Esc', 'done', () => close(), { keys: ['Escape'] })]))
</script>

<template>
  <section ref="panel" class="dye mb-5 px-5 py-4" aria-label="What came" data-test="receive" @keydown.esc.stop="close">
    <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <h2 class="display text-xl">What came</h2>
      <p class="text-[17px]" aria-live="polite">
        <strong>{{ markedText(lot.nominal) }}</strong>{{ lot.mark ? ` ${lot.mark}` : '' }}, {{ lot.family }}, from {{ purchase.supplier }}:
        {{ left > 0 ? `piece ${sizes.length + 1} of ${sizes.length + left}` : 'all here' }}
      </p>
      <button type="button" class="button scribed ml-auto" :data-next="served.length === 0 ? '' : undefined" @click="close">Done</button>
    </div>
    <PieceForm
      v-if="left > 0"
      ref="form"
      :lot="lot"
      empty="Keep"
      :size-fault="fault('size') ?? fault('')"
      :mark-fault="fault('mark')"
      @keep="keep"
    >
      <button type="button" class="button scribed under-label" @click="keep(null, null)">Not measured</button>
    </PieceForm>
    <FormSays v-else :says="orders.rest(WHAT)" :busy="orders.busy.value" />
    <p v-if="sizes.length" class="mt-2 text-[14px]">
      So far:
      <span class="figure">{{ sizes.map(size => measuredText(size, lot)).join(' · ') }}</span>
      <button type="button" class="link ml-3 !text-inherit" @click="takeBack">take the last back</button>
    </p>
    <p v-for="line in served" :key="line.id" class="mt-1 text-[15px]">
      Kept for {{ forWords(line) }}.
      <NuxtLink class="link !text-inherit font-semibold" data-next :to="`/checks/${line.check!.id}`">Go on with it</NuxtLink>
    </p>
    <p v-if="left > 0" class="mt-2 text-[13.5px]">
      Figure, Enter, next piece. What comes is kept for the check that waits for it; one that nobody measured counts as marked. One that is
      another size than its like gets a place of its own.
    </p>
  </section>
</template>
