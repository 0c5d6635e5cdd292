<script setup lang="ts">
import type { PackChoice } from '#core/choice/answer/chooser/choose'
import { formatLength } from '#core/quantity/format-length'
import { changeWords } from '#core/pack/arithmetic'
import { lotMap, type Lot, type Pack } from '#core/pack/lot'
import { toldText, type Told } from '#core/choice/question/told'
import { unitName } from '#core/quantity/figure'
import { percent } from '#core/quantity/percent'
import { usePreferences } from '~/stores/preferences'

/** Up to five packs, best first; one is in hand. */
const props = defineProps<{
  choice: PackChoice | null
  note: string | null
  /** what the verdict says: it is not said again */
  said: string
  busy: boolean
  fitted: Pack
  lots: readonly Lot[]
  canFit: boolean
  /** what is predicted: end play, clearance */
  result: string
  /** how it is told, where that is no length */
  told?: Told
}>()
const picked = defineModel<number>('picked', { required: true })
defineEmits<{ fit: [] }>()
const preferences = usePreferences()
const notes = computed(() => (props.choice?.notes ?? []).filter(line => line !== props.said))
const untold = computed(() => props.told?.by === 'direction')
const show = (value: number) => toldText(value, props.told, preferences.unit)
const unit = computed(() => unitName(props.told?.by === 'slope' ? props.told.unit : preferences.unit))
/** Instead of the best, the next step of the drawer either way: `a step less 1.0, a step more 5.0`. */
const beside = computed(() => {
  const { less = null, more = null } = props.choice?.beside ?? {}
  return [...(less === null ? [] : [`a step less ${show(less)}`]), ...(more === null ? [] : [`a step more ${show(more)}`])].join(', ')
})
const index = computed(() => lotMap(props.lots))
const changes = (at: number) => props.choice!.proposals[at]!.change.out.length + props.choice!.proposals[at]!.change.in.length > 0
</script>

<template>
  <section aria-label="Proposals" class="@container" data-test="proposals">
    <p v-if="note && note !== said" class="py-2 text-[14px]" :class="choice?.proposals.length ? 'text-near' : 'text-mute'">{{ note }}</p>
    <p v-for="line in notes" :key="line" class="py-1 text-[14px] text-near">{{ line }}</p>
    <p v-if="choice && !choice.proven" class="py-1 text-[14px] text-near">
      Too many packs come out alike to try them all: better ones may exist.
    </p>
    <p v-if="busy && !choice" class="py-2 text-mute">Going through the drawer …</p>
    <ol v-if="choice" class="border-b rule">
      <li
        v-for="(proposal, i) in choice.proposals"
        :key="proposal.order.join()"
        class="flex flex-wrap items-center justify-end gap-x-3 border-t rule"
        :class="picked === i ? 'rounded-md !border-t-transparent bg-sheet outline-2 outline-accent' : ''"
      >
        <button
          type="button"
          class="grid min-h-11 min-w-0 flex-1 basis-72 cursor-pointer grid-cols-[1.5rem_1fr_4rem] items-center gap-x-3 @lg:grid-cols-[1.5rem_1fr_auto_4rem] px-2.5 py-1 text-left"
          :aria-pressed="picked === i"
          @click="picked = i"
        >
          <span class="figure text-mute">{{ i + 1 }}</span>
          <span class="col-span-2 min-w-0 text-[14.5px] @lg:col-span-1">
            <span :class="picked === i ? 'font-bold' : ''">{{ changeWords(fitted, proposal.pack, index, preferences.unit) }}</span>
            <span class="text-[13px] text-mute">
              · {{ told ? `${formatLength(proposal.total, preferences.unit, { unit: true })} in all, ` : '' }}{{ proposal.pieces }}
              {{ proposal.pieces === 1 ? 'piece' : 'pieces' }}{{ proposal.unmeasured ? `, ${proposal.unmeasured} unmeasured` : ''
              }}{{ proposal.like ? `, and ${proposal.like} like it` : ''
              }}{{ proposal.predicted.rests === 'before' ? ', read before' : '' }}</span
            >
            <span v-for="other in proposal.also" :key="other.id" class="block text-[13px] text-mute"
              >{{ other.label }} then {{ other.atMost ? 'at most ' : '' }}{{ formatLength(other.play, preferences.unit, { unit: true })
              }}{{ other.chance ? `, ${percent(other.chance.inside)}` : '' }}</span
            >
          </span>
          <span class="figure col-start-2 whitespace-nowrap text-[15px] @lg:col-start-3">{{
            untold
              ? ''
              : proposal.atMost
                ? `≤ ${show(proposal.predicted.play)}`
                : `${show(proposal.predicted.play)} ± ${show(proposal.predicted.U)}`
          }}</span>
          <span
            class="figure text-right text-[14px]"
            :class="
              !proposal.chance
                ? 'text-mute'
                : proposal.chance.inside >= 0.95
                  ? 'text-in'
                  : proposal.chance.inside >= 0.5
                    ? 'text-near'
                    : 'text-out'
            "
            >{{ untold ? '' : proposal.chance ? percent(proposal.chance.inside) : '–' }}</span
          >
        </button>
        <button
          v-if="picked === i && canFit && changes(i)"
          type="button"
          class="button primary mr-1 mb-1 min-h-11 @lg:mb-0 @lg:min-h-10"
          @click="$emit('fit')"
        >
          Fit this
        </button>
      </li>
    </ol>
    <p v-if="choice?.proposals.length && !untold" class="mt-1 text-right text-[12.5px] text-mute">
      <span v-if="beside" class="float-left" data-test="beside">{{ beside }}</span>
      predicted {{ result.toLowerCase() }}, {{ unit }} · chance in limits
    </p>
  </section>
</template>
