import { lowerFirst, upperFirst } from '../../quantity/first-letter'
import { formatChange, formatFigure, unitName } from '../../quantity/figure'
import { percent } from '../../quantity/percent'
import { endsOf } from '../../verdict/limits'
import { verdictWord } from '../../verdict/words'
import { stateWord } from '../evaluate/state-words'
import { adviceInWords } from './advice-words'
import { bothInWords } from './both-words'
import { packingsOut } from '../packings'
import { untilWords } from './provisional-words'
import { proposalInWords } from './proposal-words'
import { changeOf, isChange, leavesOf, pickedByHand, type Scene } from './scene'
import { NOTHING_THAT_WAY } from '../../choice/question/told'
import { orderWords } from '../../pack/stacking'
import { packAt } from '../document'
import { stacked, UNLISTED } from '../pack-place'
import type { Proposal } from '../../choice/answer/chooser/proposal'

/** What the answer is about. */
export type About =
  | 'signed'
  | 'stale'
  | 'by-hand'
  | 'not-valid'
  | 'next'
  | 'expected'
  | 'to-measure'
  | 'in'
  | 'provisional'
  | 'close'
  | 'pack'
  | 'catalogue'
  | 'proof'
  | 'note'

export interface Sentence {
  readonly about: About
  readonly words: string
}
/** Null: there is nothing of that to say. */
type Saying = (scene: Scene) => Sentence | null

const say = (about: About, words: string): Sentence => ({ about, words })

const signed: Saying = ({ document: { signOff }, voice }) =>
  signOff &&
  say(
    'signed',
    `Signed off by ${signOff.by}, ${voice.time(signOff.at)}${signOff.reason ? `, accepted with a reason: ${signOff.reason}` : ''}.`,
  )

const stale: Saying = ({ shown, at }) => (shown.stale ? say('stale', `${at}stale: ${shown.stale}. Measure again.`) : null)

/** The pack that helps on where there is no figure: a torque that cannot be felt, a step of the kind's own. */
function firstPack(scene: Scene): string {
  const { evaluation, shown, phase, place, proposal } = scene
  const offered = (shown.overrule !== null || evaluation.next !== null) && phase === 'choose' && place?.learned
  if (!offered || !proposal) return ''
  // Too little preload is not cured by leaving it.
  return isChange(proposal) ? ` ${changeOf(scene, proposal)}.` : ` ${scene.choice?.notes[0] ?? NOTHING_THAT_WAY}`
}

/** A figure that does not belong to the others of its length: whatever it comes to, that comes first. */
const apart: Saying = ({ shown, phase }) => {
  const found = phase === 'choose' ? undefined : shown.findings.find(({ gate }) => gate === 'apart')
  return found ? say('not-valid', found.words) : null
}

const byHand: Saying = scene =>
  scene.shown.overrule
    ? say('by-hand', `${scene.at === '' ? upperFirst(scene.shown.overrule) : scene.at + scene.shown.overrule}.${firstPack(scene)}`)
    : null

const notValid: Saying = ({ shown }) => {
  const wrong = shown.findings.find(({ level }) => level === 'fail')
  if (shown.estimate ? shown.valid : !wrong) return null
  return say('not-valid', wrong?.words ?? '')
}

const next: Saying = scene => {
  const { evaluation, shown } = scene
  return evaluation.next && !shown.estimate ? say('next', `${evaluation.next.words}${firstPack(scene)}`) : null
}

const unmeasured: Saying = scene => {
  const { shown, current, unit, all } = scene
  if (shown.estimate) return null
  if (shown.predicted && current.predicted[shown.id])
    return say('expected', `Fitted. Measure again: ${formatFigure(shown.predicted.play, unit)} ${unitName(unit)} is expected.`)
  const open = shown.findings.find(({ gate }) => gate === 'few-readings')
  return say('to-measure', open?.words ?? (all > 1 ? progress(scene) : 'Nothing measured with this fitting yet.'))
}

