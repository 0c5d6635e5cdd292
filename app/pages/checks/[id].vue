<script setup lang="ts">
import { evaluateCheck, type CheckEvaluation } from '#core/check/evaluate-check'
import type { PointReading } from '#core/check/document'
import { checkKind } from '#core/check/registry'
import type { Pack } from '#core/pack/lot'
import { resultName } from '#core/check/evaluate-fitting'
import { ways } from '#core/method/ways'
import { PHASES, type Phase, type Step } from '#core/method/step'
import { unitFor } from '#core/quantity/format-length'
import { systemOf } from '#core/quantity/length'
import { isRepeat, readingWords, unvoided } from '#core/reading/reading'
import { signedPlay } from '#core/reading/repeat'
import { gaugeWarnings } from '#core/reading/gauge'
import { bandOf } from '#core/verdict/limits'
import type { RegisteredGauge } from '#shared/types'
import { v4 as uuid } from 'uuid'
import { api, faultsOf } from '~/composables/useApi'
import { today } from '~/composables/today'
import { useBenchWords } from '~/composables/useBenchWords'
import { useRail } from '~/composables/useRail'
import { useCommand } from '~/composables/useCommand'
import { useChooser } from '~/composables/useChooser'
import { useTaking } from '~/composables/useTaking'
import { key, useKeys } from '~/composables/useKeys'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'
import { choicePanels, sketches } from '~/components/bench/sketches'

const id = String(useRoute().params.id)
const bench = useBench()
const preferences = usePreferences()
const problem = ref<string | null>(null)
const { busy, faults, said, command } = useCommand()
const panel = ref<{ focus: () => void; submit: () => void }>()

const document = computed(() => bench.document!)
const ready = computed(() => bench.document !== null && bench.document.id === id)
const kind = computed(() => checkKind(document.value.kind))
const taking = useTaking(
  id,
  computed(() => (ready.value ? bench.document : null)),
)
const { points, point, way, gauge, unit, draft, start, far, back, heatFault, reading, answer, clear } = taking

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
const phase = ref<Phase>('measure')

/** The result looked at: the one picked, else the one the point in hand belongs to, else the one that decides. */
const pickedResult = ref('')
const several = computed(() => evaluation.value.current.results.length > 1)
const shown = computed(() => {
  const { results } = evaluation.value.current
  // Once all is read and nobody points elsewhere, the eye should meet what decides.
  const ofPoint =
    (phase.value === 'measure' && (taking.next.value || taking.picked.value)) || (phase.value === 'prove' && taking.next.value)
      ? results.find(result => result.kind.main && result.points.includes(point.value.id))
      : null
  // In Prove: what this fitting was to move.
  const proved = phase.value === 'prove' ? results.find(result => current.value.predicted[result.id] !== undefined) : null
  const worked = phase.value === 'choose' ? results.find(result => result.id === evaluation.value.next?.standing?.result) : null
  return results.find(result => result.id === pickedResult.value) ?? ofPoint ?? proved ?? worked ?? evaluation.value.headline
})
/** The place that moves the result looked at, or another result at its position. */
const place = computed(() => {
  const { places } = evaluation.value
  return (
    places.find(candidate => candidate.place.result === shown.value.id) ??
    (shown.value.position === null ? undefined : places.find(candidate => candidate.result?.position === shown.value.position)) ??
    places[0] ??
    null
  )
})
function pickPoint(next: string): void {
  pickedResult.value = ''
  taking.pick(next)
  panel.value?.focus()
}

const request = computed(() => (ready.value && !document.value.signOff ? (place.value?.request ?? null) : null))
const { choice, busy: choosing } = useChooser(request)
const picked = ref(0)
watch(
  () => choice.value?.proposals.map(p => p.order.join()).join('|'),
  () => {
    picked.value = 0
  },
)
const proposal = computed(() => (place.value?.request ? (choice.value?.proposals[picked.value] ?? null) : null))

