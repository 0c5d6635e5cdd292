import type { Floor } from '../verdict/limits'
import { inPairs } from './pack-place'
import { describe, expect, it } from 'vitest'
import type { Setup } from './setup'
import { checkKind, checkKinds } from './registry'

/** Where pieces go in a set-up: result and what a piece does to it, pieces it holds, what stands beside it. */
const PLACES: readonly (readonly [kind: string, setup: Setup, places: readonly string[]])[] = [
  ['shaft-end-play', { pack: 'none' }, []],
  ['shaft-end-play', { pack: 'in-gap' }, ['pack: play −1, 1 to 8, flange | thrust face, lapped']],
  ['shaft-end-play', { pack: 'single' }, ['pack: play −1, 1 to 1, flange | thrust face, lapped']],
  ['shaft-end-play', { pack: 'equal-pair' }, ['pack: play −1 alike, 2 to 2, groove | joint']],
  ['shaft-end-play', { pack: 'under-cover' }, ['pack: play +1, 0 to 8, case | cover, lapped']],
  ['crankshaft-end-play', { thrust: 'fixed', way: 'dial' }, []],
  ['crankshaft-end-play', { thrust: 'shimmed', way: 'dial' }, ['flange: play −1, 1 to 8, crankshaft | flywheel, lapped']],
  ['crankshaft-end-play', { thrust: 'shimmed', way: 'feeler' }, ['flange: play −1, 1 to 8, crankshaft | flywheel, lapped']],
  ['crankshaft-end-play', { thrust: 'shimmed', way: 'feel' }, ['flange: play −1, 1 to 8, crankshaft | flywheel, lapped']],
  ['thrust-alignment', {}, []],
  ['eccentric-shaft-end-play', {}, ['spacer: play +1, 1 to 1, needle bearing | thrust plate, lapped']],
  [
    'bearing-clearance',
    { bearings: 'mains', way: 'gauges', shells: 'choose', positions: '2', stations: '2' },
    [
      'shells-1: clearance@1 to clearance-most@1 −1, 2 to 2, cap | journal',
      'shells-2: clearance@2 to clearance-most@2 −1, 2 to 2, cap | journal',
    ],
  ],
  ['bearing-clearance', { bearings: 'rods', way: 'strip', shells: 'as-fitted', positions: '1', stations: '1' }, []],
  [
    'bearing-clearance',
    { bearings: 'rods', way: 'strip', shells: 'choose', positions: '1', stations: '1' },
    ['shells-1: clearance@1 to clearance-most@1 −1, 2 to 2, cap | journal'],
  ],
  ['roller-big-end', { rods: '1', bags: '1' }, []],
  ['oil-pump-clearance', { way: 'feeler' }, []],
  ['oil-pump-clearance', { way: 'strip' }, []],
]
/** Where it is read: way, result, what has it read anew (>), what it rests on (on), whether it may be left out (?). */
const POINTS: readonly (readonly [kind: string, setup: Setup, points: readonly string[]])[] = [
  ['shaft-end-play', { pack: 'none' }, ['travel: dial for play > pack on shaft bearing housing at ']],
  ['shaft-end-play', { pack: 'in-gap' }, ['travel: dial for play > pack on shaft bearing housing at ']],
  ['shaft-end-play', { pack: 'single' }, ['travel: dial for play > pack on shaft bearing housing at ']],
  ['shaft-end-play', { pack: 'equal-pair' }, ['travel: dial for play > pack on shaft bearing housing at ']],
  ['shaft-end-play', { pack: 'under-cover' }, ['travel: dial for play > pack on shaft bearing housing at ']],
  ['crankshaft-end-play', { thrust: 'fixed', way: 'dial' }, ['travel: dial for play > flange on crankshaft thrust-bearing block at ']],
  ['crankshaft-end-play', { thrust: 'shimmed', way: 'dial' }, ['travel: dial for play > flange on crankshaft thrust-bearing block at ']],
  ['crankshaft-end-play', { thrust: 'shimmed', way: 'feeler' }, ['gap: feeler for play > flange on crankshaft thrust-bearing block at ']],
  ['crankshaft-end-play', { thrust: 'shimmed', way: 'feel' }, ['felt: feel for play > flange on crankshaft thrust-bearing block at ']],
  [
    'thrust-alignment',
    {},
    [
      'before: dial for play on crankshaft thrust-bearing block at ',
      'after: dial for play on crankshaft thrust-bearing block at ',
      'dowel?: micrometer for wander on block at ',
      'hole?: inside-micrometer for wander on block at ',
    ],
  ],
  [
    'eccentric-shaft-end-play',
    {},
    [
      'travel: dial for play > spacer on housings end-plate front-pulley timing-gear pump-gear counterweight thrust-washers-and-needle-bearing at ',
    ],
  ],
  [
    'bearing-clearance',
    { bearings: 'mains', way: 'gauges', shells: 'choose', positions: '2', stations: '2' },
    [
      'journal-1-A-front: micrometer for journal on crankshaft at journal Main 1 A front',
      'journal-1-B-front: micrometer for journal on crankshaft at journal Main 1 B front',
      'journal-1-A-rear: micrometer for journal on crankshaft at journal Main 1 A rear',
      'journal-1-B-rear: micrometer for journal on crankshaft at journal Main 1 B rear',
      'journal-2-A-front: micrometer for journal on crankshaft at journal Main 2 A front',
      'journal-2-B-front: micrometer for journal on crankshaft at journal Main 2 B front',
      'journal-2-A-rear: micrometer for journal on crankshaft at journal Main 2 A rear',
      'journal-2-B-rear: micrometer for journal on crankshaft at journal Main 2 B rear',
      'bore-1-A-front: bore-gauge for clearance > shells-1 on block shells-1 at dial Main 1 A front',
      'bore-1-B-front: bore-gauge for clearance > shells-1 on block shells-1 at dial Main 1 B front',
      'bore-1-A-rear: bore-gauge for clearance > shells-1 on block shells-1 at dial Main 1 A rear',
      'bore-1-B-rear: bore-gauge for clearance > shells-1 on block shells-1 at dial Main 1 B rear',
      'zero-1?: bore-gauge for clearance > shells-1 at dial Main 1 zero',
      'bore-2-A-front: bore-gauge for clearance > shells-2 on block shells-2 at dial Main 2 A front',
      'bore-2-B-front: bore-gauge for clearance > shells-2 on block shells-2 at dial Main 2 B front',
      'bore-2-A-rear: bore-gauge for clearance > shells-2 on block shells-2 at dial Main 2 A rear',
      'bore-2-B-rear: bore-gauge for clearance > shells-2 on block shells-2 at dial Main 2 B rear',
      'zero-2?: bore-gauge for clearance > shells-2 at dial Main 2 zero',
      'turns-1?: word for clearance > shells-1 on crankshaft block shells-1 at turns Main 1',
      'turns-2?: word for clearance > shells-2 on crankshaft block shells-2 at turns Main 2',
    ],
  ],
  [
    'bearing-clearance',
    { bearings: 'rods', way: 'strip', shells: 'as-fitted', positions: '1', stations: '1' },
    [
      'strip-1-front: plastic-strip for clearance on crankshaft rod-1 shells-1 at strip Rod 1 front',
      'turns-1?: word for clearance on crankshaft rod-1 shells-1 at turns Rod 1',
      'journal-1-A?: micrometer for journal on crankshaft at journal Rod 1 A',
      'journal-1-B?: micrometer for journal on crankshaft at journal Rod 1 B',
    ],
  ],
  [
    'bearing-clearance',
    { bearings: 'rods', way: 'strip', shells: 'choose', positions: '1', stations: '1' },
    [
      'strip-1-front: plastic-strip for clearance > shells-1 on crankshaft rod-1 shells-1 at strip Rod 1 front',
      'turns-1?: word for clearance > shells-1 on crankshaft rod-1 shells-1 at turns Rod 1',
      'journal-1-A?: micrometer for journal on crankshaft at journal Rod 1 A',
      'journal-1-B?: micrometer for journal on crankshaft at journal Rod 1 B',
    ],
  ],
  [
    'roller-big-end',
    { rods: '1', bags: '1' },
    [
      'pin-1-A: micrometer for pin on crankpin at pin Rod 1 A',
      'pin-1-B: micrometer for pin on crankpin at pin Rod 1 B',
      'bag-A: pieces of rollers for clearance on rollers at rollers Bag A',
      'set-1?: set for clearance on rollers at set Rod 1',
      'before-1-A-front?: bore-gauge for clearance on rod-1 at before honing Rod 1 A front',
      'before-1-B-front?: bore-gauge for clearance on rod-1 at before honing Rod 1 B front',
      'before-1-A-mid?: bore-gauge for clearance on rod-1 at before honing Rod 1 A mid',
      'before-1-B-mid?: bore-gauge for clearance on rod-1 at before honing Rod 1 B mid',
      'before-1-A-rear?: bore-gauge for clearance on rod-1 at before honing Rod 1 A rear',
      'before-1-B-rear?: bore-gauge for clearance on rod-1 at before honing Rod 1 B rear',
      'hone-1-front?: hone for clearance on rod-1 at hone Rod 1 front',
      'hone-1-rear?: hone for clearance on rod-1 at hone Rod 1 rear',
      'bore-1-A-front: bore-gauge for clearance on rod-1 at bore Rod 1 A front',
      'bore-1-B-front: bore-gauge for clearance on rod-1 at bore Rod 1 B front',
      'bore-1-A-rear: bore-gauge for clearance on rod-1 at bore Rod 1 A rear',
      'bore-1-B-rear: bore-gauge for clearance on rod-1 at bore Rod 1 B rear',
      'zero-1?: bore-gauge for clearance at bore Rod 1 zero',
    ],
  ],
  [
    'oil-pump-clearance',
    { way: 'feeler' },
    [
      'feeler-outer: feeler for clearance on rotors pump at Outer rotor',
      'feeler-inner: feeler for clearance on rotors pump at Inner rotor',
      'cover?: feeler for cover on cover at ',
      'turns?: word for clearance on rotors pump cover at ',
    ],
  ],
  [
    'oil-pump-clearance',
    { way: 'strip' },
    [
      'strip-outer: plastic-strip for clearance on rotors pump at Outer rotor',
      'strip-inner: plastic-strip for clearance on rotors pump at Inner rotor',
      'cover?: feeler for cover on cover at ',
      'turns?: word for clearance on rotors pump cover at ',
    ],
  ],
]
const setUp = (id: string, setup: Setup): Setup => ({ ...checkKind(id).defaultSetup, ...setup })

