import type { PackQuestion } from '../../question/question'
import type { LengthUnit } from '../../../quantity/length'
import { lotMap, pieceCount, pieceVariance, type Pack } from '../../../pack/lot'
import { refitUncertainty } from '../../grounds/grounds'
import { piecesPerPick } from '../../../pack/response'
import { binOf, chanceClass, fineWidth, meritKey, type MeritKey } from './merit'
import type { PreparedDrawer } from './prepare'
import { proposalFor, type Proposal, type ProposalContext } from './proposal'
import type { Found } from './question'

/** A proposal with its rank in the order of merit. */
export interface Ranked {
  readonly key: MeritKey
  readonly proposal: Proposal
}

/** Width of the steps the distance from the aim is counted in: half the U of measurement and refit, what cannot be told apart. nm */
export const stepWidth = (question: PackQuestion): number => Math.max(1, refitUncertainty(question).U / 2)

/**
 * Makes ranked proposals of what a search found, and of any pack.
 * @param by  what ranks them, where that is not what is asked: nearest a limit instead of the aim
 */
export function ranking(drawer: PreparedDrawer, question: PackQuestion, by: Pick<PackQuestion, 'aim' | 'lean' | 'limits'> = question) {
  const lots = lotMap(drawer.lots)
  const context: ProposalContext = {
    question,
    fitted: drawer.fitted,
    lots,
    response: drawer.response,
    required: drawer.rules.required ?? null,
  }
  const width = stepWidth(question)
  const per = piecesPerPick(drawer.response)
  const packOf = (picks: readonly number[]): Pack =>
    picks.flatMap((x, at) => (x > 0 ? [{ lotId: drawer.lots[at]!.id, count: x * per }] : []))

  return {
    /** with the key the search gave it */
    found: ({ key, picks }: Found): Ranked => ({ key, proposal: proposalFor(context, packOf(picks)) }),
    pack(pack: Pack): Ranked {
      const proposal = proposalFor(context, pack)
      const { play, U } = proposal.predicted
      const distance = Math.abs(play - (by.lean ? by.lean.end + by.lean.toward * U : by.aim))
      const effort = {
        pieces: proposal.pieces,
        changes: changesOf(proposal),
        unmeasured: proposal.unmeasured,
        variance: pack.reduce((sum, { lotId, count }) => sum + count * pieceVariance(lots.get(lotId)!), 0),
        cost: pack.reduce((sum, { lotId, count }) => sum + count * (lots.get(lotId)!.cost ?? 0), 0),
      }
      const cls = by.limits === null ? 1 : chanceClass(proposal.chance?.inside ?? null)
      const key = meritKey(drawer.rules.order ?? 'trouble', cls, binOf(distance, width), distance, effort)
      return { key, proposal }
    },
  }
}

/** Packs that differ in nothing a technician would care for stand as one: the same chance, trouble and cost, plays that cannot be told apart. */
export function folded(items: readonly Ranked[], unit: LengthUnit): Ranked[] {
  const shown: Ranked[] = []
  for (const item of items) {
    const at = shown.findIndex(other => alike(other, item, fineWidth(unit) / 2))
    if (at === -1) shown.push(item)
    else shown[at] = { ...shown[at]!, proposal: { ...shown[at]!.proposal, like: shown[at]!.proposal.like + 1 } }
  }
  return shown
}

function alike(a: Ranked, b: Ranked, within: number): boolean {
  const [classOfA, , , , , , costOfA] = a.key
  const [classOfB, , , , , , costOfB] = b.key
  return (
    classOfA === classOfB &&
    costOfA === costOfB &&
    a.proposal.pieces === b.proposal.pieces &&
    a.proposal.unmeasured === b.proposal.unmeasured &&
    changesOf(a.proposal) === changesOf(b.proposal) &&
    Math.abs(a.proposal.predicted.play - b.proposal.predicted.play) < within
  )
}

const changesOf = ({ change }: Pick<Proposal, 'change'>): number => pieceCount(change.out) + pieceCount(change.in)
