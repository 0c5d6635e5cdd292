<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import { detailsOf, type CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { runout } from '#core/check/kinds/runout'
import { radians } from '#core/check/kinds/runout/circle'
import { everyRule } from '#core/check/kinds/runout/evaluate'
import { FIELDS, seen, type RunoutSetup } from '#core/check/kinds/runout/setup'
import { turnOf } from '#core/check/kinds/runout/turn'
import { readSetup } from '#core/check/setup'
import type { Phase } from '#core/method/step'
import { lotMap, lotOf, thickness } from '#core/pack/lot'
import { formatFigure, unitName } from '#core/quantity/figure'
import { formatLength } from '#core/quantity/format-length'
import { NM_PER } from '#core/quantity/length'
import { marksText } from '#core/quantity/marks'
import { endsOf } from '#core/verdict/limits'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'

/** The turn on its clock, drawn large: every reading, the circle through them, where it has to go, what a dowel can reach, and how it was before. */
const props = defineProps<{ document: CheckDocument; evaluation: CheckEvaluation; phase: Phase }>()
const preferences = usePreferences()
const bench = useBench()
const setup = computed<RunoutSetup>(() => readSetup(FIELDS, props.document.setup))
const turn = computed(() => detailsOf(runout, props.document, props.evaluation))
const housing = computed(() => setup.value.what === 'housing')
/** The turn of the fitting before, where another was made. */
const before = computed(() => {
  const answers = props.evaluation.trials.at(-2)?.answers
  return answers ? turnOf(setup.value, answers) : null
})
const SIZE = 304
const MID = SIZE / 2
const RING = 94
const REACH = 28
/** px in a nm: the furthest thing drawn reaches just beside the ring. */
const scale = computed(() => {
  const all = [turn.value?.offset, before.value?.offset].flatMap(at => (at ? [Math.hypot(at.to12, at.to3)] : []))
  const rests = turn.value?.marks.map(({ rest }) => Math.abs(rest)) ?? []
  return REACH / Math.max(1000, ...all, (all[0] ?? 0) + Math.max(0, ...rests))
})
/** A round step of the shown unit that is some 12 px or more. */
const step = computed(() => {
  const per = NM_PER[preferences.unit]
  const steps = [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100].map(each => each * per)
  return steps.find(each => each * scale.value >= 12) ?? steps.at(-1)!
})
/** A bore is nearer where the tip is pushed in, a rim further out. */
const out = computed(() => (housing.value ? -1 : 1))
const at = (to12: number, to3: number) => ({ x: MID + to3 * scale.value, y: MID - to12 * scale.value })
const on = (angle: number, radius: number) => ({ x: MID + Math.sin(radians(angle)) * radius, y: MID - Math.cos(radians(angle)) * radius })
const centre = computed(() => (turn.value ? at(out.value * turn.value.offset.to12, out.value * turn.value.offset.to3) : null))
const centreBefore = computed(() => (before.value ? at(out.value * before.value.offset.to12, out.value * before.value.offset.to3) : null))
const dots = computed(() => {
  const { marks = [], offset } = turn.value ?? {}
  return marks.map(({ angle, rest }) => {
    const lift = offset!.to12 * Math.cos(radians(angle)) + offset!.to3 * Math.sin(radians(angle)) + rest
    return { angle, ...on(angle, RING + out.value * lift * scale.value) }
  })
})
const hours = [
  { angle: 0, name: '12' },
  { angle: 90_000, name: '3' },
  { angle: 180_000, name: '6' },
  { angle: 270_000, name: '9' },
]
/** What each size of the set can reach from where the housing stands without any. */
const dowels = computed(() => {
  const [catalogue] = props.evaluation.catalogues
  const held = turn.value?.held
  if (!catalogue || !held || props.phase !== 'choose') return null
  const lots = lotMap(bench.lots)
  const from = at(-(turn.value!.offset.to12 + held.to12), -(turn.value!.offset.to3 + held.to3))
  const sizes = [...new Set(catalogue.entries.flatMap(({ pieces }) => pieces.map(({ lotId }) => thickness(lotOf(lots, lotId)))))]
  const best = catalogue.entries.find(({ here }) => here)
  const tip = (clock: number, size: number) => ({
    x: from.x + Math.sin(radians(clock)) * size * scale.value,
    y: from.y - Math.cos(radians(clock)) * size * scale.value,
  })
  return {
    from,
    rings: sizes.map(size => ({ size, r: size * scale.value })).filter(({ r }) => r < 120),
    best: best?.setting && 'figure' in best.setting ? tip(best.setting.figure, thickness(lotOf(lots, best.pieces[0]!.lotId))) : null,
  }
})
const show = (value: number, sign = false) => formatLength(value, preferences.unit, { sign })
const far = computed(() => Math.hypot(turn.value!.offset.to12, turn.value!.offset.to3))
const direction = computed(() => props.evaluation.current.results.find(({ kind }) => kind.id === 'direction')?.estimate ?? null)
const words = computed(() => {
  if (!direction.value)
    return setup.value.what === 'housing' && setup.value.view === 'unsaid' ? '' : 'No offset that can be told from none.'
  const where = formatFigure(direction.value.value, 'h')
  return housing.value
    ? `Move the housing ${show(far.value)} ${unitName(preferences.unit)} towards ${where}, ${seen(setup.value)}.`
    : `High spot at ${where}, ${show(far.value)} ${unitName(preferences.unit)} off, ${seen(setup.value)}.`
})
const rules = computed(() => {
  const ends = endsOf(props.evaluation.current.results.find(({ kind }) => kind.id === 'runout')!.limits.working)
  const answers = props.evaluation.current.answers
  return ends && setup.value.judged !== 'unsaid' ? everyRule(setup.value, answers, ends.upper) : []
})
/** What speaks against the turn, each thing once: it stands here though the figure is in limits. */
const warnings = computed(() => [
  ...new Set(
    props.evaluation.current.results
      .filter(({ kind }) => kind.id === 'runout')
      .flatMap(({ findings }) => findings.flatMap(({ level, words: said }) => (level === 'note' ? [] : [said]))),
  ),
])
const RULE = { axis: 'each axis', once: 'once per turn, 2e', raw: 'raw spread', offset: 'offset, e' } as const
</script>

<template>
  <section v-if="turn" aria-label="The turn on its clock" data-test="clock">
    <p v-if="words" class="mb-1 text-[16px] font-semibold" data-test="move">{{ words }}</p>
    <p v-for="warning in warnings" :key="warning" class="mb-1 text-[14px] text-near" data-test="turn-warning">{{ warning }}</p>
    <div class="flex flex-wrap gap-x-6 gap-y-2">
      <svg
        :viewBox="`0 0 ${SIZE} ${SIZE}`"
        class="w-full max-w-[300px]"
        role="img"
        :aria-label="`Clock of the turn. ${words}`"
        data-drawing="the turn on its clock"
        fill="none"
      >
        <circle :cx="MID" :cy="MID" :r="RING" stroke="var(--hair)" stroke-width="1.2" />
        <circle :cx="MID" :cy="MID" :r="RING + step * scale" stroke="var(--hair)" stroke-dasharray="2 4" />
        <circle :cx="MID" :cy="MID" :r="RING - step * scale" stroke="var(--hair)" stroke-dasharray="2 4" />
        <path :d="`M${MID - 6} ${MID}h12m-6-6v12`" stroke="var(--ink)" stroke-width="1.4" />
        <g class="figure" font-size="14" fill="var(--mute)" text-anchor="middle">
          <text v-for="hour in hours" :key="hour.name" :x="on(hour.angle, 138).x" :y="on(hour.angle, 138).y + 5">{{ hour.name }}</text>
        </g>
        <g v-if="centreBefore" stroke="var(--mute)" stroke-dasharray="5 4">
          <circle :cx="centreBefore.x" :cy="centreBefore.y" :r="RING" />
          <circle :cx="centreBefore.x" :cy="centreBefore.y" r="4" stroke-dasharray="none" />
        </g>
        <g v-if="dowels" stroke="var(--brass-line)">
          <circle v-for="ring in dowels.rings" :key="ring.size" :cx="dowels.from.x" :cy="dowels.from.y" :r="ring.r" stroke-width="1.3" />
          <circle v-if="dowels.best" :cx="dowels.best.x" :cy="dowels.best.y" r="4.5" fill="var(--brass)" />
        </g>
        <g v-if="centre">
          <circle :cx="centre.x" :cy="centre.y" :r="RING" stroke="var(--accent)" stroke-width="1.8" />
          <circle :cx="centre.x" :cy="centre.y" r="3.5" fill="var(--accent)" />
          <line
            v-if="direction"
            :x1="housing ? centre.x : MID"
            :y1="housing ? centre.y : MID"
            :x2="housing ? MID : centre.x"
            :y2="housing ? MID : centre.y"
            stroke="var(--out)"
            stroke-width="2.6"
            marker-end="url(#arrow-clock)"
          />
        </g>
        <circle v-for="dot in dots" :key="dot.angle" :cx="dot.x" :cy="dot.y" r="4" fill="var(--ink)" />
        <defs>
          <marker id="arrow-clock" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="5" markerHeight="5" orient="auto">
            <path d="M0 0l8 4-8 4z" fill="var(--out)" />
          </marker>
        </defs>
      </svg>
      <div class="space-y-3 text-sm">
        <table class="tight" data-test="turn-table">
          <thead>
            <tr>
              <th>Mark</th>
              <th class="text-right">read</th>
              <th v-if="before" class="text-right">before</th>
              <th class="text-right">rest</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(mark, i) in turn.marks" :key="mark.angle">
              <td class="figure">{{ marksText([mark.angle]) }}</td>
              <td class="figure text-right">{{ show(mark.read, true) }}</td>
              <td v-if="before" class="figure text-right text-mute">{{ show(before.marks[i]!.read, true) }}</td>
              <td class="figure text-right text-mute">{{ show(mark.rest, true) }}</td>
            </tr>
          </tbody>
        </table>
        <table v-if="rules.length" class="tight" data-test="rules">
          <thead>
            <tr>
              <th>By the same limit</th>
              <th class="text-right">{{ unitName(preferences.unit) }}</th>
              <td></td>
            </tr>
          </thead>
          <tbody>
            <tr v-for="rule in rules" :key="rule.rule" :class="rule.decides ? 'font-bold' : 'text-mute'">
              <td>{{ RULE[rule.rule] }}</td>
              <td class="figure text-right">{{ show(rule.value) }}</td>
              <td class="whitespace-nowrap">{{ rule.inside ? 'in' : 'out' }}{{ rule.decides ? ', decides' : '' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
    <p class="mt-1 text-[13px] text-mute">
      Not to scale: from ring to dotted ring {{ formatLength(step, preferences.unit, { unit: true, trim: true }) }}. Blue: the circle
      through the readings<template v-if="before">; dashed: before</template
      ><template v-if="dowels">; brass: what each pair can reach</template>.
      {{ housing ? 'The cross is the axis of the crank.' : 'The cross is the axis it turns about.' }}
    </p>
  </section>
</template>