describe('where the pieces of every kind go', () => {
  it.each(PLACES)('%s %j', (id, setup, places) =>
    expect(
      checkKind(id)
        .places(setUp(id, setup))
        .map(
          ({ id: place, effects: [{ result, widest, perPiece }], chosen, capacity, between, lappable }) =>
            `${place}: ${result}${widest ? ` to ${widest}` : ''} ${perPiece > 0 ? '+1' : '−1'}${inPairs({ chosen }) ? ' alike' : ''}, ${capacity.fewest} to ${capacity.most}, ${between.join(' | ')}${lappable ? ', lapped' : ''}`,
        ),
    ).toEqual(places),
  )
})

describe('where every kind is read', () => {
  it.each(POINTS)('%s %j', (id, setup, points) =>
    expect(
      checkKind(id)
        .points(setUp(id, setup))
        .map(
          ({ id: point, way, tool, result, moves, rests, optional, counting, at }) =>
            `${point}${optional ? '?' : ''}: ${way}${tool ? ` of ${tool}` : ''} for ${result}${counting ? `, ${counting}` : ''}${moves.length ? ` > ${moves.join(' ')}` : ''}${rests.length ? ` on ${rests.join(' ')}` : ''} at ${Object.values(at).join(' ')}`,
        ),
    ).toEqual(points),
  )
})

