<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { Target } from '#core/check/work'
import { honePlan } from '#core/check/kinds/roller-big-end/hone-plan'
import { rodsOf } from '#core/check/kinds/roller-big-end/layout'
import { readRollers } from '#core/check/kinds/roller-big-end/setup'
import { takenSet, type TakenSet } from '#core/check/kinds/roller-big-end/sets'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** The bore each rod is honed to, what the dial then shows, and how far it is. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation }>()
const preferences = usePreferences()
const answers = computed(() => props.evaluation.current.answers)
const setup = computed(() => readRollers(props.document.setup))
const sizeUnit = computed(() => unitFor(preferences.system, 'size'))
const size = (value: number) => formatLength(value, sizeUnit.value, { fine: true })
const play = (value: number) => formatLength(value, preferences.unit, { fine: true })
const targetOf = (id: string, rod: string) => props.evaluation.targets.find(target => target.id === id && target.position === rod) ?? null
const rods = computed(() =>
  rodsOf(setup.value).flatMap(rod => {
    const bore = targetOf('bore', rod.id)
    return bore
      ? [
          {
            ...rod,
            bore,
            dial: targetOf('dial', rod.id),
            plan: honePlan(setup.value, answers.value, rod.id, bore),
            set: takenSet(setup.value, answers.value, rod.id),
          },
        ]
      : []
  }),
)
/** The range of clearance the set has in a bore at that size: the largest roller first. */
function leaves({ bore, set }: { bore: Target; set: TakenSet | null }): string {
  const apart = (set?.largest?.value ?? 0) - (set?.smallest?.value ?? 0)
  return `${play(bore.aim.target - apart)} – ${play(bore.aim.target + apart)}`
}
const aims = computed(() =>
  [...new Set(rods.value.map(({ bore }) => `${play(bore.aim.target)} ${UNIT_NAME[preferences.unit]}, ${bore.aim.words}`))].join('; '),
)
const cautions = computed(() => [...new Set(rods.value.flatMap(({ bore }) => bore.aim.caution ?? []))])
/** How the sizes come about, said once for all rods. */
const formulas = computed(() =>
  [rods.value[0]?.bore.formula, ...rods.value.flatMap(({ dial }) => (dial ? [`dial = ${dial.formula}`] : [])).slice(0, 1)].join('; '),
)
</script>

<template>
  <div class="space-y-5">
    <div>
      <h2 class="label mb-1">Bore to hone to</h2>
      <p v-if="rods.length === 0" class="text-[14px] text-mute">Pin, a set and the limits of the clearance give the size to hone to.</p>
      <table v-else data-test="targets">
        <thead>
          <tr>
            <td class="!border-0" />
            <th class="text-right">Bore, {{ UNIT_NAME[sizeUnit] }}</th>
            <th class="text-right">On the dial, cold, {{ UNIT_NAME[preferences.unit] }}</th>
            <th class="text-right">known to ±</th>
            <th class="text-right">leaves, {{ UNIT_NAME[preferences.unit] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="rod in rods" :key="rod.id">
            <td>{{ rod.label }}</td>
            <td class="figure text-right font-bold">{{ size(rod.bore.value) }}</td>
            <td class="figure text-right font-bold">
              {{ rod.dial ? formatLength(rod.dial.value, preferences.unit, { sign: true, fine: true }) : 'no master size' }}
            </td>
            <td class="figure text-right">{{ play(rod.bore.U) }}</td>
            <td class="figure text-right whitespace-nowrap">{{ leaves(rod) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="rods.length" class="mt-1 text-[12.5px] text-mute">{{ formulas }}. Clearance wanted: {{ aims }}.</p>
      <p v-for="caution in cautions" :key="caution" class="text-[13.5px] text-near">{{ caution }}</p>
    </div>
    <div v-for="{ id, label, plan } in rods" :key="id" data-test="hone-plan">
      <template v-if="plan">
        <h2 class="label mb-1">Honing {{ label.toLowerCase() }}</h2>
        <p v-for="(words, i) in plan.words" :key="words" class="text-[14px]" :class="plan.over && i === 0 ? 'text-out' : ''">{{ words }}</p>
        <p v-if="plan.marks.length" class="mt-1 text-[13.5px] text-mute">
          With the bore as warm as it is:
          <template v-for="(mark, i) in plan.marks" :key="mark.stone"
            >{{ i ? '; ' : '' }}{{ mark.stone === 'size' ? 'size' : `${mark.stone} stone` }} at
            <span class="figure text-ink">{{ formatLength(mark.dial, preferences.unit, { sign: true, fine: true }) }}</span>
          </template>
          {{ UNIT_NAME[preferences.unit] }} on the dial.
        </p>
        <HoneCurve v-if="plan.left !== null" class="mt-2" :plan="plan" />
      </template>
    </div>
  </div>
</template>
