import { mm, nm, thou } from '../../../quantity/length'
import type { LimitSet } from '../../../verdict/limits'
import type { MeasuringPoint, PartRole, ResultKind } from '../../contract'
import type { PackPlace } from '../../pack-place'
import { defineKind } from '../../define-kind'
import { SIZE_WORDS } from '../../../verdict/words'
import { clearanceResult, playResult, sizeResult } from '../../common/results'
import { combineTrain, gapPoint, stackContradictions } from './evaluate'
import { trainConditions, trainReminders, trainSteps } from './procedure'
import { ASKED, FIELDS, gapsOf, packAtGap, STACK, type TrainSetup } from './setup'

const AHEAD = { dial: 'dial', hand: 'feel', feeler: 'feeler' } as const

/**
 * Gaps in a row of one build, in build order: each with its pieces, some of which move a gap above too; parts shared by neighbours; a
 * stack whose total is kept; a bush between two limits.
 */
export const gearTrain = defineKind({
  id: 'gear-train',
  title: 'Gaps in a row of one build',
  about: 'Gear train or stack in build order: each gap with its pieces, what is shared, what a swap gains before it is apart.',
  under: 'gearbox',
  by: ['planetary', 'automatic', 'clutch pack', 'stack', 'drum', 'hub', 'epicyclic', 'end float'],
  plausible: thou(200),
  safety: null,
  closing: 'Before the train goes in for good',
  fields: FIELDS,
  asked: ASKED,
  parts: partsOf,
  results: resultsOf,
  points: pointsOf,
  places: placesOf,
  procedure: trainSteps,
  conditions: trainConditions,
  reminders: trainReminders,
  suspicions: () => [
    { effect: 'less-play', words: 'Something was not home: a washer off its register, a ring not in its groove.' },
    { effect: 'more-play', words: 'It was not pushed over fully, or the dial touched something that gives.' },
    { effect: 'more-play', words: 'A washer is not the one it is listed as.' },
    { effect: 'less-play', words: 'Two washers stuck together and were counted as one.' },
  ],
  combine: combineTrain,
  compare: stackContradictions,
  thumb: (_setup, _answers, result) => OFFERED[result] ?? null,
})

/** Offered where no limits are known. */
const OFFERED: Readonly<Record<string, LimitSet>> = {
  proud: {
    kind: 'figure',
    figure: mm(1.6),
    unit: 'mm',
    source: { kind: 'common-practice', text: 'about 1/16 in, so that the bearing locates' },
  },
  below: {
    kind: 'lower',
    lower: nm(0),
    lowerExcluded: true,
    unit: 'mm',
    source: { kind: 'common-practice', text: 'the bush below the bearing’s face' },
  },
  over: { kind: 'two-sided', lower: thou(-1), upper: thou(1), unit: 'thou', source: { kind: 'own', text: 'the total is kept' } },
}

/** What lies below a gap and what above: neighbours share it. */
const below = (gap: string): string => `part-${Number(gap) - 1}`
const above = (gap: string): string => `part-${gap}`

function partsOf(setup: TrainSetup): PartRole[] {
  const gaps = gapsOf(setup)
  return [
    { id: 'part-0', label: `Below ${gaps[0]!.name}` },
    ...gaps.map(({ id, name }, i) => ({
      id: above(id),
      label: gaps[i + 1] ? `Between ${name} and ${gaps[i + 1]!.name}` : `Above ${name}`,
    })),
    ...(setup.stack === 'replaced' ? [{ id: 'stack', label: 'Bearing and races of the stack' }] : []),
    ...(setup.bush === 'proud' ? [{ id: 'bush', label: 'Bush and its bearing' }] : []),
  ]
}

function resultsOf(setup: TrainSetup): ResultKind[] {
  return [
    { ...playResult('Gap'), id: 'gap', apart: true, positions: gapsOf(setup).map(({ id, name }) => ({ id, label: name })) },
    ...(setup.bush === 'proud'
      ? [
          sizeResult('proud', 'Bush proud of the case', { scale: 'play', main: true }),
          clearanceResult('below', 'Bush below the bearing’s face', { ends: SIZE_WORDS }),
        ]
      : []),
    ...(setup.stack === 'replaced' ? [sizeResult('over', 'New stack over the old', { scale: 'play' })] : []),
  ]
}

/** Places whose pieces move a gap. */
const movedBy = (setup: TrainSetup, gap: string): string[] => [
  packAtGap(gap),
  ...gapsOf(setup).flatMap(({ id, also }) => (also?.gap === gap ? [packAtGap(id)] : [])),
  ...(setup.stack === 'replaced' && gap === String(setup.gaps) ? [STACK] : []),
]

function pointsOf(setup: TrainSetup): MeasuringPoint[] {
  return [
    ...(setup.stack === 'replaced' ? stackPoints(setup) : []),
    ...gapsOf(setup).map(({ id, name, by }): MeasuringPoint => ({
      id: gapPoint(id),
      label: name,
      at: { part: 'gaps', position: name },
      way: AHEAD[by],
      result: 'gap',
      moves: movedBy(setup, id),
      rests: [below(id), above(id)],
    })),
    ...(setup.bush === 'proud'
      ? [
          { id: 'bush', label: 'Bush over the case', at: { part: 'bush', position: 'Bush over the case' } },
          { id: 'bearing-face', label: 'Face of the bearing over the case', at: { part: 'bush', position: 'Bearing over the case' } },
        ].map((point): MeasuringPoint => ({ ...point, way: 'depth', result: 'proud', moves: [], rests: ['bush'], alone: true }))
      : []),
  ]
}

const stackPoints = ({ stackBy }: TrainSetup): MeasuringPoint[] => {
  const common = {
    way: stackBy,
    result: 'over',
    alone: true,
    ...(stackBy === 'micrometer' ? { tool: 'shims', small: true as const } : {}),
  } as const
  return [
    {
      ...common,
      id: 'stack-old',
      label: 'Old stack, all of it together',
      at: { part: 'stack', position: 'Old stack' },
      moves: [],
      rests: [],
    },
    {
      ...common,
      id: 'stack-new',
      label: 'New stack with its shims',
      at: { part: 'stack', position: 'New stack' },
      moves: [STACK],
      rests: ['stack'],
    },
  ]
}

function placesOf(setup: TrainSetup): PackPlace[] {
  const gaps = gapsOf(setup)
  return [
    ...gaps.map(({ id, name, also }): PackPlace => ({
      id: packAtGap(id),
      label: name,
      effects: [
        { result: `gap@${id}`, perPiece: -1 },
        ...(also ? [{ result: `gap@${also.gap}`, perPiece: also.perPiece, after: true } as const] : []),
      ],
      chosen: { by: 'window', pair: false },
      between: ['below', 'above'],
      capacity: { fewest: 0, most: 6 },
      lappable: true,
    })),
    ...(setup.stack === 'replaced'
      ? [
          {
            id: STACK,
            label: 'Shims of the new stack',
            effects: [
              { result: 'over', perPiece: 1 },
              { result: `gap@${setup.gaps}`, perPiece: -1, after: true },
            ],
            chosen: { by: 'window', pair: false },
            between: ['bearing', 'race'],
            capacity: { fewest: 0, most: 6 },
            lappable: true,
          } satisfies PackPlace,
        ]
      : []),
  ]
}
