<script setup lang="ts">
import type { Proposal } from '#core/pack/chooser/choose'
import { lotMap, thickness, type Lot, type Pack } from '#core/pack/lot'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { usePreferences } from '~/stores/preferences'

/** The change of a pack, piece by piece. Stock moves when it is confirmed. */
const props = defineProps<{
  open: boolean
  proposal: Proposal | null
  lots: readonly Lot[]
  busy: boolean
  fault: string | null
  /** what speaks against it is a promise to another check */
  promised: boolean
  place: string
}>()
defineEmits<{ close: []; done: []; claim: [] }>()
const preferences = usePreferences()
const index = computed(() => lotMap(props.lots))
const size = (id: string) => formatLength(thickness(index.value.get(id)!), preferences.unit, { trim: true })
const name = (id: string) =>
  [
    `${size(id)} ${UNIT_NAME[preferences.unit]}`,
    index.value.get(id)!.mark && `mark ${index.value.get(id)!.mark}`,
    index.value.get(id)!.colour,
  ]
    .filter(Boolean)
    .join(', ')
const list = (pack: Pack) =>
  pack.map(piece => ({ ...piece, name: name(piece.lotId), unmeasured: index.value.get(piece.lotId)!.measured === null }))
</script>

<template>
  <PlainDialog :open="open && proposal !== null" title="Change the pack" @close="$emit('close')">
    <div v-if="proposal" class="space-y-3">
      <div v-if="proposal.change.out.length">
        <h3 class="label">Take out, and bag for the drawer: {{ place }}</h3>
        <ul class="list-disc pl-5">
          <li v-for="piece in list(proposal.change.out)" :key="piece.lotId">{{ piece.count }} × {{ piece.name }}</li>
        </ul>
      </div>
      <div v-if="proposal.change.in.length">
        <h3 class="label">Put in, from the drawer</h3>
        <ul class="list-disc pl-5">
          <li v-for="piece in list(proposal.change.in)" :key="piece.lotId">
            {{ piece.count }} × {{ piece.name
            }}<span v-if="piece.unmeasured" class="text-near"> · nobody measured this one: measure it first</span>
          </li>
        </ul>
      </div>
      <div>
        <h3 class="label">Stack in this order</h3>
        <p class="figure">{{ proposal.order.map(size).join(' · ') || 'no pieces' }}</p>
      </div>
      <p class="caution">Clean and dry, every piece flat. Tighten as the maker’s manual says before measuring again.</p>
      <p>
        It will leave
        <strong v-if="proposal.atMost" class="figure"
          >at most {{ formatLength(proposal.predicted.play, preferences.unit, { unit: true }) }}</strong
        >
        <strong v-else class="figure"
          >{{ formatLength(proposal.predicted.play, preferences.unit) }} ±
          {{ formatLength(proposal.predicted.U, preferences.unit, { unit: true }) }}</strong
        >. <span class="text-mute">{{ proposal.arithmetic }}</span>
      </p>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <div class="flex gap-3">
        <button v-if="promised" type="button" class="button primary" :disabled="busy" @click="$emit('claim')">
          Take them from there: the pack is changed
        </button>
        <button v-else type="button" class="button primary" :disabled="busy" @click="$emit('done')">The pack is changed</button>
        <button type="button" class="button" @click="$emit('close')">Not yet</button>
      </div>
    </div>
  </PlainDialog>
</template>
