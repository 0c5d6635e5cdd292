import { thou } from '../../../quantity/length'
import { SIZE_WORDS } from '../../../verdict/words'
import { stated } from '../../../reading/estimate'
import type { Answers, CombinedResult, MeasuringPoint } from '../../contract'
import { defineKind } from '../../define-kind'
import { clearanceResult, formResult } from '../../common/results'
import type { Work } from '../../work'
import { pumpSteps } from './procedure'
import { FIELDS, type PumpSetup } from './setup'

const ROTORS = [
  { id: 'outer', label: 'Outer rotor' },
  { id: 'inner', label: 'Inner rotor' },
] as const

/**
 * End clearance of an oil pump's rotors under a straight edge, by feelers, or by plastic strip under the cover. Upper limit only:
 * too much leaks; the cover and body must be flat first.
 */
export const oilPumpClearance = defineKind({
  id: 'oil-pump-clearance',
  title: 'Oil pump end clearance',
  about: 'Rotor end clearance under a straight edge, or by plastic strip. Upper limit only.',
  under: 'engine',
  by: ['rotor', 'gears', 'oil pressure', 'straight edge', 'feelers', 'cover'],
  plausible: thou(40),
  safety: null,
  closing: 'Before the pump is closed',
  fields: FIELDS,
  parts: () => [
    { id: 'rotors', label: 'Pump rotors' },
    { id: 'pump', label: 'Pump body' },
    { id: 'cover', label: 'Pump cover' },
  ],
  results: () => [
    clearanceResult('clearance', 'End clearance', { ends: SIZE_WORDS, positions: ROTORS }),
    formResult('cover', 'Cover hollow'),
  ],
  points: setup => [
    ...ROTORS.map((rotor): MeasuringPoint => ({
      id: `${setup.way}-${rotor.id}`,
      label: `${rotor.label}, end clearance`,
      at: { position: rotor.label },
      way: setup.way === 'strip' ? 'plastic-strip' : 'feeler',
      result: 'clearance',
      moves: [],
      rests: ['rotors', 'pump'],
    })),
    {
      id: 'cover',
      label: 'Cover, hollow under the straight edge',
      at: {},
      way: 'feeler',
      result: 'cover',
      moves: [],
      rests: ['cover'],
      optional: true,
    },
    {
      id: 'turns',
      label: 'Closed: turned by hand',
      at: {},
      way: 'word',
      result: 'clearance',
      moves: [],
      rests: ['rotors', 'pump', 'cover'],
      words: [
        { value: 'free', label: 'free' },
        { value: 'binds', label: 'binds' },
      ],
      optional: true,
    },
  ],
  places: () => [],
  procedure: pumpSteps,
  suspicions: () => [],
  combine: (setup, answers) => [
    ...ROTORS.map((rotor): CombinedResult => ({
      kind: 'clearance',
      position: rotor.id,
      estimate: answers.of(`${setup.way}-${rotor.id}`).estimate,
      points: [`${setup.way}-${rotor.id}`],
      // What a hand finds when it is closed beats arithmetic.
      ...(answers.of('turns').word === 'binds' && answers.stale('turns') === null
        ? { overrule: { state: 'below', words: 'closed, it binds by hand' } as const }
        : {}),
      formula: setup.way === 'strip' ? 'gap of the printed width' : '(go + no-go)/2',
    })),
    { kind: 'cover', position: null, estimate: answers.of('cover').estimate, points: ['cover'], formula: '(go + no-go)/2' },
  ],
  works: rubbing,
})

/** The body’s face rubbed down on a flat bar: as much as comes off it, both clearances lose. */
function rubbing(setup: PumpSetup, answers: Answers): Work[] {
  const points = ROTORS.map(({ id }) => `${setup.way}-${id}`)
  const effects = ROTORS.flatMap(({ id }, i) => {
    const { estimate } = answers.of(points[i]!)
    return estimate ? [{ result: 'clearance', position: id, zero: estimate, slope: -1 } as const] : []
  })
  if (effects.length < ROTORS.length) return []
  return [
    {
      id: 'face',
      label: 'Rub off the body’s face',
      does: 'rework',
      position: null,
      scale: 'play',
      effects,
      now: stated(0, []),
      way: { up: 'To come off', down: 'Too much is off by' },
      note: 'As much as comes off the body’s face, both rotors lose; the cover’s face takes nothing off. The rotors must still turn.',
      points,
      formula: 'clearance − clearance wanted',
    },
  ]
}
