import { formatLength } from '../../../quantity/format-length'
import type { BudgetLine } from '../../../reading/budget'
import { quadrature } from '../../../reading/statistics'
import { EXPANSION, REFERENCE } from '../../../reading/temperature'
import type { Finding } from '../../../reading/gates'
import { stated, type Estimate } from '../../../reading/estimate'
import { changeSpread } from '../../../pack/change-spread'
import { lotMap, thickness, type Lot } from '../../../pack/lot'
import type { Catalogue, CatalogueEntry } from '../../catalogue'
import { handWord } from '../../common/by-hand'
import type { Answers, CombinedResult, HandWord } from '../../contract'
import { planesOf, ringsAt, sidesAt, type JointSetup, type Plane } from './setup'

/** A hand feels so much; a joint that moves by less than that by hand says nothing against a dial. Common practice. nm */
const FELT = 50_000

/** Play of each plane as it is read, with what a hand said of it; how far the joint is off the middle. */
export const combineJoint = (setup: JointSetup, answers: Answers): CombinedResult[] =>
  planesOf(setup).flatMap((plane): CombinedResult[] => {
    const { estimate, atMost } = answers.of(`play-${plane.id}`)
    return [
      {
        kind: 'play',
        position: plane.id,
        estimate,
        points: [`play-${plane.id}`, `bends-${plane.id}`, `hand-${plane.id}`],
        formula: 'mean of far − (start + back)/2',
        ...(atMost ? { atMost } : {}),
        findings: [
          ...inTheCold(setup, plane, estimate, answers),
          ...runoutOf(setup, estimate, answers),
          ...byHand(plane, estimate, answers),
        ],
        ...handWord(answers, [`hand-${plane.id}`], `play-${plane.id}`, FOUND[answers.of(`hand-${plane.id}`).word ?? ''] ?? null),
        ...(answers.of(`bends-${plane.id}`).word === 'stuck' && answers.stale(`bends-${plane.id}`) === null
          ? { overrule: { state: 'below', words: 'it sticks: the joint binds' } as const }
          : {}),
      },
      {
        kind: 'off',
        position: plane.id,
        estimate: offOf(plane, answers),
        points: plane.off === null ? [] : [sidesAt(plane.id)],
        formula: 'as measured with equal rings, + (left − right)/2',
        findings: offFindings(setup, plane, answers),
      },
      {
        kind: 'runs-out',
        position: plane.id,
        estimate: twice(offOf(plane, answers)),
        points: plane.off === null ? [] : [sidesAt(plane.id)],
        formula: 'twice as far as it is off the middle',
      },
    ]
  })

const FOUND: Readonly<Record<string, Pick<HandWord, 'state' | 'words'>>> = {
  stiff: { state: 'below', words: 'by hand it is stiff' },
  loose: { state: 'above', words: 'by hand it is loose' },
}

/** The runout of a shaft whose joint sits off the middle. */
const twice = (off: Estimate | null): Estimate | null =>
  off &&
  stated(
    2 * Math.abs(off.value),
    off.lines.map(line => ({ ...line, u: 2 * line.u })),
  )

/** How far unequal rings push the joint to the right, nm: half their difference, the thicker one left. */
const pushOf = (thin: Estimate, thick: Estimate, side: 'left' | 'right'): { readonly value: number; readonly u: number } => ({
  value: ((side === 'left' ? 1 : -1) * (thick.value - thin.value)) / 2,
  u: quadrature(thin.u, thick.u) / 2,
})

const offAt = (off: number, push: { readonly value: number; readonly u: number }): Estimate =>
  stated(off + push.value, [{ source: 'pieces', words: 'Rings, half of each', u: push.u, nu: Infinity, shared: false }])

/** The rings of a plane that are in, the thinner first; null: not known, or no two. */
function ringsIn(plane: Plane, answers: Answers): readonly [Estimate, Estimate] | null {
  const pieces = answers.pieces(ringsAt(plane.id))
  return pieces?.length === 2 ? [pieces[0]!, pieces[1]!] : null
}
const sideOf = (plane: Plane, answers: Answers): 'left' | 'right' | null =>
  answers.stale(sidesAt(plane.id)) === null ? (answers.of(sidesAt(plane.id)).word as 'left' | 'right' | null) : null

