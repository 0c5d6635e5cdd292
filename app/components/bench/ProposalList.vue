<script setup lang="ts">
import type { PackChoice } from '#core/pack/chooser/choose'
import { formatLength } from '#core/quantity/format-length'
import { UNIT_NAME } from '#core/quantity/length'
import { changeWords } from '#core/pack/arithmetic'
import { lotMap, type Lot, type Pack } from '#core/pack/lot'
import { usePreferences } from '~/stores/preferences'

/** Up to five packs, best first; one is in hand. */
const props = defineProps<{ choice: PackChoice | null, note: string | null, busy: boolean, fitted: Pack, lots: readonly Lot[], canFit: boolean, window: string | null }>()
const picked = defineModel<number>('picked', { required: true })
defineEmits<{ fit: [] }>()
const preferences = usePreferences()
const index = computed(() => lotMap(props.lots))
const percent = (value: number) => (value > 0.995 ? '> 99 %' : value < 0.005 ? '< 1 %' : `${Math.round(value * 100)} %`)
const same = (at: number) => { const { out, in: put } = props.choice!.proposals[at]!.change; return out.length + put.length === 0 }
</script>

<template>
  <section aria-label="Proposals" data-test="proposals">
    <p v-if="window" class="mb-1 text-[13.5px] text-mute">{{ window }}</p>
    <p v-if="note" class="py-2 text-[14px]" :class="choice?.proposals.length ? 'text-near' : 'text-mute'">{{ note }}</p>
    <p v-for="line in choice?.notes ?? []" :key="line" class="py-1 text-[14px] text-near">{{ line }}</p>
    <p v-if="choice && !choice.proven" class="py-1 text-[14px] text-near">Too many packs tie to try them all: better ones may exist.</p>
    <p v-if="busy && !choice" class="py-2 text-mute">Going through the drawer …</p>
    <ol v-if="choice" class="border-b rule">
      <li v-for="(proposal, i) in choice.proposals" :key="proposal.order.join()" class="flex items-center gap-3 border-t rule" :class="picked === i ? 'rounded-md !border-t-transparent bg-sheet outline-2 outline-accent' : ''">
        <button type="button" class="grid min-h-13 min-w-0 flex-1 cursor-pointer grid-cols-[1.5rem_1fr_auto_4rem] items-center gap-x-3 px-2.5 py-1 text-left" :aria-pressed="picked === i" @click="picked = i">
          <span class="figure text-mute">{{ i + 1 }}</span>
          <span class="min-w-0 text-[14.5px]"><span :class="picked === i ? 'font-bold' : ''">{{ changeWords(fitted, proposal.pack, index, preferences.unit) }}</span><span class="text-[13px] text-mute"> · {{ proposal.pieces }} in the pack{{ proposal.unmeasured ? `, ${proposal.unmeasured} unmeasured` : '' }}{{ proposal.tied ? ', ties' : '' }}</span></span>
          <span class="figure whitespace-nowrap text-[15px]">{{ formatLength(proposal.predicted.play, preferences.unit) }} ± {{ formatLength(proposal.predicted.U, preferences.unit) }}</span>
          <span class="figure text-right text-[14px]" :class="!proposal.chance ? 'text-mute' : proposal.chance.inside >= 0.95 ? 'text-in' : proposal.chance.inside >= 0.5 ? 'text-near' : 'text-out'">{{ proposal.chance ? percent(proposal.chance.inside) : '–' }}</span>
        </button>
        <button v-if="picked === i && canFit && !same(i)" type="button" class="button primary mr-2" @click="$emit('fit')">Fit this</button>
      </li>
    </ol>
    <p v-if="choice?.proposals.length" class="mt-1 text-right text-[12.5px] text-mute">predicted play, {{ UNIT_NAME[preferences.unit] }} · chance in limits</p>
  </section>
</template>
