<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import { formatLength, otherUnit, unitFor, markedText } from '#core/quantity/format-length'
import type { StockLot } from '#core/shop/shop'
import { useLotCommand } from '~/composables/drawer/useLotCommand'
import { api } from '~/composables/server/useApi'
import { usePreferences } from '~/stores/preferences'
import type { Coming } from '#shared/orders'
import type { LotUse, LotUses, StockView } from '#shared/types'

/** One size of the drawer: take in, measure a piece, correct the count, keep some back. */
const props = defineProps<{ lot: StockLot; coming: readonly Coming[] }>()
const emit = defineEmits<{ changed: [StockView]; reload: []; remove: [] }>()
const preferences = usePreferences()
const take = ref<number | ''>('')
const count = ref<number | ''>('')
const reason = ref('')
const kept = ref<number>(props.lot.reserved)
const inside = ref(props.lot.inside ?? null)
const outside = ref(props.lot.outside ?? null)
const { send, fault, rest, stale, busy } = useLotCommand(
  () => props.lot,
  view => emit('changed', view),
)
watch(
  () => [props.lot.id, props.lot.version],
  () => {
    kept.value = props.lot.reserved
    inside.value = props.lot.inside ?? null
    outside.value = props.lot.outside ?? null
  },
)

async function takeIn(): Promise<void> {
  if (await send('take', 'POST /api/stock/lots/:id/movements', head => ({ ...head, why: 'take-in', change: Number(take.value), note: '' })))
    take.value = ''
}
async function correct(): Promise<void> {
  const there = count.value === '' ? props.lot.onHand : Number(count.value)
  if (
    !(await send('count', 'POST /api/stock/lots/:id/movements', head => ({
      ...head,
      why: 'count',
      change: there - props.lot.onHand,
      note: reason.value.trim(),
    })))
  )
    return
  count.value = ''
  reason.value = ''
}
/** What checks hold of it, a page after the other; null until it is known. */
const uses = ref<readonly LotUse[] | null>(null)
const before = ref<number | null>(null)
async function look(from: number | null): Promise<void> {
  const of = props.lot.id
  const page = await api<LotUses>(`/api/stock/lots/${of}/uses${from === null ? '' : `?before=${from}`}`).catch(() => null)
  if (!page || of !== props.lot.id) return
  uses.value = [...(from === null ? [] : (uses.value ?? [])), ...page.uses]
  before.value = page.before
}
const more = () => look(before.value)
watch(
  () => [props.lot.id, props.lot.version, props.lot.onHand],
  () => look(null),
  { immediate: true },
)
const sizeUnit = computed(() => unitFor(preferences.system, 'size'))
const show = (value: number) =>
  `${formatLength(value, preferences.unit, { unit: true })} · ${formatLength(value, otherUnit(preferences.unit), { unit: true })}`
</script>