const steps = computed(() => kind.value.procedure(document.value.setup))
const current = computed(() => document.value.trials.at(-1)!)
const trialOf = (step: Step) => (step.phase === 'setup' ? null : current.value.id)
const ticked = (step: Step) => document.value.ticks.some(tick => tick.step === step.id && tick.trial === trialOf(step))
const estimate = computed(() => shown.value.estimate)
const readings = computed(() => taking.readingsOf(point.value))
/** What is said of the series being taken: that of its point, with what its result adds. */
const findings = computed(() => {
  const results = evaluation.value.current.results.filter(result => result.points.includes(point.value.id))
  const all = results.flatMap(result => result.findings)
  return several.value
    ? all.filter(
        (finding, i) =>
          all.findIndex(other => other.words === finding.words && other.repeatId === finding.repeatId) === i &&
          (!finding.repeatId || finding.repeatId === 'draft' || readings.value.some(r => r.id === finding.repeatId)),
      )
    : all
})
/** Main results at several positions, drawn side by side; in Choose they take the place of the readings. */
const row = computed(() =>
  evaluation.value.current.results.filter(result => result.kind.main && !result.kind.judgedBy && result.position !== null),
)
const choosingOfSeveral = computed(() => row.value.length > 1 && place.value !== null && phase.value === 'choose')
const cells = computed(() =>
  points.value
    .filter(candidate => ways[candidate.way].entry !== 'pieces')
    .map(candidate => {
      const all = taking.readingsOf(candidate)
      const last = unvoided(all).at(-1)
      const result = evaluation.value.current.results.find(other => other.points.includes(candidate.id))
      const ids = new Set(all.map(r => r.id))
      const word = last && 'word' in last ? candidate.words?.find(w => w.value === last.word)?.label : undefined
      return {
        point: candidate,
        stale: result?.stale !== null && result?.stale !== undefined && last !== undefined,
        bad: result?.findings.some(f => f.level === 'fail' && f.repeatId !== undefined && ids.has(f.repeatId)) ?? false,
        figure:
          last && candidate.way === 'pieces'
            ? `${unvoided(all).length} read`
            : last
              ? (word ?? readingWords(last, unitFor(preferences.system, ways[candidate.way].scale)).replace(/ (thou|in|mm)$/, ''))
              : null,
      }
    }),
)

onMounted(async () => {
  try {
    await bench.open(id)
    // A check opens in its own unit: its dial is read in it. U shows the other.
    preferences.system = systemOf(document.value.entryUnit)
    if (!moved) openPhase(evaluation.value.phase)
  } catch (error) {
    problem.value = faultsOf(error)[0]?.reason ?? null
  }
})

/** The phase was picked by hand: loading does not pick another. */
let moved = false
function openPhase(next: Phase): void {
  phase.value = next
  if (
    next === 'measure' ||
    (next === 'choose' && evaluation.value.next?.point) ||
    (next === 'prove' && !locked.value && (taking.next.value !== null || !evaluation.value.headline.valid))
  )
    panel.value?.focus()
  else
    nextTick(() => {
      ;(globalThis.document.activeElement as HTMLElement | null)?.blur()
    })
}
function pickPhase(next: Phase): void {
  moved = true
  openPhase(next)
}
const step = (by: number) => pickPhase(PHASES[Math.min(PHASES.length - 1, Math.max(0, PHASES.indexOf(phase.value) + by))]!)

function log(): void {
  if (!reading.value || locked.value) return
  const read = point.value
  const refused = findings.value.some(finding => finding.repeatId === 'draft' && finding.level === 'fail')
  bench.logReading(reading.value, `reading ${readingWords({ ...reading.value, id: '' } as PointReading, unit.value)}`)
  clear()
  if (!refused) taking.advance(read)
}
function logWord(word: string): void {
  if (locked.value) return
  const read = point.value
  bench.logReading({ point: read.id, word }, `${read.label}: ${word}`)
  taking.advance(read)
}
/** Pieces taken together, such as the rollers of a rod. */
function take(taken: string, pieces: readonly string[]): void {
  if (locked.value) return
  bench.logReading({ point: taken, pieces }, `${points.value.find(candidate => candidate.id === taken)?.label}: ${pieces.length}`)
  taking.pick('')
}
const voiding = ref<PointReading | null>(null)
function voidLast(): void {
  voiding.value = unvoided(readings.value).at(-1) ?? null
}
function voidNow(reason: string): void {
  if (voiding.value) bench.voidReading(voiding.value.id, reason)
  voiding.value = null
  panel.value?.focus()
}

