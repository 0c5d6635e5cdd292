import { systemOf } from '../../../quantity/figure'
import { formatLength, unitFor } from '../../../quantity/format-length'
import { thou, UNIT_NAME } from '../../../quantity/length'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { sumOf } from '../../../reading/sum'
import type { LimitSet } from '../../../verdict/limits'
import type { Answers, CombinedResult } from '../../contract'
import { barMissing, belowFace, justTheBar, type Over } from '../../common/over-bar'
import { meanRound, outOfLevel, roundPoints } from '../../common/round'
import type { Setup } from '../../setup'
import type { ReleaseSetup } from './setup'

/** The four lengths, each below the face it is meant from. */
interface Lengths {
  readonly a: Estimate | null
  readonly h: Estimate | null
  readonly d: Estimate | null
  readonly b: Estimate | null
}

function lengthsOf(setup: ReleaseSetup, answers: Answers): Lengths {
  const { bar, centre } = setup
  return {
    a: belowFace(answers.of('a').estimate, setup.overA, bar),
    h: belowFace(meanRound(answers, 'h'), setup.overH === 'face' ? 'face' : 'bar', setup.overH === 'centre' ? centre : bar),
    d: belowFace(meanRound(answers, 'd'), setup.overD, bar),
    b: belowFace(meanRound(answers, 'b'), setup.overB, bar),
  }
}

const strokeOf = ({ d, b }: Lengths): Estimate | null =>
  d && b
    ? sumOf([
        { name: 'B', factor: 1, estimate: b },
        { name: 'D', factor: -1, estimate: d },
      ])
    : null

/**
 * Compression at rest = A + H − D; stroke = B − D; reserve = B − A − H, in which D cancels. Common practice.
 */
export function combineRelease(setup: ReleaseSetup, answers: Answers): CombinedResult[] {
  const lengths = lengthsOf(setup, answers)
  const { a, h, d, b } = lengths
  const proud = setup.flange === 'proud' ? 1 : -1
  const sign = proud > 0 ? '+' : '−'
  const missing = missingThickness(setup)
  const compression =
    a && h && d
      ? sumOf([
          { name: 'A', factor: proud, estimate: a },
          { name: 'H', factor: 1, estimate: h },
          { name: 'D', factor: -1, estimate: d },
        ])
      : null
  const reserve =
    a && h && b
      ? sumOf([
          { name: 'B', factor: 1, estimate: b },
          { name: 'A', factor: -proud, estimate: a },
          { name: 'H', factor: -1, estimate: h },
        ])
      : null
  const stroke = strokeOf(lengths)
  const unlike = stroke ? unlikeBars(setup, answers) : []
  return [
    {
      kind: 'compression',
      position: null,
      estimate: compression,
      points: ['a', ...roundPoints('h'), ...roundPoints('d')],
      formula: `${proud > 0 ? '' : '−'}A + H − D, the mean of three places each`,
      findings: [
        ...missing,
        ...unlike,
        ...outOfLevel(answers, 'h', 'Fingers'),
        ...outOfLevel(answers, 'd', 'Bearing'),
        ...againstLast(setup, answers),
      ],
    },
    {
      kind: 'reserve',
      position: null,
      estimate: reserve,
      points: [...roundPoints('b'), 'a', ...roundPoints('h')],
      formula: `B ${sign === '+' ? '−' : '+'} A − H: the stroke less the compression, in which D cancels`,
      findings: [...missing, ...unlike, ...forecast(reserve, answers)],
      ...(reserve && reserve.value <= 0
        ? { overrule: { state: 'below', words: 'none left: the bearing is pushed home before the disc has worn at all' } as const }
        : {}),
    },
    {
      kind: 'stroke',
      position: null,
      estimate: stroke,
      points: [...roundPoints('b'), ...roundPoints('d')],
      formula: 'B − D',
      findings: [...unlike, ...againstMaker(setup, stroke, answers)],
    },
  ]
}

const missingThickness = ({ overA, overH, overD, overB, bar, centre }: ReleaseSetup): Finding[] => [
  ...barMissing([overA, overH === 'bar' ? 'bar' : 'face', overD, overB] satisfies Over[], bar),
  ...(overH === 'centre' && centre === null
    ? [{ gate: 'hand', level: 'fail', words: 'H was read to a centring piece: give its height in Set up.' } as const]
    : []),
]

/** D and B are one difference: what lies between has to be the same, or it is wrong by the bar. */
function unlikeBars({ overD, overB, bar }: ReleaseSetup, { unit }: Answers): Finding[] {
  if (overD === overB) return []
  return [
    {
      gate: 'hand',
      level: 'fail',
      words: `D and B were not read alike: one over the bar, the other not. A slip there makes stroke and reserve wrong by ${
        bar === null ? 'its thickness' : formatLength(bar, unit, { unit: true })
      }. Read both the same way.`,
    },
  ]
}

