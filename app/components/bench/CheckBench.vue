<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import { stacked } from '#core/check/pack-place'
import { resultName } from '#core/check/evaluate/state-words'
import { packingsOut } from '#core/check/packings'
import { pieceList } from '#core/pack/arithmetic'
import { lotMap } from '#core/pack/lot'
import { checkKind } from '#core/check/registry'
import { stepsOf } from '#core/check/said'
import type { Phase, Step } from '#core/method/step'
import { systemOf } from '#core/quantity/figure'
import { bandOf } from '#core/verdict/limits'
import { useBenchKeys } from '~/composables/bench/useBenchKeys'
import { useAnswer } from '~/composables/bench/useAnswer'
import { useBeside } from '~/composables/bench/useBeside'
import { drawnBeside } from '~/composables/bench/useCalm'
import { useRail } from '~/composables/bench/useRail'
import { useCommand } from '~/composables/bench/useCommand'
import { useFitting } from '~/composables/bench/useFitting'
import { useJudged } from '~/composables/bench/useJudged'
import { usePhase } from '~/composables/bench/usePhase'
import { usePreloaded } from '~/composables/bench/usePreloaded'
import { useRegister } from '~/composables/bench/useRegister'
import { useSaying } from '~/composables/bench/useSaying'
import { useShown } from '~/composables/bench/useShown'
import { useTaking } from '~/composables/bench/useTaking'
import { focusWhenDrawn } from '~/composables/keys/focusWhenDrawn'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'

/** The bench of one check: its phases and the step that is due, the answer, the sheet that is being filled, and what to do about it. */
const props = defineProps<{ document: CheckDocument }>()
const bench = useBench()
const preferences = usePreferences()
/** As the store has it now: what is logged moves the field on at once, before anything is drawn anew. */
const document = computed(() => (bench.document?.id === props.document.id ? bench.document : props.document))
const lots = computed(() => bench.lots)
const kind = computed(() => checkKind(document.value.kind))

const writes = useCommand()
const { busy, faults, said, command } = writes
const panel = ref<{
  focus: () => void
  submit: () => void
  voidLast: () => void
  changeStates: () => void
  take: (point: string, pieces: readonly string[]) => void
}>()
const focus = () => panel.value?.focus()

const taking = useTaking(document.value.id, document)
const { point, gauge, reading } = taking
const { locked, typed, evaluation } = useJudged(document, reading, lots)
const {
  phase,
  open: openPhase,
  step,
} = usePhase(
  evaluation.value.phase,
  next => {
    if (next === 'prove') return !locked.value && (taking.next.value !== null || !evaluation.value.headline.valid)
    // Where a part is worked to size it is read as it is worked.
    const worked = evaluation.value.places.length === 0 && kind.value.works !== undefined
    return next === 'measure' || (next === 'choose' && (worked || evaluation.value.next?.point != null))
  },
  focus,
  // Where nothing else is to be fitted the work goes on to the proof.
  next => next === 'choose' && evaluation.value.phase === 'prove' && !evaluation.value.pending.some(({ phase: of }) => of === 'choose'),
)
onMounted(() => openPhase(phase.value))
/** What is fitted is asked first where nobody listed it: nothing can be chosen before. */
watch(phase, async now => {
  await drawnBeside()
  if (now === 'choose') globalThis.document.querySelector<HTMLElement>('#found-pack')?.focus()
})
/** The sheet takes the width while it is filled; then what to do about it does. */
const measuring = computed(() => phase.value === 'measure' || (phase.value === 'prove' && taking.next.value !== null))
const strip = ref<{ due: Step | null; tickDue: () => void; tickRest: () => void; warn: () => void }>()
const allSteps = ref(false)

const look = useShown({ document, evaluation, phase, taking, typed })
const { several, picked: pickedResult, pickedPlace, shown, place, row, plays } = look
/** What is in for a trial comes out when the pack beside it is changed. */
const packings = computed(() =>
  packingsOut(document.value, place.value ? [place.value.place.id] : []).map(({ place: of, pack }) => ({
    place: of.label,
    pieces: pieceList(pack, lotMap(lots.value), document.value.entryUnit),
  })),
)
const choosingOfSeveral = computed(() => row.value.length > 1 && place.value !== null && phase.value === 'choose')

