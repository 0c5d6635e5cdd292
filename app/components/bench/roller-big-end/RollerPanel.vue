<script setup lang="ts">
import type { Target } from '#core/check/contract'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate-check'
import { honePlan } from '#core/check/roller-big-end/hone-plan'
import { rodsOf, setPoint } from '#core/check/roller-big-end/layout'
import { rollersOf, sortedRollers, takenSet } from '#core/check/roller-big-end/evaluate'
import type { RollerSet } from '#core/check/roller-big-end/sort-rollers'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** What there is to choose for roller big ends: a set a rod, then the bore to hone to and how far it is. */
const props = defineProps<{ document: CheckDocument, evaluation: CheckEvaluation, locked: boolean }>()
defineEmits<{ take: [string, readonly string[]] }>()
const preferences = usePreferences()
const answers = computed(() => props.evaluation.current.answers)
const setup = computed(() => props.document.setup)
const sizeUnit = computed(() => unitFor(preferences.system, 'size'))
const size = (value: number) => formatLength(value, sizeUnit.value, { fine: true })
const play = (value: number) => formatLength(value, preferences.unit, { fine: true })
const rollers = computed(() => rollersOf(setup.value, answers.value))
const sorted = computed(() => sortedRollers(setup.value, answers.value))
const idsOf = (set: RollerSet) => set.rollers.map(roller => roller.id)
const rods = computed(() => rodsOf(setup.value).map((rod, i) => {
  const taken = takenSet(setup.value, answers.value, rod.id)
  const proposed = sorted.value.sets[i] ?? null
  const same = taken !== null && proposed !== null && taken.rollers.length === proposed.rollers.length && taken.rollers.every(roller => idsOf(proposed).includes(roller.id))
  const inHand = taken?.rollers ?? proposed?.rollers ?? []
  return {
    ...rod, taken, proposed, same, point: setPoint(rod.id), rollers: inHand, bags: [...new Set(inHand.map(roller => roller.bag))].join(' and '),
    bore: props.evaluation.targets.find(target => target.id === 'bore' && target.position === rod.id) ?? null,
    dial: props.evaluation.targets.find(target => target.id === 'dial' && target.position === rod.id) ?? null,
  }
}))
const shown = computed(() => new Map(rods.value.flatMap(rod => rod.rollers.map(roller => [roller.id, rod.id] as const))))
const plans = computed(() => rods.value.flatMap((rod) => {
  const plan = rod.bore && honePlan(setup.value, answers.value, rod.id, rod.bore)
  return plan ? [{ rod, plan }] : []
}))
/** The range of clearance the set has in a bore at that size: the largest roller first. */
function leaves({ bore, rollers: set }: { bore: Target | null, rollers: readonly { size: number }[] }): string {
  const apart = set.at(-1)!.size - set[0]!.size
  return `${play(bore!.aim.target - apart)} – ${play(bore!.aim.target + apart)}`
}
const aims = computed(() => [...new Set(rods.value.flatMap(({ bore }) => (bore ? [`${play(bore.aim.target)} ${UNIT_NAME[preferences.unit]}, ${bore.aim.words}`] : [])))].join('; '))
const cautions = computed(() => [...new Set(rods.value.flatMap(({ bore }) => bore?.aim.caution ?? []))])
const leftWords = computed(() => {
  const left = rollers.value.length - shown.value.size
  return left > 0 ? `${left} left over.` : ''
})
</script>

