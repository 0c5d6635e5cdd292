<script setup lang="ts">
import { markedText } from '#core/quantity/format-length'
import type { OrderPlan } from '#core/choice/answer/order-plan'
import { samePack, lotMap, type Lot, type Pack } from '#core/pack/lot'
import { comingWords } from '~/composables/words/comingWords'
import { upperFirst } from '#core/quantity/first-letter'
import { money, moneyAmong } from '~/composables/words/money'
import type { Coming } from '#shared/orders'

/** What to order when the drawer does not have it: fewest sizes, their chances, and what is lost if one does not come. */
const props = defineProps<{
  plan: OrderPlan | null
  busy: boolean
  lots: readonly Lot[]
  /** what is on the order list for this place, and not ordered yet */
  listed: Pack
  /** what is on its way for the drawer */
  coming: readonly Coming[]
  locked: boolean
  open: boolean
}>()
const wanted = defineModel<number>('wanted', { required: true })
const emit = defineEmits<{ ask: []; list: [Pack] }>()
/** `Together 12.00, all here in 5 days`: where nobody keeps prices, none is missing. */
const together = computed(() => {
  if (!props.plan) return ''
  const { price, leadDays, items } = props.plan
  const prices = items.every(item => item.price === null) ? [] : [price === null ? 'Not every price is known' : `Together ${money(price)}`]
  const days = leadDays === null ? [] : [`all here in ${leadDays} ${leadDays === 1 ? 'day' : 'days'}`]
  return upperFirst([...prices, ...days].join(', '))
})
const planned = computed<Pack>(() => props.plan?.items.map(({ lotId, pieces }) => ({ lotId, count: pieces })) ?? [])
const onList = computed(() => props.listed.length > 0 && samePack(props.listed, planned.value))
/** Of the sizes of the plan, what nobody waits for. */
const free = computed(() => props.coming.filter(({ lotId }) => props.plan?.items.some(item => item.lotId === lotId)))
const index = computed(() => lotMap(props.lots))
const name = (id: string) => {
  const lot = index.value.get(id)
  return lot ? [markedText(lot.nominal), lot.mark, lot.colour].filter(Boolean).join(', ') : id
}
const percent = (p: number) => `${Math.round(p * 100)} %`
</script>

<template>
  <section class="mt-4" aria-label="Order plan" data-test="order-plan">
    <div class="mb-1 flex flex-wrap items-center gap-x-4">
      <h2 class="label">Order plan</h2>
      <button v-if="!open" type="button" class="link min-h-9 text-[13.5px]" @click="$emit('ask')">
        what to order, if these will not do
      </button>
      <label v-else class="ml-auto flex items-center gap-2 text-[13px] text-mute"
        >chance wanted
        <select v-model.number="wanted" class="min-h-9 rounded border rule bg-sheet px-2 text-ink">
          <option v-for="p in [0.8, 0.9, 0.95, 0.99]" :key="p" :value="p">{{ percent(p) }}</option>
        </select>
      </label>
    </div>
    <template v-if="open && plan">
      <p class="text-[14.5px]" :class="plan.chance >= plan.wanted ? '' : 'text-near'">{{ plan.words }}</p>
      <table v-if="plan.items.length" class="tight">
        <thead>
          <tr>
            <th>Size</th>
            <th class="text-right">pieces</th>
            <th class="text-right">price</th>
            <th class="text-right">days</th>
            <th class="text-right">chance without it</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="item in plan.items" :key="item.lotId">
            <td class="font-semibold">{{ name(item.lotId) }}</td>
            <td class="figure text-right">{{ item.pieces }}</td>
            <td class="figure text-right">
              {{
                moneyAmong(
                  item.price,
                  plan.items.map(({ price }) => price),
                )
              }}
            </td>
            <td class="figure text-right">{{ item.leadDays ?? 'not known' }}</td>
            <td class="figure text-right">{{ percent(item.chanceWithout) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-for="(one, i) in free" :key="i" class="text-[14px] text-near" data-test="coming">
        {{ name(one.lotId) }}: {{ comingWords(one) }} already, for the drawer.
      </p>
      <p v-if="plan.items.length" class="text-[13px] text-mute">
        {{ together ? `${together}. ` : '' }}If the supplier cancels one, the chance without it is what is left: order its neighbour, or lap
        a thicker piece. What comes is measured before it goes in.
      </p>
    </template>
    <p v-if="open && plan && !locked && (plan.items.length || listed.length)" class="mt-2 flex flex-wrap items-center gap-x-3">
      <button v-if="plan.items.length && !onList" type="button" class="button" @click="emit('list', planned)">
        {{ listed.length ? 'Put this on the order list instead' : 'Put this on the order list' }}
      </button>
      <span v-if="onList" class="text-[14px] text-in">It is on the order list.</span>
      <button v-if="listed.length" type="button" class="link min-h-9 text-[13.5px]" @click="emit('list', [])">take it off the list</button>
    </p>
    <p v-else-if="open && busy" class="text-[14px] text-mute">Going through what can be ordered …</p>
  </section>
</template>
