import { inches } from '../../../quantity/length'
import type { MeasuringPoint } from '../../contract'
import { defineKind } from '../../define-kind'
import { clearanceResult, sizeResult } from '../../common/results'
import { SIZE_WORDS } from '../../../verdict/words'
import { ROUND } from '../../common/round'
import { combineRelease, handedOn, releaseDemands, strokeBefore } from './evaluate'
import { RELEASE_REMINDERS, releaseSteps, releaseSuspicions } from './procedure'
import { FIELDS } from './setup'
import { spoken } from './spoken'

const CLUTCH = ['clutch', 'flywheel']
const ENGINE = ['crank', 'plate']
const BEARING = ['bearing', 'bell', 'front']

/**
 * A hydraulic release bearing: how far it is pressed back at rest, and how far it can still go back as the disc wears. One shim behind
 * it moves both, the one up and the other down.
 */
export const releaseBearing = defineKind({
  id: 'release-bearing',
  title: 'Hydraulic release bearing',
  about: 'Compression at rest, stroke and wear reserve from four depths; the shim behind the bearing.',
  under: 'driveline',
  by: ['throw-out', 'clutch', 'slave cylinder', 'thrust bearing', 'concentric', 'fingers', 'drags', 'slips'],
  spoken,
  plausible: inches(12),
  safety: null,
  closing: 'Before the gearbox goes up',
  fields: FIELDS,
  asked: {
    centre: ({ overH }) => overH === 'centre',
    lastA: ({ lastA }) => lastA !== null,
    lastH: ({ lastH }) => lastH !== null,
    lastD: ({ lastD }) => lastD !== null,
    lastB: ({ lastB }) => lastB !== null,
  },
  parts: () => [
    { id: 'crank', label: 'Crank and block' },
    { id: 'plate', label: 'Block plate' },
    { id: 'flywheel', label: 'Flywheel' },
    { id: 'clutch', label: 'Clutch' },
    { id: 'bell', label: 'Bell housing' },
    { id: 'front', label: 'Gearbox front plate' },
    { id: 'bearing', label: 'Release bearing' },
  ],
  results: () => [
    clearanceResult('compression', 'Compression at rest', { ends: SIZE_WORDS, cannotBind: 'below' }),
    clearanceResult('reserve', 'Wear reserve', { ends: SIZE_WORDS, main: false, beside: true }),
    sizeResult('stroke', 'Stroke of the bearing', { scale: 'play', unjudged: true }),
  ],
  points: () => [
    {
      id: 'a',
      label: 'A: crank flange to the block’s face',
      at: { position: 'A', what: '1' },
      way: 'depth',
      result: 'compression',
      moves: [],
      rests: ENGINE,
      alone: true,
    },
    ...round('h', 'H: spacer to the fingers, clutch bolted up', CLUTCH, []),
    ...round('d', 'D: bell face to the bearing, free', BEARING, ['shim']),
    ...round('b', 'B: bell face to the bearing, pushed home', BEARING, ['shim']),
  ],
  places: () => [
    {
      id: 'shim',
      label: 'Shim behind the bearing',
      effects: [
        { result: 'compression', perPiece: 1 },
        { result: 'reserve', perPiece: -1 },
      ],
      chosen: { by: 'window', pair: false },
      startsEmpty: true,
      between: ['gearbox', 'bearing'],
      capacity: { fewest: 0, most: 4 },
      lappable: true,
    },
  ],
  procedure: releaseSteps,
  reminders: () => RELEASE_REMINDERS,
  suspicions: releaseSuspicions,
  combine: combineRelease,
  compare: strokeBefore,
  demands: releaseDemands,
  handsOn: handedOn,
})

const round = (name: string, label: string, rests: readonly string[], moves: readonly string[]): MeasuringPoint[] =>
  ROUND.map(place => ({
    id: `${name}-${place}`,
    label: `${label}, place ${place}`,
    at: { position: name.toUpperCase(), what: place },
    way: 'depth',
    result: 'compression',
    moves,
    rests,
    alone: true,
    together: name,
  }))
