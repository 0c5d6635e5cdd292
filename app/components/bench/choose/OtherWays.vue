<script setup lang="ts">
import type { ChoiceRequest } from '#core/choice/question/question'
import { type CheckDocument, sheetsFor } from '#core/check/document'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import { MAKING_FIELDS, ratesOf } from '#core/check/common/making'
import { checkKind } from '#core/check/registry'
import type { PackChoice } from '#core/choice/answer/chooser/choose'
import { systemOf } from '#core/quantity/figure'
import { lotMap, type Lot } from '#core/pack/lot'
import type { MakeOption } from '#core/choice/answer/make-plan'
import { needsOrder, waysCompared } from '#core/choice/answer/ways-compared'
import type { CheckOrder, Coming } from '#shared/orders'
import type { CheckCommand } from '#shared/writes'
import { useOrderPlan } from '~/composables/bench/useChooser'

/** Where the drawer does not have it: a piece to make, sizes to order, and what each way costs, side by side. */
const props = defineProps<{
  document: CheckDocument
  place: PlaceEvaluation
  request: ChoiceRequest
  choice: PackChoice
  lots: readonly Lot[]
  /** what is on the list for this place already, on its way, or here */
  orders: readonly CheckOrder[]
  /** what is on its way for the drawer */
  coming: readonly Coming[]
  locked: boolean
  busy: boolean
  command: CheckCommand
}>()
const id = computed(() => props.place.place.id)
const needed = computed(() => needsOrder(props.choice))
const making = ref(false)
const ordering = ref(false)
const laps = computed(() => props.document.laps.filter(lap => lap.place === id.value))
const lap = computed(() => laps.value.find(({ end }) => end === null) ?? null)
const makes = computed(() => needed.value || making.value || laps.value.length > 0)
const asked = computed(() => needed.value || ordering.value)
/** What is on the list and not ordered yet. */
const listed = computed(() =>
  props.orders.filter(({ purchase }) => purchase === null).map(({ lotId, pieces }) => ({ lotId, count: pieces })),
)
const plan = shallowRef<readonly MakeOption[]>([])
// What reckons it comes when it is asked for, or a while after the page: most checks never need it, and the server may be away by then.
let turn = 0
const reckoner = () => import('#core/choice/answer/make-plan')
watch(
  [makes, lap, () => props.locked, () => props.request, () => props.lots],
  async () => {
    const own = ++turn
    if (!makes.value || lap.value || props.locked) {
      plan.value = []
      return
    }
    const request = { ...props.request, lappable: props.place.place.lappable, sheets: sheetsFor(props.document, props.lots) }
    const made = await reckoner().then(
      ({ makePlan }) => makePlan(request),
      () => [],
    )
    if (own === turn) plan.value = made
  },
  { immediate: true },
)
const later = setTimeout(() => void reckoner().catch(() => {}), 5_000)
onUnmounted(() => clearTimeout(later))
const wanted = ref(0.95)
const { plan: order, busy: reckoning } = useOrderPlan(
  computed(() => (asked.value ? props.request : null)),
  wanted,
)
/** rates are being said */
const rating = ref(false)
const kind = computed(() => checkKind(props.document.kind))
/** What the ways cost by is asked beside them. */
const RATES = Object.keys(MAKING_FIELDS)
const rates = computed(() => ratesOf(kind.value, props.document.setup))
const ways = computed(() => {
  if (!rates.value || lap.value) return []
  const { fitted } = props.request
  const proposal = props.choice.fallback ? null : (props.choice.proposals.find(({ change }) => change.in.length > 0) ?? null)
  return waysCompared({ proposal, order: order.value, make: plan.value[0] ?? null }, rates.value, fitted, lotMap(props.lots))
})
</script>

<template>
  <div>
    <WaysCompared v-if="(makes || asked) && ways.length > 1" class="mt-4" :ways="ways">
      <p v-if="!locked && !rating" class="mt-1 text-[13.5px]">
        <button type="button" class="link min-h-9" @click="rating = true">say what an hour and the grinder cost</button>
      </p>
      <div v-else-if="!locked" class="mt-2 grid gap-x-4 gap-y-2 sm:grid-cols-3" data-test="rates">
        <LazySetupFields
          :kind="kind"
          :setup="document.setup"
          :only="RATES"
          :unit-system="systemOf(document.entryUnit)"
          :disabled="busy"
          :settled="false"
          :faults="[]"
          @change="setup => command('settings', { settings: { setup } })"
        />
      </div>
    </WaysCompared>
    <LazyMakePanel
      :document="document"
      :laps="laps"
      :lap="lap"
      :plan="plan"
      :request="request"
      :lots="lots"
      :open="makes"
      :locked="locked"
      :busy="busy"
      @ask="making = true"
      @begin="piece => command('laps', made => ({ id: made.id, place: id, ...piece }))"
      @pass="(lapId, figures) => command('lap-passes', made => ({ lapId, ...made, figures }))"
      @end="(lapId, made) => command('lap-ends', { lapId, made })"
    />
    <LazyOrderPanel
      v-model:wanted="wanted"
      :plan="order"
      :busy="reckoning"
      :lots="lots"
      :listed="listed"
      :coming="coming"
      :locked="locked || busy"
      :open="asked"
      @ask="ordering = true"
      @list="pieces => command('wants', { place: id, pieces })"
    />
  </div>
</template>
