<script setup lang="ts">
import type { ChoiceRequest } from '#core/choice/question/question'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import { thickness, type Lot, type Pack } from '#core/pack/lot'
import { toldText } from '#core/choice/question/told'
import { formatLength, pieceText } from '#core/quantity/format-length'
import { percent } from '#core/quantity/percent'
import { useScanTaker } from '~/composables/keys/useScan'
import { usePreferences } from '~/stores/preferences'

/** The technician's own pack: pieces tapped in and out, predicted and judged as they are. */
const props = defineProps<{
  request: ChoiceRequest
  pack: Pack
  proposal: Proposal | null
  canFit: boolean
  most: number
  fewest: number
}>()
const emit = defineEmits<{ change: [Pack]; fit: [] }>()
const preferences = usePreferences()
const told = computed(() => props.request.question.told)
const show = (value: number, unit = false) => toldText(value, told.value, preferences.unit, { unit })
const countOf = (pack: Pack, id: string) => pack.find(piece => piece.lotId === id)?.count ?? 0
const free = (lot: Lot) => Math.max(0, lot.onHand - lot.reserved) + countOf(props.request.fitted, lot.id) - countOf(props.pack, lot.id)
const size = (lot: Lot) =>
  `${pieceText(thickness(lot), preferences.unit)}${lot.mark ? ` ${lot.mark}` : ''}${lot.shape === 'flat' ? '' : ` ${lot.shape}`}`
const byThickness = computed(() => [...props.request.drawer].sort((a, b) => thickness(b) - thickness(a)))
const inside = computed(() => byThickness.value.filter(lot => countOf(props.pack, lot.id) > 0))
const outside = computed(() => byThickness.value.filter(lot => free(lot) > 0))
const pieces = computed(() => props.pack.reduce((sum, piece) => sum + piece.count, 0))
/** A piece that is gone from one row leaves the cursor in that row, not at the top of the page. */
const takingOut = ref<HTMLElement>()
const puttingIn = ref<HTMLElement>()
function focusIn(row: HTMLElement | undefined, at: number): void {
  const buttons = [...(row?.querySelectorAll('button') ?? [])]
  ;(buttons[Math.min(at, buttons.length - 1)] ?? puttingIn.value?.querySelector('button'))?.focus()
}
onMounted(() => focusIn(takingOut.value, 0))
function put(id: string, by: 1 | -1): void {
  const row = by < 0 ? takingOut : puttingIn
  const at = (by < 0 ? inside : outside).value.findIndex(lot => lot.id === id)
  void nextTick(() => {
    if (!document.activeElement?.closest('[data-test="own-pack"] button')) focusIn(row.value, at)
  })
  const count = countOf(props.pack, id) + by
  const others = props.pack.filter(piece => piece.lotId !== id)
  emit('change', count > 0 ? [...others, { lotId: id, count }] : others)
}
useScanTaker(({ thing, id }) => {
  if (thing !== 'size' || pieces.value >= props.most || !outside.value.some(lot => lot.id === id)) return false
  put(id, 1)
  return true
})
const changed = computed(() => props.proposal !== null && props.proposal.change.in.length + props.proposal.change.out.length > 0)
/** the shape of which there is just one */
const one = computed(() => props.request.rules.one)
const ones = computed(() =>
  inside.value.filter(({ shape }) => shape === one.value).reduce((sum, lot) => sum + countOf(props.pack, lot.id), 0),
)
const fault = computed(() =>
  pieces.value < props.fewest
    ? `At least ${props.fewest} ${props.fewest === 1 ? 'piece' : 'pieces'} here.`
    : pieces.value > props.most
      ? `At most ${props.most} ${props.most === 1 ? 'piece' : 'pieces'} here.`
      : one.value !== undefined && ones.value !== 1
        ? `Exactly one ${one.value} piece belongs here.`
        : null,
)
</script>

<template>
  <section class="space-y-2" aria-label="Own pack" data-test="own-pack">
    <div>
      <h3 class="label mb-1">In the pack: tap to take out</h3>
      <div ref="takingOut" class="flex flex-wrap gap-1.5">
        <button
          v-for="lot in inside"
          :key="lot.id"
          type="button"
          class="button figure min-h-11 !px-2.5"
          :aria-label="`Take out ${size(lot)}`"
          @click="put(lot.id, -1)"
        >
          {{ size(lot) }}<span v-if="countOf(pack, lot.id) > 1" class="text-mute"> × {{ countOf(pack, lot.id) }}</span>
        </button>
        <span v-if="inside.length === 0" class="flex min-h-11 items-center text-mute">nothing</span>
      </div>
    </div>
    <div>
      <h3 class="label mb-1">
        Free in the drawer: tap to put in<span v-if="outside.some(lot => lot.measured === null)" class="font-normal"
          >; dashed: not measured</span
        >
      </h3>
      <div ref="puttingIn" class="flex max-h-48 flex-wrap gap-1.5 overflow-y-auto p-0.5">
        <button
          v-for="lot in outside"
          :key="lot.id"
          type="button"
          class="button figure min-h-11 !px-2.5"
          :class="lot.measured === null ? 'border-dashed' : ''"
          :disabled="pieces >= most"
          :aria-label="`Put in ${size(lot)}, ${free(lot)} free${lot.measured === null ? ', not measured' : ''}`"
          @click="put(lot.id, 1)"
        >
          {{ size(lot) }}<span v-if="free(lot) > 1" class="text-mute"> × {{ free(lot) }}</span>
        </button>
        <span v-if="outside.length === 0" class="flex min-h-11 items-center text-mute">nothing that is free</span>
      </div>
    </div>
    <div v-if="proposal" class="flex flex-wrap items-center gap-x-4 gap-y-1" data-test="own-says">
      <p class="min-w-0 flex-1 basis-64 text-[14.5px]">
        Total {{ formatLength(proposal.total, preferences.unit) }},
        <template v-if="told?.by === 'direction'">what it leaves, the next fitting shows</template
        ><template v-else
          >leaves
          <strong class="figure">{{
            proposal.atMost
              ? `at most ${show(proposal.predicted.play, true)}`
              : `${show(proposal.predicted.play)} ± ${show(proposal.predicted.U, true)}`
          }}</strong></template
        ><template v-if="proposal.chance">, {{ percent(proposal.chance.inside) }} in limits</template>.
        <span v-if="fault" class="text-near">{{ fault }}</span>
        <span v-else-if="proposal.aside" class="text-near">{{ proposal.aside }}</span>
      </p>
      <button v-if="changed && canFit && !fault" type="button" class="button primary min-h-11" @click="emit('fit')">Fit this</button>
    </div>
  </section>
</template>
