import { computed, ref, watch, type Ref } from 'vue'
import type { CatalogueEntry } from '#core/check/catalogue'
import type { PlaceEvaluation } from '#core/check/evaluate/evaluate-place'
import { proposalFor, type Proposal } from '#core/choice/answer/chooser/proposal'
import type { PieceInHand } from '#core/pack/in-hand'
import { lotMap, type Pack } from '#core/pack/lot'
import { useBench } from '~/stores/bench'
import { useChooser } from './useChooser'
import type { useCommand } from './useCommand'

interface Fitting {
  /** the place looked at */
  readonly place: Ref<PlaceEvaluation | null>
  /** nothing can be fitted: it is signed */
  readonly closed: Ref<boolean>
  /** a reading is being typed: it comes first */
  readonly typing: Ref<boolean>
  readonly command: ReturnType<typeof useCommand>
  /** after a pack was changed */
  readonly done: () => void
}

/** The packs for the place looked at, the one in hand, and putting it in. */
export function useFitting({ place, closed, typing, command: { command, faults }, done }: Fitting) {
  const bench = useBench()
  /** What the chooser is asked; a place that is filled from a catalogue has its own list. */
  const question = computed(() => (place.value && place.value.place.chosen.by !== 'catalogue' ? place.value.request : null))
  const { choice, busy: choosing } = useChooser(computed(() => (closed.value ? null : question.value)))
  /** The technician's own pack for the place looked at; null: one of the proposals is in hand. */
  const own = ref<{ readonly place: string; readonly pack: Pack } | null>(null)
  const picked = ref(0)
  const pick = (at: number) => {
    if (choice.value?.proposals[at]) picked.value = at
    own.value = null
  }
  watch(
    () => choice.value?.proposals.map(({ order }) => order.join()).join('|'),
    () => {
      if (!own.value) pick(0)
    },
  )
  const ownPack = computed(() => (own.value && own.value.place === place.value?.place.id ? own.value.pack : null))
  function takeOwn(pack: Pack | null): void {
    own.value = pack && place.value ? { place: place.value.place.id, pack } : null
  }
  const proposal = computed<Proposal | null>(() => {
    const request = question.value
    if (!request) return null
    if (!ownPack.value) return choice.value?.proposals[picked.value] ?? null
    return proposalFor({ ...request, lots: lotMap(request.drawer), required: request.rules.required ?? null }, ownPack.value)
  })

  /** The pack is to be changed: what comes out and goes in is shown once more. */
  const asking = ref(false)
  function ask(): void {
    faults.value = []
    const change = proposal.value?.change
    if (!closed.value && change && change.in.length + change.out.length > 0 && !typing.value) asking.value = true
  }
  /** Taken apart and built again with what was in it: it is measured anew, and held against what it was. */
  function askSame(): void {
    takeOwn(question.value?.fitted ?? null)
    faults.value = []
    asking.value = !closed.value && !typing.value && ownPack.value !== null
  }
  function cancel(): void {
    asking.value = false
    if (proposal.value?.change.in.length === 0 && proposal.value.change.out.length === 0) takeOwn(null)
  }
  /** One or several places in one fitting. @param setting  what is set by hand with them */
  async function fitAll(
    packs: readonly { readonly place: string; readonly pieces: Pack }[],
    inHand: readonly PieceInHand[] = [],
    claim = false,
    setting: CatalogueEntry['setting'] = null,
  ): Promise<void> {
    const more = { ...(claim ? { claim } : {}), ...(inHand.length > 0 ? { inHand } : {}) }
    const onto = bench.current!.id
    if (!(await command('fittings', ({ id }) => ({ trialId: id, onto, packs, ...more })))) return
    asking.value = false
    own.value = null
    // What was set with it is noted as it was proposed; set otherwise, it is typed anew.
    if (setting) bench.logReading(setting, 'how it was set')
    done()
  }
  /**
   * @param inHand  pieces that were measured on the way
   * @param claim  pieces promised to another check are taken from there
   */
  async function fit(inHand: readonly PieceInHand[], claim = false): Promise<void> {
    if (proposal.value) await fitAll([{ place: place.value!.place.id, pieces: proposal.value.pack }], inHand, claim)
  }

  return { choice, choosing, picked, pick, proposal, ownPack, takeOwn, asking, ask, askSame, cancel, fit, fitAll }
}
