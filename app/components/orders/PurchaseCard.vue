<script setup lang="ts">
import { bySize } from '#core/pack/order-list'
import { measuredText } from '#core/pack/lot'
import { markedText } from '#core/quantity/format-length'
import type { Purchase, StockLot } from '#core/shop/shop'
import { dayText } from '#core/quantity/day'
import { today } from '~/composables/words/today'
import { sizeName, type Orders } from '~/composables/drawer/useOrders'
import type { WantedLine } from '#shared/orders'
import { write } from '~/composables/server/useApi'

/** An order: what of it is here, what is still to come, and what will not. */
const props = defineProps<{
  purchase: Purchase
  lines: readonly WantedLine[]
  lots: ReadonlyMap<string, StockLot>
  orders: Orders
  picked: boolean
}>()
const emit = defineEmits<{ receive: [purchase: string, lotId: string] }>()
const id = useId()
const sizes = computed(() => bySize(props.lines, props.lots))
const open = computed(() => sizes.value.some(size => size.outstanding > 0))
const untouched = computed(() => props.lines.every(({ arrived, cancelled }) => arrived === 0 && cancelled === null))
const late = computed(() => open.value && props.purchase.due !== null && props.purchase.due < today())
const what = computed(() => `purchase ${props.purchase.id}`)
const fault = (path: string) => props.orders.fault(what.value, path)
const send = (request: Parameters<Orders['send']>[1]) => props.orders.send(what.value, request)
const measured = (lines: readonly WantedLine[], lot: StockLot) =>
  lines
    .flatMap(line => line.sizes)
    .map(size => measuredText(size, lot))
    .join(' · ')

const moving = ref(false)
const due = ref('')
function move(): void {
  due.value = props.purchase.due ?? ''
  moving.value = true
}
async function keepDay(): Promise<void> {
  if (
    await send(({ op }) =>
      write('PATCH /api/orders/:id', { op, version: props.purchase.version, due: due.value || null }, props.purchase.id),
    )
  )
    moving.value = false
}
const cancelling = ref<string | null>(null)
const reason = ref('')
const reasonField = ref<HTMLInputElement[]>()
function giveUp(lotId: string): void {
  cancelling.value = lotId
  reason.value = ''
  void nextTick(() => reasonField.value?.[0]?.focus())
}
async function cancel(): Promise<void> {
  const lotId = cancelling.value!
  if (await send(({ op }) => write('POST /api/orders/:id/cancellations', { op, lotId, reason: reason.value }, props.purchase.id)))
    cancelling.value = null
}
const back = () => send(({ op }) => write('POST /api/orders/:id/back', { op, version: props.purchase.version }, props.purchase.id))
</script>

<template>
  <section
    class="mb-6"
    :class="picked ? '-mx-4 bg-sheet px-4 py-3' : ''"
    :aria-labelledby="`${id}-name`"
    :aria-current="picked || undefined"
    data-test="purchase"
  >
    <div class="mb-1 flex flex-wrap items-center gap-x-4 gap-y-1">
      <h3 :id="`${id}-name`" class="text-[17px] font-bold">
        {{ purchase.supplier }}<span v-if="purchase.reference" class="font-normal text-mute"> · {{ purchase.reference }}</span>
      </h3>
      <p class="text-[14px]" :class="late ? 'font-semibold text-near' : 'text-mute'">
        ordered {{ dayText(purchase.orderedOn)
        }}{{ !open ? '' : purchase.due === null ? ', no day said' : `, ${late ? 'was due' : 'due'} ${dayText(purchase.due)}` }}
      </p>
      <div class="ml-auto flex flex-wrap items-baseline gap-x-4">
        <form v-if="moving" class="flex items-center gap-2" novalidate @submit.prevent="keepDay" @keydown.esc.stop="moving = false">
          <label class="label" :for="`${id}-due`">Due on</label>
          <input :id="`${id}-due`" v-model="due" type="date" class="field figure !w-40" />
          <button type="submit" class="button">Keep</button>
        </form>
        <button v-else-if="open" type="button" class="link text-[13.5px]" @click="move">another day</button>
        <button v-if="untouched" type="button" class="link text-[13.5px]" @click="back">not ordered after all</button>
        <a class="link text-[13.5px]" :href="`/api/orders/csv?order=${purchase.id}`" download="order.csv">CSV</a>
      </div>
    </div>
    <div class="overflow-x-auto" tabindex="0" role="region" :aria-label="`Ordered from ${purchase.supplier}`">
      <table>
        <thead>
          <tr>
            <th class="w-24 md:w-44">Size</th>
            <th class="hidden w-44 md:table-cell">Family</th>
            <th class="w-16 text-right md:w-24">Here</th>
            <th class="pl-3 md:pl-6">For</th>
            <th class="w-32 md:w-56"><span class="sr-only">What came</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="size in sizes" :key="size.lotId" class="align-top">
            <td class="figure font-semibold">{{ sizeName(lots.get(size.lotId)!, markedText(lots.get(size.lotId)!.nominal)) }}</td>
            <td class="hidden md:table-cell">{{ lots.get(size.lotId)!.family }}</td>
            <td class="figure text-right">{{ size.arrived }} of {{ size.pieces }}</td>
            <td class="pl-3 md:pl-6">
              <ForWhat :lines="size.lines" />
              <p v-if="size.arrived" class="text-[13px] text-mute">
                came as <span class="figure">{{ measured(size.lines, lots.get(size.lotId)!) }}</span>
              </p>
            </td>
            <td class="!pr-0 text-right">
              <div v-if="size.outstanding && cancelling !== size.lotId" class="flex flex-wrap items-center justify-end gap-x-3 gap-y-1">
                <button
                  type="button"
                  class="button min-h-9"
                  data-main
                  :aria-label="`It came: ${markedText(lots.get(size.lotId)!.nominal)}`"
                  @click="emit('receive', purchase.id, size.lotId)"
                >
                  It came
                </button>
                <button type="button" class="link min-h-9 text-[13px]" @click="giveUp(size.lotId)">will not come</button>
              </div>
              <form
                v-else-if="cancelling === size.lotId"
                novalidate
                class="space-y-1 text-left"
                @submit.prevent="cancel"
                @keydown.esc.stop="cancelling = null"
              >
                <label class="label block" :for="`${id}-why`">Why it will not come</label>
                <input :id="`${id}-why`" ref="reasonField" v-model="reason" class="field" maxlength="200" autocomplete="off" />
                <p v-if="fault('reason')" class="fault">{{ fault('reason') }}</p>
                <div class="flex gap-2">
                  <button type="submit" class="button min-h-9">Say so</button>
                  <button type="button" class="button min-h-9" @click="cancelling = null">Leave it</button>
                </div>
              </form>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <FormSays :says="orders.rest(what)" :busy="false" />
  </section>
</template>