const fitting = ref(false)
function askFit(): void {
  faults.value = []
  const change = proposal.value?.change
  if (!locked.value && change && change.in.length + change.out.length > 0 && !reading.value) fitting.value = true
}
async function fit(): Promise<void> {
  if (
    !proposal.value ||
    !(await command('fittings', { trialId: uuid(), packs: [{ place: place.value!.place.id, pieces: proposal.value.pack }] }))
  )
    return
  fitting.value = false
  openPhase('prove')
}
/** Several places in one fitting. */
async function fitAll(packs: { place: string; pieces: Pack }[]): Promise<void> {
  if (await command('fittings', { trialId: uuid(), packs })) openPhase('prove')
}
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
/** Ticks on the band: the readings of a result that is read at one point. */
const plays = computed(() => {
  const only = shown.value.points.length === 1 ? points.value.find(candidate => candidate.id === shown.value.points[0]) : undefined
  const all = only
    ? [...taking.readingsOf(only), ...(reading.value?.point === only.id && !locked.value ? [reading.value as PointReading] : [])]
    : []
  return unvoided(all).flatMap(one => (isRepeat(one) ? [Math.abs(signedPlay(one))] : []))
})
const { notes, done } = useRail({ document, evaluation, steps, ticked })

/** Says that the gauge in hand was zeroed today, and shows the check with it. */
async function markZeroed(): Promise<void> {
  await api(`/api/gauges/${gauge.value!.id}/zeroed`, { body: { on: today() } }).catch(error => {
    faults.value = faultsOf(error)
  })
  await bench.reload()
  panel.value?.focus()
}
const helping = ref(false)
const register = ref<readonly RegisteredGauge[]>([])
async function help(): Promise<void> {
  helping.value = true
  register.value = await api<RegisteredGauge[]>('/api/gauges').catch(() => [])
}
const explaining = ref(false)
/** Is there a reading to take in this phase? In Choose only where a part is worked to size there. */
const reads = computed(() => phase.value !== 'choose' || choicePanels[document.value.kind] !== undefined)
useKeys(
  computed(() => {
    if (!ready.value) return []
    const free = !locked.value
    return [
      ...(phase.value === 'choose' && place.value
        ? [
            key(
              '1–5',
              'pick a pack',
              k => {
                if (choice.value?.proposals[Number(k) - 1]) picked.value = Number(k) - 1
              },
              { keys: ['1', '2', '3', '4', '5'] },
            ),
          ]
        : []),
      ...(free && phase.value === 'choose' && proposal.value ? [key('F', 'fit this', askFit)] : []),
      ...(free && reads.value
        ? [
            key('Z', way.value.entry === 'travel' ? 'log, back at zero' : 'log', () => panel.value?.submit()),
            key('V', 'void last', voidLast),
            key('R', 'go to the reading', () => panel.value?.focus(), { quiet: true }),
            ...(way.value.entry === 'travel'
              ? [
                  key(
                    'X',
                    'sprang back',
                    () => {
                      draft.value = { ...draft.value, springBack: !draft.value.springBack }
                    },
                    { quiet: true },
                  ),
                ]
              : []),
          ]
        : []),
      key('PgDn', 'next phase', () => step(1), { keys: ['PageDown'] }),
      key('PgUp', 'phase before', () => step(-1), { keys: ['PageUp'], quiet: true }),
      key('E', 'explain', () => {
        explaining.value = true
      }),
      key('H', 'helpers', () => void help()),
      ...(bench.connection === 'stale' ? [key('L', 'show the newer state', () => void bench.reload())] : []),
      key('J', 'back to the job', () => void navigateTo(`/jobs/${bench.view!.job.id}`), { quiet: true }),
    ]
  }),
)
const savedWords = computed(() => ({ saved: 'Saved', sending: 'Saving …', away: 'Kept here', stale: 'Behind' })[bench.connection])
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
      <Teleport defer to="#crumbs">
        <NuxtLink :to="`/jobs/${bench.view!.job.id}`" class="hover:underline"
          >{{ bench.view!.job.unit }} › {{ bench.view!.job.title }}</NuxtLink
        >
        › <strong class="text-ink">{{ document.title }}</strong>
      </Teleport>
      <Teleport defer to="#saved">
        <span
          :class="bench.connection === 'saved' || bench.connection === 'sending' ? 'text-mute' : 'font-bold text-near'"
          data-test="saved"
          >{{ savedWords }}</span
        >
      </Teleport>
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
            :measured="estimate ? { value: estimate.value, U: estimate.U } : null"
            :predicted="predicted"
            :ends="shown.kind.ends"
            :label="several ? resultName(shown) : null"
          />
          <p v-if="evaluation.gauge?.answer === 'cannot-decide'" class="text-near">
            This gauge cannot decide a band this narrow: its U is wider than half the band.
          </p>
          <p v-if="place?.aim?.caution" class="text-[14px] text-near">{{ place.aim.caution }}</p>
          <SetupPanel
            v-if="phase === 'setup'"
            :document="document"
            :lots="bench.lots"
            :faults="faults"
            :results="evaluation.current.results"
            @keep="settings => command('settings', { settings })"
            @found="found => command('found-pack', found)"
          />
          <div v-show="phase !== 'setup'" class="grid gap-x-7 gap-y-5 lg:grid-cols-[minmax(0,340px)_minmax(0,1fr)]">
            <div>
              <template v-if="choosingOfSeveral">
                <h2 class="label mb-1">{{ row[0]!.kind.label }}</h2>
                <JournalRow :results="row" :picked="shown.id" :worst="evaluation.headline.id" @pick="pickedResult = $event" />
              </template>
              <div v-show="!choosingOfSeveral">
                <ReadingPanel
                  ref="panel"
                  v-model:draft="draft"
                  :point="point"
                  :several="points.length > 1"
                  :unit="unit"
                  :gauge="gauge"
                  :readings="readings"
                  :findings="findings"
                  :far="far"
                  :back="back"
                  :start="start"
                  :heat-fault="heatFault"
                  :locked="locked"
                  :one-more="points.length > 1 ? null : oneMore"
                  :warnings="gauge ? gaugeWarnings(gauge, today()) : []"
                  @log="log"
                  @zeroed="markZeroed"
                  @answer="answer"
                  @void="voiding = $event"
                  @word="logWord"
                />
                <div v-if="points.length > 1" class="mt-4">
                  <h2 class="label mb-1">Points</h2>
                  <PointGrid :picked="point.id" :cells="cells" @pick="pickPoint" />
                </div>
              </div>
              <div class="mt-4">
                <h2 class="label mb-1">Where the gauge stands</h2>
                <component :is="sketches[document.kind]" v-bind="document.setup" data-drawing="where the gauge stands" />
              </div>
            </div>
            <div>
              <div v-if="several && !choosingOfSeveral && !(phase === 'choose' && choicePanels[document.kind])" class="mb-4 space-y-3">
                <JournalRow
                  v-if="row.length > 1 && phase !== 'prove'"
                  :results="row"
                  :picked="shown.id"
                  :worst="evaluation.headline.id"
                  @pick="pickedResult = $event"
                />
                <ResultTable
                  :picked="shown.id"
                  :results="evaluation.current.results"
                  :headline="evaluation.headline.id"
                  :worst-first="phase !== 'measure'"
                  @update:picked="pickedResult = $event"
                />
              </div>
              <ProvePanel
                v-if="phase === 'prove'"
                :evaluation="evaluation"
                :document="document"
                :shown="shown"
                :place="place"
                :fault="said"
                :busy="busy"
                @sign="sign('sign-off', $event)"
                @reopen="sign('reopen', $event)"
              />
              <PlacePanel
                v-else-if="place && (!several || phase === 'choose')"
                v-model:picked="picked"
                :document="document"
                :evaluation="evaluation"
                :place="place"
                :choice="choice"
                :choosing="choosing"
                :open="phase === 'choose'"
                :locked="locked"
                :typing="reading !== null"
                :busy="busy"
                :window-words="windowWords"
                :fault="fitting ? null : said"
                @fit="askFit"
                @fit-all="fitAll"
                @command="command"
              />
              <component
                :is="choicePanels[document.kind]"
                v-else-if="phase === 'choose' && choicePanels[document.kind]"
                :document="document"
                :evaluation="evaluation"
                :locked="locked"
                @take="take"
              />
              <p v-else-if="!place && !choicePanels[document.kind]" class="text-mute">
                This check measures and judges; there is nothing to choose. Sign it off under Prove.
              </p>
            </div>
          </div>
        </div>
      </div>
      <VoidDialog :open="voiding !== null" :figure="voiding ? readingWords(voiding, unit) : ''" @close="voiding = null" @void="voidNow" />
      <FitDialog
        :open="fitting"
        :proposal="proposal"
        :lots="bench.lots"
        :busy="busy"
        :fault="said"
        :place="several && place ? `${document.title}, ${place.place.label}` : document.title"
        @close="fitting = false"
        @done="fit"
      />
      <PlainDialog :open="helping" title="Helpers" wide @close="helping = false">
        <HelperTabs
          :gauges="register"
          :way="point.way"
          :prefer="gauge?.id"
          :band="bandOf(shown.limits.working)"
          @changed="register = $event"
        />
      </PlainDialog>
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
