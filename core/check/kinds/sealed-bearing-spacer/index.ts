import { thou } from '../../../quantity/length'
import { stated, type Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { sumOf, type Term } from '../../../reading/sum'
import type { Answers, MeasuringPoint } from '../../contract'
import { defineKind } from '../../define-kind'
import { WHEEL_SAFETY, inspectionFindings, inspectionPoints } from '../../common/hub'
import { sizeResult } from '../../common/results'
import { spacerSteps } from './procedure'
import { FIELDS, type SpacerSetup } from './setup'

/** A bar that only one of two depths was read over stands in their difference. */
const barMatters = ({ way, near, far }: SpacerSetup): boolean => way === 'depths' && near !== far

const RESTS = ['hub', 'bearings']

/**
 * The spacer between two sealed ball bearings: as long as the distance of their seats, or a little longer, so that tightening the axle
 * clamps the inner rings and does not load the balls (c +1).
 */
export const sealedBearingSpacer = defineKind({
  id: 'sealed-bearing-spacer',
  title: 'Spacer between sealed bearings',
  about: 'A spacer no shorter than the seat distance, so that tightening does not load the balls.',
  under: 'wheels',
  by: ['wheel', 'ball bearings', 'axle', 'sleeve', 'hub', 'hot bearing', 'drags when tightened'],
  plausible: thou(1000),
  safety: WHEEL_SAFETY,
  closing: 'Before the wheel goes on',
  fields: FIELDS,
  asked: {
    near: setup => setup.way === 'depths',
    far: setup => setup.way === 'depths',
    bar: setup => setup.way === 'depths' && (setup.near === 'bar' || setup.far === 'bar'),
  },
  parts: () => [
    { id: 'hub', label: 'Hub' },
    { id: 'bearings', label: 'Bearings, both' },
    { id: 'spacer', label: 'Spacer' },
  ],
  results: () => [
    sizeResult('longer', 'Spacer longer than the seats', { scale: 'play', main: true, belowZero: 'never' }),
    sizeResult('distance', 'Seat distance', { unjudged: true }),
  ],
  points: setup => [
    ...inspectionPoints(['bearings'], 'longer', 'ball'),
    ...(setup.way === 'depths'
      ? (['near', 'far'] as const).map((seat): MeasuringPoint => ({
          id: `${seat}-seat`,
          label: `Depth to the ${seat} seat`,
          at: {},
          way: 'depth',
          result: 'distance',
          moves: [],
          rests: ['hub'],
          alone: true,
        }))
      : [
          {
            id: 'distance',
            label: 'From seat to seat',
            at: {},
            way: 'inside-micrometer',
            result: 'distance',
            moves: [],
            rests: ['hub'],
          } satisfies MeasuringPoint,
        ]),
    { id: 'spacer', label: 'Spacer, its length', at: {}, way: 'micrometer', result: 'longer', moves: ['spacer'], rests: ['spacer'] },
    {
      id: 'turns',
      label: 'Axle tightened: inner rings turned by hand',
      at: {},
      way: 'word',
      result: 'longer',
      moves: ['spacer'],
      rests: [...RESTS, 'spacer'],
      words: [
        { value: 'free', label: 'free' },
        { value: 'rough', label: 'rough, or stiff' },
      ],
      optional: true,
    },
  ],
  places: () => [
    {
      id: 'spacer',
      label: 'Spacer between the bearings',
      effects: [{ result: 'longer', perPiece: 1 }],
      chosen: { by: 'window', pair: false },
      between: ['inner ring', 'inner ring'],
      capacity: { fewest: 1, most: 1 },
      lappable: true,
    },
  ],
  procedure: spacerSteps,
  reminders: () => [
    { id: 'torque', words: 'Axle torque on the machine' },
    { id: 'spins', words: 'On the machine: the wheel turns freely, no knock' },
  ],
  suspicions: () => [
    { effect: 'less-play', words: 'A burr or dirt at a seat: the depth was read too small, or the spacer too short.' },
    { effect: 'more-play', words: 'The bearings were not home in their seats.' },
  ],
  combine(setup, answers) {
    const distance = distanceOf(setup, answers)
    const spacer = answers.of('spacer').estimate
    const seats = setup.way === 'depths' ? ['near-seat', 'far-seat'] : ['distance']
    const longer =
      distance && spacer
        ? sumOf([
            { name: 'spacer', factor: 1, estimate: spacer },
            { name: 'seats', factor: -1, estimate: distance },
          ])
        : null
    const rough = answers.of('turns').word === 'rough' && answers.stale('turns') === null
    return [
      {
        kind: 'longer',
        position: null,
        estimate: longer,
        points: ['spacer', ...seats],
        formula: 'spacer − seat distance',
        findings: [
          ...inspectionFindings(answers, longer !== null, 'ball'),
          ...justABar(setup, longer),
          ...(longer !== null && barMatters(setup) && setup.bar === null
            ? [
                {
                  gate: 'hand',
                  level: 'fail',
                  words: 'One depth was read over a bar and the other not: give the thickness of the bar.',
                } as const,
              ]
            : []),
        ],
        ...(rough ? { overrule: { state: 'below', words: 'tightened, it turns roughly: the balls are loaded' } as const } : {}),
      },
      {
        kind: 'distance',
        position: null,
        estimate: distance,
        points: seats,
        formula:
          setup.way === 'depths'
            ? `depth to the far seat − depth to the near seat${barMatters(setup) ? ', without the bar' : ''}`
            : 'as read',
      },
    ]
  },
})

/** So far off that just the bar explains it: then one depth was read over it and the other not. */
function justABar({ way, near, far, bar }: SpacerSetup, longer: Estimate | null): Finding[] {
  if (way !== 'depths' || near !== far || bar === null || !longer) return []
  return Math.abs(Math.abs(longer.value) - bar) > Math.max(longer.U, thou(2))
    ? []
    : [{ gate: 'hand', level: 'warn', words: 'That is just the thickness of the bar: was one depth read over it, and the other not?' }]
}

/** From seat to seat. What both depths share of the calipers cancels; a bar counts where only one was read over it. */
function distanceOf(setup: SpacerSetup, answers: Answers): Estimate | null {
  if (setup.way === 'length') return answers.of('distance').estimate
  const [near, far] = [answers.of('near-seat').estimate, answers.of('far-seat').estimate]
  if (!near || !far) return null
  const bar = barMatters(setup) ? (setup.bar ?? 0) : 0
  const terms: Term[] = [
    { name: 'far seat', factor: 1, estimate: far },
    { name: 'near seat', factor: -1, estimate: near },
    ...(bar > 0 ? [{ name: 'bar', factor: setup.far === 'bar' ? -1 : 1, estimate: stated(bar, []) }] : []),
  ]
  return sumOf(terms)
}