/** How far the joint sits to the right of the middle now; null: nobody measured it, or which ring is where was not said. */
export function offOf(plane: Plane, answers: Answers): Estimate | null {
  const rings = ringsIn(plane, answers)
  if (plane.off === null) return null
  if (!rings) return stated(plane.off, [])
  // Alike, they push nowhere, but for what each may be off.
  const side = rings[0].value === rings[1].value ? 'left' : sideOf(plane, answers)
  return side && offAt(plane.off, pushOf(...rings, side))
}

function offFindings(setup: JointSetup, plane: Plane, answers: Answers): Finding[] {
  const rings = ringsIn(plane, answers)
  const unequal = rings !== null && rings[0].value !== rings[1].value
  const said = (words: string, level: Finding['level'] = 'note'): Finding[] => [{ gate: 'hand', level, words }]
  if (unequal && plane.off === null)
    return said(
      'Its rings are not alike: say in Set up how far the joint is off the middle with equal ones, 0 where it is centred.',
      'warn',
    )
  const off = offOf(plane, answers)
  if (unequal && !off) return said('Its rings are not alike, and on which side the thicker one is was not said: say it in Measure.', 'warn')
  if (!off || off.value === 0) return []
  const show = (value: number) => formatLength(value, answers.unit, { unit: true })
  const other = planesOf(setup)
    .filter(({ id }) => id !== plane.id)
    .map(another => offOf(another, answers)?.value ?? 0)[0]!
  const both = other === 0 ? '' : `; with the other plane by ${show(2 * Math.hypot(off.value, other))}`
  const turns = shaftSpeed(setup)
  const at = turns === null ? '' : `, at ${Math.round(turns / 10) * 10} turns a minute of the shaft`
  return said(`Off the middle the shaft runs out by twice that, ${show(2 * Math.abs(off.value))}${both}${at}.`)
}

/** Of a kit with more sizes than that, those nearest what is in are looked through. */
const MOST_SIZES = 16

/** Pairs for each plane whose joint was measured off the middle: equal ones, and unequal ones with the thicker ring where it centres. */
export const ringCatalogues = (setup: JointSetup, answers: Answers, drawer: (place: string) => readonly Lot[]): Catalogue[] =>
  planesOf(setup).flatMap(plane => (plane.off === null ? [] : [pairsOf(plane, plane.off, answers, drawer(ringsAt(plane.id)))]))

function pairsOf(plane: Plane, off: number, { fitted, unit }: Answers, kit: readonly Lot[]): Catalogue {
  const place = ringsAt(plane.id)
  const middle = (fitted(place)?.value ?? 0) / 2
  const near = [...kit].sort((a, b) => Math.abs(thickness(a) - middle) - Math.abs(thickness(b) - middle)).slice(0, MOST_SIZES)
  const sizes = near.sort((a, b) => thickness(a) - thickness(b))
  const measured = (lot: Lot) => stated(thickness(lot), [pieceLine(lot)])
  const entries = sizes.flatMap((thin, i) =>
    sizes.slice(i).map((thick): CatalogueEntry => {
      const ways = (['left', 'right'] as const).map(side => ({ side, left: offAt(off, pushOf(measured(thin), measured(thick), side)) }))
      const { side, left } = Math.abs(ways[0]!.left.value) <= Math.abs(ways[1]!.left.value) ? ways[0]! : ways[1]!
      const alike = thickness(thin) === thickness(thick)
      const name = ({ nominal, colour, mark }: Lot) =>
        [formatLength(nominal, unit, { trim: true }), colour || mark].filter(Boolean).join(' ')
      const [atLeft, atRight] = side === 'left' ? [thick, thin] : [thin, thick]
      return {
        words: alike ? `${name(thin)} both sides` : `${name(atLeft)} left, ${name(atRight)} right`,
        pieces: thin.id === thick.id ? [{ lotId: thin.id, count: 2 }] : [thin, thick].map(({ id }) => ({ lotId: id, count: 1 })),
        setting: alike ? null : { point: sidesAt(plane.id), word: side },
        merit: Math.abs(left.value),
        leaves: [
          { result: 'off', position: plane.id, estimate: left },
          { result: 'runs-out', position: plane.id, estimate: twice(left)! },
        ],
      }
    }),
  )
  return {
    place,
    title: 'Rings, left and right',
    entries,
    note: kit.length === 0 ? 'No rings in the drawer: put the kit into stock.' : null,
    elsewise: 'Order a size between, or measure the rings: what is printed on them is not their size.',
    advice: 'One ring a groove; the thicker one pushes the joint to the other side. Read this plane again afterwards.',
  }
}

