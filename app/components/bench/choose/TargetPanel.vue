<script setup lang="ts">
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { enoughWords } from '#core/check/sentence/enough-words'
import type { Target } from '#core/check/work'
import { formatLength, unitFor } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** What is set or worked to a figure where no piece is chosen: the figure, what would do as well, and how far it is from there. */
const props = defineProps<{ evaluation: CheckEvaluation }>()
const preferences = usePreferences()
const unitOf = ({ scale }: Target) => unitFor(preferences.system, scale)
const show = (value: number, target: Target) => formatLength(value, unitOf(target))
/** Of a screw the way it goes, of anything else the figure. */
const told = (value: number, target: Target) =>
  target.turn && Math.abs(value) >= 1
    ? `${show(Math.abs(value), target)} ${value < 0 ? target.way.down : target.way.up}`
    : show(value, target)
/** `3.0 to 5.0 would do` */
function windowWords(target: Target): string {
  const { low, high } = target
  if (target.impossible) return 'no figure brings all of it into its limits'
  if (low === null && high === null) return ''
  if (low === null) return `up to ${told(high!, target)} would do`
  if (high === null) return `${told(low, target)} and more would do`
  return `${told(low, target)} to ${told(high, target)} would do`
}
/** What is left to do, in words; null where it is not known how it is now. */
function leftWords(target: Target): { words: string; figure: string } | null {
  if (target.left === null || Math.abs(target.left) < 1) return null
  return { words: target.left > 0 ? target.way.up : target.way.down, figure: show(Math.abs(target.left), target) }
}
/** `1.2 turns in` */
const turns = ({ value, turn, way }: Target) => `${Math.abs(value / turn!).toFixed(1)} turns${value < 0 ? ` ${way.down}` : ` ${way.up}`}`
/** A cut begins at nothing, and a screw where it stands: that is no figure to be shown. */
const nowShown = ({ now, does, turn }: Target) => (now ? now.value !== 0 : does === 'adjustment' && !turn)
const enough = (target: Target) => enoughWords(target, props.evaluation.current.results)
const targets = computed(() => props.evaluation.targets)
</script>

<template>
  <section aria-label="To work to" class="space-y-5" data-test="target">
    <div v-for="target in targets" :key="`${target.id}@${target.position}`" class="space-y-2">
      <h2 class="label">{{ target.label }}</h2>
      <p v-if="target.enough && target.does === 'rework'" class="text-[17px]" :class="enough(target).fine ? 'text-in' : 'text-near'">
        {{ enough(target).words }}
      </p>
      <p v-else class="flex flex-wrap items-baseline gap-x-4">
        <span v-if="target.turn" class="text-[20px] font-bold">{{ target.value < 0 ? target.way.down : target.way.up }} by</span>
        <span class="figure text-[40px] leading-none font-bold">{{
          show(target.turn ? Math.abs(target.value) : target.value, target)
        }}</span>
        <span class="text-mute">{{ UNIT_NAME[unitOf(target)] }}</span>
        <span v-if="target.turn" class="figure text-[17px]">{{ turns(target) }}</span>
        <span class="figure text-[17px]" :class="target.impossible ? 'text-out' : ''">{{ windowWords(target) }}</span>
      </p>
      <p v-if="target.stopped" class="text-[15px] text-out">{{ target.stopped }}</p>
      <p v-if="target.note" class="text-[15px]">{{ target.note }}</p>
      <p class="text-[14px] text-mute">{{ target.formula }}; aimed at {{ show(target.aim.target, target) }}, {{ target.aim.words }}.</p>
      <table class="tight">
        <tbody>
          <tr v-if="nowShown(target)">
            <td>{{ target.does === 'adjustment' ? 'It reads now' : 'It measures now' }}</td>
            <td class="figure text-right">{{ target.now ? show(target.now.value, target) : '–' }}</td>
          </tr>
          <tr v-if="nowShown(target) && leftWords(target) && !(target.enough && target.does === 'rework')">
            <td>{{ leftWords(target)!.words }}</td>
            <td class="figure text-right">{{ leftWords(target)!.figure }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="target.enough && target.does === 'adjustment'" class="text-[14px]" :class="enough(target).fine ? 'text-in' : 'text-near'">
        {{ enough(target).words }}
      </p>
    </div>
    <p v-if="targets.length === 0" class="text-mute">Measure first, and give the limits: what to work to follows from both.</p>
  </section>
</template>
