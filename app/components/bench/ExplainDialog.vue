<script setup lang="ts">
import { bothInWords } from '#core/check/sentence/both-words'
import { chosenFor } from '#core/check/pack-place'
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import type { ResultEvaluation } from '#core/check/evaluate/evaluated'
import { resultName } from '#core/check/evaluate/state-words'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import { coverageFactor } from '#core/reading/student'
import { CORE_VERSION } from '#core/version'
import type { Proposal } from '#core/choice/answer/chooser/proposal'
import type { BudgetLine } from '#core/reading/budget'
import { unitOfResult } from '#core/check/common/results'
import { toldValue } from '#core/choice/question/told'
import { formatChange, formatFigure, isLengthUnit, perUnit, unitName } from '#core/quantity/figure'
import { formatLength, unitFor, type Scale } from '#core/quantity/format-length'
import { RULES, gaugeFit } from '#core/verdict/decide'
import { SOURCE_NAME, describeLimits, isEmpty, type LimitSet } from '#core/verdict/limits'
import { verdictWord } from '#core/verdict/words'
import { checkKind } from '#core/check/registry'
import { percent } from '#core/quantity/percent'
import { drawingsOn, saveDrawing, type Drawing } from '~/composables/bench/drawings'
import { usePreferences } from '~/stores/preferences'

/** Where every figure comes from: readings, formula, budget, limits. */
const props = defineProps<{
  open: boolean
  evaluation: CheckEvaluation
  shown: ResultEvaluation
  place: PlaceEvaluation | null
  document: CheckDocument
  proposal: Proposal | null
}>()
defineEmits<{ close: [] }>()
const preferences = usePreferences()
const unit = computed(() => unitOfResult(props.shown.kind, preferences.system))
/** Of a part still being worked: what it would come to now. */
const standing = computed(() =>
  props.evaluation.next?.standing?.result === props.shown.id ? props.evaluation.next.standing.estimate : null,
)
const estimate = computed(() => props.shown.estimate ?? standing.value)
const targets = computed(() => props.evaluation.targets.filter(target => target.position === props.shown.position))
const inScale = (value: number, scale: Scale, sign = false) =>
  formatLength(value, unitFor(preferences.system, scale), { fine: true, unit: true, sign })
const drawings = shallowRef<Drawing[]>([])
watch(
  () => props.open,
  open => {
    if (open) drawings.value = drawingsOn(globalThis.document)
  },
  { immediate: true },
)
const gauge = computed(() => (props.shown.valid && estimate.value ? gaugeFit(estimate.value.U, props.shown.limits.working) : null))
const gauges = computed(() => [...new Set(Object.values(props.document.gauges).map(({ name }) => name))].join(', '))
const points = computed(() =>
  checkKind(props.document.kind)
    .points(props.document.setup)
    .filter(point => props.shown.points.includes(point.id)),
)
const ends = computed(() => props.shown.kind.ends)
const DECIMALS = { thou: 2, tenth: 2, in: 5, mm: 4, um: 1 } as const
const decimals = computed(() => (isLengthUnit(unit.value) ? DECIMALS[unit.value] : 3))
const fine = (value: number) => formatFigure(value, unit.value, { decimals: decimals.value })
const fineChange = (value: number) => formatChange(value, unit.value, { decimals: decimals.value })
/** What a pack in hand leaves is reckoned in thickness, and told as what it is of. */
const told = computed(() => props.place?.request?.question.told)
const nu = (line: Pick<BudgetLine, 'nu'>) => (Number.isFinite(line.nu) ? String(line.nu) : '∞')
/** Beside another: alone there is nothing to tell apart. */
const judges = (limits: LimitSet): boolean => {
  const { book, shop, demand, working } = props.shown.limits
  return limits === working && [book, shop, demand].filter(one => one !== null).length > 1
}
/** What judges where none lies inside the others. */
const meetsBoth = computed(() => {
  const { book, shop, demand, working } = props.shown.limits
  if (!working || [book, shop, demand].includes(working)) return []
  const limits = isEmpty(working) ? 'nothing' : describeLimits(working)
  return [{ role: 'all', limits, source: 'What meets all of them · judges here', verdict: props.shown.verdict.working }]
})
const against = computed(() => [
  ...(['book', 'shop', 'demand'] as const).flatMap(role => {
    const limits = props.shown.limits[role]
    if (!limits) return []
    const source = [
      SOURCE_NAME[limits.source.kind],
      limits.source.text,
      limits.source.page && `p. ${limits.source.page}`,
      limits.source.revision && `rev. ${limits.source.revision}`,
      limits.source.date,
    ]
      .filter(Boolean)
      .join(', ')
    return [
      {
        role: role === 'demand' ? 'asked for' : (role as string),
        limits: describeLimits(limits),
        source: source + (judges(limits) ? ' · judges here' : ''),
        verdict: props.shown.verdict[role],
      },
    ]
  }),
  ...meetsBoth.value,
])
</script>

