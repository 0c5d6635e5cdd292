<script setup lang="ts">
import { responseOf } from '#core/check/pack-place'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { matchedSet } from '#core/check/evaluate/matched-set'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { resultName } from '#core/check/evaluate/state-words'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import type { Lot } from '#core/pack/lot'
import { unitOfResult } from '#core/check/common/results'
import { formatChange, formatFigure, unitName } from '#core/quantity/figure'
import { shortTime } from '~/composables/words/shortTime'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'

/** Did the play move by what the arithmetic said? Then the signature. */
const props = defineProps<{
  evaluation: CheckEvaluation
  document: CheckDocument
  shown: ResultEvaluation
  place: PlaceEvaluation | null
  lots: readonly Lot[]
  fault: string | null
  busy: boolean
}>()
const emit = defineEmits<{
  sign: [{ by: string; reason: string; accepts: string[] }]
  reopen: [{ by: string; reason: string }]
  clear: [{ item: string; how: 'done' | 'open'; trial: string; by: string }]
}>()
const preferences = usePreferences()
/** why it is opened again, where a job sent here: what was complained of */
const reason = ref(props.document.signOff ? String(useRoute().query.suspect ?? '') : '')
const tried = ref(false)
/** What is still to be done, and whether it is accepted as it is. */
const open = computed(() => props.evaluation.reminders.filter(({ cleared }) => cleared === null))
const accepting = ref(false)
const bench = useBench()
const job = computed(() => bench.view?.job.id ?? null)
const predicted = computed(() => props.shown.predicted)
const residual = computed(() => props.shown.residual)
const matched = computed(() => matchedSet(props.document, props.evaluation))
const ledger = computed(() => props.place?.ledger ?? null)
const unit = computed(() => unitOfResult(props.shown.kind, preferences.system))
const show = (value: number) => formatFigure(value, unit.value)
const severalFittings = computed(() => (ledger.value?.entries.length ?? 0) > 1)
const gate = computed(() => props.evaluation.signOff)
const nameFault = computed(() => (tried.value && preferences.signer.trim() === '' ? 'A signature needs a name.' : null))
const reasonFault = computed(() =>
  tried.value && reason.value.trim() === '' && (gate.value.needsReason || props.document.signOff)
    ? 'Give the reason: it stands in the record.'
    : null,
)

function submit(): void {
  tried.value = true
  if (nameFault.value || reasonFault.value) return
  const signature = { by: preferences.signer.trim(), reason: reason.value.trim() }
  if (props.document.signOff) emit('reopen', signature)
  else emit('sign', { ...signature, accepts: accepting.value ? open.value.map(({ id }) => id) : [] })
  tried.value = false
}
// The reason stays until it stands in the record.
watch(
  () => props.document.signOff?.at,
  () => {
    reason.value = ''
  },
)
</script>