<template>
  <section class="space-y-5" aria-label="Sets and bores" data-test="rollers">
    <div>
      <h2 class="label mb-1">Rollers, sorted</h2>
      <p class="mb-2 text-[14px]" :class="sorted.possible < rods.length ? 'text-near' : ''" data-test="sort-words">{{ sorted.words }} {{ leftWords }}</p>
      <RollerStrip v-if="rollers.length" :rollers="rollers" :rods="shown" />
      <table v-if="rollers.length" class="mt-2">
        <thead><tr><th>Set for</th><th>Bag</th><th class="text-right">Smallest</th><th class="text-right">Largest, {{ UNIT_NAME[sizeUnit] }}</th><th class="text-right">Apart, {{ UNIT_NAME[preferences.unit] }}</th><td class="!border-0" /></tr></thead>
        <tbody>
          <tr v-for="rod in rods" :key="rod.id" data-test="set-row">
            <td>{{ rod.label }}</td>
            <template v-if="rod.rollers.length"><td>{{ rod.bags }}</td><td class="figure text-right">{{ size(rod.rollers[0]!.size) }}</td><td class="figure text-right">{{ size(rod.rollers.at(-1)!.size) }}</td><td class="figure text-right">{{ play(rod.rollers.at(-1)!.size - rod.rollers[0]!.size) }}</td></template>
            <td v-else colspan="4" class="text-mute">no set can be made</td>
            <td class="text-right whitespace-nowrap"><span v-if="rod.taken" class="text-[13.5px]" :class="rod.taken.findings.length ? 'text-out' : 'text-in'">{{ rod.taken.findings.length ? 'not valid' : 'taken' }}</span><button v-if="!locked && rod.proposed && !rod.same" type="button" class="button ml-2 min-h-9" :class="rod.taken ? '' : 'primary'" @click="$emit('take', rod.point, idsOf(rod.proposed))">{{ rod.taken ? `Take the closer set for ${rod.label.toLowerCase()}` : `Take for ${rod.label.toLowerCase()}` }}</button></td>
          </tr>
        </tbody>
      </table>
      <p v-for="finding in rods.flatMap(rod => rod.taken?.findings ?? [])" :key="finding.words" class="fault">{{ finding.words }}</p>
    </div>
    <div>
      <h2 class="label mb-1">Bore to hone to</h2>
      <p v-if="!rods.some(rod => rod.bore)" class="text-[14px] text-mute">Pin, a set and the limits of the clearance give the size to hone to.</p>
      <table v-else data-test="targets">
        <thead><tr><td class="!border-0" /><th class="text-right">Bore, {{ UNIT_NAME[sizeUnit] }}</th><th class="text-right">On the dial, cold, {{ UNIT_NAME[preferences.unit] }}</th><th class="text-right">known to ±</th><th class="text-right">leaves, {{ UNIT_NAME[preferences.unit] }}</th></tr></thead>
        <tbody><tr v-for="rod in rods.filter(r => r.bore)" :key="rod.id"><td>{{ rod.label }}</td><td class="figure text-right font-bold">{{ size(rod.bore!.value) }}</td><td class="figure text-right font-bold">{{ rod.dial ? formatLength(rod.dial.value, preferences.unit, { sign: true, fine: true }) : 'no master size' }}</td><td class="figure text-right">{{ play(rod.bore!.U) }}</td><td class="figure text-right whitespace-nowrap">{{ leaves(rod) }}</td></tr></tbody>
      </table>
      <p v-if="rods.some(rod => rod.bore)" class="mt-1 text-[12.5px] text-mute">{{ rods.find(rod => rod.bore)!.bore!.formula }}<template v-if="rods.find(rod => rod.dial)">; dial = {{ rods.find(rod => rod.dial)!.dial!.formula }}</template>. Clearance wanted: {{ aims }}.</p>
      <p v-for="caution in cautions" :key="caution" class="text-[13.5px] text-near">{{ caution }}</p>
    </div>
    <div v-for="{ rod, plan } in plans" :key="rod.id" data-test="hone-plan">
      <h2 class="label mb-1">Honing {{ rod.label.toLowerCase() }}</h2>
      <p v-for="(words, i) in plan.words" :key="words" class="text-[14px]" :class="plan.over && i === 0 ? 'text-out' : ''">{{ words }}</p>
      <p v-if="plan.marks.length" class="mt-1 text-[13.5px] text-mute">With the bore as warm as it is: <template v-for="(mark, i) in plan.marks" :key="mark.stone">{{ i ? '; ' : '' }}{{ mark.stone === 'size' ? 'size' : `${mark.stone} stone` }} at <span class="figure text-ink">{{ formatLength(mark.dial, preferences.unit, { sign: true, fine: true }) }}</span></template> {{ UNIT_NAME[preferences.unit] }} on the dial.</p>
      <HoneCurve v-if="plan.left !== null" class="mt-2" :plan="plan" />
    </div>
  </section>
</template>
