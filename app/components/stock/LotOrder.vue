<script setup lang="ts">
import type { StockLot } from '#core/shop/shop'
import { BAD_PRICE, money, parseMoney } from '~/composables/words/money'
import { comingWords } from '~/composables/words/comingWords'
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { useLotCommand } from '~/composables/drawer/useLotCommand'
import { useScannedArticle } from '~/composables/drawer/useScannedArticle'
import type { Coming } from '#shared/orders'
import type { StockView } from '#shared/types'

/** What a size costs, how long it takes and from whom it comes; and some of it for the drawer, on the order list. */
const props = defineProps<{ lot: StockLot; coming: readonly Coming[] }>()
const emit = defineEmits<{ changed: [StockView]; reload: [] }>()
const { send, refuse, fault, rest, stale, busy } = useLotCommand(
  () => props.lot,
  view => emit('changed', view),
)
const price = ref('')
const days = ref<number | ''>('')
const supplier = ref('')
const article = ref('')
/** Scanned, and of nothing yet: it stands here until it is kept. */
const scanned = useScannedArticle()
watch(
  () => [props.lot.id, props.lot.version],
  () => {
    price.value = props.lot.cost === null ? '' : money(props.lot.cost)
    days.value = props.lot.leadDays ?? ''
    supplier.value = props.lot.supplier
    article.value = scanned.value ?? props.lot.article
  },
  { immediate: true },
)
watch(scanned, code => {
  if (code !== null) article.value = code
})
async function keep(): Promise<void> {
  const cost = parseMoney(price.value)
  if (cost === undefined) return refuse('order', 'cost', BAD_PRICE)
  const leadDays = days.value === '' ? null : Number(days.value)
  if (
    await send('order', 'PATCH /api/stock/lots/:id', head => ({
      ...head,
      cost,
      leadDays,
      supplier: supplier.value,
      article: article.value,
    }))
  )
    scanned.value = null
}

const pieces = ref<number | ''>('')
const listing = useForm()
/** how many were put on the list just now */
const listed = ref<number | null>(null)
const list = (): Promise<boolean> =>
  listing.submit(
    names => write('POST /api/orders/lines', { ...names, lotId: props.lot.id, pieces: Number(pieces.value) }),
    () => {
      listed.value = Number(pieces.value)
      pieces.value = ''
      emit('reload')
    },
  )
</script>

<template>
  <div class="space-y-4">
    <StaleNotice :changed="stale" @reload="emit('reload')" />
    <form novalidate class="space-y-1" @submit.prevent="keep">
      <div class="flex gap-2">
        <div class="flex-1">
          <label class="label mb-1 block" for="lot-price">Price of one</label>
          <input id="lot-price" v-model="price" class="field figure" inputmode="decimal" autocomplete="off" />
        </div>
        <div class="flex-1">
          <label class="label mb-1 block" for="lot-days">Delivery, days</label>
          <input id="lot-days" v-model="days" type="number" min="0" class="field figure" />
        </div>
      </div>
      <label class="label block" for="lot-supplier">Bought from</label>
      <input id="lot-supplier" v-model="supplier" class="field" maxlength="60" autocomplete="off" />
      <div class="flex gap-2">
        <div class="min-w-0 flex-1">
          <label class="label mb-1 block" for="lot-article">Article</label>
          <input id="lot-article" v-model="article" class="field figure" maxlength="40" autocomplete="off" />
        </div>
        <button class="button self-end" type="submit">Keep</button>
      </div>
      <p v-if="fault('order', 'cost') ?? fault('order', 'leadDays')" class="fault">
        {{ fault('order', 'cost') ?? fault('order', 'leadDays') }}
      </p>
      <FormSays :says="rest('order')" :busy="busy" />
    </form>
    <form v-if="!lot.apart" novalidate class="space-y-1" @submit.prevent="list">
      <label class="label block" for="lot-order">Put on the order list, pieces</label>
      <div class="flex gap-2">
        <input id="lot-order" v-model="pieces" type="number" min="1" class="field figure" autocomplete="off" />
        <button class="button" type="submit">To order</button>
      </div>
      <FormSays :says="listing.rest()" :busy="listing.busy" />
      <ul v-if="coming.length" class="text-[13.5px]" data-test="coming">
        <li v-for="(one, i) in coming" :key="i">{{ comingWords(one) }}, for {{ one.check ?? 'the drawer' }}</li>
      </ul>
      <p v-if="listed" class="text-[13.5px] text-in" role="status">
        {{ listed }} on <NuxtLink class="link" to="/orders">the order list</NuxtLink>.
      </p>
    </form>
  </div>
</template>