<template>
  <section aria-label="Prove" class="space-y-5">
    <div v-if="predicted">
      <h2 class="label mb-1">
        Proof{{ evaluation.current.results.filter(result => result.kind.main).length > 1 ? `, ${resultName(shown)}` : '' }}
      </h2>
      <dl class="flex flex-wrap gap-x-10 gap-y-1" data-test="proof">
        <div>
          <dt class="text-[13px] text-mute">predicted</dt>
          <dd class="figure text-xl">{{ show(predicted.play) }}</dd>
        </div>
        <div>
          <dt class="text-[13px] text-mute">measured</dt>
          <dd class="figure text-xl">{{ shown.valid && shown.estimate ? show(shown.estimate.value) : '–' }}</dd>
        </div>
        <div>
          <dt class="text-[13px] text-mute">off by</dt>
          <dd class="figure text-xl font-bold" :class="residual?.flagged ? 'text-out' : ''">
            {{ residual ? formatChange(residual.difference, unit, { sign: true }) : '–' }}
          </dd>
        </div>
      </dl>
      <p v-if="residual" class="mt-1 text-[14px]" :class="residual.flagged ? 'text-out' : 'text-in'">
        {{
          residual.flagged
            ? 'It did not move by what the pack changed. Find out why: bolts, seating, a piece not its size.'
            : 'It moved as predicted.'
        }}
      </p>
      <p v-else class="mt-1 text-[14px] text-mute">Measure again with the new pack: type the reading on the left.</p>
    </div>
    <div v-if="severalFittings">
      <h2 class="label mb-1">Trial ledger</h2>
      <p class="text-[14px]" :class="ledger!.state === 'agree' ? 'text-in' : 'text-near'" data-test="ledger-words">{{ ledger!.words }}</p>
      <ul v-if="ledger!.suspect" class="mt-1 list-disc pl-5 text-[14px]">
        <li v-for="line in ledger!.suspect.reasons" :key="line">{{ line }}</li>
      </ul>
    </div>
    <BeforeAfter v-if="document.trials.length > 1 || document.partChanges.length > 0" :document="document" :evaluation="evaluation" />
    <FittingList v-if="place" :document="document" :evaluation="evaluation" :place="place" :lots="lots" />
    <div v-if="matched">
      <MatchedSetLabel :set="matched" />
      <NuxtLink v-if="!matched.void" class="link text-[14px]" :to="`/labels?of=set:${document.id}`">print its label</NuxtLink>
    </div>
    <p v-if="document.trials.length > 1">
      <NuxtLink class="link text-[14px]" :to="`/labels?of=bag:${document.id}`">label for the bag of what came out</NuxtLink>
    </p>
    <PendingList
      :items="evaluation.reminders"
      :signer="preferences.signer"
      :busy="busy"
      @clear="(item, how) => emit('clear', { item, how, trial: evaluation.current.id, by: preferences.signer.trim() })"
    />
    <form class="space-y-3" novalidate @submit.prevent="submit">
      <h2 class="label">{{ document.signOff ? 'Signed off' : 'Sign off' }}</h2>
      <template v-if="document.signOff">
        <p class="text-[15px]">
          <strong>{{ document.signOff.by }}</strong>, {{ shortTime(document.signOff.at)
          }}<template v-if="document.signOff.reason">. {{ document.signOff.reason }}</template>{{ ' '
          }}<span class="text-mute">· computed by version {{ document.signOff.core }}</span>
        </p>
        <p v-if="job">
          <NuxtLink class="link min-h-9" :to="`/reports/${job}?check=${document.id}`">report of this check</NuxtLink> ·
          <NuxtLink class="link min-h-9" :to="`/history/${job}?check=${document.id}`">who did what</NuxtLink>
        </p>
      </template>
      <ul v-else-if="gate.blockers.length" class="space-y-1 text-[14px] text-near" data-test="blockers">
        <li v-for="line in gate.blockers" :key="line">{{ line }}</li>
      </ul>
      <p v-else-if="gate.needsReason" class="text-[14px] text-near">
        Before it is signed: {{ gate.needsReason }}. It can be accepted with a reason and a name; both stand in the record.
      </p>
      <template v-if="document.signOff || gate.blockers.length === 0">
        <div v-if="gate.needsReason || document.signOff">
          <label class="label mb-1 block" for="sign-reason">{{
            document.signOff ? 'Why it is opened again' : 'Reason for accepting it'
          }}</label>
          <input id="sign-reason" v-model="reason" class="field" :aria-invalid="reasonFault !== null" autocomplete="off" />
          <p v-if="reasonFault" class="fault">{{ reasonFault }}</p>
        </div>
        <NameField id="sign-name" v-model="preferences.signer" label="Name" :fault="nameFault" />
        <label v-if="!document.signOff && open.length" class="flex min-h-11 items-center gap-2.5 text-[14px]">
          <input v-model="accepting" type="checkbox" class="size-4 accent-[var(--in)]" />What is still to do is accepted as it is, by my
          name
        </label>
        <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
        <button type="submit" class="button" :class="document.signOff ? '' : 'primary'" :disabled="busy">
          {{ document.signOff ? 'Reopen' : gate.needsReason ? 'Accept and sign off' : 'Sign off' }}
        </button>
      </template>
      <p class="text-[12.5px] text-mute">
        The maker’s manual comes first. Where law or insurance asks for a licensed mechanic, this record does not replace one. Figures in
        {{ unitName(unit) }}.
      </p>
    </form>
    <CheckPhotos v-if="job" :job="job" :check="document.id" />
    <div v-if="severalFittings && place">
      <template v-if="place.learned">
        <h2 class="label mb-1">What does the pack do to it?</h2>
        <SlopePlot :learned="place.learned" :limits="shown.limits.working" :aim="place.aim?.target ?? null" />
      </template>
      <template v-else>
        <h2 class="label mb-1">Does the play follow the pack?</h2>
        <LedgerPlot :ledger="ledger!" :response="responseOf(place.place)" :limits="shown.limits.working" />
      </template>
    </div>
  </section>
</template>
