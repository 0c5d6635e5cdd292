import type { Setup } from '../check/setup'

/** What words say of a job: which check it is, or what of its set-up. */
export interface Phrase {
  /** lower case, as they follow each other; small words between them are passed over */
  readonly words: string
  readonly kind: string
  readonly setup?: Setup
}

const of = (kind: string, setup: Setup | null, ...phrases: string[]): Phrase[] =>
  phrases.map(words => (setup ? { words, kind, setup } : { words, kind }))

/**
 * How a job is called; where one begins with another, the longer is meant. A phrase that leaves open which way the pack moves the play says
 * nothing of it: that is asked.
 */
export const PHRASES: readonly Phrase[] = [
  ...of('shaft-end-play', { pack: 'under-cover' }, 'under cover', 'under quill', 'under retainer', 'cover', 'quill', 'retainer'),
  ...of('shaft-end-play', { pack: 'in-gap' }, 'in gap', 'gap'),
  ...of('shaft-end-play', { pack: 'single' }, 'thrust washer', 'thrust', 'race', 'one washer', 'snap'),
  ...of('shaft-end-play', { pack: 'equal-pair' }, 'equal pair', 'pair'),
  ...of('shaft-end-play', null, 'input shaft', 'output shaft', 'layshaft', 'mainshaft', 'idler', 'end play', 'float', 'shaft'),
  ...of('crankshaft-end-play', { thrust: 'shimmed' }, 'crank flange', 'crankshaft flange'),
  ...of('crankshaft-end-play', null, 'crankshaft', 'crank'),
  ...of('eccentric-shaft-end-play', null, 'eccentric shaft', 'eccentric', 'rotary'),
  ...of('bearing-clearance', { bearings: 'rods' }, 'big end', 'rod'),
  ...of('bearing-clearance', { bearings: 'mains' }, 'main bearing', 'main'),
  ...of('bearing-clearance', null, 'bearing clearance', 'shell'),
  ...of('taper-hub', null, 'taper hub', 'wheel hub', 'wheel bearing', 'hub'),
  ...of('universal-joint', null, 'universal joint', 'joint', 'cross'),
  ...of('diameter', { part: 'shaft' }, 'shaft diameter', 'journal diameter', 'pin'),
  ...of('diameter', { part: 'bore' }, 'bore', 'cylinder'),
  ...of('runout', { what: 'housing' }, 'housing bore', 'housing'),
  ...of('runout', { what: 'face' }, 'flywheel face', 'face'),
  ...of('runout', { what: 'shaft' }, 'shaft runout', 'shaft bow'),
  ...of('runout', { what: 'radial' }, 'rim', 'disc', 'runout'),
  ...of('runout', { judged: 'raw' }, 'raw', 'highest less lowest'),
  ...of('runout', { judged: 'once' }, 'once per turn', 'once turn'),
  ...of('runout', { judged: 'axis' }, 'each axis'),
  ...of('runout', { judged: 'offset' }, 'offset'),
  ...of('crush-wire', null, 'crush wire', 'lead wire', 'solder', 'wire'),
  ...of('release-bearing', null, 'release bearing'),
  ...of('comparator-hub', null, 'comparator'),
]

/** Words in front of a figure that say where of the check it was read: the points whose id begins so. */
export const PLACES: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'bearing-clearance': { journal: 'journal', bore: 'bore', pin: 'journal' },
}

/** Words that say nothing of their own. */
export const SMALL_WORDS: ReadonlySet<string> = new Set(
  'a an the of at is it its on has and reads read measured shows got by for my this there i have in to shim shims ring rings washers spacers pieces'.split(
    ' ',
  ),
)
