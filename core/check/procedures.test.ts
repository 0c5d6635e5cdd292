import { describe, expect, it } from 'vitest'
import { checkKind, checkKinds } from './registry'

/** Every step of every kind by set-up, in order: phase, id, `!` where it is required. What a set-up does not name may be anything. */
const STEPS: readonly (readonly [kind: string, setup: Readonly<Record<string, readonly string[]>>, steps: string])[] = [
  [
    'shaft-end-play',
    { pack: ['under-cover', 'in-gap', 'single', 'equal-pair'] },
    's:clean! s:pack-counted s:tightened! s:dial-base! s:dial-tip! m:dial-zero m:dial-return c:measure-new c:label-out p:refitted! p:torqued!',
  ],
  ['shaft-end-play', { pack: ['none'] }, 's:clean! s:tightened! s:dial-base! s:dial-tip! m:dial-zero m:dial-return p:proved-same'],
  [
    'crankshaft-end-play',
    { thrust: ['fixed'], way: ['dial'] },
    's:mains-torqued! s:aligned! s:dial-base! s:dial-tip! m:lever m:dial-zero m:dial-return p:turns',
  ],
  [
    'crankshaft-end-play',
    { thrust: ['fixed'], way: ['feeler'] },
    's:mains-torqued! s:aligned! s:feeler-clean m:lever m:feeler-pushed p:turns',
  ],
  ['crankshaft-end-play', { thrust: ['fixed'], way: ['feel'] }, 's:mains-torqued! s:aligned! m:lever p:turns'],
  [
    'crankshaft-end-play',
    { thrust: ['shimmed'], way: ['dial'] },
    's:mains-torqued! s:aligned s:flywheel-on! s:dial-base! s:dial-tip! m:lever m:dial-zero m:dial-return c:dry-fit c:label-out p:torqued!',
  ],
  [
    'crankshaft-end-play',
    { thrust: ['shimmed'], way: ['feeler'] },
    's:mains-torqued! s:aligned s:flywheel-on! s:feeler-clean m:lever m:feeler-pushed c:dry-fit c:label-out p:torqued!',
  ],
  [
    'crankshaft-end-play',
    { thrust: ['shimmed'], way: ['feel'] },
    's:mains-torqued! s:aligned s:flywheel-on! m:lever c:dry-fit c:label-out p:torqued!',
  ],
  [
    'thrust-alignment',
    { construction: ['flanged-halves'] },
    's:oiled! s:mains-torqued! s:dial-base! s:dial-tip! m:before m:dial-off m:loosen! m:both-ways! m:torque! p:turns',
  ],
  [
    'thrust-alignment',
    { construction: ['loose-half'] },
    's:oiled! s:mains-torqued! s:dial-base! s:dial-tip! m:before m:dial-off m:loosen! m:push-one! m:torque! p:turns',
  ],
  [
    'thrust-alignment',
    { construction: ['washers'] },
    's:oiled! s:mains-torqued! s:dial-base! s:dial-tip! m:before m:dial-off m:snug! m:push-back! m:tap! m:torque! p:turns',
  ],
  [
    'thrust-alignment',
    { construction: ['girdle'] },
    's:oiled! s:mains-torqued! s:dial-base! s:dial-tip! m:before m:dial-off m:snug-girdle! m:both-ways! m:torque! p:turns',
  ],
  [
    'eccentric-shaft-end-play',
    {},
    's:cover-off! s:needle-on! s:bevels! s:tension! s:flywheel s:dial-base! s:dial-tip! m:push-back m:dial-zero m:dial-return c:order-two p:needle-again! p:set-again',
  ],
  [
    'bearing-clearance',
    { way: ['gauges'], shells: ['choose'] },
    's:clean! s:micrometer-tried! s:capped! m:bore-zero! m:bore-again m:turns-each c:note-make p:oiled-turns!',
  ],
  [
    'bearing-clearance',
    { way: ['gauges'], shells: ['as-fitted'] },
    's:clean! s:micrometer-tried! s:capped! m:bore-zero! m:bore-again m:turns-each p:oiled-turns!',
  ],
  [
    'bearing-clearance',
    { way: ['strip'], shells: ['choose'] },
    's:clean! s:strip-dry! s:strip-opposite! m:strip-torque! m:turns-each c:note-make p:strip-clean! p:oiled-turns!',
  ],
  [
    'bearing-clearance',
    { way: ['strip'], shells: ['as-fitted'] },
    's:clean! s:strip-dry! s:strip-opposite! m:strip-torque! m:turns-each p:strip-clean! p:oiled-turns!',
  ],
  [
    'roller-big-end',
    { judged: ['sample'] },
    'm:sample! s:clean! s:straight! s:micrometer-tried! s:bags-apart! m:bore-zero! m:bore-again c:set-bagged! c:flip p:cold! p:fits!',
  ],
  [
    'roller-big-end',
    { judged: ['each'] },
    's:clean! s:straight! s:micrometer-tried! s:bags-apart! m:bore-zero! m:bore-again c:set-bagged! c:flip p:cold! p:fits!',
  ],
  [
    'taper-hub',
    { warmth: ['no'] },
    's:stack! s:loose-first s:dial-base! s:dial-tip! m:spun m:dial-zero m:dial-return m:press c:magnet p:step-up! p:back-to-tray',
  ],
  [
    'taper-hub',
    { warmth: ['yes'] },
    's:stack! s:loose-first s:dial-base! s:dial-tip! m:spun m:dial-zero m:dial-return m:press c:magnet p:step-up! p:back-to-tray p:run',
  ],
  [
    'comparator-hub',
    { spacer: ['adjustable'], warmth: ['no'] },
    's:same-pair! s:zero-base! s:zero-head! m:hub-in m:zeros-again c:set p:lock! p:dry-trial! p:label!',
  ],
  [
    'comparator-hub',
    { spacer: ['adjustable'], warmth: ['yes'] },
    's:same-pair! s:zero-base! s:zero-head! m:hub-in m:zeros-again c:set p:lock! p:dry-trial! p:label! p:run',
  ],
  [
    'comparator-hub',
    { spacer: ['fixed'], warmth: ['no'] },
    's:same-pair! s:zero-base! s:zero-head! m:hub-in m:zeros-again c:label-out p:dry-trial! p:label!',
  ],
  [
    'comparator-hub',
    { spacer: ['fixed'], warmth: ['yes'] },
    's:same-pair! s:zero-base! s:zero-head! m:hub-in m:zeros-again c:label-out p:dry-trial! p:label! p:run',
  ],
  ['sealed-bearing-spacer', { way: ['depths'] }, 's:clean! s:standard m:one-face! m:square p:first-home! p:tightened!'],
  ['sealed-bearing-spacer', { way: ['length'] }, 's:clean! s:standard m:square p:first-home! p:tightened!'],
  [
    'swivel-preload',
    { way: ['scale', 'gauge'] },
    's:bolts-free! s:pin-pressed! s:washer-found! s:sprung-in! s:kept m:nip m:steady m:at-torque c:thicker-less p:proved-full! p:same-pack',
  ],
  [
    'swivel-preload',
    { way: ['feel'] },
    's:bolts-free! s:pin-pressed! s:washer-found! s:sprung-in! s:kept m:nip m:at-torque c:thicker-less p:proved-full! p:same-pack',
  ],
  ['steering-head-kit', { origin: ['genuine'] }, 's:old-inspected!'],
  [
    'steering-head-kit',
    { origin: ['kit'] },
    's:old-inspected! s:kit-named! s:unpressed! m:gap-round c:washer-inside p:squeezed! p:torqued!',
  ],
  ['torque-preload', { stages: ['one'], way: ['scale', 'feel'] }, 's:clean! s:case-torque! m:steady c:lap-cold p:proved-full!'],
  ['torque-preload', { stages: ['one'], way: ['gauge'] }, 's:clean! s:adaptor! s:case-torque! m:steady c:lap-cold p:proved-full!'],
  [
    'torque-preload',
    { stages: ['two', 'three'], way: ['scale', 'feel'] },
    's:clean! s:crown-bolts! s:case-torque! m:steady c:lap-cold p:proved-full!',
  ],
  [
    'torque-preload',
    { stages: ['two', 'three'], way: ['gauge'] },
    's:clean! s:crown-bolts! s:adaptor! s:case-torque! m:steady c:lap-cold p:proved-full!',
  ],
  ['oil-pump-clearance', { way: ['feeler'] }, 's:clean! s:flat! s:feeler-clean m:feeler-pushed c:rub p:turned p:prime'],
  ['oil-pump-clearance', { way: ['strip'] }, 's:clean! s:flat! s:strip-dry! m:strip-torque! p:strip-clean! c:rub p:turned p:prime'],
  ['release-bearing', { plate: ['in'] }, 's:plate-in! s:clutch-up! s:bar-measured m:three-round! m:free! c:one-shim p:again!'],
  ['release-bearing', { plate: ['none'] }, 's:clutch-up! s:bar-measured m:three-round! m:free! c:one-shim p:again!'],
  ['universal-joint', {}, 's:grooves! s:held! s:dial-base! s:dial-tip! m:quarter m:dial-zero m:dial-return c:one-plane p:home-again!'],
  ['diameter', { part: ['bore'], way: ['gauge'], work: ['judged'] }, 's:clean! s:zeroed! m:rocked p:all-places'],
  ['diameter', { part: ['bore'], way: ['gauge'], work: ['sized'] }, 's:clean! s:zeroed! m:rocked c:cold p:all-places'],
  ['diameter', { part: ['bore'], way: ['micrometer'], work: ['judged'] }, 's:clean! s:standard! p:all-places'],
  ['diameter', { part: ['bore'], way: ['micrometer'], work: ['sized'] }, 's:clean! s:standard! c:cold p:all-places'],
  ['diameter', { part: ['shaft'], work: ['judged'] }, 's:clean! s:standard! p:all-places'],
  ['diameter', { part: ['shaft'], work: ['sized'] }, 's:clean! s:standard! c:cold p:all-places'],
  ['crush-wire', {}, 's:clean! s:opposite! m:torqued! m:three-each m:again c:pressed p:closed!'],
  ['gear-train', { freewheel: ['none'] }, 's:before-strip s:oil-holes! s:races! s:sun c:measured p:upwards'],
  [
    'gear-train',
    { freewheel: ['clockwise', 'anticlockwise'] },
    's:before-strip s:freewheel! s:oil-holes! s:races! s:sun c:measured p:upwards',
  ],
  ['runout', { what: ['housing'] }, 's:seated! s:base! s:marked! s:plugs m:one-way! m:hands-off c:flat-plate p:tight-again!'],
  ['runout', { what: ['radial'] }, 's:held! s:clean! s:marked! m:one-way! m:hands-off c:trued'],
  ['runout', { what: ['face'] }, 's:held! s:pressed! s:marked! m:one-way! m:hands-off c:trued'],
  ['runout', { what: ['shaft'] }, 's:held! s:clean! s:marked! m:one-way! m:hands-off c:trued'],
  [
    'clutch-fork',
    { old: ['measured', 'worn'] },
    's:old-first! s:one-plane! m:fingers-round! m:fork-back! c:turn-by-turn p:greased! p:threadlock!',
  ],
  ['clutch-fork', { old: ['gone'] }, 's:old-first s:one-plane! m:fingers-round! m:fork-back! c:turn-by-turn p:greased! p:threadlock!'],
]

