<script setup lang="ts">
import { packIn, type CheckDocument } from '#core/check/document'
import { checkKind } from '#core/check/registry'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { gaugeNeeds, type GaugeNeed } from '#core/check/evaluate/gauge-needs'
import { gradeFor } from '#core/method/plastic-strip/scale'
import { ways } from '#core/method/ways'
import { describeLimits, endsOf } from '#core/verdict/limits'
import { suits, type Gauge } from '#core/reading/gauge'
import { AIM_NAME, type AimSchool } from '#core/verdict/aim'
import type { DecisionRule } from '#core/verdict/decide'
import { systemOf, type Exact, type Unit } from '#core/quantity/figure'
import type { Lot } from '#core/pack/lot'
import { useFamilies } from '~/composables/drawer/useFamilies'
import { faultAt } from '~/composables/server/useApi'
import type { Fault } from '#shared/types'
import type { CheckBody, CheckSettings } from '#shared/writes'

/** Everything a check rests on; each change is kept at once. */
const props = defineProps<{
  document: CheckDocument
  lots: readonly Lot[]
  /** the register */
  gauges: readonly Gauge[]
  faults: readonly Fault[]
  results: readonly ResultEvaluation[]
  /** the fittings show that the sign of a place may be wrong: what carries it can be mended */
  signDoubtful: boolean
}>()
const emit = defineEmits<{
  keep: [CheckSettings]
  found: [CheckBody<'found-pack'>]
}>()
const kind = computed(() => checkKind(props.document.kind))
const places = computed(() => kind.value.places(props.document.setup).filter(({ startsEmpty }) => !startsEmpty))
const locked = computed(() => props.document.signOff !== null)
/** Places whose pack can still be named: before anything was changed, or as long as it is not known. */
const unlisted = computed(() =>
  props.document.trials.length === 1
    ? places.value
    : places.value.filter(place => packIn(props.document.trials.at(-1)!, place.id) === null),
)
const needed = computed(() => gaugeNeeds(kind.value.points(props.document.setup)))
const usedFor = ({ key, kind: of }: GaugeNeed) => props.document.gauges[key] ?? props.document.gauges[of]
const usesDial = computed(() => kind.value.points(props.document.setup).some(point => ways[point.way].entry === 'travel'))
/** The strip whose range holds the limits, where both ends are known; named as the limits are. */
const grade = computed(() => {
  const limits = props.results.find(result => result.kind.main)?.limits.working ?? null
  const ends = endsOf(limits)
  if (!ends || !Number.isFinite(ends.lower) || !Number.isFinite(ends.upper)) return null
  return `${gradeFor(ends.lower, ends.upper)?.colour ?? 'none holds both ends'} (${describeLimits(limits)})`
})
const families = useFamilies(toRef(props, 'document'))

