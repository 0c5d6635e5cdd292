<script setup lang="ts">
import { bySupplier, outstanding } from '#core/pack/order-list'
import { key, useKeys } from '~/composables/keys/useKeys'
import { useScanTaker } from '~/composables/keys/useScan'
import { useOrders } from '~/composables/drawer/useOrders'
import { usePicked } from '~/composables/keys/usePicked'

/** What is to be ordered, by supplier; what is on its way; what came. */
const picked = usePicked()
const orders = useOrders(picked)
const { view } = orders
onMounted(async () => {
  await orders.load()
  await nextTick()
  document.querySelector('[data-test="purchase"][aria-current]')?.scrollIntoView({ block: 'center' })
})
const lots = computed(() => new Map((view.value?.lots ?? []).map(lot => [lot.id, lot])))
const lists = computed(() => bySupplier(view.value?.lines ?? [], lots.value))
const suppliers = computed(() =>
  [...new Set([...(view.value?.lots ?? []), ...(view.value?.purchases ?? [])].map(({ supplier }) => supplier))].filter(Boolean).sort(),
)
const linesOf = (purchase: string) => view.value!.lines.filter(line => line.purchase === purchase)
const isOpen = (purchase: string) => linesOf(purchase).some(line => outstanding(line) > 0)
/** Orders by how they stand, those that are still coming first. */
const purchases = computed(() =>
  (
    [
      ['On the way', true],
      ['Here, or not coming', false],
    ] as const
  )
    .map(([title, open]) => [title, (view.value?.purchases ?? []).filter(({ id }) => isOpen(id) === open)] as const)
    .filter(([, list]) => list.length > 0),
)
const looking = ref(false)

/** What is under the micrometer as it comes. */
const receiving = ref<{ purchase: string; lotId: string } | null>(null)
const received = computed(() => {
  const at = receiving.value
  const purchase = at && view.value?.purchases.find(({ id }) => id === at.purchase)
  const lot = at && lots.value.get(at.lotId)
  return purchase && lot ? { purchase, lot, lines: linesOf(purchase.id).filter(({ lotId }) => lotId === lot.id) } : null
})
function receive(purchase: string, lotId: string): void {
  receiving.value = { purchase, lotId }
  void nextTick(() => document.querySelector('[data-test="receive"]')?.scrollIntoView({ block: 'nearest' }))
}
useScanTaker(({ thing, id }) => {
  const line =
    thing === 'size'
      ? view.value?.lines.find(({ lotId, purchase, ...more }) => lotId === id && purchase !== null && outstanding(more) > 0)
      : undefined
  if (!line) return false
  receive(line.purchase!, id)
  return true
})
function doneReceiving(): void {
  receiving.value = null
  move(1)
}

/** From one thing that can be done to the next. */
function move(by: number): void {
  void nextTick(() => {
    const all = [...document.querySelectorAll<HTMLElement>('[data-main]')]
    const at = all.indexOf(document.activeElement as HTMLElement)
    all[Math.min(all.length - 1, Math.max(0, at + by))]?.focus()
  })
}
useKeys(
  computed(() => [
    key('↑ ↓', 'move', pressed => move(pressed === 'ArrowDown' ? 1 : -1), { keys: ['ArrowDown', 'ArrowUp'] }),
    key('L', 'what open checks lack', () => {
      looking.value = (view.value?.unserved.length ?? 0) > 0
    }),
  ]),
)
const empty = computed(() => view.value !== null && view.value.lines.length === 0)
useHead({ title: 'Orders · Finitum' })
</script>

<template>
  <div class="w-full px-4 py-5 md:px-7">
    <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-3">
      <h1 class="display text-[30px]">Orders</h1>
      <p class="text-mute"><NuxtLink class="link" to="/stock">Stock</NuxtLink></p>
      <button v-if="view?.unserved.length && !looking" type="button" class="button ml-auto" @click="looking = true">
        What open checks lack
      </button>
    </div>
    <p v-if="orders.fault('', '')" class="fault" role="alert">{{ orders.fault('', '') }}</p>
    <p v-for="reason in orders.overtaken.value" :key="reason" class="mb-3 text-[15px] text-near" role="alert" data-test="overtaken">
      {{ reason }}
    </p>
    <ReceivePieces
      v-if="received"
      :key="`${received.purchase.id} ${received.lot.id}`"
      v-bind="received"
      :orders="orders"
      @close="doneReceiving"
    />
    <LookThrough v-if="looking && view" :unserved="view.unserved" @changed="orders.load()" @close="looking = false" />
    <template v-if="view">
      <div v-if="empty && !looking" class="max-w-2xl border-t rule py-8">
        <h2 class="display mb-2 text-xl">Nothing to order</h2>
        <p class="mb-2">
          Where the drawer does not reach the limits, the bench says what to order, under Choose, and puts it on this list; a size for the
          drawer itself is put down under Stock. The list is kept by supplier; what comes is measured piece by piece and kept for the check
          that waits for it.
        </p>
        <p v-if="view.unserved.length">
          {{ view.unserved.length === 1 ? 'One open check is' : `${view.unserved.length} open checks are` }} not within the limits, and
          waits for nothing: <strong>What open checks lack</strong> looks what would help.
        </p>
      </div>
      <section v-if="lists.length" class="mb-8" aria-label="To order">
        <h2 class="label mb-2">To order</h2>
        <SupplierOrder v-for="list in lists" :key="list.supplier" :list="list" :lots="lots" :orders="orders" :suppliers="suppliers" />
      </section>
      <section v-for="[title, list] in purchases" :key="title" class="mb-8" :aria-label="title">
        <h2 class="label mb-2">{{ title }}</h2>
        <PurchaseCard
          v-for="purchase in list"
          :key="purchase.id"
          :purchase="purchase"
          :lines="linesOf(purchase.id)"
          :lots="lots"
          :orders="orders"
          :picked="purchase.id === picked"
          @receive="receive"
        />
      </section>
    </template>
    <p v-else class="py-6 text-mute">Opening the list …</p>
  </div>
</template>