/** Every set-up of the choices that the table names for a kind, and with each of them every other choice by itself. */
function setups(id: string): Record<string, string>[] {
  const kind = checkKind(id)
  const named = new Set(STEPS.flatMap(([of, asks]) => (of === id ? Object.keys(asks) : [])))
  const choices = kind.setupFields.flatMap(field => (field.kind === 'choice' ? [field] : []))
  const crossed = choices
    .filter(field => named.has(field.id))
    .reduce<Record<string, string>[]>(
      (all, field) => all.flatMap(setup => field.options.map(({ value }) => ({ ...setup, [field.id]: value }))),
      [{ ...kind.defaultSetup }],
    )
  const others = choices.filter(field => !named.has(field.id))
  return crossed.flatMap(setup => [setup, ...others.flatMap(field => field.options.map(({ value }) => ({ ...setup, [field.id]: value })))])
}
const rowFor = (id: string, setup: Readonly<Record<string, string>>) =>
  STEPS.filter(([kind, asks]) => kind === id && Object.entries(asks).every(([field, values]) => values.includes(setup[field]!)))

describe('the steps of every kind', () => {
  it.each(checkKinds.map(({ id }) => id))('%s: what is to be done, in order, and what must be ticked, in every set-up', id => {
    for (const setup of setups(id)) {
      const rows = rowFor(id, setup)
      expect(rows, JSON.stringify(setup)).toHaveLength(1)
      const steps = checkKind(id)
        .procedure(setup)
        .map(step => `${step.phase[0]!}:${step.id}${step.required ? '!' : ''}`)
      expect(steps.join(' '), JSON.stringify(setup)).toBe(rows[0]![2])
    }
  })
  it('no row of the table stands for nothing', () => {
    for (const row of STEPS) expect(setups(row[0]).some(setup => rowFor(row[0], setup).includes(row))).toBe(true)
  })

  const push = (construction: string, thrustEnd: string) =>
    checkKind('thrust-alignment')
      .procedure({ ...checkKind('thrust-alignment').defaultSetup, construction, thrustEnd })
      .filter(({ id }) => ['both-ways', 'push-one', 'push-back'].includes(id))
      .map(({ text }) => text)
      .join()
  it.each([
    ['flanged-halves', 'flywheel', 'forward, then back'],
    ['flanged-halves', 'front', 'forward, then back'],
    ['girdle', 'flywheel', 'forward, then back'],
    ['washers', 'flywheel', 'fully back'],
    ['washers', 'front', 'fully back'],
    // A flange at the flywheel presses the loose half against the block when the shaft goes forward; at the front, when it goes backward.
    ['loose-half', 'flywheel', 'forward only'],
    ['loose-half', 'front', 'backward only'],
  ])('%s, thrust at the %s: push %s', (construction, end, words) => expect(push(construction, end)).toContain(words))
})