<template>
  <section
    :aria-label="`Size ${show(lot.nominal)}`"
    class="space-y-4 border-t rule pt-3 lg:border-t-0 lg:border-l lg:pt-0 lg:pl-6"
    data-test="lot-panel"
  >
    <div>
      <h2 class="display text-xl">
        {{ markedText(lot.nominal) }} <span class="text-mute">{{ [lot.mark, lot.colour].filter(Boolean).join(' ') }}</span>
      </h2>
      <p class="text-[14px] text-mute">{{ lot.family }} · {{ show(lot.nominal) }} · {{ lot.onHand }} on hand</p>
      <p v-if="lot.inside !== undefined || lot.outside !== undefined" class="text-[13.5px]">
        {{
          [lot.inside && `inside ${markedText(lot.inside)}`, lot.outside && `outside ${markedText(lot.outside)}`].filter(Boolean).join(', ')
        }}
      </p>
      <p v-if="lot.tags.length" class="text-[13.5px]">{{ lot.tags.join(' · ') }}</p>
      <p><NuxtLink class="link text-[13.5px]" :to="`/labels?of=size:${lot.id}`">print its label</NuxtLink></p>
    </div>
    <StaleNotice :changed="stale" @reload="emit('reload')" />
    <form novalidate class="space-y-1" @submit.prevent="takeIn">
      <label class="label block" for="lot-take">Take in, pieces</label>
      <div class="flex gap-2">
        <input id="lot-take" v-model="take" type="number" min="1" class="field figure" autocomplete="off" />
        <button class="button" type="submit">Take in</button>
      </div>
      <p v-if="fault('take', 'change')" class="fault">{{ fault('take', 'change') }}</p>
      <FormSays :says="rest('take')" :busy="busy" />
    </form>
    <LotSizes :lot="lot" @changed="emit('changed', $event)" @reload="emit('reload')" />
    <form novalidate class="space-y-1" @submit.prevent="correct">
      <label class="label block" for="lot-count">Correct the count: really there</label>
      <input
        id="lot-count"
        v-model="count"
        type="number"
        min="0"
        class="field figure"
        :placeholder="String(lot.onHand)"
        autocomplete="off"
      />
      <p v-if="fault('count', 'change')" class="fault">{{ fault('count', 'change') }}</p>
      <label class="label block" for="lot-reason">Reason</label>
      <div class="flex gap-2">
        <input id="lot-reason" v-model="reason" class="field" placeholder="recounted" autocomplete="off" />
        <button class="button" type="submit">Correct</button>
      </div>
      <p v-if="fault('count', 'note')" class="fault">{{ fault('count', 'note') }}</p>
      <FormSays :says="rest('count')" :busy="busy" />
    </form>
    <form
      novalidate
      class="space-y-1"
      @submit.prevent="send('keep', 'PATCH /api/stock/lots/:id', head => ({ ...head, kept: Number(kept) }))"
    >
      <label class="label block" for="lot-kept">Keep aside, never offered</label>
      <div class="flex gap-2">
        <input id="lot-kept" v-model="kept" type="number" min="0" class="field figure" />
        <button class="button" type="submit">Keep aside</button>
      </div>
      <p v-if="fault('keep', 'kept')" class="fault">{{ fault('keep', 'kept') }}</p>
      <FormSays :says="rest('keep')" :busy="busy" />
    </form>
    <LotOrder :lot="lot" :coming="coming" @changed="emit('changed', $event)" @reload="emit('reload')" />
    <form
      novalidate
      class="space-y-1"
      @submit.prevent="heldBack($event) || send('washer', 'PATCH /api/stock/lots/:id', head => ({ ...head, inside, outside }))"
    >
      <div class="flex items-end gap-2">
        <FigureField v-model="inside" class="flex-1" label="Washer: inside" plain :unit="sizeUnit" :fault="fault('washer', 'inside')" />
        <FigureField v-model="outside" class="flex-1" label="Outside" plain :unit="sizeUnit" :fault="fault('washer', 'outside')" />
        <button class="button" type="submit">Keep</button>
      </div>
      <FormSays :says="rest('washer')" :busy="busy" />
    </form>
    <ThingHistory :id="lot.id" :version="lot.version" />
    <button v-if="uses?.length === 0" type="button" class="link text-[14px]" data-test="remove-lot" @click="emit('remove')">
      Entered by mistake: remove this size
    </button>
    <div v-else-if="uses">
      <h3 class="label">Fitted or kept</h3>
      <ul class="text-[14px]">
        <li v-for="(use, at) in uses" :key="`${use.checkId}-${use.promised}-${at}`">
          <NuxtLink :to="`/checks/${use.checkId}`" class="link"
            >{{ use.count }} {{ use.promised ? 'kept for' : 'in' }} {{ use.checkTitle.toLowerCase() }},
            {{ use.unit.toLowerCase() }}</NuxtLink
          >
        </li>
      </ul>
      <button v-if="before !== null" type="button" class="link text-[14px]" @click="more">older ones</button>
    </div>
  </section>
</template>
