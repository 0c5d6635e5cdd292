<script setup lang="ts">
import type { ChoiceRequest } from '#core/choice/question/question'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import { withLotsInHand, type PieceInHand } from '#core/pack/in-hand'
import { lotMap, pieceAsks, thickness, unitMade, type Pack, type Shape } from '#core/pack/lot'
import { toldText } from '#core/choice/question/told'
import { pieceText } from '#core/quantity/format-length'
import { percent } from '#core/quantity/percent'
import { orderWords, stackingOrder, type Stacked } from '#core/pack/stacking'
import { UNIT_NAME } from '#core/quantity/length'
import { useInHand } from '~/composables/bench/useInHand'
import { usePreferences } from '~/stores/preferences'

/** The change of a pack, piece by piece. Stock moves when it is confirmed. */
const props = defineProps<{
  open: boolean
  proposal: Proposal | null
  request: ChoiceRequest | null
  busy: boolean
  fault: string | null
  /** what speaks against it is a promise to another check */
  promised: boolean
  place: string
  /** what comes out with it: trial packings */
  packings: readonly { place: string; pieces: string }[]
  /** how the pieces lie in it */
  stack: Stacked | null
  /** it is chosen by the gap it fills */
  ofGap?: boolean
}>()
const emit = defineEmits<{ close: []; done: [PieceInHand[]]; claim: [PieceInHand[]] }>()
const preferences = usePreferences()
const { pieces, inHand, told } = useInHand(toRef(props, 'open'), toRef(props, 'request'), toRef(props, 'proposal'))
const show = (value: number, unit = false) => toldText(value, props.request?.question.told, preferences.unit, { unit })
const index = computed(() => lotMap(withLotsInHand(props.request?.drawer ?? [], inHand.value)))
const size = (id: string) => pieceText(thickness(index.value.get(id)!), preferences.unit)
function name(id: string): string {
  const { mark, colour, apart } = index.value.get(id)!
  const words = [
    `${size(id)} ${UNIT_NAME[preferences.unit]}`,
    mark && (apart && mark.length > 2 ? `it lies in ${mark}` : `mark ${mark}`),
    colour,
  ]
  return words.filter(Boolean).join(', ')
}
/** In the order of the stack they belong to. */
function list(pack: Pack, of: Pack) {
  const order = stackingOrder(of, index.value)
  return [...pack]
    .sort((a, b) => order.indexOf(a.lotId) - order.indexOf(b.lotId))
    .map(piece => ({ ...piece, name: name(piece.lotId), lot: index.value.get(piece.lotId)! }))
}
const order = computed(() => (told.value && props.stack ? orderWords(told.value.pack, index.value, props.stack) : ''))
const UNMEASURED: Partial<Record<Shape, string>> = {
  packing: 'as squeezed, not as a loose sheet',
  sprung: 'nobody measured this one: measure it pressed flat',
}
/** A piece nobody measured is measured first; otherwise the change is all there is to confirm. */
const confirm = ref<HTMLElement | null>(null)
const focus = computed(() => (pieces.value.some(({ lot }) => lot.measured === null) ? null : confirm.value))
const fields = ref<HTMLElement>()
function onEnter(event: KeyboardEvent): void {
  const inputs = [...fields.value!.querySelectorAll('input')]
  const next = inputs[inputs.indexOf(event.target as HTMLInputElement) + 1] ?? confirm.value
  next?.focus()
}
/** A figure that is still asked about is answered, or taken out, before the pack is changed without it. */
function change(): void {
  const open = fields.value?.querySelector<HTMLElement>('input[aria-invalid="true"]')
  if (open) open.focus()
  else if (props.promised) emit('claim', inHand.value)
  else emit('done', inHand.value)
}
/** Nothing in, nothing out: it is only taken apart. */
const again = computed(() => props.proposal !== null && props.proposal.change.in.length + props.proposal.change.out.length === 0)
/** What is put in ready: its own figure is known. */
const known = computed(() => list(props.proposal?.change.in ?? [], props.proposal?.pack ?? []).filter(({ lot }) => lot.apart))
</script>

