import type { MeasuringPoint, PartRole, Position, ResultKind } from '../../contract'
import type { PackPlace } from '../../pack-place'
import { boreHeat, shaftHeat } from '../../common/bore-master'
import { DIRECTIONS, type DiameterPoint } from '../../common/diameters'
import { clearanceResult, formResult, sizeResult } from '../../common/results'
import { byStrip, type BearingSetup } from './setup'

const STATIONS = ['front', 'rear'] as const

export const stationsOf = (setup: BearingSetup): readonly string[] => STATIONS.slice(0, setup.stations)
const placeWord = (setup: BearingSetup): string => (setup.bearings === 'rods' ? 'Rod' : 'Main')
export const positionsOf = (setup: BearingSetup): Position[] =>
  Array.from({ length: setup.positions }, (_, i) => ({ id: String(i + 1), label: `${placeWord(setup)} ${i + 1}` }))

export const pointId = (part: 'journal' | 'bore' | 'strip', position: string, direction: string, station: string): string =>
  [part, position, direction, station].filter(Boolean).join('-')
/** The diameters of one journal or bore, front first. */
export const diameterPoints = (setup: BearingSetup, part: 'journal' | 'bore', position: string): DiameterPoint[] =>
  stationsOf(setup).flatMap(station =>
    DIRECTIONS.map(direction => ({
      direction,
      station,
      point: pointId(part, position, direction, stationsOf(setup).length > 1 ? station : ''),
    })),
  )
export const zeroPoint = (position: string): string => `zero-${position}`
export const turnsPoint = (position: string): string => `turns-${position}`

export function roles(setup: BearingSetup): PartRole[] {
  const shells = positionsOf(setup).map(position => ({ id: `shells-${position.id}`, label: `Shells, ${position.label.toLowerCase()}` }))
  return [
    { id: 'crankshaft', label: 'Crankshaft' },
    ...(setup.bearings === 'rods'
      ? positionsOf(setup).map(position => ({ id: `rod-${position.id}`, label: `Connecting ${position.label.toLowerCase()}` }))
      : [{ id: 'block', label: 'Block and caps' }]),
    ...shells,
  ]
}
const housing = (setup: BearingSetup, position: string): string => (setup.bearings === 'rods' ? `rod-${position}` : 'block')

export function resultKinds(setup: BearingSetup): ResultKind[] {
  const all = { positions: positionsOf(setup) }
  return [
    clearanceResult('clearance', 'Clearance, least', all),
    clearanceResult('clearance-most', 'Clearance, most', { ...all, judgedBy: 'clearance' }),
    sizeResult('journal', 'Journal diameter', all),
    formResult('journal-round', 'Journal out-of-round', all),
    formResult('journal-taper', 'Journal taper', all),
    ...(byStrip(setup)
      ? [formResult('strip-taper', 'Taper by strip', all)]
      : [formResult('bore-round', 'Bore out-of-round', all), formResult('bore-taper', 'Bore taper', all)]),
    clearanceResult('clearance-mean', 'Clearance, mean', { ...all, main: false }),
    ...(byStrip(setup) ? [] : [clearanceResult('clearance-split', 'Clearance near the split', { ...all, main: false })]),
  ]
}

/** In the order of the work: all journals, then all bores; a shaft is turned only once its caps are tight. */
export function points(setup: BearingSetup): MeasuringPoint[] {
  const places = shellPlaces(setup).map(place => place.id)
  const each = positionsOf(setup).map(({ id: position, label }) => {
    const shells = `shells-${position}`
    const moves = places.includes(shells) ? [shells] : []
    const name = label.toLowerCase()
    const diameters = (part: 'journal' | 'bore', make: (direction: string, station: string) => MeasuringPoint) =>
      stationsOf(setup).flatMap(station => DIRECTIONS.map(direction => make(direction, stationsOf(setup).length > 1 ? station : '')))
    const journals = diameters('journal', (direction, station) => ({
      id: pointId('journal', position, direction, station),
      label: `Journal, ${name}, ${direction} ${station}`.trim(),
      at: { part: 'journal', position: label, direction, ...(station ? { station } : {}) },
      way: 'micrometer',
      near: setup.master,
      together: `journal-${position}`,
      result: 'journal',
      moves: [],
      rests: ['crankshaft'],
      heat: shaftHeat(setup),
      ...(byStrip(setup) ? { optional: true } : {}),
    }))
    const bores = byStrip(setup)
      ? stationsOf(setup).map((station): MeasuringPoint => ({
          id: pointId('strip', position, '', station),
          label: `Strip, ${name}, ${station}`,
          at: { part: 'strip', position: label, station },
          way: 'plastic-strip',
          result: 'clearance',
          moves,
          rests: ['crankshaft', housing(setup, position), shells],
        }))
      : [
          ...diameters('bore', (direction, station) => ({
            id: pointId('bore', position, direction, station),
            label: `Bore on the dial, ${name}, ${direction} ${station}`.trim(),
            at: { part: 'dial', position: label, direction, ...(station ? { station } : {}) },
            way: 'bore-gauge',
            near: setup.master,
            together: `bore-${position}`,
            result: 'clearance',
            moves,
            rests: [housing(setup, position), shells],
            heat: boreHeat(setup),
          })),
          {
            id: zeroPoint(position),
            label: `Zero again in the master, ${name}`,
            at: { part: 'dial', position: label, direction: 'zero' },
            way: 'bore-gauge',
            result: 'clearance',
            moves,
            rests: [],
            optional: true,
          } satisfies MeasuringPoint,
        ]
    const turns: MeasuringPoint = {
      id: turnsPoint(position),
      label: `Shaft with ${setup.bearings === 'rods' ? 'rod' : 'cap'} ${position} tight`,
      at: { part: 'turns', position: label },
      way: 'word',
      result: 'clearance',
      moves,
      rests: ['crankshaft', housing(setup, position), shells],
      words: TURNS,
      optional: true,
    }
    return { journals, bores, turns: [turns] }
  })
  const order = byStrip(setup) ? (['bores', 'turns', 'journals'] as const) : (['journals', 'bores', 'turns'] as const)
  return order.flatMap(part => each.flatMap(position => position[part]))
}

const TURNS = [
  { value: 'turns', label: 'turns freely' },
  { value: 'locks', label: 'locks' },
] as const

/** Two halves a position, each by its wall: −1 of clearance per wall thickness. */
export function shellPlaces(setup: BearingSetup): PackPlace[] {
  if (setup.shells !== 'choose') return []
  return positionsOf(setup).map(({ id, label }) => ({
    id: `shells-${id}`,
    label: `Shell halves, ${label.toLowerCase()}`,
    effects: [{ result: `clearance@${id}`, widest: `clearance-most@${id}`, perPiece: -1 }],
    chosen: { by: 'window', pair: false },
    between: ['cap', 'journal'],
    capacity: { fewest: 2, most: 2 },
    lappable: false,
  }))
}
