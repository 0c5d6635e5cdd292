import { thou } from '../../../quantity/length'
import { marksText } from '../../../quantity/marks'
import type { MeasuringPoint, PartRole, ResultKind } from '../../contract'
import { defineKind } from '../../define-kind'
import { formResult, sizeResult } from '../../common/results'
import { PLAY_WORDS, SIZE_WORDS } from '../../../verdict/words'
import { combineRunout, contradictions, dowelCatalogue, resultOf, RULE_IDS, runoutDetails, type Rule } from './evaluate'
import { runoutReminders, runoutSteps } from './procedure'
import { ASKED, atMark, AXES, CLOCKING, DOWELS, FIELDS, isHousing, RETURN, sagAt, type RunoutSetup } from './setup'
import { spoken } from './spoken'

/**
 * How far something runs out, or how far a bore lies off the axis it has to be on: readings at marks round a turn, the circle through
 * them, the offset with its direction; for a housing the dowels that bring it right, and where their marks have to point.
 */
export const runout = defineKind({
  id: 'runout',
  title: 'Runout and centring',
  about: 'Housing bore, hub, disc, flange, face or shaft: readings round a turn, offset with its direction, dowels and where to turn them.',
  under: 'any',
  by: [
    'bell housing',
    'dowels',
    'flywheel',
    'disc',
    'flange',
    'bent shaft',
    'wobble',
    'vibration',
    'offset',
    'clutch judder',
    'concentricity',
  ],
  spoken,
  plausible: thou(150),
  safety: null,
  evidence: true,
  closing: 'Before the gearbox goes on',
  fields: FIELDS,
  asked: ASKED,
  parts: partsOf,
  results: resultsOf,
  points: pointsOf,
  places: setup =>
    isHousing(setup)
      ? [
          {
            id: DOWELS,
            label: 'Offset dowels',
            effects: [{ result: setup.judged === 'axis' ? 'runout@12-6' : 'runout', perPiece: -1 }],
            chosen: { by: 'catalogue', pair: true, window: false },
            between: ['block', 'housing'],
            capacity: { fewest: 0, most: 2 },
            startsEmpty: true,
            lappable: false,
          },
        ]
      : [],
  procedure: runoutSteps,
  reminders: runoutReminders,
  suspicions: () => [],
  combine: combineRunout,
  compare: contradictions,
  catalogues: dowelCatalogue,
  details: runoutDetails,
})

const RESTS: Readonly<Record<RunoutSetup['what'], readonly PartRole[]>> = {
  housing: [
    { id: 'block', label: 'Block' },
    { id: 'housing', label: 'Housing' },
    { id: 'plate', label: 'Block plate' },
    { id: 'crank', label: 'Crank and flywheel' },
  ],
  radial: [
    { id: 'part', label: 'Hub, disc or flange' },
    { id: 'bearing', label: 'Its bearings' },
  ],
  face: [
    { id: 'part', label: 'Part whose face it is' },
    { id: 'bearing', label: 'Its bearings' },
  ],
  shaft: [{ id: 'shaft', label: 'Shaft' }],
}
function partsOf({ what }: RunoutSetup): readonly PartRole[] {
  return RESTS[what]
}

const RULE_LABEL: Readonly<Record<Rule, string>> = {
  axis: 'Axis difference',
  once: 'Once per turn, 2e',
  raw: 'Raw spread',
  offset: 'Offset, e',
}

function resultsOf(setup: RunoutSetup): ResultKind[] {
  const { judged, what } = setup
  const byRule = (rule: Rule): ResultKind => ({
    ...formResult(resultOf(setup, rule), rule === 'offset' && what === 'shaft' ? 'Bow, e' : RULE_LABEL[rule]),
    ...(rule === 'axis'
      ? { belowZero: 'meaning' as const, bothWays: true as const, positions: AXES.map(({ id, label }) => ({ id, label })) }
      : {}),
    ...(judged === rule ? { main: true } : { unjudged: true }),
  })
  return [
    // What the limit is for stands first.
    ...(judged === 'unsaid' ? [formResult('runout', 'Runout', { main: true })] : [byRule(judged)]),
    ...RULE_IDS.filter(rule => rule !== judged).map(byRule),
    formResult('rest', 'Out of round, the rest'),
    {
      ...sizeResult('direction', isHousing(setup) ? 'Move it towards' : 'High spot', { scale: 'play', unjudged: true }),
      quantity: 'angle',
      unit: 'h',
      ends: PLAY_WORDS,
    },
    ...(what === 'face'
      ? [{ ...formResult('tilt', 'Face out of square by'), quantity: 'angle', unit: '°', ends: SIZE_WORDS } satisfies ResultKind]
      : []),
  ]
}

function pointsOf(setup: RunoutSetup): MeasuringPoint[] {
  const common = {
    result: 'runout',
    way: 'at-mark',
    moves: isHousing(setup) ? [DOWELS] : [],
    rests: partsOf(setup).map(({ id }) => id),
  } as const
  const name = (angle: number) => marksText([angle])
  return [
    ...(isHousing(setup)
      ? [
          {
            ...common,
            id: CLOCKING,
            label: 'Dowel marks point to',
            at: { part: 'dowels', position: 'Marks point to' },
            way: 'clock',
            unit: 'h',
            rests: [],
            optional: true,
          } satisfies MeasuringPoint,
        ]
      : []),
    ...(setup.sag === 'measured'
      ? setup.marks.map((angle): MeasuringPoint => ({
          ...common,
          id: sagAt(angle),
          label: `Sag on the stiff bar, at ${name(angle)}`,
          at: { part: 'sag of the bracket', position: `At ${name(angle)}` },
          moves: [],
          rests: [],
        }))
      : []),
    ...setup.marks.map((angle): MeasuringPoint => ({
      ...common,
      id: atMark(angle),
      label: `At ${name(angle)}`,
      at: { part: 'turn', position: `At ${name(angle)}` },
    })),
    {
      ...common,
      id: RETURN,
      label: `Back at ${name(setup.marks[0]!)}`,
      at: { part: 'turn', position: `Back at ${name(setup.marks[0]!)}` },
    },
  ]
}