<template>
  <PlainDialog
    :open="open && proposal !== null"
    :title="again ? 'Built again, the same pack' : 'Change the pack'"
    :focus="focus"
    @close="$emit('close')"
  >
    <div v-if="proposal && told" class="space-y-3">
      <div v-if="proposal.change.out.length">
        <h3 class="label">Take out, and bag for the drawer: {{ place }}</h3>
        <ul class="list-disc pl-5">
          <li v-for="piece in list(proposal.change.out, request?.fitted ?? [])" :key="piece.lotId">{{ piece.count }} × {{ piece.name }}</li>
        </ul>
      </div>
      <p v-for="packing in packings" :key="packing.place" data-test="packing-out">
        Comes out with it: {{ packing.pieces }}, {{ packing.place }}. What it leaves is reckoned without.
      </p>
      <div v-if="proposal.change.in.length" ref="fields" data-test="put-in" @keydown.enter.prevent="onEnter">
        <h3 class="label">Put in, from the drawer</h3>
        <ul class="list-disc pl-5">
          <li v-for="piece in known" :key="piece.lotId">{{ piece.count }} × {{ piece.name }}</li>
        </ul>
        <div v-for="(piece, i) in pieces" :key="piece.id" class="mt-1 flex flex-wrap items-start gap-x-3">
          <p class="w-full sm:w-44 sm:pt-2">
            1 × {{ name(piece.lot.id) }}
            <span v-if="piece.lot.measured === null" class="block text-[13px] text-near">{{
              UNMEASURED[piece.lot.shape] ?? 'nobody measured this one: measure it'
            }}</span>
          </p>
          <div class="w-44">
            <FigureField
              v-model="piece.size"
              hide-label
              optional
              :label="`Measured, piece ${i + 1}`"
              :unit="unitMade([piece.lot])!"
              :options="pieceAsks(piece.lot)"
            />
          </div>
          <input
            v-if="piece.size !== null"
            v-model="piece.mark"
            class="field !w-28"
            maxlength="20"
            placeholder="its label"
            :aria-label="`Label of piece ${i + 1}`"
            autocomplete="off"
          />
        </div>
        <p v-if="pieces.length" class="mt-1 text-[13px] text-mute">
          Measured in the hand, it is reckoned by its own figure from now on. May be left out.
        </p>
      </div>
      <div>
        <h3 class="label">Stack in this order</h3>
        <p class="figure">{{ told.order.map(size).join(' · ') || 'no pieces' }}</p>
        <p v-if="order" data-test="stack-words">{{ order }}</p>
      </div>
      <p class="caution">Clean and dry, every piece flat. Tighten as the maker’s manual says before measuring again.</p>
      <p v-if="request?.question.told?.by === 'direction'" data-test="fit-leaves">By how much it moves, the next fitting shows.</p>
      <p v-else data-test="fit-leaves">
        {{ ofGap ? 'By the gap it leaves' : 'It will leave' }}
        <strong v-if="told.atMost" class="figure">at most {{ show(told.predicted.play, true) }}</strong>
        <strong v-else class="figure">{{ show(told.predicted.play) }} ± {{ show(told.predicted.U, true) }}</strong
        ><template v-if="told.chance">, {{ percent(told.chance.inside) }} in limits</template>.
        <span class="text-mute">{{ told.arithmetic }}</span>
      </p>
      <p v-if="told.chance && proposal.chance && told.chance.inside < 0.5 && proposal.chance.inside >= 0.5" class="text-near">
        By its own figure this piece does not do: take another.
      </p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div class="flex gap-3">
        <button ref="confirm" type="button" class="button primary" :disabled="busy" @click="change">
          {{ again ? 'It is built again' : promised ? 'Take them from there: the pack is changed' : 'The pack is changed' }}
        </button>
        <button type="button" class="button" @click="$emit('close')">Not yet</button>
      </div>
    </div>
  </PlainDialog>
</template>