/** What a figure below zero is, of every kind. `never-zero`: nor is zero right. */
const BELOW_ZERO: Readonly<Record<Floor, readonly string[]>> = {
  'never-zero': [
    'shaft-end-play play',
    'crankshaft-end-play play',
    'thrust-alignment play',
    'eccentric-shaft-end-play play',
    'bearing-clearance clearance clearance-most clearance-mean clearance-split',
    'roller-big-end clearance clearance-most',
    'oil-pump-clearance clearance',
    'taper-hub play',
    'torque-preload turning',
    'swivel-preload turning',
    'steering-head-kit clearance reach',
    'release-bearing compression reserve',
    'clutch-fork gap swing',
    'universal-joint play',
    'gear-train gap below',
    'crush-wire play preload turning',
  ],
  'never': ['comparator-hub longer locked', 'sealed-bearing-spacer longer', 'steering-head-kit thread', 'clutch-fork travel slack engaged'],
  'meaning': [
    'bearing-clearance journal',
    'roller-big-end pin',
    'comparator-hub longer-least trial shortening warmth',
    'taper-hub warmth',
    'sealed-bearing-spacer distance',
    'torque-preload own side-play',
    'swivel-preload gap side-play',
    'steering-head-kit cone-fit cup-fit movement right',
    'release-bearing stroke',
    'clutch-fork grown shorter',
    'diameter size size-most mean',
    'universal-joint off runs-out',
    // Along one axis it goes either way.
    'runout direction axis runout',
    'gear-train proud over',
    'crush-wire crushed',
  ],
  'impossible': [
    'thrust-alignment line wander',
    'bearing-clearance journal-round journal-taper bore-round bore-taper strip-taper',
    'roller-big-end bore-round bore-taper before-round before-taper pin-round',
    'oil-pump-clearance cover',
    'comparator-hub spread',
    'diameter round taper',
    'runout runout rest once raw offset tilt',
  ],
}

describe('a figure below zero', () => {
  const said = new Set(
    (Object.keys(BELOW_ZERO) as Floor[]).flatMap(floor =>
      BELOW_ZERO[floor].flatMap(line => {
        const [kind, ...ids] = line.split(' ')
        return ids.map(id => `${kind} ${id}: ${floor}`)
      }),
    ),
  )
  const setUps = [...PLACES, ...POINTS].map(([id, setup]) => [id, setUp(id, setup)] as const)
  // And each choice of a set-up as it could be.
  const chosen = checkKinds.flatMap(({ id, setupFields }) =>
    setupFields.flatMap(field =>
      field.kind === 'choice' ? field.options.map(({ value }) => [id, setUp(id, { [field.id]: value })] as const) : [],
    ),
  )
  const figures = [...setUps, ...chosen].flatMap(([id, setup]) =>
    checkKind(id)
      .results(setup)
      .map(result => `${id} ${result.id}: ${result.belowZero}`),
  )
  it('is said of every figure of every kind, and of none that is not there', () => {
    expect(figures.filter(figure => !said.has(figure))).toEqual([])
    expect([...said].filter(figure => !figures.includes(figure))).toEqual([])
  })
})