const fitting = useFitting({
  place,
  closed: locked,
  typing: computed(() => reading.value !== null),
  command: writes,
  done: () => {
    // The eye goes with the work again.
    pickedResult.value = ''
    pickedPlace.value = ''
    openPhase('prove')
  },
})
const { choice, pick, picked, ownPack, proposal, takeOwn, asking, ask, cancel, fit } = fitting

const steps = computed(() => stepsOf(kind.value.procedure(document.value.setup), document.value.trials.at(-1)!))
const saying = useSaying({ document, evaluation, taking, locked, focus })
const { ticked } = saying
const { notes, done } = useRail({ document, evaluation, steps, ticked })
/** Behind the last step of a phase the next one begins; whether anything is read once more is nobody’s to say but the technician’s. */
async function through(last: Phase): Promise<void> {
  if (last === 'setup') openPhase('measure')
  await drawnBeside()
  if (last === 'prove' && evaluation.value.signOff.blockers.length === 0 && taking.next.value === null) sign()
}
const sign = () => focusWhenDrawn('#sign-reason, #sign-name')

// A check is shown in its own unit, also when that is changed. U shows the other.
watch(
  () => document.value.entryUnit,
  own => {
    preferences.showAs(systemOf(own))
  },
  { immediate: true },
)

const byHand = computed(() => picked.value > 0 || ownPack.value !== null)
const register = useRegister(
  document,
  computed(() => phase.value === 'setup'),
)
const { answer, aim } = useAnswer({ document, evaluation, shown, place, choice, proposal, byHand, lots, phase, register })

const beside = useBeside({ document, evaluation, look, fitting, answer })

