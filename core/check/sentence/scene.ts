import type { Proposal } from '../../choice/answer/chooser/proposal'
import { toldValue } from '../../choice/question/told'
import { changeWords } from '../../pack/arithmetic'
import type { Pack } from '../../pack/lot'
import type { Unit } from '../../quantity/figure'
import { unitFor } from '../../quantity/format-length'
import type { LengthUnit } from '../../quantity/length'
import { coverageFactor } from '../../reading/student'
import { unitOfResult } from '../common/results'
import { chosenFor } from '../pack-place'
import { piecesIn, type Trial } from '../document'
import { counts, isFine } from '../evaluate/gravity'
import { resultName } from '../evaluate/state-words'
import { gaugeAhead, type GaugeAhead } from '../evaluate/gauge-ahead'
import { checkKind } from '../registry'
import { adviceFor, type Advice } from './advice'
import type { Look, Voice } from './look'

/** What is looked at, with all that sentences about it ask for. */
export interface Scene extends Look {
  readonly voice: Voice
  /** of the result looked at; and of pieces */
  readonly unit: Unit
  readonly pieceUnit: LengthUnit
  readonly current: Trial
  /** pieces known to be in the place */
  readonly fitted: Pack
  /** results that weigh: measured, of how many */
  readonly done: number
  readonly all: number
  /** the result, where there are several: `Main 2 clearance: ` */
  readonly at: string
  readonly fine: boolean
  /** nothing needs changing while it is measured: the pack in hand is no answer yet */
  readonly settled: boolean
  /** the pieces of the place are chosen for the result looked at */
  readonly moved: boolean
  /** how much more the most at the position is than its least: a pack moves both alike */
  readonly spread: number
  readonly ahead: GaugeAhead | null
  readonly advice: Advice | null
  /** the best pack that is another than the one fitted */
  readonly other: Proposal | null
  /** the pack in hand is what is told: nothing better is advised, or somebody picked it */
  readonly packTold: boolean
}

export function sceneOf(look: Look, voice: Voice): Scene {
  const { document, evaluation, shown, place, choice, phase } = look
  const current = document.trials.at(-1)!
  const weighing = evaluation.current.results.filter(counts)
  const effect = place ? chosenFor(place.place) : null
  const fine = isFine(shown)
  const open = document.signOff === null
  // A proof that did not move as it should is looked into, whatever it reads.
  const trusted = !shown.residual?.flagged && !evaluation.places.some(({ ledger }) => ledger.signDoubtful)
  const ahead =
    open && (shown.state === 'close' || !shown.estimate)
      ? gaugeAhead(document, checkKind(document.kind), evaluation.current.answers, shown, look.register)
      : null
  const other = choice?.proposals.find(isChange) ?? null
  const advice = open && trusted ? adviceFor(shown, document.rule, ahead, other, document.refitCost) : null
  return {
    ...look,
    voice,
    unit: unitOfResult(shown.kind, voice.system),
    pieceUnit: unitFor(voice.system),
    current,
    fitted: place ? (place.request?.fitted ?? piecesIn(current, place.place.id)) : [],
    done: weighing.filter(({ estimate, overrule, state }) => (estimate !== null && state !== 'part-read') || overrule !== null).length,
    all: weighing.length,
    at: weighing.length > 1 ? `${resultName(shown)}: ` : '',
    fine,
    settled: phase === 'measure' && fine,
    moved: effect !== null && [effect.result, effect.widest].includes(shown.id),
    spread: spreadOf(look),
    ahead,
    advice,
    other,
    packTold: advice === null || advice.by === 'refit' || pickedByHand(look),
  }
}

/** A pack somebody picked is told as such. */
export const pickedByHand = ({ picked, phase }: Pick<Look, 'picked' | 'phase'>): boolean => picked && phase === 'choose'

export const isChange = ({ change: { in: put, out } }: Proposal): boolean => put.length + out.length > 0

/** What to do with the hands. */
export const changeOf = ({ fitted, lots, pieceUnit }: Scene, proposal: Proposal): string =>
  changeWords(fitted, proposal.pack, lots, pieceUnit)

/** What a proposal leaves of the result looked at; null: that cannot be told yet, the first pack is chosen by the gap it fills, or it moves something else. */
export function leavesOf(
  { place, shown, moved, spread }: Scene,
  proposal: Proposal,
): { readonly value: number; readonly U: number } | null {
  const told = place?.request?.question.told
  if (told?.by === 'direction' || (place?.learned && !told)) return null
  const beside = proposal.also.find(({ id }) => id === shown.id)
  if (beside) return { value: beside.play, U: coverageFactor(beside.nu) * beside.u }
  if (!moved) return null
  const { play, U } = proposal.predicted
  const isWidest = shown.id === chosenFor(place!.place).widest
  return { value: toldValue(play, told) + (isWidest ? spread : 0), U: toldValue(U, told) }
}

function spreadOf({ place, evaluation }: Look): number {
  const most = place ? chosenFor(place.place).widest : undefined
  const widest = evaluation.current.results.find(({ id }) => most !== undefined && id === most)
  return place?.result?.estimate && widest?.estimate ? Math.max(0, widest.estimate.value - place.result.estimate.value) : 0
}
