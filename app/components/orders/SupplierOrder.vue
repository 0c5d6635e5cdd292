<script setup lang="ts">
import type { SupplierList } from '#core/pack/order-list'
import { markedText } from '#core/quantity/format-length'
import { addDays } from '#core/quantity/day'
import type { StockLot } from '#core/shop/shop'
import { money, moneyAmong } from '~/composables/words/money'
import { today } from '~/composables/words/today'
import { sizeName, type Orders } from '~/composables/drawer/useOrders'
import type { WantedLine } from '#shared/orders'
import { write } from '~/composables/server/useApi'

/** What is to be ordered from one supplier, and the order itself. */
const props = defineProps<{
  list: SupplierList<WantedLine>
  lots: ReadonlyMap<string, StockLot>
  orders: Orders
  suppliers: readonly string[]
}>()
const id = useId()
const ordering = ref(false)
const supplier = ref(props.list.supplier)
const reference = ref('')
const orderedOn = ref(today())
const due = ref('')
const form = ref<HTMLFormElement>()
const button = ref<HTMLButtonElement>()
function begin(): void {
  ordering.value = true
  orderedOn.value = today()
  due.value = props.list.leadDays === null ? '' : addDays(orderedOn.value, props.list.leadDays)
  void nextTick(() => form.value?.querySelectorAll('input')[supplier.value === '' ? 0 : 1]?.focus())
}
function leave(): void {
  ordering.value = false
  void nextTick(() => button.value?.focus())
}
const what = computed(() => `order ${props.list.supplier}`)
const fault = (path: string) => props.orders.fault(what.value, path)
async function order(): Promise<void> {
  const made = {
    supplier: supplier.value,
    lines: props.list.sizes.flatMap(({ lines }) => lines.map(line => line.id)),
    reference: reference.value,
    orderedOn: orderedOn.value,
    ...(due.value === '' ? {} : { due: due.value }),
  }
  if (await props.orders.send(what.value, names => write('POST /api/orders', { ...names, ...made }))) ordering.value = false
}
const drop = (line: WantedLine) => props.orders.send(what.value, ({ op }) => write('POST /api/orders/lines/:id/removal', { op }, line.id))
const one = (lotId: string) => props.orders.send(what.value, names => write('POST /api/orders/lines', { ...names, lotId, pieces: 1 }))
/** Prices of what is on it: where nobody keeps any, none is missing. */
const prices = computed(() => props.list.sizes.map(({ lotId }) => props.lots.get(lotId)!.cost))
const together = computed(() => {
  const { price, leadDays } = props.list
  return [
    ...(prices.value.every(one => one === null) ? [] : [price === null ? 'not every price is known' : `together ${money(price)}`]),
    ...(leadDays === null ? [] : [`here in ${leadDays} ${leadDays === 1 ? 'day' : 'days'}`]),
  ].join(', ')
})
const csv = computed(() => `/api/orders/csv?supplier=${encodeURIComponent(props.list.supplier)}`)
</script>

<template>
  <section class="mb-6" :aria-labelledby="`${id}-name`" data-test="to-order">
    <div class="mb-1 flex flex-wrap items-center gap-x-4 gap-y-2">
      <h3 :id="`${id}-name`" class="text-[17px] font-bold">{{ list.supplier || 'No supplier named yet' }}</h3>
      <p class="text-[14px] text-mute">
        {{ together }}
      </p>
      <div class="ml-auto flex gap-2">
        <a class="button" :href="csv" download="order.csv">CSV</a>
        <button v-if="!ordering" ref="button" type="button" class="button primary" data-main @click="begin">Order these</button>
      </div>
    </div>
    <div class="overflow-x-auto" tabindex="0" role="region" :aria-label="`To order from ${list.supplier || 'nobody named'}`">
      <table>
        <thead>
          <tr>
            <th class="w-28 md:w-44">Size</th>
            <th class="hidden w-44 md:table-cell">Family</th>
            <th class="hidden w-24 md:table-cell">Article</th>
            <th class="w-16 text-right md:w-20">Pieces</th>
            <th class="hidden w-28 text-right md:table-cell">Price of one</th>
            <th class="pl-3 md:pl-6">For</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="size in list.sizes" :key="size.lotId" class="align-top">
            <td class="figure font-semibold">{{ sizeName(lots.get(size.lotId)!, markedText(lots.get(size.lotId)!.nominal)) }}</td>
            <td class="hidden md:table-cell">{{ lots.get(size.lotId)!.family }}</td>
            <td class="figure hidden md:table-cell">{{ lots.get(size.lotId)!.article || '–' }}</td>
            <td class="figure text-right">{{ size.pieces }}</td>
            <td class="figure hidden text-right md:table-cell">{{ moneyAmong(lots.get(size.lotId)!.cost, prices) }}</td>
            <td class="pl-3 md:pl-6">
              <ForWhat :lines="size.lines" removable @drop="drop" />
              <button type="button" class="link text-[13px]" @click="one(size.lotId)">one more, for the drawer</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <FormSays v-if="!ordering" :says="orders.rest(what)" :busy="false" />
    <form
      v-if="ordering"
      ref="form"
      class="mt-2 grid gap-3 border-y rule py-3 sm:grid-cols-2 lg:grid-cols-[1fr_1fr_11rem_11rem_auto]"
      novalidate
      data-test="order-form"
      @submit.prevent="order"
      @keydown.esc.stop="leave"
    >
      <div>
        <label class="label mb-1 block" :for="`${id}-supplier`">Ordered from</label>
        <input :id="`${id}-supplier`" v-model="supplier" class="field" maxlength="60" :list="`${id}-all`" autocomplete="off" />
        <datalist :id="`${id}-all`"><option v-for="name in suppliers" :key="name" :value="name" /></datalist>
        <p v-if="fault('supplier')" class="fault">{{ fault('supplier') }}</p>
      </div>
      <div>
        <label class="label mb-1 block" :for="`${id}-reference`"
          >Number or reference <span class="font-normal">(may be left out)</span></label
        >
        <input :id="`${id}-reference`" v-model="reference" class="field" maxlength="60" autocomplete="off" />
      </div>
      <div>
        <label class="label mb-1 block" :for="`${id}-on`">Ordered on</label>
        <input :id="`${id}-on`" v-model="orderedOn" type="date" class="field figure" />
        <p v-if="fault('orderedOn')" class="fault">{{ fault('orderedOn') }}</p>
      </div>
      <div>
        <label class="label mb-1 block" :for="`${id}-due`">To be here on</label>
        <input :id="`${id}-due`" v-model="due" type="date" class="field figure" />
        <p v-if="fault('due')" class="fault">{{ fault('due') }}</p>
      </div>
      <div class="flex items-end gap-2">
        <button type="submit" class="button primary" :disabled="orders.busy.value">It is ordered</button>
        <button type="button" class="button" @click="leave">Leave it</button>
      </div>
      <FormSays class="col-span-full" :says="orders.rest(what)" :busy="orders.busy.value" />
    </form>
  </section>
</template>
