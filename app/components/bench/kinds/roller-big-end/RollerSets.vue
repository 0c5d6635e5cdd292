<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { rodsOf, setPoint } from '#core/check/kinds/roller-big-end/layout'
import { readRollers } from '#core/check/kinds/roller-big-end/setup'
import { rollersOf, sortedRollers, takenSet } from '#core/check/kinds/roller-big-end/sets'
import type { RollerSet } from '#core/check/kinds/roller-big-end/sort-rollers'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** Rollers sorted by size, and a set for each rod to take. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; locked: boolean }>()
const emit = defineEmits<{ take: [string, readonly string[]] }>()
const preferences = usePreferences()
const answers = computed(() => props.evaluation.current.answers)
const setup = computed(() => readRollers(props.document.setup))
const sizeUnit = computed(() => unitFor(preferences.system, 'size'))
const size = (value: number) => formatLength(value, sizeUnit.value, { fine: true })
const play = (value: number) => formatLength(value, preferences.unit, { fine: true })
const rollers = computed(() => rollersOf(setup.value, answers.value))
const sorted = computed(() => sortedRollers(setup.value, answers.value))
const idsOf = (set: { readonly rollers: readonly { readonly id: string }[] }) => set.rollers.map(roller => roller.id)
const alike = (a: { readonly rollers: readonly { readonly id: string }[] }, b: RollerSet) =>
  idsOf(a).sort().join() === idsOf(b).sort().join()
const rods = computed(() => {
  const own = rodsOf(setup.value).map(rod => ({ ...rod, point: setPoint(rod.id), taken: takenSet(setup.value, answers.value, rod.id) }))
  // Which rod a set goes to is free: what is proposed is one that no rod has taken.
  const free = sorted.value.sets.filter(set => !own.some(({ taken }) => taken && alike(taken, set)))
  return own.map(rod => {
    const settled = rod.taken !== null && sorted.value.sets.some(set => alike(rod.taken!, set))
    const proposed = settled ? null : (free.shift() ?? null)
    const inHand = rod.taken?.rollers ?? proposed?.rollers ?? []
    return { ...rod, proposed, rollers: inHand, bags: [...new Set(inHand.map(roller => roller.bag))].join(' and ') }
  })
})
/** Two sets change rods: the larger rollers belong where the bore is larger already. */
function swap(): void {
  const [a, b] = rods.value
  emit('take', a!.point, idsOf(b!.taken!))
  emit('take', b!.point, idsOf(a!.taken!))
}
const shown = computed(() => new Map(rods.value.flatMap(rod => rod.rollers.map(roller => [roller.id, rod.id] as const))))
const leftWords = computed(() => {
  const left = rollers.value.length - shown.value.size
  return left > 0 ? `${left} left over.` : ''
})
</script>

<template>
  <div>
    <h2 class="label mb-1">Rollers, sorted</h2>
    <p class="mb-2 text-[14px]" :class="sorted.possible < rods.length ? 'text-near' : ''" data-test="sort-words">
      {{ sorted.words }} {{ leftWords }}
    </p>
    <RollerStrip v-if="rollers.length" :rollers="rollers" :rods="shown" />
    <table v-if="rollers.length" class="mt-2">
      <thead>
        <tr>
          <th>Set for</th>
          <th>Bag</th>
          <th class="text-right">Smallest</th>
          <th class="text-right">Largest, {{ UNIT_NAME[sizeUnit] }}</th>
          <th class="text-right">Apart, {{ UNIT_NAME[preferences.unit] }}</th>
          <td class="!border-0" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="rod in rods" :key="rod.id" data-test="set-row">
          <td>{{ rod.label }}</td>
          <template v-if="rod.rollers.length">
            <td>{{ rod.bags }}</td>
            <td class="figure text-right">{{ size(rod.rollers[0]!.size) }}</td>
            <td class="figure text-right">{{ size(rod.rollers.at(-1)!.size) }}</td>
            <td class="figure text-right">{{ play(rod.rollers.at(-1)!.size - rod.rollers[0]!.size) }}</td>
          </template>
          <td v-else colspan="4" class="text-mute">no set can be made</td>
          <td class="text-right whitespace-nowrap">
            <span v-if="rod.taken" class="text-[13.5px]" :class="rod.taken.findings.length ? 'text-out' : 'text-in'">{{
              rod.taken.findings.length ? 'not valid' : 'taken'
            }}</span>
            <button
              v-if="!locked && rod.proposed"
              type="button"
              class="button ml-2 min-h-9"
              :class="rod.taken ? '' : 'primary'"
              @click="emit('take', rod.point, idsOf(rod.proposed))"
            >
              {{ rod.taken ? `Take the closer set for ${rod.label.toLowerCase()}` : `Take for ${rod.label.toLowerCase()}` }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="!locked && rods.length === 2 && rods.every(rod => rod.taken)" class="mt-1">
      <button type="button" class="link min-h-9 text-[13.5px]" @click="swap">change the two sets over</button>
    </p>
    <p v-for="finding in rods.flatMap(rod => rod.taken?.findings ?? [])" :key="finding.words" class="fault">{{ finding.words }}</p>
  </div>
</template>