/** What one ring may be off. */
function pieceLine(lot: Lot): BudgetLine {
  const u = changeSpread({ out: [], in: [{ lotId: lot.id, count: 1 }] }, lotMap([lot]))
  return { source: 'pieces', words: 'Size of the ring', u, nu: Infinity, shared: false }
}

/** What alloy ears on a steel joint take off the play in the cold, nm: span and both expansions (ISO 1). */
export const lostInCold = ({ ears, span }: Pick<Plane, 'ears' | 'span'>, celsius: number): number =>
  span === null ? 0 : (EXPANSION[ears] - EXPANSION.steel) * span * (REFERENCE - celsius)

function inTheCold({ coldest }: JointSetup, plane: Plane, play: Estimate | null, { unit }: Answers): Finding[] {
  const lost = lostInCold(plane, coldest)
  if (!play || Math.abs(lost) < 1) return []
  const left = play.value - lost
  const show = (value: number) => formatLength(value, unit, { unit: true })
  return [
    {
      gate: 'heat',
      level: left <= 0 ? 'warn' : 'note',
      words: `At ${coldest} °C alloy ears take ${show(lost)} off it: ${left <= 0 ? `it binds in frost, by ${show(-left)}` : `${show(left)} would be left`}. A prediction.`,
    },
  ]
}

/** What a loose joint can add as runout, at the speed its shaft turns: a warning, not a promise. */
function runoutOf(setup: JointSetup, play: Estimate | null, { unit }: Answers): Finding[] {
  const turns = shaftSpeed(setup)
  if (!play || play.value <= 0 || turns === null) return []
  return [
    {
      gate: 'hand',
      level: 'note',
      words: `It can add up to ${formatLength(play.value, unit, { unit: true })} of runout, at ${Math.round(turns / 10) * 10} turns a minute of the shaft: felt or not, it shakes there first.`,
    },
  ]
}

/** Turns of the shaft a minute, from road speed, tyre and axle; null where that was not said. */
export const shaftSpeed = ({ speed, tyre, axle }: Pick<JointSetup, 'speed' | 'tyre' | 'axle'>): number | null =>
  speed === 0 || tyre === null ? null : ((speed * 1e12) / 60 / (Math.PI * tyre)) * axle

function byHand({ id }: Plane, play: Estimate | null, answers: Answers): Finding[] {
  const { word } = answers.of(`hand-${id}`)
  if (!play || word === null) return []
  const show = formatLength(play.value, answers.unit, { unit: true })
  if (word === 'stiff' && play.value - play.U > 0)
    return [{ gate: 'hand', level: 'note', words: `By hand it seemed stiff; the dial finds ${show} of play.` }]
  return word === 'fine' && play.value - play.U > FELT
    ? [{ gate: 'hand', level: 'note', words: `By hand it seemed fine; the dial finds ${show} of play.` }]
    : []
}

/** One size of the kit, a ring each side: what play it would leave. */
export interface RingPlay {
  readonly lotId: string
  readonly size: number
  readonly play: number
  readonly onHand: number
}

/**
 * Every ring of the kit as one line of plays: play = play now − 2·(t − ring fitted), thinnest first.
 * @param fitted  thickness of the ring on either side now, nm
 * @param kit  what the place can be filled from
 */
export const ringLine = (play: number, fitted: number, kit: readonly Lot[]): RingPlay[] =>
  kit
    .map(lot => ({ lotId: lot.id, size: thickness(lot), play: play - 2 * (thickness(lot) - fitted), onHand: lot.onHand }))
    .sort((a, b) => a.size - b.size)