/** An aim of one’s own is a figure of what is chosen for. */
const aimUnit = computed<Unit>(() => props.results.find(result => result.kind.main)?.kind.unit ?? props.document.entryUnit)
const own = ref<Exact | null>(props.document.aim.own ?? null)
const school = ref<AimSchool>(props.document.aim.school)
const aimReason = ref(props.document.aim.reason ?? '')
function keepAim(): void {
  if (school.value === 'own' && own.value === null) return
  const aim = {
    school: school.value,
    ...(school.value === 'own' ? { own: own.value! } : {}),
    ...(aimReason.value.trim() ? { reason: aimReason.value.trim() } : {}),
  }
  if (JSON.stringify(aim) !== JSON.stringify(props.document.aim)) emit('keep', { aim })
}
const RULE_WORDS: Readonly<Record<DecisionRule, string>> = {
  plain: 'Plain: inside the limits passes',
  careful: 'Careful: 80 % sure, or too close to call',
  guarded: 'Guarded: 95 % sure, or too close to call',
}
const value = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <section aria-label="Set up" class="gap-x-8 lg:columns-2">
    <p v-if="faultAt(faults, '')" class="fault [column-span:all]" role="alert">{{ faultAt(faults, '') }}</p>
    <div class="space-y-4 [&>*]:break-inside-avoid">
      <div>
        <label class="label mb-1 block" for="setup-title">Name of the check</label>
        <TextField id="setup-title" :text="document.title" maxlength="120" :disabled="locked" @keep="title => emit('keep', { title })" />
        <p v-if="faultAt(faults, 'settings.title')" class="fault">{{ faultAt(faults, 'settings.title') }}</p>
      </div>
      <SetupFields
        :kind="kind"
        :setup="document.setup"
        :unit-system="systemOf(document.entryUnit)"
        :disabled="locked"
        :settled="document.trials.length > 1"
        :mendable="signDoubtful"
        :faults="faults"
        @change="(setup, reason) => emit('keep', { setup, ...(reason ? { reason } : {}) })"
      />
      <div v-if="places.length">
        <label class="label mb-1 block" for="setup-family">Pieces come from</label>
        <select
          id="setup-family"
          class="field"
          :value="document.family"
          :disabled="locked"
          @change="emit('keep', { family: value($event) })"
        >
          <option value="">no drawer chosen</option>
          <option v-for="family in families" :key="family" :value="family">{{ family }}</option>
        </select>
      </div>
      <FoundPack v-if="unlisted.length && !locked" :document="document" :places="unlisted" :lots="lots" @found="emit('found', $event)" />
      <div v-for="need in needed" :key="need.key">
        <label class="label mb-1 block" :for="`setup-${need.key}`">{{ need.label }}</label>
        <select
          :id="`setup-${need.key}`"
          class="field"
          :value="usedFor(need)?.id ?? ''"
          :disabled="locked"
          @change="emit('keep', { gauges: { [need.key]: value($event) } })"
        >
          <option v-if="!usedFor(need)" value="" disabled>none in the register yet</option>
          <option v-for="gauge in gauges.filter(g => suits(need.kind, g))" :key="gauge.id" :value="gauge.id">{{ gauge.name }}</option>
        </select>
        <p v-if="need.kind === 'plastic-strip' && grade" class="mt-0.5 text-[12.5px] text-mute" data-test="grade">
          Grade for these limits: {{ grade }}
        </p>
      </div>
      <div class="grid grid-cols-2 gap-2">
        <div>
          <label class="label mb-1 block" for="setup-unit">Entry unit of the check</label>
          <select
            id="setup-unit"
            class="field"
            :value="document.entryUnit"
            :disabled="locked"
            @change="emit('keep', { entryUnit: value($event) })"
          >
            <option value="thou">thou</option>
            <option value="mm">mm</option>
          </select>
        </div>
        <div v-if="usesDial">
          <label class="label mb-1 block" for="setup-angle">Tip’s angle, degrees</label>
          <TextField
            id="setup-angle"
            class="figure"
            type="number"
            min="0"
            max="60"
            step="1"
            :text="document.tipAngle"
            :disabled="locked"
            :aria-invalid="faultAt(faults, 'settings.tipAngle') !== undefined"
            @keep="text => emit('keep', { tipAngle: Number(text) })"
          />
          <p v-if="faultAt(faults, 'settings.tipAngle')" class="fault">{{ faultAt(faults, 'settings.tipAngle') }}</p>
        </div>
      </div>
    </div>
    <div class="mt-4 space-y-4 [&>*:not(:first-child)]:break-inside-avoid">
      <LimitsPanel :kind="kind" :document="document" :locked="locked" :faults="faults" :results="results" @keep="emit('keep', $event)" />
      <fieldset v-if="places.length || kind.works" class="space-y-2" :disabled="locked" @focusout="keepAim">
        <legend class="label mb-1">Aim</legend>
        <div class="grid grid-cols-2 gap-2">
          <div>
            <label class="sr-only" for="setup-aim">Aim at</label>
            <select id="setup-aim" v-model="school" class="field" @change="keepAim">
              <option v-for="(name, key) in AIM_NAME" :key="key" :value="key">{{ name }}</option>
            </select>
          </div>
          <FigureField v-if="school === 'own'" v-model="own" label="Own figure" hide-label :unit="aimUnit" />
        </div>
        <label class="sr-only" for="setup-aim-reason">Why this aim</label>
        <input
          id="setup-aim-reason"
          v-model="aimReason"
          class="field"
          placeholder="why this aim (may be left out)"
          maxlength="200"
          autocomplete="off"
        />
      </fieldset>
      <fieldset :disabled="locked">
        <legend class="label mb-1">Rule</legend>
        <label v-for="(words, rule) in RULE_WORDS" :key="rule" class="flex min-h-11 items-center gap-2 text-[14px]">
          <input type="radio" name="rule" class="size-4" :checked="document.rule === rule" @change="emit('keep', { rule })" />{{
            words
          }}</label
        >
      </fieldset>
      <PackRulesFields
        v-if="places.length"
        :document="document"
        :capacity="places[0]!.capacity"
        :lots="lots"
        :locked="locked"
        :faults="faults"
        @keep="emit('keep', $event)"
      />
    </div>
  </section>
</template>