/** The bearing goes forward as far as it is pressed back at rest, and back as far as the reserve. */
export function releaseDemands({ need }: ReleaseSetup, result: string): LimitSet | null {
  if (result === 'compression' && need !== null)
    return { kind: 'lower', lower: need, unit: 'in', source: { kind: 'kit-leaflet', text: 'release travel of the clutch maker' } }
  return result === 'reserve'
    ? { kind: 'lower', lower: thou(0), lowerExcluded: true, unit: 'in', source: { kind: 'common-practice', text: 'some reserve for wear' } }
    : null
}

/** Figure and sentence, no promise of miles. */
const forecast = (reserve: Estimate | null, { unit }: Answers): Finding[] =>
  reserve && reserve.value > 0
    ? [
        {
          gate: 'hand',
          level: 'note',
          words: `As the disc wears the fingers may move back ${formatLength(reserve.value, unit, { unit: true })} before they load the bearing and the clutch slips.`,
        },
      ]
    : []

function againstMaker({ stroke: maker, bar }: ReleaseSetup, stroke: Estimate | null, answers: Answers): Finding[] {
  if (maker === null || !stroke) return []
  const apart = stroke.value - maker
  if (Math.abs(apart) <= Math.max(stroke.U, thou(5))) return []
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  return [
    {
      gate: 'hand',
      level: 'warn',
      words: `A stroke of ${show(stroke.value)}, and its maker says ${show(maker)}: was it pushed fully home, was it at its free end?`,
    },
    ...justTheBar(apart, stroke.U, bar, answers),
  ]
}

/** One of the four lengths, and what the last build like it read; nm, null: not read, or nobody knows. */
export interface BesideLast {
  readonly name: 'A' | 'H' | 'D' | 'B'
  readonly now: Estimate | null
  readonly last: number | null
}
/** The four lengths beside those of the last build like it: borrowed, never instead of measuring. */
export function besideLast(setup: ReleaseSetup, answers: Answers): readonly BesideLast[] {
  const { a, h, d, b } = lengthsOf(setup, answers)
  return [
    { name: 'A', now: a, last: setup.lastA },
    { name: 'H', now: h, last: setup.lastH },
    { name: 'D', now: d, last: setup.lastD },
    { name: 'B', now: b, last: setup.lastB },
  ]
}

/** Another build’s lengths are no measurement: they stand beside the new ones, and one that is off by just the bar is a slip. */
function againstLast(setup: ReleaseSetup, answers: Answers): Finding[] {
  const show = (value: number) => formatLength(value, unitFor(systemOf(answers.unit), 'size'), { trim: true })
  const both = besideLast(setup, answers).flatMap(({ name, now, last }) => (now && last !== null ? [{ name, now, last }] : []))
  if (both.length === 0) return []
  const beside = both.map(({ name, now, last }) => `${name} ${show(now.value)} for ${show(last)}`).join(', ')
  const unit = UNIT_NAME[unitFor(systemOf(answers.unit), 'size')]
  return [
    { gate: 'hand', level: 'note', words: `Beside the last build like it, ${unit}: ${beside}.` },
    ...both.flatMap(({ now, last }) => justTheBar(now.value - last, now.U, setup.bar, answers)),
  ]
}

/** No shim changes the stroke. */
export function strokeBefore(setup: ReleaseSetup, before: Answers, now: Answers): { result: string; finding: Finding }[] {
  const [was, is] = [strokeOf(lengthsOf(setup, before)), strokeOf(lengthsOf(setup, now))]
  if (!was || !is || Math.abs(is.value - was.value) <= Math.hypot(was.U, is.U)) return []
  const show = (value: number) => formatLength(value, now.unit, { unit: true })
  const words = `The stroke was ${show(was.value)} before the shim and is ${show(is.value)} now: no shim changes it. Read D and B again.`
  return ['compression', 'reserve', 'stroke'].map(result => ({ result, finding: { gate: 'hand', level: 'fail', words } }))
}

/** A build like it takes minutes: bar, plate and how it was read are as they were, its lengths are told beside the new ones. */
export function handedOn(setup: ReleaseSetup, answers: Answers): Setup {
  const lengths = lengthsOf(setup, answers)
  const { plate, flange, bar, overA, overH, centre, overD, overB, stroke, need } = setup
  const whole = (length: Estimate | null) => (length ? String(Math.round(length.value)) : '')
  const figure = (value: number | null) => (value === null ? '' : String(value))
  return {
    plate,
    flange,
    overA,
    overH,
    overD,
    overB,
    bar: figure(bar),
    centre: figure(centre),
    stroke: figure(stroke),
    need: figure(need),
    lastA: whole(lengths.a),
    lastH: whole(lengths.h),
    lastD: whole(lengths.d),
    lastB: whole(lengths.b),
  }
}
