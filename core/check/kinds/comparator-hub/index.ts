import { thou } from '../../../quantity/length'
import type { LimitSet } from '../../../verdict/limits'
import type { MeasuringPoint } from '../../contract'
import { defineKind } from '../../define-kind'
import { WHEEL_SAFETY, inspectionPoints, warmthPoints, warmthResults } from '../../common/hub'
import { formResult, playResult, sizeResult } from '../../common/results'
import { combine, learnedOf, marks, works } from './evaluate'
import { COMPARATOR_CONDITIONS, COMPARATOR_REMINDERS, comparatorSteps } from './procedure'
import { FIELDS, type ComparatorSetup } from './setup'
import { spoken } from './spoken'

const PAIR = ['hub', 'inner-bearing', 'outer-bearing']
const SET = [...PAIR, 'spacer']

/**
 * The spacer of a hub between two taper bearings, measured under a comparator against the seat distance of the same hub and bearings:
 * a longer spacer gives less preload, or more play (c +1). What counts is the shortest distance of the turn, rollers fully home.
 * Hub, bearings and spacer stay together afterwards as one set.
 */
export const comparatorHub = defineKind({
  id: 'comparator-hub',
  title: 'Hub spacer by comparator',
  about: 'A spacer between taper bearings, set longer than the shortest seat distance by a given amount.',
  under: 'wheels',
  by: ['wheel', 'loose wheel', 'wheel bearing', 'spacer', 'seat distance', 'axle nut fully tight'],
  spoken,
  plausible: thou(1000),
  safety: WHEEL_SAFETY,
  closing: 'Before the hub goes back',
  fields: FIELDS,
  parts: () => [
    { id: 'hub', label: 'Hub' },
    { id: 'inner-bearing', label: 'Inner bearing, cup and cone' },
    { id: 'outer-bearing', label: 'Outer bearing, cup and cone' },
    { id: 'spacer', label: 'Hub spacer' },
  ],
  matched: () => SET,
  marks,
  results: setup => [
    sizeResult('longer', 'Longer than the shortest distance', { ...LONGER, main: true, belowZero: 'never' }),
    ...(setup.spacer === 'adjustable'
      ? [sizeResult('locked', 'Longer, once locked', { ...LONGER, main: true, belowZero: 'never', judgedBy: 'longer' })]
      : []),
    sizeResult('longer-least', 'Longer, where the distance is longest', { ...LONGER, unjudged: true }),
    formResult('spread', 'Spread over a turn'),
    { ...playResult('Dry trial'), id: 'trial', main: false, belowZero: 'meaning', unjudged: true },
    sizeResult('shortening', 'Shortening under the nut', { ...LONGER, unjudged: true }),
    ...warmthResults(setup),
  ],
  points,
  places: setup =>
    setup.spacer === 'fixed'
      ? [
          {
            id: 'spacer',
            label: 'Hub spacer',
            effects: [{ result: 'longer', perPiece: 1 }],
            chosen: { by: 'window', pair: false },
            between: ['inner cone', 'outer cone'],
            capacity: { fewest: 1, most: 1 },
            lappable: true,
          },
        ]
      : [],
  procedure: comparatorSteps,
  conditions: () => COMPARATOR_CONDITIONS,
  reminders: () => COMPARATOR_REMINDERS,
  handsOn: learnedOf,
  asked: { lostIs: ({ lost }) => lost !== null },
  suspicions: () => [
    { effect: 'less-play', words: 'A roller had climbed: the distance was not at its shortest.' },
    { effect: 'more-play', words: 'The spacer lay the other way up, or on dirt.' },
  ],
  combine,
  works,
  thumb: (_setup, _answers, result) => (result === 'spread' ? SPREAD : null),
})

/** What a reading may wander over a turn before the hub is looked at. Own figure. */
const SPREAD: LimitSet = { kind: 'upper', upper: thou(2), unit: 'thou', source: { kind: 'own', text: 'races run true to so much' } }

const LONGER = { scale: 'play', cannotBind: 'above' } as const

function points(setup: ComparatorSetup): MeasuringPoint[] {
  const plain = { at: {}, moves: [], rests: PAIR } as const
  // The shortest distance reads most where the reading falls with length, and least where it rises.
  const counting = setup.sense === 'falls' ? 'largest' : 'smallest'
  const fixed = setup.spacer === 'fixed'
  const spacer = { at: {}, way: 'comparator-now', rests: ['spacer'] } as const
  return [
    ...inspectionPoints(PAIR, 'longer'),
    { ...plain, id: 'distance', label: 'Seat distance over a turn', way: 'comparator', result: 'longer', counting },
    { ...plain, id: 'zero-base', label: 'Base alone again, at zero', way: 'comparator-now', result: 'spread' },
    { ...plain, id: 'zero-head', label: 'Head on the upturned bearing again, at zero', way: 'comparator-now', result: 'spread' },
    { ...spacer, id: 'spacer', label: 'Spacer, set screw towards you', result: 'longer', moves: fixed ? ['spacer'] : [] },
    {
      at: {},
      id: 'end-play',
      label: 'Dry trial, nut fully tight: end play',
      since: 'spacer',
      way: 'dial',
      result: 'trial',
      moves: fixed ? ['spacer'] : [],
      rests: SET,
    },
    {
      at: {},
      id: 'spin',
      label: 'Dry trial: how it spins',
      since: 'spacer',
      way: 'word',
      result: 'trial',
      moves: fixed ? ['spacer'] : [],
      rests: SET,
      words: [
        { value: 'free', label: 'free' },
        { value: 'stiff', label: 'stiff' },
      ],
    },
    ...(fixed ? [] : [{ ...spacer, id: 'locked', label: 'Spacer once more, set screw locked', result: 'locked', moves: [] }]),
    ...warmthPoints(setup, fixed ? ['spacer'] : [], SET),
  ]
}
