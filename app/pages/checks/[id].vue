<script setup lang="ts">
import { evaluateCheck, type CheckEvaluation } from '#core/check/evaluate-check'
import type { PointReading } from '#core/check/document'
import { checkKind } from '#core/check/registry'
import { resultName } from '#core/check/evaluate-fitting'
import type { Step } from '#core/method/step'
import { systemOf } from '#core/quantity/length'
import { readingWords } from '#core/reading/reading'
import { bandOf } from '#core/verdict/limits'
import { api, faultsOf } from '~/composables/useApi'
import { today } from '~/composables/today'
import { useBenchKeys } from '~/composables/useBenchKeys'
import { useBenchWords } from '~/composables/useBenchWords'
import { useRail } from '~/composables/useRail'
import { useCommand } from '~/composables/useCommand'
import { useFitting } from '~/composables/useFitting'
import { usePhase } from '~/composables/usePhase'
import { useReadingLog } from '~/composables/useReadingLog'
import { useShown } from '~/composables/useShown'
import { useTaking } from '~/composables/useTaking'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'
import { choicePanels, sketches } from '~/components/bench/kinds/sketches'

const id = String(useRoute().params.id)
const bench = useBench()
const preferences = usePreferences()
const problem = ref<string | null>(null)
const writes = useCommand()
const { busy, faults, said, command } = writes
const panel = ref<{ focus: () => void; submit: () => void }>()

const document = computed(() => bench.document!)
const ready = computed(() => bench.document !== null && bench.document.id === id)
const kind = computed(() => checkKind(document.value.kind))
const taking = useTaking(
  id,
  computed(() => (ready.value ? bench.document : null)),
)
const { point, gauge, unit, reading } = taking

/** The check with the reading that is being typed: every keystroke is judged. */
const live = computed(() => {
  if (!reading.value || document.value.signOff || document.value.trials.length === 0) return document.value
  const trials = [...document.value.trials]
  const last = trials.pop()!
  return {
    ...document.value,
    trials: [...trials, { ...last, readings: [...last.readings, { ...reading.value, id: 'draft' } as PointReading] }],
  }
})
const evaluation = computed<CheckEvaluation>(() => evaluateCheck(live.value, bench.lots))
const locked = computed(() => document.value.signOff !== null)
const focus = () => panel.value?.focus()
const {
  phase,
  open: openPhase,
  pick: pickPhase,
  step,
  begin,
} = usePhase(next => {
  if (next === 'prove') return !locked.value && (taking.next.value !== null || !evaluation.value.headline.valid)
  return next === 'measure' || (next === 'choose' && evaluation.value.next?.point != null)
}, focus)

/** The reading being typed, where it counts. */
const typed = computed(() => (locked.value ? null : (reading.value as PointReading | null)))
const {
  several,
  picked: pickedResult,
  shown,
  place,
  row,
  readings,
  findings,
  plays,
} = useShown({ document, evaluation, phase, taking, typed })
function pickPoint(next: string): void {
  pickedResult.value = ''
  taking.pick(next)
  focus()
}

const { choice, choosing, picked, pick, proposal, ownPack, takeOwn, asking, ask, fit, fitAll } = useFitting({
  place: computed(() => (ready.value ? place.value : null)),
  closed: computed(() => !ready.value || locked.value),
  typing: computed(() => reading.value !== null),
  command: writes,
  done: () => {
    // The eye goes with the work again.
    pickedResult.value = ''
    openPhase('prove')
  },
})

const steps = computed(() => kind.value.procedure(document.value.setup))
const current = computed(() => document.value.trials.at(-1)!)
const trialOf = (step: Step) => (step.phase === 'setup' ? null : current.value.id)
const ticked = (step: Step) => document.value.ticks.some(tick => tick.step === step.id && tick.trial === trialOf(step))
/** Named with what is drawn beside it: the least and the most. */
const rowTitle = computed(() => {
  const first = row.value[0]?.kind
  const twin = evaluation.value.current.results.find(({ kind: other }) => first && other.judgedBy === first.id)
  return [first, twin?.kind].flatMap(one => (one ? [one.label] : [])).join('; ')
})
const choosingOfSeveral = computed(() => row.value.length > 1 && place.value !== null && phase.value === 'choose')