<template>
  <PlainDialog :open="open" title="Where the figures come from" @close="$emit('close')">
    <div class="space-y-4 text-[14px]" data-test="explain">
      <template v-if="estimate">
        <p>
          <strong>{{ resultName(shown) }}</strong>{{ shown.estimate ? '' : ', as it stands,' }} = {{ shown.formula
          }}<template v-if="document.tipAngle"> × cos {{ document.tipAngle }}°</template>
          <template v-if="shown.estimate"
            >, from {{ estimate.n }} {{ estimate.n === 1 ? 'reading' : 'readings'
            }}<template v-if="points.length > 1">
              a point at {{ points.length }} points ({{ points.map(point => point.label).join('; ') }})</template
            >
          </template>
          <template v-else>, with the part as last read,</template> =
          <span class="figure">{{ fine(estimate.value) }} {{ unitName(unit) }}</span>.<template v-if="gauges">
            Gauge: {{ gauges }}.</template
          >
        </p>
        <table>
          <thead>
            <tr>
              <th>Uncertainty</th>
              <th class="text-right">u</th>
              <th class="text-right">ν</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(line, i) in estimate.lines" :key="i">
              <td>{{ line.words }}</td>
              <td class="figure text-right">{{ fineChange(line.u) }}</td>
              <td class="figure text-right">{{ nu(line) }}</td>
            </tr>
            <tr class="font-bold">
              <td>Combined; U = {{ estimate.k.toFixed(2) }} × u at 95 %</td>
              <td class="figure text-right">{{ fineChange(estimate.u) }}</td>
              <td class="figure text-right">{{ nu(estimate) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="gauge && gauge.ratio !== null" :class="gauge.answer === 'fit' ? 'text-mute' : 'text-near'">
          U is {{ Math.round(gauge.ratio * 100) }} % of half the band:
          {{
            {
              'fit': 'this gauge can decide.',
              'wide': 'wide for this band, but usable.',
              'cannot-decide': 'this gauge cannot decide.',
              'no-band': '',
            }[gauge.answer]
          }}
        </p>
      </template>
      <p v-else class="text-mute">Nothing measured yet.</p>
      <p v-if="shown.both" data-test="explain-both">
        Judged {{ bothInWords(shown.both, unit) }}. Each is weighed by what is its own; the gauge, which both share, counts once.
      </p>
      <p v-if="shown.residual && shown.predicted" data-test="explain-residual">
        Residual: measured − predicted = {{ formatChange(shown.residual.difference, unit, { fine: true, unit: true, sign: true }) }},
        <span class="figure">{{ Math.abs(shown.residual.z).toFixed(1) }}</span> times its standard uncertainty.
      </p>
      <table v-if="targets.length" data-test="explain-targets">
        <thead>
          <tr>
            <th>To work to</th>
            <th class="text-right">Figure</th>
            <th class="pl-4 text-right">±</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="target in targets" :key="target.id">
            <td>{{ target.label }}<span class="block text-[12.5px] text-mute">{{ target.formula }}; aim: {{ target.aim.words }}</span></td>
            <td class="figure text-right whitespace-nowrap">{{ inScale(target.value, target.scale, target.scale === 'play') }}</td>
            <td class="figure pl-4 text-right whitespace-nowrap">{{ inScale(target.U, 'play') }}</td>
          </tr>
        </tbody>
      </table>
      <table v-if="against.length">
        <thead>
          <tr>
            <th>Limits</th>
            <th v-for="rule in RULES" :key="rule">{{ rule }}</th>
            <th class="text-right">In</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in against" :key="row.role">
            <td>{{ row.limits }}<span class="block text-[12.5px] text-mute">{{ row.source }}</span></td>
            <td v-for="rule in RULES" :key="rule">{{ row.verdict ? verdictWord(row.verdict[rule], ends) : '–' }}</td>
            <td class="figure whitespace-nowrap text-right">
              {{ row.verdict?.chance ? percent(row.verdict.chance.inside) : '–' }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="place?.aim">
        <strong>Aim</strong>: {{ place.aim.words }}, {{ fine(place.aim.target) }} {{ unitName(unit) }}.
        <span v-if="place.aim.caution" class="text-near">{{ place.aim.caution }}</span>
      </p>
      <p v-if="place?.learned?.line">
        <strong>Slope</strong>, learned from {{ place.learned.line.count }} fittings by least squares:
        {{ formatFigure(place.learned.line.slope * perUnit(preferences.unit), place.learned.unit, { sign: true, unit: true }) }} per
        {{ unitName(preferences.unit) }}, ±
        {{
          formatFigure(coverageFactor(place.learned.line.nu) * place.learned.line.uSlope * perUnit(preferences.unit), place.learned.unit)
        }}; {{ place.learned.line.byScatter ? 'from their scatter' : 'from what readings and pieces are known to' }} (JCGM 100, H.3).
        Fittings without drag are not in it.
      </p>
      <p v-if="place?.window && !place.learned">
        <strong>Totals that would do</strong>: pack as fitted {{ chosenFor(place.place).perPiece === 1 ? '+' : '−' }} (limit − play), since
        a thicker pack here gives {{ chosenFor(place.place).perPiece === 1 ? 'more' : 'less' }} play{{
          place.fused ? '; the play is that of the fittings that agree' : ''
        }}{{ place.request?.question.also?.length ? '; the limits are those of all its pieces move' : '' }}.
      </p>
      <template v-if="proposal && told?.by !== 'direction'">
        <p><strong>Pack in hand</strong>: {{ proposal.arithmetic }}</p>
        <table>
          <tbody>
            <tr v-for="(line, i) in proposal.predicted.lines" :key="i">
              <td>{{ line.words }}</td>
              <td class="figure text-right">{{ fineChange(toldValue(line.u, told)) }}</td>
            </tr>
            <tr class="font-bold">
              <td>Prediction; U = {{ proposal.predicted.k.toFixed(2) }} × u</td>
              <td class="figure text-right">{{ fineChange(toldValue(proposal.predicted.u, told)) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <p v-if="drawings.length">
        <strong>Drawings of this page</strong>, as SVG:
        <template v-for="(drawing, i) in drawings" :key="drawing.name"
          >{{ i ? ', ' : ''
          }}<button type="button" class="link min-h-8" @click="saveDrawing(drawing)">{{ drawing.name }}</button> </template
        >.
      </p>
      <p class="text-[12.5px] text-mute">
        Uncertainty after JCGM 100, decision after ISO 14253-1 and JCGM 106. Computation version
        {{ document.signOff?.core ?? CORE_VERSION }}.
      </p>
    </div>
  </PlainDialog>
</template>
