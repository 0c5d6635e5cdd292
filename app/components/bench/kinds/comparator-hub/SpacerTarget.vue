<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate-check'
import { readSetup } from '#core/check/setup'
import { FIELDS } from '#core/check/comparator-hub'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { endsOf } from '#core/verdict/limits'
import { usePreferences } from '~/stores/preferences'

/** What the spacer is set to: the figure the dial has to show, the window around it, and which way is longer. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; locked: boolean }>()
defineEmits<{ take: [string, readonly string[]]; leave: [] }>()
const preferences = usePreferences()
const falls = computed(() => readSetup(FIELDS, props.document.setup).sense === 'falls')
const target = computed(() => props.evaluation.targets[0] ?? null)
const result = (id: string) => props.evaluation.current.results.find(candidate => candidate.id === id)
const show = (value: number) => formatLength(value, preferences.unit)
const reading = computed(() => props.evaluation.current.answers.of('spacer').estimate)
/** From the shortest to the longest that would do, as the dial shows it. */
const windowOf = computed(() => {
  const ends = endsOf(result('longer')?.limits.working ?? null)
  const { turn } = props.evaluation.current.answers.of('distance')
  if (!ends || !turn) return null
  const shortest = falls.value ? turn.most.value : turn.least.value
  return [ends.lower, ends.upper].filter(Number.isFinite).map(end => show(shortest + (falls.value ? -end : end)))
})
const off = computed(() => (target.value && reading.value ? reading.value.value - target.value.value : null))
</script>

<template>
  <section aria-label="Spacer" class="space-y-3" data-test="spacer-target">
    <template v-if="target">
      <h2 class="label">{{ target.label }}</h2>
      <p class="flex flex-wrap items-baseline gap-x-4">
        <span class="figure text-[40px] leading-none font-bold">{{ show(target.value) }}</span>
        <span class="text-mute">{{ UNIT_NAME[preferences.unit] }}</span>
        <span v-if="windowOf" class="figure text-[17px]">{{ windowOf.join(' to ') }} would do</span>
      </p>
      <p class="text-[15px]">
        <strong>{{ falls ? 'Longer is a smaller figure ↓' : 'Longer is a larger figure ↑' }}</strong>, less preload; shorter is more.
      </p>
      <p class="text-[14px] text-mute">{{ target.formula }}; aimed at {{ show(target.aim.target) }} longer, {{ target.aim.words }}.</p>
      <table class="tight">
        <tbody>
          <tr>
            <td>It reads now</td>
            <td class="figure text-right">{{ reading ? show(reading.value) : '–' }}</td>
          </tr>
          <tr v-if="off !== null && Math.abs(off) >= 1">
            <td>Set it {{ off > 0 === falls ? 'longer' : 'shorter' }} by</td>
            <td class="figure text-right">{{ show(Math.abs(off)) }}</td>
          </tr>
          <tr v-for="id in ['longer', 'longer-least', 'spread']" :key="id">
            <td>{{ result(id)?.label }}</td>
            <td class="figure text-right">{{ result(id)?.estimate ? show(result(id)!.estimate!.value) : '–' }}</td>
          </tr>
        </tbody>
      </table>
      <p class="text-[13.5px] text-mute">
        Read the mean of the turn instead, and the spacer comes out longer than meant by about half the spread.
      </p>
    </template>
    <p v-else class="text-mute">Read the seat distance over a turn first, and give the limits it is to be longer by.</p>
  </section>
</template>