const helping = ref(false)
usePreloaded([
  'HelpersDialog',
  'ExplainDialog',
  'SetupPanel',
  'ClosingCard',
  'ProvePanel',
  'MakePanel',
  'OrderPanel',
  'DrawerHere',
  'OwnPack',
  'LimitsPanel',
  'CataloguePanel',
  'StripScale',
  'PositionRow',
  'JournalRow',
  'OtherWays',
  'TargetPanel',
  'NewGaugeHere',
])
const explaining = ref(false)
const closing = ref(false)
useBenchKeys({
  locked,
  phase,
  place,
  proposal,
  pick,
  takeOwn,
  ask,
  step,
  sign,
  panel,
  saying,
  taking,
  explaining,
  helping,
  closing,
  strip,
  allSteps,
})
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col">
    <BenchHead :title="document.title" />
    <BenchNotice />
    <LibraryNotice :document="document" :evaluation="evaluation" />
    <h1 class="sr-only">{{ document.title }}</h1>
    <PhaseStrip
      ref="strip"
      v-model:all="allSteps"
      :open="phase"
      :steps="steps"
      :ticked="ticked"
      :notes="notes"
      :done="done"
      :locked="locked"
      :again="saying.again.value"
      :safety="kind.safety"
      @open="openPhase"
      @tick="saying.tick"
      @through="through"
    />
    <div class="min-w-0 space-y-3 px-4 py-3 md:px-7" data-page>
      <VerdictLine :evaluation="evaluation" :shown="shown" :document="document" :sentence="answer.sentence" :arithmetic="answer.sum" />
      <LimitBand
        :book="shown.limits.book"
        :demand="shown.limits.demand"
        :shop="shown.limits.shop"
        :aim="aim?.target ?? null"
        :readings="plays"
        :measured="shown.estimate"
        :at-most="shown.atMost"
        :predicted="answer.foretold"
        :ends="shown.kind.ends"
        :label="several ? resultName(shown) : null"
        v-bind="shown.kind.unit ? { measure: shown.kind.unit } : {}"
      />
      <LastTime :key="document.id" :check="document.id" :shown="beside.shown.value" />
      <GaugeHere
        v-if="!locked && phase !== 'choose'"
        :ahead="answer.ahead"
        :lacks="taking.lacks.value"
        :system="systemOf(document.entryUnit)"
        @made="register = [...register, $event]"
        @take="(key, gauge) => command('settings', { settings: { gauges: { [key]: gauge } } })"
      />
      <p v-if="aim?.caution" class="text-[14px] text-near">{{ aim.caution }}</p>
      <LimitsHere
        v-if="!locked && phase !== 'setup' && !shown.kind.unjudged"
        :document="document"
        :shown="shown"
        :results="evaluation.current.results"
        :faults="faults"
        @keep="settings => command('settings', { settings })"
        @close="focus"
      />
      <div v-if="phase === 'setup'" class="grid gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_19rem]">
        <LazySetupPanel
          :document="document"
          :lots="lots"
          :gauges="register"
          :faults="faults"
          :results="evaluation.current.results"
          :sign-doubtful="evaluation.places.some(({ ledger }) => ledger.signDoubtful)"
          @keep="settings => command('settings', { settings })"
          @found="found => command('found-pack', found)"
        />
        <GaugeStands :document="document" :evaluation="evaluation" :lots="lots" :point="point" only />
      </div>
      <div
        v-show="phase !== 'setup'"
        class="grid grid-cols-1 gap-x-8 gap-y-5"
        :class="measuring ? 'lg:grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)]' : 'lg:grid-cols-[minmax(0,1fr)_minmax(0,1.55fr)]'"
      >
        <div class="min-w-0">
          <LazyPositionRow v-if="choosingOfSeveral" v-model:picked="pickedResult" :evaluation="evaluation" :row="row" :shown="shown.id" />
          <SheetPart
            v-show="!choosingOfSeveral"
            ref="panel"
            :document="document"
            :evaluation="evaluation"
            :taking="taking"
            :saying="saying"
            :look="look"
            :writes="writes"
            :locked="locked"
            :quiet="phase === 'choose'"
            :one-more="answer.more"
          />
          <GaugeStands
            v-if="!measuring"
            class="mt-4"
            :document="beside.document.value"
            :evaluation="beside.evaluation.value"
            :lots="lots"
          />
        </div>
        <div class="min-w-0 space-y-4">
          <GaugeStands
            v-if="measuring"
            :document="beside.document.value"
            :evaluation="beside.evaluation.value"
            :lots="lots"
            :point="point"
            :only="taking.points.value.length === 1"
          />
          <AnswerColumn
            :document="beside.document.value"
            :evaluation="beside.evaluation.value"
            :phase="phase"
            :look="beside.look"
            :fitting="beside.fitting"
            :writes="writes"
            :window-words="beside.window.value"
            :sentence="beside.sentence.value"
            :locked="locked"
            :typing="reading !== null"
            @take="(at, pieces) => panel?.take(at, pieces)"
            @leave="focus"
          />
        </div>
      </div>
    </div>
    <FitDialog
      :open="asking"
      :proposal="proposal"
      :request="place?.request ?? null"
      :packings="packings"
      :stack="place ? stacked(place.place) : null"
      :busy="busy"
      :fault="said"
      :promised="faults.some(({ path }) => path === 'claim')"
      :of-gap="place?.learned != null && place.request?.question.told === undefined"
      :place="several && place ? `${document.title}, ${place.place.label}` : document.title"
      @close="cancel"
      @done="fit"
      @claim="fit($event, true)"
    />
    <LazyHelpersDialog
      v-if="helping"
      :open="helping"
      :way="point.way"
      :prefer="gauge?.id"
      :band="bandOf(shown.limits.working)"
      @close="helping = false"
    />
    <LazyClosingCard v-if="closing" :open="closing" :document="document" :evaluation="evaluation" @close="closing = false" />
    <LazyExplainDialog
      v-if="explaining"
      :open="explaining"
      :evaluation="evaluation"
      :shown="shown"
      :place="place"
      :document="document"
      :proposal="phase === 'prove' ? null : proposal"
      @close="explaining = false"
    />
  </div>
</template>