/** Not every point it rests on was read. */
const partRead: Saying = ({ shown, phase, at }) => {
  if (shown.state !== 'part-read' || (phase === 'choose' && shown.again.length === 0)) return null
  if (shown.again.length > 0) return say('to-measure', shown.findings.at(-1)!.words)
  return say('to-measure', `${at}${stateWord(shown)} read: the others too, or leave them out with a reason.`)
}

const unfinished: Saying = scene => (scene.done < scene.all && scene.phase === 'measure' ? say('to-measure', progress(scene)) : null)
const progress = ({ done, all }: Scene) => `${done} of ${all} measured.`

/** In limits, and something named speaks against it: that is looked into before anything else. */
const doubted: Saying = ({ shown, phase, at }) => {
  if (shown.state !== 'doubted' || phase === 'choose' || shown.residual?.flagged) return null
  return say('proof', `${at}${at ? 'in' : 'In'} limits, but ${shown.doubt}: look into it, or sign it with a reason.`)
}

/** @param next  what to do about it; null: something else is open yet */
const inLimits = (at: string, next: string | null): string =>
  next === null ? `${at ? `${at}in` : 'In'} limits.` : `${at ? `${at}in limits. N` : 'In limits: n'}othing needs changing. ${next}`.trim()

/** Where nothing is chosen, and while what is in limits is still at the gauge. */
const inAlready: Saying = scene => {
  const { place, evaluation, settled, shown, at } = scene
  if (!place && evaluation.state === 'in') return say('in', 'In limits. Ready to sign.')
  if (!settled || !place) return null
  if (shown.state !== 'in') return provisional(scene)
  return say('in', inLimits(at, evaluation.state === 'in' ? 'Sign it under Prove.' : null))
}

const close: Saying = scene => {
  const { advice, other, at, unit } = scene
  if (!advice || pickedByHand(scene)) return null
  const pack = advice.by === 'refit' ? packWords(scene, other!, '') : null
  return say('close', `${at ? `${at}too` : 'Too'} close to call${adviceInWords(advice, unit, pack)}`)
}

/** The place moves something else: what was said last of this. */
const moves: Saying = scene => {
  const { place, moved, proposal, phase, shown } = scene
  if (!place || moved || phase === 'prove' || (proposal && leavesOf(scene, proposal))) return null
  return say('note', shown.findings.at(-1)?.words ?? asItStands(scene))
}

const pack: Saying = scene => {
  const { place, proposal, phase, at } = scene
  return place && proposal && phase !== 'prove' ? say('pack', packWords(scene, proposal, at)) : null
}
function packWords(scene: Scene, proposal: Proposal, at: string): string {
  const { choice, fine, unit, place, lots, document } = scene
  const words = proposalInWords({ proposal, choice, change: changeOf(scene, proposal), leaves: leavesOf(scene, proposal), fine, at, unit })
  if (!place || !isChange(proposal)) return words
  const order = orderWords(proposal.pack, lots, stacked(place.place))
  const packing = packingsOut(document, [place.place.id]).length > 0 ? 'The trial packing comes out.' : ''
  return [words, order, packing].filter(Boolean).join(' ')
}

const provisional: Saying = ({ evaluation: e, shown, place }) =>
  shown.state !== 'provisional' && (place || e.state !== 'provisional')
    ? null
    : say('provisional', `In limits${shown.both ? ' by reading and prediction together' : ''}${untilWords(e, shown)}.`)

/** The first of a catalogue, and how sure it is; what is in limits can stay as it is, whatever would be nearer. */
const catalogue: Saying = ({ evaluation, place, phase, fine, at }) => {
  const of = phase === 'choose' ? evaluation.catalogues.find(({ place: id }) => id === place?.place.id) : undefined
  const best = of?.entries.find(({ here }) => here)
  if (!of || (!best && of.note === null)) return null
  if (of.hold !== undefined && !fine) return say('catalogue', of.hold)
  if (fine) return say('in', inLimits(at, ''))
  // What would reach the limits and is not here is worth more than what is here and does not.
  const told = best?.state === 'in' ? best : (of.entries.find(({ state }) => state === 'in') ?? best)
  if (!told) return say('catalogue', of.note!)
  const sure = told.chance === null ? '' : told.chance >= 0.95 ? ', in limits' : `, ${percent(told.chance)} in limits`
  return say('catalogue', `${at}${told.words}${sure}${told.here ? '' : ', and it is not here'}.`)
}

