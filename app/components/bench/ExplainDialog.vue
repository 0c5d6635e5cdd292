<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate-check'
import { CORE_VERSION } from '#core/version'
import type { Proposal } from '#core/pack/chooser/choose'
import type { BudgetLine } from '#core/reading/budget'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { SOURCE_NAME, describeLimits } from '#core/verdict/limits'
import { verdictWord } from '#core/verdict/words'
import { checkKind } from '#core/check/registry'
import { usePreferences } from '~/stores/preferences'

/** Where every figure comes from: readings, formula, budget, limits. */
const props = defineProps<{ open: boolean, evaluation: CheckEvaluation, document: CheckDocument, proposal: Proposal | null }>()
defineEmits<{ close: [] }>()
const preferences = usePreferences()
const estimate = computed(() => props.evaluation.current?.results[0]?.estimate ?? null)
const ends = computed(() => checkKind(props.document.kind).ends)
const fine = (value: number) => formatLength(value, preferences.unit, { decimals: preferences.system === 'inch' ? 2 : 4 })
const nu = (line: Pick<BudgetLine, 'nu'>) => (Number.isFinite(line.nu) ? String(line.nu) : '∞')
const against = computed(() => (['book', 'shop'] as const).flatMap((role) => {
  const limits = props.document.limits[role]
  if (!limits) return []
  const verdict = props.evaluation.current?.verdict[role] ?? null
  const source = [SOURCE_NAME[limits.source.kind], limits.source.text, limits.source.page && `p. ${limits.source.page}`, limits.source.revision && `rev. ${limits.source.revision}`, limits.source.date].filter(Boolean).join(', ')
  return [{ role, limits: describeLimits(limits), source, verdict }]
}))
</script>

<template>
  <PlainDialog :open="open" title="Where the figures come from" @close="$emit('close')">
    <div class="space-y-4 text-[14px]" data-test="explain">
      <template v-if="estimate">
        <p><strong>Play</strong> = size of the mean of far − (start + back)/2, from {{ estimate.n }} {{ estimate.n === 1 ? 'reading' : 'readings' }}<template v-if="document.tipAngle"> × cos {{ document.tipAngle }}°</template> = <span class="figure">{{ fine(estimate.value) }} {{ UNIT_NAME[preferences.unit] }}</span>. Gauge: {{ document.gauge.name }}.</p>
        <table><thead><tr><th>Uncertainty</th><th class="text-right">u</th><th class="text-right">ν</th></tr></thead><tbody>
          <tr v-for="line in estimate.lines" :key="line.source"><td>{{ line.words }}</td><td class="figure text-right">{{ fine(line.u) }}</td><td class="figure text-right">{{ nu(line) }}</td></tr>
          <tr class="font-bold"><td>Combined; U = {{ estimate.k.toFixed(2) }} × u at 95 %</td><td class="figure text-right">{{ fine(estimate.u) }}</td><td class="figure text-right">{{ nu(estimate) }}</td></tr>
        </tbody></table>
        <p v-if="evaluation.gauge && evaluation.gauge.ratio !== null" :class="evaluation.gauge.answer === 'fit' ? 'text-mute' : 'text-near'">U is {{ Math.round(evaluation.gauge.ratio * 100) }} % of half the band: {{ ({ 'fit': 'this gauge can decide.', 'wide': 'wide for this band, but usable.', 'cannot-decide': 'this gauge cannot decide.', 'no-band': '' })[evaluation.gauge.answer] }}</p>
      </template>
      <p v-else class="text-mute">Nothing measured yet.</p>
      <table v-if="against.length"><thead><tr><th>Limits</th><th>Plain</th><th>Guarded</th><th class="text-right">In</th></tr></thead><tbody>
        <tr v-for="row in against" :key="row.role"><td>{{ row.limits }}<span class="block text-[12.5px] text-mute">{{ row.source }}{{ document.limits.working === row.role ? ' · judges here' : '' }}</span></td><td>{{ row.verdict ? verdictWord(row.verdict.plain, ends) : '–' }}</td><td>{{ row.verdict ? verdictWord(row.verdict.guarded, ends) : '–' }}</td><td class="figure whitespace-nowrap text-right">{{ row.verdict?.chance ? `${(row.verdict.chance.inside * 100).toFixed(1)} %` : '–' }}</td></tr>
      </tbody></table>
      <p v-if="evaluation.aim"><strong>Aim</strong>: {{ evaluation.aim.words }}, {{ fine(evaluation.aim.target) }} {{ UNIT_NAME[preferences.unit] }}. <span v-if="evaluation.aim.caution" class="text-near">{{ evaluation.aim.caution }}</span></p>
      <p v-if="evaluation.window && evaluation.place"><strong>Totals that would do</strong>: pack as fitted {{ evaluation.place.response.perPiece === 1 ? '+' : '−' }} (limit − play), since a thicker pack here gives {{ evaluation.place.response.perPiece === 1 ? 'more' : 'less' }} play.</p>
      <template v-if="proposal">
        <p><strong>Pack in hand</strong>: {{ proposal.arithmetic }}</p>
        <table><tbody><tr v-for="line in proposal.predicted.lines" :key="line.source"><td>{{ line.words }}</td><td class="figure text-right">{{ fine(line.u) }}</td></tr><tr class="font-bold"><td>Prediction; U = {{ proposal.predicted.k.toFixed(2) }} × u</td><td class="figure text-right">{{ fine(proposal.predicted.u) }}</td></tr></tbody></table>
      </template>
      <p class="text-[12.5px] text-mute">Uncertainty after JCGM 100, decision after ISO 14253-1 and JCGM 106. Computation version {{ document.signOff?.core ?? CORE_VERSION }}.</p>
    </div>
  </PlainDialog>
</template>
