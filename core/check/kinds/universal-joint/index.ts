import { thou } from '../../../quantity/length'
import type { MeasuringPoint } from '../../contract'
import type { PackPlace } from '../../pack-place'
import { defineKind } from '../../define-kind'
import { playResult, sizeResult } from '../../common/results'
import { combineJoint, ringCatalogues } from './evaluate'
import { JOINT_REMINDERS, jointSteps, jointSuspicions } from './procedure'
import { FIELDS, planesOf, ringsAt, sidesAt, type JointSetup, type Plane } from './setup'

/**
 * Play of a universal joint in its two planes, set by a pair of snap rings each: some, never none, never preload. What is changed in
 * one plane leaves the other as it is.
 */
export const universalJoint = defineKind({
  id: 'universal-joint',
  title: 'Universal joint',
  about: 'Play in two planes, set by a pair of rings each; every ring of the kit as a line of plays; what frost leaves of it.',
  under: 'driveline',
  by: ['cardan', 'propeller shaft', 'cross', 'snap rings', 'circlips', 'knock on taking up drive', 'vibration', 'needle cups'],
  spoken: { phrases: [{ words: ['universal joint', 'joint', 'cross'] }] },
  plausible: thou(150),
  safety:
    'A shaft that comes apart can kill. The maker’s manual comes first; where law, insurer or type approval asks for a licensed mechanic or an inspection, this check does not replace it.',
  closing: 'Before the shaft goes back',
  fields: FIELDS,
  asked: {
    coldest: ({ ears1, ears2 }) => ears1 !== 'steel' || ears2 !== 'steel',
    tyre: ({ speed }) => speed > 0,
    axle: ({ speed }) => speed > 0,
  },
  parts: setup => [
    { id: 'joint', label: 'Joint' },
    ...planesOf(setup).map(({ id, label }) => ({ id: `yoke-${id}`, label: `${label}: yoke and its grooves` })),
  ],
  results: setup => [
    { ...playResult('Play'), positions: positionsOf(setup) },
    sizeResult('off', 'Off the middle', { scale: 'play', bothWays: true, beside: true, positions: positionsOf(setup) }),
    sizeResult('runs-out', 'Shaft runs out by', { scale: 'play', unjudged: true, positions: positionsOf(setup) }),
  ],
  points: setup => planesOf(setup).flatMap(pointsOf),
  places: setup => planesOf(setup).map(placeOf),
  procedure: jointSteps,
  reminders: () => JOINT_REMINDERS,
  suspicions: jointSuspicions,
  combine: combineJoint,
  catalogues: ringCatalogues,
})

const positionsOf = (setup: JointSetup) => planesOf(setup).map(({ id, label }) => ({ id, label }))

function pointsOf({ id, label, off }: Plane): MeasuringPoint[] {
  const where = { result: 'play', moves: [ringsAt(id)], rests: ['joint', `yoke-${id}`] } as const
  return [
    {
      ...where,
      id: `hand-${id}`,
      label: `${label}, by hand before the dial`,
      at: { position: label, what: 'hand' },
      way: 'word',
      words: [
        { value: 'fine', label: 'fine' },
        { value: 'stiff', label: 'stiff' },
        { value: 'loose', label: 'loose' },
      ],
      optional: true,
    },
    { ...where, id: `play-${id}`, label: `${label}, pushed and pulled`, at: { position: label, what: 'play' }, way: 'dial' },
    {
      ...where,
      id: `bends-${id}`,
      label: `${label}, how it bends`,
      at: { position: label, what: 'bends' },
      way: 'word',
      words: [
        { value: 'itself', label: 'moves by itself' },
        { value: 'pushed', label: 'must be pushed' },
        { value: 'stuck', label: 'stuck' },
      ],
      optional: true,
    },
    ...(off === null
      ? []
      : [
          {
            ...where,
            id: sidesAt(id),
            label: `${label}, the thicker ring`,
            at: { position: label, what: 'sides' },
            way: 'word',
            result: 'off',
            words: [
              { value: 'left', label: 'left' },
              { value: 'right', label: 'right' },
            ],
            optional: true,
          } satisfies MeasuringPoint,
        ]),
  ]
}

const placeOf = ({ id, label, off }: Plane): PackPlace => ({
  id: ringsAt(id),
  label: `${label}: pair of rings`,
  effects: [{ result: `play@${id}`, perPiece: -1 }],
  chosen: off === null ? { by: 'window', pair: true } : { by: 'catalogue', pair: false, window: true },
  between: ['groove', 'joint'],
  capacity: { fewest: 2, most: 2 },
  without: 'a cap without its ring comes out',
  lappable: false,
})
