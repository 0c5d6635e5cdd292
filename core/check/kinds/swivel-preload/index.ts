import { MOST_PIECES } from '../../../choice/question/rules'
import { nm, thou } from '../../../quantity/length'
import type { Answers, CombinedResult, MeasuringPoint, NextStep, Position } from '../../contract'
import type { PackPlace } from '../../pack-place'
import { saidAt } from '../../conditions'
import { defineKind } from '../../define-kind'
import { closingPlay, preloadOf, preloadPoints, sidePlayOf, sidePlayPoint, sidePlayResult } from '../../common/preload'
import { sizeResult, turningResult } from '../../common/results'
import { stackFindings, stackPoint } from '../../common/stack-sum'
import { SWIVEL_CONDITIONS, SWIVEL_REMINDERS, swivelSteps, swivelSuspicions } from './procedure'
import { FIELDS, type SwivelSetup } from './setup'

const SIDES: readonly Position[] = [
  { id: 'left', label: 'Left' },
  { id: 'right', label: 'Right' },
]
const sidesOf = ({ sides }: Pick<SwivelSetup, 'sides'>): readonly Position[] =>
  sides === 'both' ? SIDES : SIDES.filter(({ id }) => id === sides)
const packAt = (side: string) => `pack-${side}`

/**
 * Preload of the two pivot bearings of a steering swivel housing, by shims under the cap of its top pin: more shims, less preload
 * (c −1 in what it takes to turn). The first pack fills the gap under the nipped cap; the slope comes from the fittings.
 */
export const swivelPreload = defineKind({
  id: 'swivel-preload',
  title: 'Steering swivel preload',
  about: 'Shims under the top pin’s cap of a swivel housing, left and right, by scale or by feel.',
  under: 'wheels',
  by: ['king pin', 'trunnion', 'swivel housing', 'wobble', 'shimmy', 'spring scale', 'steering'],
  plausible: thou(400),
  safety:
    'Steering that binds or has play can kill. The maker’s manual comes first; where law, insurer or type approval asks for a licensed mechanic or an inspection, this check does not replace it.',
  closing: 'Before the seals go on',
  fields: FIELDS,
  asked: { radius: ({ way }) => way === 'scale', unit: ({ way }) => way !== 'feel', sealDrag: ({ way }) => way !== 'feel' },
  parts: setup => [
    ...sidesOf(setup).flatMap(({ id, label }) => [
      { id: `bearings-${id}`, label: `${label} pivot bearings` },
      { id: `pin-${id}`, label: `${label} top pin` },
      { id: `housing-${id}`, label: `${label} swivel housing` },
    ]),
  ],
  results: setup => [
    turningResult('turning', setup.way === 'feel' ? 'Preload' : 'Turning torque', setup.unit, { positions: sidesOf(setup) }),
    sizeResult('gap', 'Gap under the cap', { scale: 'play', unjudged: true, positions: sidesOf(setup) }),
    sidePlayResult(sidesOf(setup)),
  ],
  points: setup => sidesOf(setup).flatMap(side => pointsOf(setup, side)),
  places: setup => sidesOf(setup).map(side => placeOf(setup, side)),
  procedure: swivelSteps,
  conditions: setup =>
    sidesOf(setup).flatMap(side =>
      SWIVEL_CONDITIONS.map(condition => saidAt(condition, { ...side, moves: [packAt(side.id)] }, sidesOf(setup).length > 1)),
    ),
  reminders: () => SWIVEL_REMINDERS,
  suspicions: swivelSuspicions,
  combine: (setup, answers) =>
    sidesOf(setup).flatMap(({ id }): CombinedResult[] => [
      withStack(preloadOf(setup, answers, id), id, answers),
      {
        kind: 'gap',
        position: id,
        estimate: answers.of(`gap-${id}`).estimate,
        points: [`gap-${id}`],
        formula: '(goes + does not)/2, cap nipped until lift is gone',
      },
      sidePlayOf(answers, id),
    ]),
  next: firstPack,
})

const withStack = (said: ReturnType<typeof preloadOf>, id: string, answers: Answers): CombinedResult => ({
  kind: 'turning',
  position: id,
  ...said,
  findings: [...said.findings, ...stackFindings(answers, packAt(id))],
})

function pointsOf(setup: SwivelSetup, { id, label }: Position): MeasuringPoint[] {
  const where = { at: { position: label }, moves: [packAt(id)], rests: [`bearings-${id}`, `pin-${id}`, `housing-${id}`] }
  const felt = { ...where, id, prefix: `${label}: `, play: setup.upper === 'roller' ? 'lift or side play' : 'side play' }
  return [
    {
      ...where,
      at: { ...where.at, what: 'gap' },
      id: `gap-${id}`,
      label: `${label}: gap under the cap, nipped until lift is gone`,
      way: 'go-no-go',
      result: 'gap',
      optional: true,
    },
    ...preloadPoints(setup, { ...felt, result: 'turning' }),
    sidePlayPoint(felt),
    stackPoint(placeOf(setup, { id, label }), { at: { ...where.at, what: 'pack' }, result: 'turning', rests: [] }),
  ]
}

const placeOf = ({ taken }: SwivelSetup, { id, label }: Position): PackPlace => ({
  id: packAt(id),
  label: `Shims under the ${label.toLowerCase()} cap`,
  effects: [{ result: `turning@${id}`, perPiece: -1 }],
  chosen: { by: 'slope', first: [closingPlay(id, -1), { result: `gap@${id}`, perPiece: -1, aim: taken ?? nm(0) }] },
  between: ['pin', 'cap'],
  capacity: { fewest: 1, most: MOST_PIECES },
  without: 'without any, the cap crushes the bearing',
  one: 'sprung',
  lappable: false,
})

/** While only the gap is known, the first pack is what is due: nothing can be felt before it is in. */
function firstPack(setup: SwivelSetup, answers: Answers): NextStep | null {
  const side = sidesOf(setup).find(({ id }) => {
    const felt = [`turning-${id}`, `drag-${id}`, `side-play-${id}`].some(
      point => answers.of(point).estimate !== null || answers.of(point).word !== null,
    )
    return !felt && answers.of(`gap-${id}`).estimate !== null && answers.stale(`gap-${id}`) === null
  })
  return side
    ? {
        phase: 'choose',
        words: `${side.label}: the first pack fills the gap under the cap. Expect two or three fits.`,
        point: null,
        standing: null,
      }
    : null
}
