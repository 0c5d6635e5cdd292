import { boreHeat, shaftHeat } from '../../common/bore-master'
import type { MeasuringPoint, PartRole, Position, ResultKind } from '../../contract'
import { DIRECTIONS, type DiameterPoint } from '../../common/diameters'
import { clearanceResult, formResult, sizeResult } from '../../common/results'
import type { RollerSetup } from './setup'
import type { SortRules } from './sort-rollers'

/** The two ends of a bore, honed and read apart. */
export const ENDS = ['front', 'rear'] as const
export type BoreEnd = (typeof ENDS)[number]

export const rodsOf = (setup: RollerSetup): Position[] =>
  Array.from({ length: setup.rods }, (_, i) => ({ id: String(i + 1), label: `Rod ${i + 1}` }))
export const bagsOf = (setup: RollerSetup): string[] => Array.from({ length: setup.bags }, (_, i) => String.fromCharCode(65 + i))
export const sortRules = (setup: RollerSetup): SortRules => ({
  count: setup.rollers,
  spread: setup.spread ?? 0,
  rods: setup.rods,
  mixed: setup.mix === 'mixed',
})

export const bagPoint = (bag: string): string => `bag-${bag}`
export const setPoint = (rod: string): string => `set-${rod}`
export const honePoint = (rod: string, end: BoreEnd): string => `hone-${rod}-${end}`
export const zeroPoint = (rod: string): string => `zero-${rod}`
export const pinPoints = (rod: string): DiameterPoint[] =>
  DIRECTIONS.map(direction => ({ direction, station: '', point: `pin-${rod}-${direction}` }))
export const borePoints = (rod: string): DiameterPoint[] =>
  ENDS.flatMap(station => DIRECTIONS.map(direction => ({ direction, station, point: `bore-${rod}-${direction}-${station}` })))

/** Planes a bore is read in before it is honed: between its ends it can be narrow or wide too. */
const PLANES = ['front', 'mid', 'rear'] as const
export const beforePoints = (rod: string): DiameterPoint[] =>
  PLANES.flatMap(station => DIRECTIONS.map(direction => ({ direction, station, point: `before-${rod}-${direction}-${station}` })))

/** The bore of a rod is worked: honed, straightened. Its pin and its rollers are parts of their own. */
export const roles = (setup: RollerSetup): PartRole[] => [
  { id: 'crankpin', label: 'Crankpin' },
  { id: 'rollers', label: 'Big end rollers' },
  ...rodsOf(setup).map(({ id, label }) => ({ id: `rod-${id}`, label: `Connecting ${label.toLowerCase()}` })),
]

export function resultKinds(setup: RollerSetup): ResultKind[] {
  const each = { positions: rodsOf(setup) }
  return [
    clearanceResult('clearance', 'Clearance, largest roller', each),
    clearanceResult('clearance-most', 'Clearance, smallest roller', { ...each, judgedBy: 'clearance' }),
    formResult('bore-round', 'Bore out-of-round', each),
    formResult('bore-taper', 'Bore, end to end', each),
    formResult('before-round', 'Bore before honing, out-of-round', { ...each, unjudged: true }),
    formResult('before-taper', 'Bore before honing, along', { ...each, unjudged: true }),
    sizeResult('pin', 'Crankpin diameter', each),
    formResult('pin-round', 'Crankpin out-of-round', each),
  ]
}

export function points(setup: RollerSetup): MeasuringPoint[] {
  const rods = rodsOf(setup)
  const still = { moves: [] } as const
  return [
    ...rods.flatMap(({ id, label }) =>
      pinPoints(id).map(({ point, direction }): MeasuringPoint => ({
        ...still,
        id: point,
        label: `Crankpin, ${label.toLowerCase()}, ${direction}`,
        at: { part: 'pin', position: label, direction },
        way: 'micrometer',
        together: `pin-${id}`,
        result: 'pin',
        rests: ['crankpin'],
        heat: shaftHeat(setup),
      })),
    ),
    ...bagsOf(setup).map((bag): MeasuringPoint => ({
      ...still,
      id: bagPoint(bag),
      label: `Rollers, bag ${bag}`,
      at: { part: 'rollers', position: `Bag ${bag}` },
      way: 'pieces',
      tool: 'rollers',
      small: true,
      result: 'clearance',
      rests: ['rollers'],
      heat: shaftHeat(setup),
    })),
    ...rods.map(({ id, label }): MeasuringPoint => ({
      ...still,
      id: setPoint(id),
      label: `Set for ${label.toLowerCase()}`,
      at: { part: 'set', position: label },
      way: 'set',
      result: 'clearance',
      rests: ['rollers'],
      optional: true,
    })),
    ...rods.flatMap(({ id, label }) =>
      beforePoints(id).map(({ point, direction, station }): MeasuringPoint => ({
        ...still,
        id: point,
        label: `Before honing, ${label.toLowerCase()}, ${direction} ${station}`,
        at: { part: 'before honing', position: label, direction, station },
        way: 'bore-gauge',
        result: 'clearance',
        rests: [`rod-${id}`],
        optional: true,
        heat: boreHeat(setup),
      })),
    ),
    ...rods.flatMap(({ id, label }) =>
      ENDS.map((end): MeasuringPoint => ({
        ...still,
        id: honePoint(id, end),
        label: `Hone, ${label.toLowerCase()}, ${end}`,
        at: { part: 'hone', position: label, end },
        way: 'hone',
        result: 'clearance',
        rests: [`rod-${id}`],
        optional: true,
        heat: boreHeat(setup),
      })),
    ),
    ...rods.flatMap(({ id, label }): MeasuringPoint[] => [
      ...borePoints(id).map(({ point, direction, station }): MeasuringPoint => ({
        ...still,
        id: point,
        label: `Finished bore, ${label.toLowerCase()}, ${direction} ${station}`,
        at: { part: 'bore', position: label, direction, station },
        way: 'bore-gauge',
        together: `bore-${id}`,
        near: setup.master,
        result: 'clearance',
        rests: [`rod-${id}`],
        heat: boreHeat(setup),
      })),
      {
        ...still,
        id: zeroPoint(id),
        label: `Zero again in the master, ${label.toLowerCase()}`,
        at: { part: 'bore', position: label, direction: 'zero' },
        way: 'bore-gauge',
        result: 'clearance',
        rests: [],
        optional: true,
      },
    ]),
  ]
}
