<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { rodsOf, setPoint } from '#core/check/kinds/roller-big-end/layout'
import { readRollers } from '#core/check/kinds/roller-big-end/setup'
import { rollersOf, sortedRollers, takenSet } from '#core/check/kinds/roller-big-end/sets'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** Bags of which a sample was measured, and a bag for each rod to take its set from. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; locked: boolean }>()
defineEmits<{ take: [string, readonly string[]] }>()
const preferences = usePreferences()
const answers = computed(() => props.evaluation.current.answers)
const setup = computed(() => readRollers(props.document.setup))
const sizeUnit = computed(() => unitFor(preferences.system, 'size'))
const size = (value: number | undefined) => (value === undefined ? '–' : formatLength(value, sizeUnit.value, { fine: true }))
const rollers = computed(() => rollersOf(setup.value, answers.value))
const sorted = computed(() => sortedRollers(setup.value, answers.value))
const rods = computed(() =>
  rodsOf(setup.value).map(rod => {
    const taken = takenSet(setup.value, answers.value, rod.id)
    const bag = taken?.rollers[0]?.bag ?? null
    return { ...rod, point: setPoint(rod.id), taken, bag, others: sorted.value.sets.filter(set => set.bag !== bag) }
  }),
)
const findings = computed(() => new Map(rods.value.flatMap(rod => (rod.taken?.findings ?? []).map(f => [f.words, f.level] as const))))
</script>

<template>
  <div>
    <h2 class="label mb-1">Rollers, by samples</h2>
    <p class="mb-2 text-[14px]" :class="sorted.sets.length === 0 ? 'text-near' : ''" data-test="sort-words">{{ sorted.words }}</p>
    <RollerStrip v-if="rollers.length" :rollers="rollers" :rods="new Map()" sample />
    <table v-if="rollers.length" class="mt-2">
      <thead>
        <tr>
          <th>Set for</th>
          <th>Bag</th>
          <th class="text-right">Smallest to expect</th>
          <th class="text-right">Largest, {{ UNIT_NAME[sizeUnit] }}</th>
          <th class="text-right">± {{ UNIT_NAME[preferences.unit] }}</th>
          <td class="!border-0" />
        </tr>
      </thead>
      <tbody>
        <tr v-for="rod in rods" :key="rod.id" data-test="set-row">
          <td>{{ rod.label }}</td>
          <td>{{ rod.bag ?? '–' }}</td>
          <td class="figure text-right">{{ size(rod.taken?.smallest?.value) }}</td>
          <td class="figure text-right">{{ size(rod.taken?.largest?.value) }}</td>
          <td class="figure text-right">
            {{ rod.taken?.largest ? formatLength(rod.taken.largest.U, preferences.unit, { fine: true }) : '–' }}
          </td>
          <td class="text-right whitespace-nowrap">
            <button
              v-for="set in locked ? [] : rod.others"
              :key="set.bag!"
              type="button"
              class="button ml-2 min-h-9"
              :class="rod.taken ? '' : 'primary'"
              @click="
                $emit(
                  'take',
                  rod.point,
                  set.rollers.map(roller => roller.id),
                )
              "
            >
              {{ rod.taken ? `Bag ${set.bag} instead` : `Bag ${set.bag} for ${rod.label.toLowerCase()}` }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p
      v-for="[words, level] in findings"
      :key="words"
      class="text-[13.5px]"
      :class="level === 'fail' ? 'text-out' : level === 'warn' ? 'text-near' : 'text-mute'"
    >
      {{ words }}
    </p>
  </div>
</template>
