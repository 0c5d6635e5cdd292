import { MOST_PIECES } from '../../../choice/question/rules'
import { formatFigure } from '../../../quantity/figure'
import { thou } from '../../../quantity/length'
import type { Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import { sumOf } from '../../../reading/sum'
import type { Answers, CombinedResult, MeasuringPoint, PartRole, Position } from '../../contract'
import type { FirstPack, PackPlace } from '../../pack-place'
import { saidAt } from '../../conditions'
import { defineKind } from '../../define-kind'
import { closingPlay, preloadOf, preloadPoints, sidePlayOf, sidePlayPoint, sidePlayResult } from '../../common/preload'
import { turningResult } from '../../common/results'
import { PRELOAD_REMINDERS, preloadConditions, preloadSteps, preloadSuspicions } from './procedure'
import { FIELDS, type TorqueSetup } from './setup'

const STAGES: readonly Position[] = [
  { id: '1', label: 'Differential' },
  { id: '2', label: 'Output shaft' },
  { id: '3', label: 'Further shafts' },
]
const stagesOf = ({ stages }: Pick<TorqueSetup, 'stages'>): readonly Position[] =>
  stages === 'one' ? [{ id: '1', label: 'Shaft' }] : STAGES.slice(0, stages === 'two' ? 2 : 3)
const hasStage = (setup: Pick<TorqueSetup, 'stages'>, id: string) => stagesOf(setup).some(stage => stage.id === id)

/** A stage set on top of another: how both turn together, and what its book figure means. */
interface Upon {
  readonly turns: 'with' | 'alone'
  readonly ratio: number
  readonly book: 'all' | 'own'
}
const uponOf = (setup: TorqueSetup, id: string): Upon | null =>
  id === '2'
    ? { turns: setup.turns2, ratio: setup.ratio2, book: setup.book2 }
    : id === '3'
      ? { turns: setup.turns3, ratio: setup.ratio3, book: setup.book3 }
      : null

/**
 * Preload of taper bearings in a case, by the torque that keeps the shaft turning, stage by stage: a shaft turned with others includes
 * their drag through the ratio. Shims set it, lapped where no size fits; how much they move it only fittings tell.
 */
export const torquePreload = defineKind({
  id: 'torque-preload',
  title: 'Bearing preload by torque',
  about: 'What it takes to turn a shaft on taper bearings, in stages; shims chosen by a slope learned from fittings.',
  under: 'gearbox',
  by: ['pinion', 'differential', 'final drive', 'turning torque', 'taper bearings', 'shims', 'steering box', 'whine'],
  plausible: thou(400),
  safety: null,
  closing: 'Before the case is closed for good',
  fields: FIELDS,
  asked: {
    radius: ({ way }) => way === 'scale',
    unit: ({ way }) => way !== 'feel',
    sealDrag: ({ way }) => way !== 'feel',
    turns2: setup => hasStage(setup, '2'),
    ratio2: setup => hasStage(setup, '2'),
    book2: setup => hasStage(setup, '2'),
    turns3: setup => hasStage(setup, '3'),
    ratio3: setup => hasStage(setup, '3'),
    book3: setup => hasStage(setup, '3'),
  },
  parts: setup => [{ id: 'case', label: 'Case' }, ...stagesOf(setup).flatMap(partsOf)],
  results: setup => [
    turningResult('turning', setup.way === 'feel' ? 'Preload' : 'Turning torque', setup.unit, {
      apart: true,
      positions: stagesOf(setup),
    }),
    ...(stagesOf(setup).length > 1
      ? [
          turningResult('own', 'Its own, without the stage before', setup.unit, {
            main: false,
            unjudged: true,
            belowZero: 'meaning',
            positions: stagesOf(setup).slice(1),
          }),
        ]
      : []),
    sidePlayResult(stagesOf(setup)),
  ],
  points: setup => stagesOf(setup).flatMap(stage => pointsOf(setup, stage)),
  places: setup => stagesOf(setup).flatMap(stage => placesOf(setup, stage)),
  procedure: preloadSteps,
  conditions: setup => {
    const stages = stagesOf(setup)
    return stages.flatMap(stage => {
      const at = { ...stage, moves: movesOf(setup, stage.id) }
      return preloadConditions(`joint-${stage.id}`).map(condition => saidAt(condition, at, stages.length > 1))
    })
  },
  reminders: () => PRELOAD_REMINDERS,
  suspicions: preloadSuspicions,
  combine: (setup, answers) => stagesOf(setup).flatMap(stage => [...resultsOf(setup, answers, stage), sidePlayOf(answers, stage.id)]),
})

const partsOf = ({ id, label }: Position): PartRole[] => [
  { id: `bearings-${id}`, label: `${label}: bearings and races` },
  { id: `shaft-${id}`, label },
]

/** Places that move what a stage reads: its own, and those of the stages it turns with. */
const movesOf = (setup: TorqueSetup, id: string): string[] =>
  stagesOf(setup)
    .filter(stage => stage.id === id || (uponOf(setup, id)?.turns === 'with' && stage.id < id))
    .flatMap(stage => [`shim-${stage.id}`, `joint-${stage.id}`])

function pointsOf(setup: TorqueSetup, { id, label }: Position): MeasuringPoint[] {
  const where = {
    id,
    at: { position: label },
    prefix: `${label}: `,
    play: 'side play',
    moves: movesOf(setup, id),
    rests: ['case', `bearings-${id}`, `shaft-${id}`],
  }
  return [
    ...preloadPoints(setup, {
      ...where,
      result: 'turning',
      // What an output shaft takes, a gauge for the differential may not read.
      ...(id === '1' ? {} : { tool: id === '2' ? 'output-shaft' : 'further-shafts' }),
    }),
    sidePlayPoint(where),
  ]
}

/** The shim, and a trial packing in the joint: it opens the case, so that it does what a thinner shim behind the race would. */
function placesOf({ shims, film }: TorqueSetup, { id, label }: Position): PackPlace[] {
  const opens = shims === 'behind' ? 1 : -1
  const moves = (perPiece: 1 | -1, first: readonly FirstPack[]): Pick<PackPlace, 'effects' | 'chosen'> => ({
    effects: [{ result: `turning@${id}`, perPiece }],
    chosen: { by: 'slope', first },
  })
  return [
    {
      ...moves(opens, [closingPlay(id, opens)]),
      id: `shim-${id}`,
      label: `${label}: shims`,
      between: shims === 'behind' ? ['case', 'race'] : ['case', 'cover'],
      capacity: { fewest: 0, most: MOST_PIECES },
      lappable: true,
    },
    {
      ...moves(-1, []),
      id: `joint-${id}`,
      label: `${label}: trial packing in the joint`,
      between: ['case', 'case'],
      capacity: { fewest: 0, most: 2 },
      holds: 'packing',
      startsEmpty: true,
      ...(film === null ? {} : { film: { thickness: film, unless: { condition: `joint@${id}`, is: 'built' } } }),
      lappable: false,
    },
  ]
}

function resultsOf(setup: TorqueSetup, answers: Answers, { id, label }: Position): CombinedResult[] {
  const said = preloadOf(setup, answers, id)
  const upon = uponOf(setup, id)
  if (!upon) return [{ kind: 'turning', position: id, ...said }]
  const before = preloadOf(setup, answers, String(Number(id) - 1))
  const { own, total } = shares(said.estimate, before.estimate, upon)
  const judged = upon.book === 'all' ? total : own
  const beforePoint = before.points[0]!
  const rests =
    upon.turns === 'with' && upon.book === 'own'
      ? [...said.points, beforePoint]
      : upon.turns === 'alone' && upon.book === 'all'
        ? [...said.points, beforePoint]
        : said.points
  const formula =
    upon.turns === 'with'
      ? upon.book === 'all'
        ? said.formula
        : `${said.formula} − the stage before ÷ ${upon.ratio}`
      : upon.book === 'own'
        ? said.formula
        : `${said.formula} + the stage before ÷ ${upon.ratio}`
  return [
    {
      kind: 'turning',
      position: id,
      ...said,
      estimate: said.estimate === null ? null : judged,
      points: rests,
      formula,
      findings: [...said.findings, ...belowShare(said.estimate, before.estimate, upon, label, setup.unit)],
    },
    {
      kind: 'own',
      position: id,
      estimate: own,
      points: [...said.points.slice(0, 1), beforePoint],
      formula: upon.turns === 'with' ? `as read − the stage before ÷ ${upon.ratio}` : 'as read',
    },
  ]
}

/** What a stage drags by itself, and with the stage before through the ratio. Null where the stage before was not read. */
function shares(
  read: Estimate | null,
  before: Estimate | null,
  { turns, ratio: through }: Upon,
): { own: Estimate | null; total: Estimate | null } {
  if (!read) return { own: null, total: null }
  const with_ = (sign: 1 | -1) =>
    before &&
    sumOf([
      { name: 'read', factor: 1, estimate: read },
      { name: 'stage before', factor: sign / through, estimate: before },
    ])
  return turns === 'with' ? { own: with_(-1), total: read } : { own: read, total: with_(1) }
}

/** A stage that turns the one before cannot take less than that one’s share. */
function belowShare(
  read: Estimate | null,
  before: Estimate | null,
  { turns, ratio: through }: Upon,
  label: string,
  unit: TorqueSetup['unit'],
): Finding[] {
  if (!read || !before || turns === 'alone') return []
  const share = before.value / through
  if (read.value + read.U >= share) return []
  const show = (value: number) => formatFigure(value, unit, { unit: true })
  return [
    {
      gate: 'hand',
      level: 'fail',
      words: `${label}: ${show(read.value)} in all, and ${show(share)} of the stage before must be in it. Was that engaged, or is this the shaft’s own?`,
    },
  ]
}
