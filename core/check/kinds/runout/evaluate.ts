import { exact, formatFigure } from '../../../quantity/figure'
import { formatLength } from '../../../quantity/format-length'
import { TURN } from '../../../quantity/marks'
import { combine, type BudgetLine } from '../../../reading/budget'
import { stated, type Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { quadrature } from '../../../reading/statistics'
import { changeSpread } from '../../../pack/change-spread'
import { lotMap, thickness, type Lot } from '../../../pack/lot'
import type { Catalogue, CatalogueEntry } from '../../catalogue'
import type { Answers, CombinedResult, Contradiction } from '../../contract'
import { angleOf, radians } from './circle'
import { bestBy, bestForAxes, lengthOf, less, plus, straightAt, type Offset } from './dowels'
import { atMark, AXES, CLOCKING, DOWELS, isHousing, knowsView, RETURN, sagAt, seen, type RunoutSetup } from './setup'
import { holdFor, offsetOf, openWords, rawOf, rawWith, restOf, turnFindings, turnOf, type Turn } from './turn'

/** Every point of the turn. */
const turnPoints = (setup: RunoutSetup): string[] => [
  ...setup.marks.map(atMark),
  ...(setup.sag === 'measured' ? setup.marks.map(sagAt) : []),
  RETURN,
]

/** Which result a rule judges by. */
export type Rule = Exclude<RunoutSetup['judged'], 'unsaid'>
export const RULES: Readonly<Record<Rule, { readonly result: string; readonly formula: string }>> = {
  axis: { result: 'axis', formula: 'the least-squares circle along this axis: with readings at 12, 3, 6 and 9 their plain difference' },
  once: { result: 'once', formula: '2e = 2·√(a² + b²), r(θ) = c + a·cos θ + b·sin θ + rest by least squares' },
  raw: { result: 'raw', formula: 'highest reading less the lowest, as they stand' },
  offset: { result: 'offset', formula: 'e = √(a² + b²), r(θ) = c + a·cos θ + b·sin θ + rest by least squares' },
}
export const RULE_IDS = Object.keys(RULES) as Rule[]

/** Id of the result a rule is told by: the judged one is `runout`. */
export const resultOf = ({ judged }: Pick<RunoutSetup, 'judged'>, rule: Rule): string => (judged === rule ? 'runout' : RULES[rule].result)

/** What the turn comes to: every figure a limit can be for, each labelled; the one the limit is for decides. */
export function combineRunout(setup: RunoutSetup, answers: Answers): CombinedResult[] {
  const turn = turnOf(setup, answers)
  const points = turnPoints(setup)
  const open = openWords(setup, answers)
  const findings = turn
    ? [...turnFindings(setup, turn, answers), ...unsaidFindings(setup, answers)]
    : open
      ? [{ gate: 'few-readings', level: 'note', words: open } satisfies Finding]
      : []
  const result = (kind: string, estimate: Estimate | null, formula: string, position: string | null = null): CombinedResult => ({
    kind,
    position,
    estimate,
    points,
    formula,
    findings,
  })
  const offset = turn && offsetOf(turn)
  const twice =
    turn &&
    offset &&
    stated(
      2 * offset.estimate.value,
      offset.estimate.lines.map(line => ({ ...line, u: 2 * line.u })),
      setup.marks.length,
    )
  const byRule: Record<Exclude<Rule, 'axis'>, Estimate | null> = {
    once: twice,
    raw: turn && rawOf(turn),
    offset: offset && offset.estimate,
  }
  return [
    ...RULE_IDS.flatMap((rule): CombinedResult[] => {
      const kind = resultOf(setup, rule)
      const { formula } = RULES[rule]
      return rule === 'axis'
        ? AXES.map(axis => result(kind, turn && axisOf(setup, turn, axis.angle), formula, axis.id))
        : [result(kind, byRule[rule], formula)]
    }),
    // Where nobody said what the limit is for, nothing can be judged.
    ...(setup.judged === 'unsaid' ? [{ ...result('runout', null, 'what the limit is for'), findings: turn ? [NOT_SAID] : [] }] : []),
    result('rest', turn && restOf(turn), 'the largest distance of a mark from the circle: out of round or warped, or misread'),
    result('direction', knowsView(setup) ? (offset?.angle ?? null) : null, `atan2(b, a), clockwise from 12, ${seen(setup)}`),
    ...(setup.what === 'face' ? [result('tilt', twice && tiltOf(setup, twice), 'once-per-turn ÷ twice the radius')] : []),
  ]
}

const NOT_SAID: Finding = {
  gate: 'hand',
  level: 'fail',
  words: 'Which figure is the limit for: each axis, once per turn, raw? Say it in Set up: they differ by a factor of two.',
}

/** An axis difference as it is read, whichever way the dial runs. */
function axisOf({ sense }: RunoutSetup, turn: Turn, angle: number): Estimate {
  const [cos, sin] = [Math.cos(radians(angle)), Math.sin(radians(angle))]
  const { a, b, weights } = turn.circle
  const sign = sense === 'rises' ? 2 : -2
  return turn.known(
    sign * (a * cos + b * sin),
    weights.a.map((weight, i) => 2 * (weight * cos + weights.b[i]! * sin)),
    1,
  )
}

/** The angle a face stands at, thousandths of a degree. */
function tiltOf({ radius }: RunoutSetup, once: Estimate): Estimate | null {
  if (radius === null) return null
  const per = TURN / (2 * Math.PI) / (2 * radius)
  return stated(
    once.value * per,
    once.lines.map(line => ({ ...line, u: line.u * per })),
    once.n,
  )
}

/** Dowels are in, and nobody said where their marks point. */
const unsaidFindings = (setup: RunoutSetup, answers: Answers): Finding[] =>
  isHousing(setup) && (answers.fitted(DOWELS)?.value ?? 0) > 0 && answers.of(CLOCKING).estimate === null
    ? [{ gate: 'hand', level: 'warn', words: 'Offset dowels are in: say where their marks point, then the change can be checked.' }]
    : []

/** How the dowels that are in hold the housing; null where their place on the clock is not known. */
export function heldBy(answers: Answers): Offset | null {
  const size = dowelSize(answers)
  const clock = answers.of(CLOCKING).estimate
  if (size === 0) return { to12: 0, to3: 0 }
  if (size === null || clock === null) return null
  return { to12: size * Math.cos(radians(clock.value)), to3: size * Math.sin(radians(clock.value)) }
}
/** Offset of each of the pair that is in, nm; null: not known. */
const dowelSize = (answers: Answers): number | null => {
  const total = answers.fitted(DOWELS)
  return total && total.value / 2
}

const DOWEL_CATALOGUE = {
  place: DOWELS,
  title: 'Pair, and where it points',
  elsewise:
    'Below it, only what seats the housing moves it: dirt or a burr between block, plate and housing, a bent block plate, the wrong plate, worn dowel holes.',
  advice: 'Both of a pair alike, both turned alike; the high side marked on a flat plate first. Read the whole turn again afterwards.',
} as const

/** Every pair of the set at the best place on the clock: for the rule of the limit, and for the least offset where that is another. */
export function dowelCatalogue(setup: RunoutSetup, answers: Answers, drawer: (place: string) => readonly Lot[]): readonly Catalogue[] {
  if (!isHousing(setup)) return []
  const said = (note: string): Catalogue[] => [{ ...DOWEL_CATALOGUE, entries: [], note }]
  const turn = turnOf(setup, answers)
  if (!turn) return said(openWords(setup, answers) ?? 'Read the whole turn first, with its return.')
  if (!knowsView(setup)) return said('Say in Set up from which side the clock is seen: then the place of the marks can be told.')
  const held = heldBy(answers)
  if (!held) return said('Dowels are in, and where their marks point is not known: say it in Measure, then the next can be chosen.')
  const wanted = plus(turn.offset, held)
  const lots = drawer(DOWELS)
  const sizes = lots.filter(lot => thickness(lot) > 0)
  const straight = entryFor(null, { to12: 0, to3: 0 })
  const entries = sizes.flatMap(lot => {
    const size = thickness(lot)
    const least = straightAt(wanted, size)
    const forRule =
      setup.judged === 'axis'
        ? bestForAxes(wanted, size)
        : setup.judged === 'raw'
          ? bestBy(left => rawWith(turn, left), wanted, size)
          : least
    return [entryFor(lot, forRule), ...(lengthOf(less(forRule, least)) > size / 100 ? [entryFor(lot, least)] : [])]
  })
  const note =
    sizes.length === 0 ? 'No offset dowels in the drawer: put the set into stock, both of a size alike, with their offset.' : null
  const hold = holdFor(setup, turn, answers)
  return [{ ...DOWEL_CATALOGUE, entries: [straight, ...entries], note, ...(hold ? { hold } : {}) }]

  function entryFor(lot: Lot | null, moved: Offset): CatalogueEntry {
    const left = less(wanted, moved)
    const pieces = lot ? [{ lotId: lot.id, count: 2 }] : []
    const spread = lot ? changeSpread({ out: [], in: [{ lotId: lot.id, count: 1 }] }, lotMap(lots)) : 0
    const angle = angleOf(moved.to12, moved.to3)
    // Half a degree is as fine as a clock is told.
    const figure = exact(Math.round(angle / 500) * 500)
    const name = lot ? formatLength(thickness(lot), answers.unit, { unit: true, trim: true }) : ''
    const leaves = leavesOf(setup, turn!, left, spread)
    return {
      words: lot ? `${name}, marks to ${formatFigure(figure, 'h')}` : 'straight dowels, no offset',
      pieces,
      setting: lot ? { point: CLOCKING, figure } : null,
      merit: Math.max(...leaves.map(({ estimate }) => Math.abs(estimate.value))),
      leaves,
    }
  }
}

/** What every figure would come to with so much of the offset left. @param spread  standard uncertainty of the dowel, nm */
function leavesOf(setup: RunoutSetup, turn: Turn, left: Offset, spread: number): CatalogueEntry['leaves'] {
  const { weights } = turn.circle
  const e = lengthOf(left)
  const along = (x: number, y: number) => weights.a.map((weight, i) => x * weight + y * weights.b[i]!)
  const dowel: BudgetLine[] = spread > 0 ? [{ source: 'pieces', words: 'Size of the dowel', u: spread, nu: Infinity, shared: false }] : []
  const predicted = (value: number, of: readonly number[], factor: number): Estimate => {
    const { lines, n } = turn.known(
      value,
      of.map(weight => factor * weight),
      factor / 2,
    )
    return { ...stated(value, [...lines, ...dowel.map(line => ({ ...line, u: line.u * factor }))], n) }
  }
  const straight = e > 0 ? along(left.to12 / e, left.to3 / e) : along(1, 0)
  const sign = setup.sense === 'rises' ? 2 : -2
  return [
    { result: resultOf(setup, 'axis'), position: '12-6', estimate: predicted(sign * left.to12, along(1, 0), 2) },
    { result: resultOf(setup, 'axis'), position: '3-9', estimate: predicted(sign * left.to3, along(0, 1), 2) },
    { result: resultOf(setup, 'once'), position: null, estimate: predicted(2 * e, straight, 2) },
    { result: resultOf(setup, 'raw'), position: null, estimate: predicted(rawWith(turn, left), straight, 2) },
    { result: resultOf(setup, 'offset'), position: null, estimate: predicted(e, straight, 1) },
  ]
}

/** Standard uncertainty of one turn's centre and rest, from its readings, nm: the gauge is the same in both. */
const ownOf = ({ lines }: Estimate) => Math.sqrt(lines.reduce((sum, { shared, u }) => sum + (shared ? 0 : u ** 2), 0))
const DOUBT = 2

/** What the dowels cannot have done: the centre moved further than they can move it, or the rest changed. */
export function contradictions(setup: RunoutSetup, before: Answers, now: Answers): Contradiction[] {
  const [then, here] = [turnOf(setup, before), turnOf(setup, now)]
  if (!then || !here || setup.marks.some(angle => now.stale(atMark(angle)) !== null)) return []
  const show = (value: number) => formatLength(value, now.unit, { unit: true })
  const moved = less(then.offset, here.offset)
  const u = quadrature(ownOf(offsetOf(then).estimate), ownOf(offsetOf(here).estimate))
  const said = [...(isHousing(setup) ? moveWords() : []), ...restWords()]
  if (said.length === 0) return []
  const words = `One of the two turns is misread: ${said.join('; ')}. Read again before it is signed.`
  return [
    {
      result: 'runout',
      finding: { gate: 'hand', level: 'warn', words },
      asksReason: 'one of the two turns is misread',
    },
  ]

  function restWords(): string[] {
    const uRest = quadrature(ownOf(restOf(then!)), ownOf(restOf(here!)))
    const changes = setup.marks.map((angle, i) => ({ angle, from: then!.marks[i]!.rest, to: here!.marks[i]!.rest }))
    const worst = changes.reduce((a, b) => (Math.abs(b.to - b.from) > Math.abs(a.to - a.from) + 1 ? b : a))
    if (Math.abs(worst.to - worst.from) <= DOUBT * Math.max(uRest, stepOf(now))) return []
    const signed = (value: number) => formatLength(value, now.unit, { sign: true, decimals: 2, trim: true })
    return [
      `the rest at ${formatFigure(worst.angle, 'h')} went from ${signed(worst.from)} to ${signed(worst.to)}, which moving it cannot do`,
    ]
  }

  function moveWords(): string[] {
    const [from, to] = [dowelSize(before), dowelSize(now)]
    if (from === null || to === null) return []
    const [held, holds] = [heldBy(before), heldBy(now)]
    const far = lengthOf(moved)
    const allowed = DOUBT * Math.max(u, stepOf(now)) + Math.max(from, to) * TURNED
    if (held && holds) {
      const expected = less(holds, held)
      if (lengthOf(less(moved, expected)) <= allowed) return []
      return [
        `the centre moved ${show(far)} to ${way(moved)}, its dowels move it ${show(lengthOf(expected))}${to > 0 || from > 0 ? ` to ${way(expected)}` : ''}`,
      ]
    }
    if (far >= Math.abs(to - from) - allowed && far <= to + from + allowed) return []
    return [
      `the centre moved ${show(far)}, its dowels move it ${from === 0 || to === 0 ? show(to + from) : `${show(Math.abs(to - from))} to ${show(to + from)}`}`,
    ]
  }
}
const way = ({ to12, to3 }: Offset): string => formatFigure(angleOf(to12, to3), 'h')

/** Set by eye a dowel lies a little aside: so much of its offset. 5°. Own figure. */
const TURNED = Math.sin(radians(5_000))
const stepOf = (answers: Answers): number => (answers.gauge('dial-indicator')?.graduation ?? 0) / 2

/** For the drawing: the turn, how it was before, and what the dowels that are in do. */
export interface RunoutDetails {
  readonly marks: Turn['marks']
  readonly offset: Offset
  readonly closure: number
  /** known to, at 95 % */
  readonly U: number
  readonly held: Offset | null
  /** the way the offset points, thousandths of a degree clockwise from 12 */
  readonly towards: number
}
export function runoutDetails(setup: RunoutSetup, answers: Answers): RunoutDetails | null {
  const turn = turnOf(setup, answers)
  if (!turn) return null
  return {
    marks: turn.marks,
    offset: turn.offset,
    closure: turn.closure,
    U: combine(offsetOf(turn).estimate.lines).U,
    held: isHousing(setup) ? heldBy(answers) : null,
    towards: angleOf(turn.offset.to12, turn.offset.to3),
  }
}

/** What every rule would say by the figure of the limit; the limit’s own rule decides. */
export interface ByRule {
  readonly rule: Rule
  /** nm; of the axes the one further off */
  readonly value: number
  readonly inside: boolean
  readonly decides: boolean
}

/** In by one rule and not by another: shown side by side where the limit is an upper one. @param upper  nm */
export function everyRule(setup: RunoutSetup, answers: Answers, upper: number): ByRule[] {
  const turn = turnOf(setup, answers)
  if (!turn) return []
  const { to12, to3 } = turn.offset
  const values: Record<Rule, number> = {
    axis: 2 * Math.max(Math.abs(to12), Math.abs(to3)),
    once: 2 * lengthOf(turn.offset),
    raw: rawOf(turn).value,
    offset: lengthOf(turn.offset),
  }
  return RULE_IDS.map(rule => ({ rule, value: values[rule], inside: values[rule] <= upper, decides: setup.judged === rule }))
}
