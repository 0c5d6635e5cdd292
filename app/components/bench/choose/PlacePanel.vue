<script setup lang="ts">
import { MOST_PIECES } from '#core/choice/question/rules'
import { chosenFor, inPairs } from '#core/check/pack-place'
import { washersLeftOut } from '#core/check/washers'
import { packAt, piecesIn, type CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import type { Phase } from '#core/method/step'
import { pieceList } from '#core/pack/arithmetic'
import type { PackChoice } from '#core/choice/answer/chooser/choose'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import { lotMap, type Lot, type Pack } from '#core/pack/lot'
import { useKindView } from '~/components/bench/kinds/views'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'
import type { CheckCommand } from '#shared/writes'

/** One place: what is fitted and what would go in, the packs to pick from, and below it what else can be done: all places at once, make, order. */
const props = defineProps<{
  document: CheckDocument
  evaluation: CheckEvaluation
  place: PlaceEvaluation
  choice: PackChoice | null
  /** the pack in hand: one of the choice, or the technician's own */
  proposal: Proposal | null
  ownPack: Pack | null
  choosing: boolean
  phase: Phase
  locked: boolean
  /** a reading is being typed: nothing is fitted before it is logged */
  typing: boolean
  busy: boolean
  windowWords: string | null
  /** what the verdict says */
  sentence: string
  fault: string | null
  command: CheckCommand
}>()
const picked = defineModel<number>('picked', { required: true })
defineEmits<{
  fit: []
  again: []
  fitAll: [{ place: string; pieces: Pack }[]]
  own: [Pack | null]
  look: [string]
}>()
const bench = useBench()
const view = useKindView(() => props.document.kind)
/** Things can be done, not only seen. */
const open = computed(() => props.phase === 'choose')
const preferences = usePreferences()
const request = computed(() => (props.locked ? null : props.place.request))
/** The first pack goes by the gap it fills, not yet by what is wanted in the end. */
const ofGap = computed(() => props.place.learned !== null && request.value !== null && request.value.question.told === undefined)
/** What the first pack is chosen by. */
const firstBy = computed(() => {
  const { chosen } = props.place.place
  const by = request.value?.question.id
  const first = chosen.by === 'slope' ? chosen.first.find(({ result }) => result === by) : undefined
  const result = props.evaluation.current.results.find(({ id: of }) => of === by)
  return result && typeof first?.aim !== 'number' ? result.kind.label : 'gap that is left'
})
const id = computed(() => props.place.place.id)
const proposal = computed(() => (request.value ? props.proposal : null))
const last = computed(() => props.document.trials.at(-1)!)
const fitted = computed(() =>
  packAt(last.value, props.place.place) === null && piecesIn(last.value, id.value).length === 0 ? null : piecesIn(last.value, id.value),
)
const known = computed(() => packAt(last.value, props.place.place) !== null)
/** Other places that move the same figure: a packing in the joint beside the shims. */
const siblings = computed(() =>
  props.evaluation.places.map(({ place }) => place).filter(other => chosenFor(other).result === chosenFor(props.place.place).result),
)
/** Pieces promised to this place until it is fitted or signed. */
const kept = computed(() => bench.view?.reserves[id.value] ?? [])
/** What was ordered for this place, or is to be. */
const orders = computed(() => bench.view?.orders.filter(({ place }) => place === id.value) ?? [])
/** Sizes are being put in from here. */
const filling = ref(false)
const noDrawer = computed(
  () => !bench.lots.some(lot => lot.family === props.document.family && lot.shape !== 'sheet' && lot.onHand > 0 && holds(lot)),
)
const holds = ({ shape }: Lot) => props.place.place.holds === undefined || shape === props.place.place.holds
/** Washers the place has no room for. */
const leftOut = computed(() => washersLeftOut(props.document, props.place.place, bench.lots))
const keep = (pieces: Pack) => props.command('reserves', { place: id.value, pieces })
</script>

<template>
  <div>
    <div
      v-if="siblings.length > 1 && open"
      class="mb-2 flex flex-wrap gap-2"
      role="group"
      aria-label="What is changed"
      data-test="siblings"
    >
      <button
        v-for="sibling in siblings"
        :key="sibling.id"
        type="button"
        class="button min-h-9"
        :aria-pressed="sibling.id === id"
        :class="sibling.id === id ? 'border-accent font-bold' : ''"
        @click="$emit('look', sibling.id)"
      >
        {{ sibling.label }}
      </button>
    </div>
    <div class="mb-1 flex flex-wrap justify-between gap-x-4">
      <h2 class="label">{{ place.place.label }}</h2>
      <span v-if="windowWords" class="label font-normal">{{ windowWords }}</span>
    </div>
    <PackSection
      :fitted="fitted"
      :next="proposal?.pack ?? null"
      :lots="bench.lots"
      :between="place.place.between"
      :pair="inPairs(place.place)"
      :first="document.packRules.required ?? null"
    />
    <LazyPlaceOrders v-if="orders.length && !locked" :orders="orders" />
    <p v-if="typing && !locked && open" class="mt-2 text-[14px] text-near">
      A reading is being typed: log it or clear it before a pack is fitted.
    </p>
    <FoundPack
      v-if="(open || phase === 'measure') && !locked && !known"
      class="mt-2 max-w-md"
      :document="document"
      :places="[place.place]"
      :lots="bench.lots"
      @found="command('found-pack', $event)"
    />
    <p v-if="!open && !known && fault" class="fault" role="alert">{{ fault }}</p>
    <LazyDrawerHere
      v-if="open && !locked && (noDrawer || filling)"
      v-model:adding="filling"
      class="mt-2"
      :document="document"
      :lots="bench.lots"
      :holds="place.place.holds"
      @keep="command('settings', { settings: $event })"
    />
    <p v-if="place.fused && open && !place.learned" class="mt-2 text-[13.5px] text-mute">
      Packs that are not fitted are reckoned from the fittings that agree; leaving it as it is, from the present reading.
    </p>
    <p v-if="place.ledger.piece && open" class="mt-2 text-[14px] text-near" data-test="mislabelled">{{ place.ledger.piece.words }}</p>
    <p v-if="open && request && !locked" class="mt-1 text-[13.5px]">
      <button v-if="ownPack" type="button" class="link min-h-9" @click="$emit('own', null)">back to the proposals</button>
      <template v-else>
        <button type="button" class="link min-h-9" @click="$emit('own', request.fitted)">put a pack together yourself</button>
        <template v-if="known && !typing"
          >{{ ' · ' }}<button type="button" class="link min-h-9" @click="$emit('again')">built again with the same pack</button></template
        >
      </template>
    </p>
    <LazyOwnPack
      v-if="open && request && ownPack"
      class="mt-2"
      :request="request"
      :pack="ownPack"
      :proposal="proposal"
      :can-fit="!typing && !locked"
      :most="request.rules.most ?? MOST_PIECES"
      :fewest="request.rules.fewest ?? 0"
      @change="$emit('own', $event)"
      @fit="$emit('fit')"
    />
    <div v-show="!(open && ownPack)" class="mt-1">
      <ProposalList
        v-model:picked="picked"
        :choice="request ? choice : null"
        :note="place.note"
        :said="sentence"
        :busy="choosing"
        :fitted="fitted ?? []"
        :lots="bench.lots"
        :can-fit="!typing && !locked"
        :result="ofGap ? firstBy : (place.result?.kind.label ?? '')"
        v-bind="request?.question.told ? { told: request.question.told } : {}"
        @fit="$emit('fit')"
      />
    </div>
    <p v-if="open && leftOut.length" class="mt-2 text-[14px] text-mute" data-test="washers-left-out">
      Not offered: {{ leftOut.join('; ') }}.
    </p>
    <p v-if="kept.length" class="mt-2 text-[14px]" data-test="kept">
      Kept for this check: {{ pieceList(kept, lotMap(bench.lots), preferences.unit) }}.
      <button v-if="!locked" type="button" class="link" @click="keep([])">let them go</button>
    </p>
    <p v-else-if="open && !locked && proposal && proposal.change.in.length" class="mt-2 text-[14px] text-mute">
      Not fitting it yet? <button type="button" class="link" @click="keep(proposal.change.in)">keep these pieces for this check</button>
    </p>
    <p v-if="open && fault" class="fault">{{ fault }}</p>
    <template v-if="open">
      <component
        :is="view.options"
        v-if="view?.options && evaluation.places.length > 1"
        :document="document"
        :evaluation="evaluation"
        :lots="bench.lots"
        :locked="locked"
        :busy="busy || typing"
        @fit="$emit('fitAll', $event)"
      />
      <LazyOtherWays
        v-if="request && choice"
        :key="id"
        :document="document"
        :place="place"
        :request="request"
        :choice="choice"
        :lots="bench.lots"
        :orders="orders"
        :coming="bench.view?.coming ?? []"
        :locked="locked"
        :busy="busy"
        :command="command"
      />
    </template>
  </div>
</template>
