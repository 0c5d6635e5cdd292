import { MOST_PIECES } from '../../../choice/question/rules'
import { mm, nm, thou } from '../../../quantity/length'
import { PRELOAD_WORDS } from '../../../verdict/words'
import type { MeasuringPoint, Position, ResultKind } from '../../contract'
import type { PackPlace } from '../../pack-place'
import { defineKind } from '../../define-kind'
import { preloadPoints } from '../../common/preload'
import { playResult, sizeResult, turningResult } from '../../common/results'
import { stackPoint } from '../../common/stack-sum'
import { combineCrush, shimFirst, torqueOf } from './evaluate'
import { CRUSH_CONDITIONS, CRUSH_REMINDERS, crushSteps, crushSuspicions } from './procedure'
import { ALONG, ASKED, bearingsOf, FIELDS, packAt, PIECES, proves, runsOf, wireAt, type CrushSetup } from './setup'
import { spoken } from './spoken'

/**
 * Bearing shims by crush wire: soft wire on the race is squashed to the gap the shim has to fill; the shim is that and the preload, or
 * less the end play. Every run counts, with the scatter of all.
 */
export const crushWire = defineKind({
  id: 'crush-wire',
  title: 'Bearing shim by crush wire',
  about: 'Wire squashed on the races of a case, run by run; shim = wire + preload, or − end play; proved by turning torque.',
  under: 'gearbox',
  by: ['lead wire', 'solder', 'bearing shims', 'case halves', 'taper bearings', 'transfer box', 'reduction box'],
  spoken,
  plausible: thou(400),
  safety: null,
  closing: 'Before the case is closed for good',
  fields: FIELDS,
  asked: ASKED,
  parts: setup => [
    { id: 'case', label: 'Case' },
    ...bearingsOf(setup).map(({ id, label }) => ({ id: `bearing-${id}`, label: `${label}: its bearings` })),
  ],
  results: resultsOf,
  points: setup => bearingsOf(setup).flatMap(bearing => pointsOf(setup, bearing)),
  places: setup => bearingsOf(setup).map(bearing => placeOf(setup, bearing)),
  procedure: crushSteps,
  conditions: () => CRUSH_CONDITIONS,
  reminders: () => CRUSH_REMINDERS,
  suspicions: crushSuspicions,
  combine: combineCrush,
  next: shimFirst,
})

function resultsOf(setup: CrushSetup): ResultKind[] {
  const positions = bearingsOf(setup)
  const preload = setup.ends === 'preload'
  return [
    preload
      ? sizeResult('preload', 'Preload by thickness', {
          scale: 'play',
          main: true,
          belowZero: 'never-zero',
          ends: PRELOAD_WORDS,
          cannotBind: 'below',
          positions,
        })
      : { ...playResult('End play'), positions },
    sizeResult('crushed', 'Gap by wire', { scale: 'play', unjudged: true, positions }),
    ...(proves(setup) ? [turningResult('turning', 'Turning torque', setup.unit, { positions })] : []),
  ]
}

/** What a squashed wire measures, roughly: the micrometer is taken for that. Own figure. */
const MIDDLING = mm(1.4)

function pointsOf(setup: CrushSetup, { id, label }: Position): MeasuringPoint[] {
  const rests = ['case', `bearing-${id}`]
  const result = setup.ends === 'preload' ? 'preload' : 'play'
  return [
    ...runsOf(setup).flatMap(run =>
      PIECES.flatMap(piece =>
        ALONG.map((along): MeasuringPoint => ({
          id: wireAt(id, run, piece, along),
          label: `${label}: run ${run}, piece ${piece}, place ${along}`,
          at: { part: label, position: `Run ${run}, ${piece}`, along },
          near: setup.wire === null ? MIDDLING : nm(Math.round(setup.wire / 2)),
          way: setup.by,
          ...(setup.by === 'micrometer' ? { tool: 'shims', small: true as const } : {}),
          result,
          moves: [],
          rests,
          ...(run === '1' ? {} : { optional: true }),
        })),
      ),
    ),
    stackPoint(placeOf(setup, { id, label }), { at: { part: `${label}: shim in`, position: 'Shims', what: 'pressed' }, result, rests: [] }),
    ...(setup.ends === 'play'
      ? [
          {
            id: `dial-${id}`,
            label: `${label}: end play by dial`,
            at: { part: `${label}: shim in`, position: 'Dial', what: 'play' },
            way: 'dial',
            result,
            moves: [packAt(id)],
            rests,
            optional: true,
          } satisfies MeasuringPoint,
        ]
      : []),
    ...(proves(setup)
      ? preloadPoints(torqueOf(setup), {
          id,
          prefix: `${label}: `,
          play: 'side play',
          result: 'turning',
          at: { part: `${label}: shim in`, position: 'Turning' },
          moves: [packAt(id)],
          rests,
        })
      : []),
  ]
}

function placeOf(setup: CrushSetup, { id, label }: Position): PackPlace {
  const preload = setup.ends === 'preload'
  const common = {
    id: packAt(id),
    label: `${label}: shim`,
    between: ['race', 'case'],
    capacity: { fewest: 0, most: MOST_PIECES },
    startsEmpty: true,
    lappable: true,
  } as const
  const perPiece = preload ? 1 : -1
  const byWire = `${preload ? 'preload' : 'play'}@${id}`
  return proves(setup)
    ? {
        ...common,
        effects: [{ result: `turning@${id}`, perPiece }],
        chosen: { by: 'slope', first: [{ result: byWire, perPiece, aim: null }] },
      }
    : { ...common, effects: [{ result: byWire, perPiece }], chosen: { by: 'window', pair: false } }
}
