import { formatLength } from '../../../quantity/format-length'
import { rectangular } from '../../../reading/budget'
import { mm, nm } from '../../../quantity/length'
import { estimateFigure, stated, type Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import type { FigureReading } from '../../../reading/reading'
import { sumOf } from '../../../reading/sum'
import type { LimitSet } from '../../../verdict/limits'
import type { Answers, CombinedResult } from '../../contract'
import { apartLimit } from '../../common/belong'
import { barMissing, belowFace } from '../../common/over-bar'
import { meanRound, outOfLevel, roundPoints } from '../../common/round'
import type { Work } from '../../work'
import { bothTold, largestRatio, rounded, unlikeBars } from './says'
import { oldKnown, type ForkSetup } from './setup'

const term = (name: string, factor: number, estimate: Estimate) => ({ name, factor, estimate })

interface Sizes {
  readonly f: Estimate | null
  readonly fOld: Estimate | null
  readonly r: Estimate | null
  readonly pivot: Estimate | null
  readonly pivotOld: Estimate | null
}
function sizesOf(setup: ForkSetup, answers: Answers): Sizes {
  const of = (point: string) => answers.of(point).estimate
  return {
    f: belowFace(meanRound(answers, 'f'), setup.overF, setup.bar),
    fOld: oldKnown(setup) ? belowFace(of('f-old'), setup.overOld, setup.bar) : null,
    r: belowFace(backOf(answers), setup.overR, setup.bar),
    pivot: of('pivot'),
    pivotOld: oldKnown(setup) ? of('pivot-old') : null,
  }
}

/** Between bearing and fingers: F − R, or R − F where both are read from the bell’s engine side. */
function gapOf({ bell }: ForkSetup, { f, r }: Sizes): Estimate | null {
  const sign = bell === 'engine' ? 1 : -1
  return f && r ? sumOf([term('F', sign, f), term('R', -sign, r)]) : null
}

/** How far the end of the fork goes for what the bearing moves: as it was tried, else by its two arms. */
export function ratioOf({ endMoved, bearingMoved, toBearing, toCable }: ForkSetup): number | null {
  if (endMoved !== null && bearingMoved !== null && bearingMoved > 0) return endMoved / bearingMoved
  return toBearing !== null && toCable !== null && toBearing !== 0 ? Math.abs(toCable / toBearing) : null
}

/** What the bearing gives way when the pivot goes in by one, with the fork’s cable end held. */
const heldShare = ({ toBearing, toCable }: ForkSetup, ratio: number | null): number | null =>
  toBearing !== null && toCable !== null && toCable !== 0 ? 1 - toBearing / toCable : ratio === null ? null : 1 - 1 / ratio

/** A travel of a cable end is read by a rule, to half a millimetre. Own figure, nm. */
const BY_RULE = 500_000
const ruled = (travel: number, factor: number): Estimate =>
  stated(travel * factor, [
    {
      source: 'resolution',
      words: 'Travel of the cable end, by a rule to ± 0.5 mm: assumed',
      u: rectangular(BY_RULE) * factor,
      nu: Infinity,
      shared: false,
      assumed: true,
    },
  ])

/** Where R is read, pushed fully back by hand each time: three times after every turn of the pivot. */
export const TIMES = ['r', 'r-2', 'r-3'] as const
const DEPTHS = [...roundPoints('f'), ...TIMES]

/** R as it was read since the pivot was turned last: a new first reading begins a new round, and what is left of the one before counts no more. */
function roundOfR(answers: Answers): Estimate[] {
  const read: Estimate[] = []
  for (const [i, id] of TIMES.entries()) {
    const { estimate } = answers.of(id)
    if (!estimate || (i > 0 && !answers.after(id, TIMES[i - 1]!))) break
    read.push(estimate)
  }
  return read
}
const asReadings = (read: readonly Estimate[]): FigureReading[] =>
  read.map(({ value }, i) => ({ id: TIMES[i]!, figure: nm(Math.round(value)) }))

/** The mean of the round, as uncertain as its spread says. */
function backOf(answers: Answers): Estimate | null {
  const read = roundOfR(answers)
  const gauge = answers.gauge('calipers')
  return read.length > 1 && gauge ? estimateFigure(asReadings(read), gauge, 1) : (read[0] ?? null)
}

function roundFindings(answers: Answers): Finding[] {
  const read = roundOfR(answers)
  const gauge = answers.gauge('calipers')
  if (read.length === 0 || !gauge) return []
  const before = TIMES.slice(read.length).some(id => answers.of(id).estimate !== null)
  const few = `R three times, the fork pushed fully back each time: ${read.length} so far${before ? '. What was read before the last turn counts no more' : ''}.`
  const values = read.map(({ value }) => value)
  const spread = Math.max(...values) - Math.min(...values)
  const apart = `The readings of R lie ${formatLength(spread, answers.unit, { unit: true })} apart, and its uncertainty carries that: was the fork fully back each time?`
  return [
    ...(spread > 2 * gauge.graduation
      ? [
          {
            gate: spread > apartLimit({ way: 'depth-now' }, gauge.graduation) ? 'apart' : 'spread',
            level: 'warn',
            words: apart,
          } satisfies Finding,
        ]
      : []),
    ...(read.length < TIMES.length ? [{ gate: 'few-readings', level: 'note', words: few } satisfies Finding] : []),
  ]
}

/** Gap, travel that is left of the pedal’s, slack at the cable end, thread that holds. Common practice. */
export function combineFork(setup: ForkSetup, answers: Answers): CombinedResult[] {
  const sizes = sizesOf(setup, answers)
  const gap = gapOf(setup, sizes)
  const ratio = ratioOf(setup)
  const { fOld, f, pivot, pivotOld } = sizes
  const grown = fOld && f ? sumOf([term('old', 1, fOld), term('new', -1, f)]) : null
  const shorter = pivotOld && pivot ? sumOf([term('old', 1, pivotOld), term('new', -1, pivot)]) : null
  const open = gap ? sumOf([term('gap', 1, gap), term('left', -1, stated(setup.slackLeft ?? 0, []))]) : null
  const travel =
    gap && ratio !== null && setup.endTravel !== null
      ? sumOf([term('travel', 1, ruled(setup.endTravel, 1 / ratio)), term('gap', -1, stated(setup.slackLeft ?? 0, []))])
      : null
  const slack = open && ratio !== null ? sumOf([term('gap', ratio, open)]) : null
  const [binds, sleeve] = [answers.of('binds-at').estimate, answers.of('sleeve-ends').estimate]
  const swing =
    binds && sleeve && ratio !== null && setup.endTravel !== null
      ? sumOf([term('sleeve', 1, sleeve), term('binds', -1, binds), term('travel', -1, ruled(setup.endTravel, 1 / ratio))])
      : null
  const missing = barMissing([setup.overF, setup.overR, oldKnown(setup) ? setup.overOld : 'face'], setup.bar)
  const from = setup.bell === 'engine' ? 'F − R' : 'R − F'
  return [
    {
      kind: 'gap',
      position: null,
      estimate: gap,
      points: DEPTHS,
      formula: `${from}, both from the plane where engine and gearbox meet`,
      findings: [...missing, ...outOfLevel(answers, 'f', 'Fingers'), ...roundFindings(answers), ...unlikeBars(setup, 'gap', answers)],
      ...(gap && gap.value <= 0 ? { overrule: { state: 'below', words: 'no gap: the bearing presses on the fingers' } as const } : {}),
    },
    {
      kind: 'travel',
      position: null,
      estimate: travel,
      points: DEPTHS,
      formula: 'travel of the cable end ÷ ratio − gap that stays',
      findings: [...largestRatio(setup, ratio, answers), ...rounded(setup, travel, answers)],
    },
    { kind: 'slack', position: null, estimate: slack, points: DEPTHS, formula: 'gap to take up × ratio' },
    { kind: 'engaged', position: null, estimate: answers.of('engaged').estimate, points: ['engaged'], formula: 'as read' },
    {
      kind: 'grown',
      position: null,
      estimate: grown,
      points: ['f-old', ...roundPoints('f')],
      formula: 'F of the old clutch − F',
      findings: fOld && f ? unlikeBars(setup, 'difference', answers) : [],
    },
    {
      kind: 'shorter',
      position: null,
      estimate: shorter,
      points: ['pivot-old', 'pivot'],
      formula: 'old pivot − new pivot',
      findings: [
        ...bothTold(grown, shorter, answers),
        ...(setup.old === 'worn' && shorter
          ? [{ gate: 'hand', level: 'note', words: 'Measured on a worn pivot: its top is gone by what it has worn.' } as const]
          : []),
      ],
    },
    {
      kind: 'swing',
      position: null,
      estimate: swing,
      points: ['binds-at', 'sleeve-ends'],
      formula: 'from where it binds to where the sleeve ends, less the travel at the bearing',
    },
  ]
}

/** How far the pivot goes in, from the gap as it is: with the fork’s angle kept, and with its cable end held. */
export function pivotWorks(setup: ForkSetup, answers: Answers): Work[] {
  const gap = gapOf(setup, sizesOf(setup, answers))
  if (!gap) return []
  const held = heldShare(setup, ratioOf(setup))
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  const left = answers.of('left').estimate
  const furthestIn = left ? [{ at: left.value, words: `It goes in only ${show(left.value)} more: not without cutting it.` }] : []
  const engaged = answers.of('engaged').estimate
  const spare = engaged && setup.stud !== null ? engaged.value - setup.stud : null
  const furthestOut =
    spare === null
      ? []
      : [
          {
            at: -Math.max(0, spare),
            down: true as const,
            words: `Out by more than ${show(Math.max(0, spare))} less of its thread holds than its diameter, ${show(setup.stud!)} (common practice): a longer pivot.`,
          },
        ]
  const work = (id: string, label: string, share: number): Work => ({
    id,
    label,
    does: 'adjustment',
    position: null,
    scale: 'play',
    effects: [{ result: 'gap', position: null, zero: sumOf([term('gap', -1 / share, gap)]), slope: share }],
    now: null,
    way: { up: 'in', down: 'out' },
    ...(setup.pitch === null ? {} : { turn: setup.pitch }),
    stops: [...furthestIn, ...furthestOut],
    points: DEPTHS,
    formula: share === 1 ? 'gap wanted − gap' : `(gap wanted − gap) ÷ ${share.toFixed(2)}`,
    note:
      share === 1
        ? `With the fork at the angle it has: the bearing moves as far as the pivot. One turn${setup.pitch === null ? '' : ` is ${show(setup.pitch)}`}: jam nut, R again after each.`
        : 'With the cable end held where it is: the bearing moves by 1 − b/c of it. R is always read again.',
  })
  return [
    work('kept', 'Screw the pivot, fork’s angle kept', 1),
    ...(held !== null && held > 0 ? [work('held', 'Screw the pivot, cable end held', held)] : []),
  ]
}

/** What a clutch, a thread and a cable ask for: without it the clutch does not release, the pivot does not hold, nothing can be set. */
export function forkDemands({ need, most, stud, adjuster }: ForkSetup, result: string): LimitSet | null {
  const unit = 'mm'
  if (result === 'travel' && need !== null)
    return most === null
      ? { kind: 'lower', lower: need, unit, source: { kind: 'kit-leaflet', text: 'release travel of the clutch maker' } }
      : { kind: 'two-sided', lower: need, upper: most, unit, source: { kind: 'kit-leaflet', text: 'release travel of the clutch maker' } }
  if (result === 'slack' && adjuster !== null)
    return { kind: 'upper', upper: adjuster, unit, source: { kind: 'own', text: 'what the adjuster takes up' } }
  if (result === 'swing')
    return {
      kind: 'lower',
      lower: mm(0),
      unit,
      source: { kind: 'common-practice', text: 'the stroke lies between binding and the sleeve’s end' },
    }
  return result === 'engaged' && stud !== null
    ? { kind: 'lower', lower: stud, unit, source: { kind: 'common-practice', text: 'as much thread as its diameter' } }
    : null
}
