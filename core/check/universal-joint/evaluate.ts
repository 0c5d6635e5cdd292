import { formatLength } from '../../quantity/format-length'
import { EXPANSION, REFERENCE } from '../../reading/temperature'
import type { Finding } from '../../reading/gates'
import { stated, type Estimate } from '../../reading/estimate'
import { thickness, type Lot } from '../../pack/lot'
import type { Answers, CombinedResult } from '../contract'
import { planesOf, type JointSetup, type Plane } from './setup'

/** A hand feels so much; a joint that moves by less than that by hand says nothing against a dial. Common practice. nm */
const FELT = 50_000

/** Play of each plane as it is read, with what a hand said of it; how far the joint is off the middle. */
export const combineJoint = (setup: JointSetup, answers: Answers): CombinedResult[] =>
  planesOf(setup).flatMap((plane): CombinedResult[] => {
    const { estimate, atMost } = answers.of(`play-${plane.id}`)
    return [
      {
        kind: 'play',
        position: plane.id,
        estimate,
        points: [`play-${plane.id}`, `bends-${plane.id}`, `hand-${plane.id}`],
        formula: 'mean of far − (start + back)/2',
        ...(atMost ? { atMost } : {}),
        findings: [
          ...inTheCold(setup, plane, estimate, answers),
          ...runoutOf(setup, estimate, answers),
          ...byHand(plane, estimate, answers),
        ],
        ...(answers.of(`bends-${plane.id}`).word === 'stuck' && answers.stale(`bends-${plane.id}`) === null
          ? { overrule: { state: 'below', words: 'it sticks: the joint binds' } as const }
          : {}),
      },
      {
        kind: 'off',
        position: plane.id,
        estimate: plane.off === null ? null : stated(plane.off, []),
        points: [],
        formula: 'as measured; equal rings leave it as it is, unequal ones move it by half their difference',
      },
    ]
  })

/** What alloy ears on a steel joint take off the play in the cold, nm: span and both expansions (ISO 1). */
export const lostInCold = ({ ears, span }: Pick<Plane, 'ears' | 'span'>, celsius: number): number =>
  span === null ? 0 : (EXPANSION[ears] - EXPANSION.steel) * span * (REFERENCE - celsius)

function inTheCold({ coldest }: JointSetup, plane: Plane, play: Estimate | null, { unit }: Answers): Finding[] {
  const lost = lostInCold(plane, coldest)
  if (!play || Math.abs(lost) < 1) return []
  const left = play.value - lost
  const show = (value: number) => formatLength(value, unit, { unit: true })
  return [
    {
      gate: 'heat',
      level: left <= 0 ? 'warn' : 'note',
      words: `At ${coldest} °C alloy ears take ${show(lost)} off it: ${left <= 0 ? `it binds in frost, by ${show(-left)}` : `${show(left)} would be left`}. A prediction.`,
    },
  ]
}

/** What a loose joint can add as runout, at the speed its shaft turns: a warning, not a promise. */
function runoutOf(setup: JointSetup, play: Estimate | null, { unit }: Answers): Finding[] {
  const turns = shaftSpeed(setup)
  if (!play || play.value <= 0 || turns === null) return []
  return [
    {
      gate: 'hand',
      level: 'note',
      words: `It can add up to ${formatLength(play.value, unit, { unit: true })} of runout, at ${Math.round(turns / 10) * 10} turns a minute of the shaft: felt or not, it shakes there first.`,
    },
  ]
}

/** Turns of the shaft a minute, from road speed, tyre and axle; null where that was not said. */
export const shaftSpeed = ({ speed, tyre, axle }: Pick<JointSetup, 'speed' | 'tyre' | 'axle'>): number | null =>
  speed === 0 || tyre === null ? null : ((speed * 1e12) / 60 / (Math.PI * tyre)) * axle

function byHand({ id }: Plane, play: Estimate | null, answers: Answers): Finding[] {
  const { word } = answers.of(`hand-${id}`)
  if (!play || word === null) return []
  const show = formatLength(play.value, answers.unit, { unit: true })
  if (word === 'stiff' && play.value - play.U > 0)
    return [{ gate: 'hand', level: 'note', words: `By hand it seemed stiff; the dial finds ${show} of play.` }]
  return word === 'fine' && play.value - play.U > FELT
    ? [{ gate: 'hand', level: 'note', words: `By hand it seemed fine; the dial finds ${show} of play.` }]
    : []
}

/** One size of the kit, a ring each side: what play it would leave. */
export interface RingPlay {
  readonly lotId: string
  readonly size: number
  readonly play: number
  readonly onHand: number
}

/**
 * Every ring of the kit as one line of plays: play = play now − 2·(t − ring fitted), thinnest first.
 * @param fitted  thickness of the ring on either side now, nm
 * @param kit  what the place can be filled from
 */
export const ringLine = (play: number, fitted: number, kit: readonly Lot[]): RingPlay[] =>
  kit
    .map(lot => ({ lotId: lot.id, size: thickness(lot), play: play - 2 * (thickness(lot) - fitted), onHand: lot.onHand }))
    .sort((a, b) => a.size - b.size)