// A check is shown in its own unit, also when that is changed. U shows the other.
watch(
  () => (ready.value ? document.value.entryUnit : null),
  own => {
    if (own) preferences.system = systemOf(own)
  },
  { immediate: true },
)
onBeforeUnmount(() => bench.leave())
onMounted(async () => {
  try {
    await bench.open(id)
    begin(evaluation.value.phase)
  } catch (error) {
    problem.value = faultsOf(error)[0]?.reason ?? null
  }
})

const { log, logWord, take, voiding, voidingAt, voidLast, voidNow } = useReadingLog({ taking, findings, locked, focus })

const sign = (path: 'sign-off' | 'reopen', { by, reason }: { by: string; reason: string }) =>
  command(path, { by, ...(reason ? { reason } : {}) })

const { sentence, arithmetic, predicted, windowWords, oneMore } = useBenchWords({
  document,
  evaluation,
  shown,
  place,
  choice,
  proposal,
  lots: computed(() => bench.lots),
  phase,
})
const { notes, done } = useRail({ document, evaluation, steps, ticked })

/** Says that the gauge in hand was zeroed today, and shows the check with it. */
async function markZeroed(): Promise<void> {
  await api(`/api/gauges/${gauge.value!.id}/zeroed`, { body: { on: today() } }).catch(error => {
    faults.value = faultsOf(error)
  })
  await bench.reload()
  focus()
}
const helping = ref(false)
const explaining = ref(false)
useBenchKeys({ ready, locked, phase, place, proposal, pick, takeOwn, ask, step, panel, voidLast, taking, explaining, helping })
useHead({ title: computed(() => (ready.value ? `${document.value.title} · Finitum` : 'Finitum')) })
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col">
    <div v-if="problem" class="px-7 py-10">
      <p class="text-lg">{{ problem }}</p>
      <NuxtLink to="/" class="button mt-4">All jobs</NuxtLink>
    </div>
    <div v-else-if="!ready" class="px-7 py-10 text-mute">Laying the check out …</div>
    <template v-else>
      <BenchHead :title="document.title" />
      <BenchNotice />
      <div class="grid flex-1 md:grid-cols-[232px_minmax(0,1fr)]">
        <aside class="border-b rule px-4 py-4 md:border-r md:border-b-0 md:px-5">
          <h1 class="sr-only">{{ document.title }}</h1>
          <PhaseRail
            :open="phase"
            :steps="steps"
            :ticked="ticked"
            :notes="notes"
            :done="done"
            :locked="locked"
            :safety="kind.safety"
            @open="pickPhase"
            @tick="(s, on) => bench.tick(s.id, trialOf(s), on, s.text)"
          />
        </aside>
        <div class="min-w-0 space-y-3 px-4 py-3 md:px-7">
          <VerdictLine :evaluation="evaluation" :shown="shown" :document="document" :sentence="sentence" :arithmetic="arithmetic" />
          <LimitBand
            :book="shown.limits.book"
            :shop="shown.limits.shop"
            :aim="place?.aim?.target ?? null"
            :readings="plays"
            :measured="shown.estimate"
            :predicted="predicted"
            :ends="shown.kind.ends"
            :label="several ? resultName(shown) : null"
          />
          <p v-if="evaluation.gauge?.answer === 'cannot-decide'" class="text-near">
            This gauge cannot decide a band this narrow: its U is wider than half the band.
          </p>
          <p v-if="place?.aim?.caution" class="text-[14px] text-near">{{ place.aim.caution }}</p>
          <LimitsHere
            v-if="!locked && phase !== 'setup'"
            :document="document"
            :shown="shown"
            :results="evaluation.current.results"
            :faults="faults"
            @keep="settings => command('settings', { settings })"
            @close="focus"
          />
          <SetupPanel
            v-if="phase === 'setup'"
            :document="document"
            :lots="bench.lots"
            :faults="faults"
            :results="evaluation.current.results"
            :sign-doubtful="evaluation.places.some(({ ledger }) => ledger.signDoubtful)"
            @keep="settings => command('settings', { settings })"
            @found="found => command('found-pack', found)"
          />
          <div v-show="phase !== 'setup'" class="grid grid-cols-1 gap-x-7 gap-y-5 lg:grid-cols-[minmax(0,340px)_minmax(0,1fr)]">
            <div>
              <template v-if="choosingOfSeveral">
                <h2 class="label mb-1">{{ rowTitle }}</h2>
                <JournalRow
                  :results="row"
                  :all="evaluation.current.results"
                  :picked="shown.id"
                  :worst="evaluation.headline.id"
                  @pick="pickedResult = $event"
                />
              </template>
              <MeasurePanel
                v-show="!choosingOfSeveral"
                ref="panel"
                :taking="taking"
                :results="evaluation.current.results"
                :readings="readings"
                :findings="findings"
                :check-unit="document.entryUnit"
                :locked="locked"
                :one-more="oneMore"
                :quiet="phase === 'choose'"
                @log="log"
                @zeroed="markZeroed"
                @void="voiding = $event"
                @word="logWord"
                @pick="pickPoint"
              />
              <div class="mt-4">
                <h2 class="label mb-1">Where the gauge stands</h2>
                <component :is="sketches[document.kind]" v-bind="document.setup" data-drawing="where the gauge stands" />
              </div>
            </div>
            <div>
              <ResultPanel
                v-if="several && !choosingOfSeveral && !(phase === 'choose' && choicePanels[document.kind])"
                :evaluation="evaluation"
                :row="row"
                :phase="phase"
                :shown="shown.id"
                @pick="pickedResult = $event"
              />
              <ProvePanel
                v-if="phase === 'prove'"
                :evaluation="evaluation"
                :document="document"
                :shown="shown"
                :place="place"
                :lots="bench.lots"
                :fault="said"
                :busy="busy"
                @sign="sign('sign-off', $event)"
                @reopen="sign('reopen', $event)"
              />
              <PlacePanel
                v-else-if="place && (!several || phase === 'choose')"
                v-model:picked="picked"
                :own-pack="ownPack"
                :proposal="proposal"
                :document="document"
                :evaluation="evaluation"
                :place="place"
                :choice="choice"
                :choosing="choosing"
                :phase="phase"
                :locked="locked"
                :typing="reading !== null"
                :busy="busy"
                :window-words="windowWords"
                :fault="asking ? null : said"
                @fit="ask"
                @fit-all="fitAll($event)"
                @own="takeOwn"
                @command="command"
              />
              <component
                :is="choicePanels[document.kind]"
                v-else-if="phase === 'choose' && choicePanels[document.kind]"
                :document="document"
                :evaluation="evaluation"
                :locked="locked"
                @take="take"
                @leave="focus"
              />
              <p v-else-if="!place && !choicePanels[document.kind]" class="text-mute">
                This check measures and judges; there is nothing to choose. Sign it off under Prove.
              </p>
            </div>
          </div>
        </div>
      </div>
      <VoidDialog
        :open="voiding !== null"
        :figure="voiding ? readingWords(voiding, unit) : ''"
        :at="several ? voidingAt : ''"
        @close="voiding = null"
        @void="voidNow"
      />
      <FitDialog
        :open="asking"
        :proposal="proposal"
        :request="place?.request ?? null"
        :busy="busy"
        :fault="said"
        :promised="faults.some(({ path }) => path === 'claim')"
        :place="several && place ? `${document.title}, ${place.place.label}` : document.title"
        @close="asking = false"
        @done="fit"
        @claim="fit($event, true)"
      />
      <HelpersDialog :open="helping" :way="point.way" :prefer="gauge?.id" :band="bandOf(shown.limits.working)" @close="helping = false" />
      <ExplainDialog
        :open="explaining"
        :evaluation="evaluation"
        :shown="shown"
        :place="place"
        :document="document"
        :proposal="phase === 'prove' ? null : proposal"
        @close="explaining = false"
      />
    </template>
  </div>
</template>