const proof: Saying = ({ shown: { both, residual, predicted, estimate }, at, unit }) => {
  const show = (value: number) => formatFigure(value, unit)
  if (both?.verdict.state === 'in') return say('proof', `${at ? `${at}in` : 'In'} limits: ${bothInWords(both, unit)}.`)
  if (!residual) return null
  const moved = residual.flagged ? 'it did not move as it should. Look into it, or sign it with a reason.' : 'it moved as predicted.'
  return say('proof', `Predicted ${show(predicted!.play)}, measured ${show(estimate!.value)}: ${moved}`)
}

/** As found, and nothing to do about it. */
const asItIs: Saying = ({ shown, evaluation, at, phase }) =>
  shown.state === 'in' && phase === 'prove' ? say('in', inLimits(at, evaluation.state === 'in' ? 'Ready to sign.' : null)) : null

const note: Saying = scene => {
  const { choice, place } = scene
  // What nobody listed can still come out: the drawer alone does not say what cannot be reached.
  if (place?.request && choice?.proposals.length === 0 && packAt(scene.current, place.place) === null) return say('note', UNLISTED)
  return say('note', (place && (choice?.notes[0] ?? place.note)) || asItStands(scene))
}

/** The verdict itself, where nothing else is said of it. */
function asItStands({ shown: { estimate, limits, state, kind, findings }, at, unit }: Scene): string {
  const ends = endsOf(limits.working)
  // What two sizes come to is a word, limit or none.
  const size = findings.find(({ gate, level }) => gate === 'size' && level === 'note')
  if (state === 'no-limit' && size)
    return `${at ? `${at}${lowerFirst(size.words)}` : size.words} No limit known: set one, or sign it with a reason.`
  if (state === 'no-limit') return `${at}${at ? 'no' : 'No'} limit known: set one, or sign it with a reason.`
  if (!estimate || !ends || (state !== 'above' && state !== 'below')) return ''
  const off = state === 'above' ? estimate.value - ends.upper : ends.lower - estimate.value
  const word = verdictWord(state, kind.ends)
  return `${at}${at ? word.toLowerCase() : word}: ${formatChange(off, unit, { unit: true })} outside its limits.`
}

/** The first of these that has something to say is what the check says. */
const SAYINGS: readonly Saying[] = [
  signed,
  stale,
  apart,
  byHand,
  notValid,
  next,
  unmeasured,
  partRead,
  unfinished,
  doubted,
  inAlready,
  close,
  moves,
  pack,
  provisional,
  catalogue,
  proof,
  asItIs,
  note,
]

export function sentenceOf(scene: Scene): Sentence {
  for (const saying of SAYINGS) {
    const said = saying(scene)
    if (said) return BARE.has(said.about) ? { ...said, words: [said.words, closedWith(scene)].filter(Boolean).join(' ') } : said
  }
  return say('note', '')
}

/** What is said of a figure as it was measured. */
const BARE: ReadonlySet<About> = new Set(['in', 'provisional', 'close', 'proof'])
/** Measured bare, and closed with a film of sealant later: the figure is not what it will be. */
function closedWith({ evaluation, shown, unit }: Scene): string {
  const film = evaluation.places.find(one => one.result?.id === shown.id && one.film !== null)?.film
  return film && film.leaves !== null && !film.out
    ? `Measured bare: closed with its film about ${formatFigure(film.leaves, unit, { unit: true })}.`
    : ''
}

/** `take out 10, put in 6`, in the middle of a sentence. */
export const changeInside = (scene: Scene, proposal: Proposal): string => lowerFirst(changeOf(scene, proposal))
