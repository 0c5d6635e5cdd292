import { sumInOneLine } from '../../choice/answer/chooser/proposal'
import { formatFigure } from '../../quantity/figure'
import { percent } from '../../quantity/percent'
import { coverageFactor } from '../../reading/student'
import { packAt } from '../document'
import { inPairs } from '../pack-place'
import type { Advice } from './advice'
import { aheadInWords, type AheadWords } from './advice-words'
import type { Look, Voice } from './look'
import { moreReadingsInWords } from './more-readings'
import { isChange, leavesOf, sceneOf, type Scene } from './scene'
import { changeInside, sentenceOf, type About } from './sentence'
import { windowInWords } from './window-words'

/** One figure the answer points at. */
export interface Pointed {
  readonly value: number
  readonly U: number
  readonly words: string
  /** no more than this, where there was no play to reckon from */
  readonly atMost?: true
}

/** The answer of a check, the same wherever it is told: at the bench, in a list, on a report, in a file. */
export interface Answer {
  readonly about: About
  /** one sentence, or two; empty where there is nothing to say */
  readonly sentence: string
  /** the sum it comes from, in one line; empty where there is none */
  readonly sum: string
  /** what the pack in hand would leave of the result looked at, or what is expected of it */
  readonly foretold: Pointed | null
  /** totals that would do */
  readonly window: string | null
  /** what to do about a figure that is too close to call */
  readonly advice: Advice | null
  /** what more readings would bring; null: nothing worth saying, or it is the advice */
  readonly more: string | null
  /** what the gauges of the register will tell of it; null: nothing is in the way, or it was read */
  readonly ahead: AheadWords | null
}

/** The answer of what is looked at. */
export function answerOf(look: Look, voice: Voice): Answer {
  const scene = sceneOf(look, voice)
  const { shown, place, current, pieceUnit, unit, advice, ahead } = scene
  const { about, words } = sentenceOf(scene)
  return {
    about,
    sentence: words,
    sum: sumOf(scene),
    foretold: foretoldOf(scene),
    window: place?.window ? windowInWords(place.window, packAt(current, place.place) !== null, pieceUnit, inPairs(place.place)) : null,
    advice,
    more: shown.state === 'close' ? null : moreReadingsInWords(shown, unit),
    ahead: shown.estimate ? null : aheadInWords(ahead, unit),
  }
}

function sumOf({ document, proposal, place, moved, packTold, phase, settled, lots, pieceUnit, spread, unit }: Scene): string {
  if (!proposal || !place?.request || !moved || !packTold || phase === 'prove' || settled || document.signOff) return ''
  if (!isChange(proposal)) return ''
  const { question, fitted, response } = place.request
  const inside = proposal.chance?.inside
  return (
    (proposal.atMost ? 'at most ' : '') +
    sumInOneLine(question, fitted, proposal, lots, response, pieceUnit) +
    (spread > 0 ? `, most ${formatFigure(proposal.predicted.play + spread, unit)}` : '') +
    // Said in the sentence where it is less.
    (inside === undefined || inside < 0.95 ? '' : ` · chance in limits ${percent(inside)}`)
  )
}

function foretoldOf(scene: Scene): Pointed | null {
  const { phase, settled, proposal, evaluation, shown, current, packTold } = scene
  if (phase === 'prove' || settled || !proposal) {
    if (shown.estimate) return null
    const standing = evaluation.next?.standing
    if (standing?.result === shown.id) return { value: standing.estimate.value, U: standing.estimate.U, words: 'as it stands' }
    const due = current.predicted[shown.id]
    return due ? { value: due.play, U: coverageFactor(Infinity) * due.u, words: 'expected' } : null
  }
  const leaves = packTold && isChange(proposal) ? leavesOf(scene, proposal) : null
  return leaves && { ...leaves, words: changeInside(scene, proposal), ...(proposal.atMost ? { atMost: true } : {}) }
}
