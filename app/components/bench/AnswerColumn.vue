<script setup lang="ts">
import type { CheckDocument } from '#core/check/document'
import type { CheckEvaluation } from '#core/check/evaluate/evaluate-check'
import { checkKind } from '#core/check/registry'
import type { Phase } from '#core/method/step'
import { useKindView } from '~/components/bench/kinds/views'
import type { useCommand } from '~/composables/bench/useCommand'
import type { useFitting } from '~/composables/bench/useFitting'
import type { useShown } from '~/composables/bench/useShown'
import { useBench } from '~/stores/bench'
import type { CheckBody } from '#shared/writes'

/** The right of the bench: what the readings come to, and what to do about it in the phase that is open. */
const props = defineProps<{
  document: CheckDocument
  evaluation: CheckEvaluation
  phase: Phase
  look: ReturnType<typeof useShown>
  fitting: ReturnType<typeof useFitting>
  writes: ReturnType<typeof useCommand>
  windowWords: string | null
  /** what the verdict says */
  sentence: string
  locked: boolean
  /** a reading is being typed: nothing is fitted before it is logged */
  typing: boolean
}>()
defineEmits<{
  /** pieces taken together, at a point */ take: [string, readonly string[]]
  /** the cursor goes back to the reading */ leave: []
}>()
const bench = useBench()
const { several, picked: pickedResult, shown, place, pickedPlace, row } = props.look
const { choice, choosing, picked, proposal, ownPack, takeOwn, asking, ask, askSame, fitAll } = props.fitting
const { busy, said, command } = props.writes
/** What this kind chooses that is no pack from the drawer. */
const view = useKindView(() => props.document.kind)
const ownChoice = computed(() => view.value?.choice)
/** Nothing is chosen: a part is set, or worked, to a figure. */
const worked = computed(() => props.evaluation.places.length === 0 && checkKind(props.document.kind).works !== undefined)
const choosingHere = computed(() => props.phase === 'choose' && (ownChoice.value || (row.value.length > 1 && place.value !== null)))

const sign = ({ by, reason, accepts }: Omit<CheckBody<'sign-off'>, 'reason'> & { readonly reason: string }) =>
  command('sign-off', { by, ...(reason ? { reason } : {}), ...(accepts?.length ? { accepts } : {}) })
</script>

<template>
  <div>
    <LazyTargetPanel v-if="phase === 'choose' && !place && worked && !ownChoice" class="mb-6" :evaluation="evaluation" />
    <LazyResultPanel
      v-if="several && !choosingHere"
      :evaluation="evaluation"
      :row="row"
      :phase="phase"
      :shown="shown.id"
      @pick="pickedResult = $event"
    />
    <LazyProvePanel
      v-if="phase === 'prove'"
      :evaluation="evaluation"
      :document="document"
      :shown="shown"
      :place="place"
      :lots="bench.lots"
      :fault="said"
      :busy="busy"
      @sign="sign"
      @reopen="command('reopen', $event)"
      @clear="command('clearings', $event)"
    />
    <LazyCataloguePanel
      v-else-if="phase === 'choose' && place?.place.chosen.by === 'catalogue'"
      :document="document"
      :evaluation="evaluation"
      :place="place.place"
      :lots="bench.lots"
      :locked="locked"
      :typing="typing"
      :busy="busy"
      :fault="said"
      :command="command"
      @fit="fitAll([{ place: place!.place.id, pieces: $event.pieces }], [], false, $event.setting)"
    />
    <PlacePanel
      v-else-if="place && place.place.chosen.by !== 'catalogue' && (!several || phase === 'choose')"
      v-model:picked="picked"
      :own-pack="ownPack"
      :proposal="proposal"
      :document="document"
      :evaluation="evaluation"
      :place="place"
      :choice="choice"
      :choosing="choosing"
      :phase="phase"
      :locked="locked"
      :typing="typing"
      :busy="busy"
      :window-words="windowWords"
      :sentence="sentence"
      :fault="asking ? null : said"
      :command="command"
      @fit="ask"
      @again="askSame"
      @fit-all="fitAll($event)"
      @own="takeOwn"
      @look="pickedPlace = $event"
    />
    <component
      :is="ownChoice"
      v-else-if="phase === 'choose' && ownChoice"
      :document="document"
      :evaluation="evaluation"
      :locked="locked"
      @take="(at: string, pieces: readonly string[]) => $emit('take', at, pieces)"
      @leave="$emit('leave')"
    />
    <p v-else-if="!place && !ownChoice && !worked" class="text-mute">
      This check measures and judges; there is nothing to choose. Sign it off under Prove.
    </p>
    <component :is="view.plot" v-if="view?.plot" class="mt-4" :document="document" :evaluation="evaluation" :phase="phase" />
  </div>
</template>
