import type { ChoiceRequest } from '#core/choice/question/question'
import { computed, ref, watch, type Ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { proposalFor, type Proposal } from '#core/choice/answer/chooser/proposal'
import { withLotsInHand, withPieceInHand, type PieceInHand } from '#core/pack/in-hand'
import { lotMap, type Lot } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'

/** A piece that goes in and is not told apart: it can be measured on the way. */
export interface OnTheWay {
  readonly id: string
  readonly lot: Lot
  size: Nm | null
  mark: string
}

/** The pieces of a proposal as they are measured in the hand, and what the pack leaves by these figures. */
export function useInHand(open: Ref<boolean>, request: Ref<ChoiceRequest | null>, proposal: Ref<Proposal | null>) {
  const pieces = ref<OnTheWay[]>([])
  watch(
    open,
    now => {
      if (!now || !request.value || !proposal.value) return
      const lots = lotMap(request.value.drawer)
      pieces.value = proposal.value.change.in.flatMap(({ lotId, count }) => {
        const lot = lots.get(lotId)!
        return lot.apart ? [] : Array.from({ length: count }, () => ({ id: uuid(), lot, size: null, mark: '' }))
      })
    },
    { immediate: true },
  )
  const inHand = computed<PieceInHand[]>(() =>
    pieces.value.flatMap(({ id, lot, size, mark }) => (size === null ? [] : [{ lotId: lot.id, id, size, mark: mark.trim() }])),
  )
  const told = computed<Proposal | null>(() => {
    if (!request.value || !proposal.value || inHand.value.length === 0) return proposal.value
    const { question, fitted, response, rules, drawer } = request.value
    const lots = lotMap(withLotsInHand(drawer, inHand.value))
    const pack = inHand.value.reduce(withPieceInHand, proposal.value.pack)
    return proposalFor({ question, fitted, response, lots, required: rules.required ?? null }, pack)
  })
  return { pieces, inHand, told }
}
