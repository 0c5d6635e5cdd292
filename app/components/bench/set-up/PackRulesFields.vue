<script setup lang="ts">
import { MOST_PIECES, type MeritOrder } from '#core/choice/question/rules'
import { markedText } from '#core/quantity/format-length'
import type { CheckDocument } from '#core/check/document'
import { REFIT_COST } from '#core/check/sentence/advice'
import type { Lot } from '#core/pack/lot'
import type { Nm } from '#core/quantity/length'
import { faultAt } from '~/composables/server/useApi'
import type { Fault } from '#shared/types'
import type { CheckSettings } from '#shared/writes'

/** Rules of the pack a check sets; what its place rules by itself is not asked. */
const props = defineProps<{
  document: CheckDocument
  /** pieces the place takes */
  capacity: { readonly fewest: number; readonly most: number }
  lots: readonly Lot[]
  locked: boolean
  faults: readonly Fault[]
}>()
const emit = defineEmits<{ keep: [CheckSettings] }>()
const refit = ref<Nm | null>(props.document.uRefit)
/** Only what changed goes over: two fields left in haste must not undo each other. */
const keepRules = (packRules: CheckSettings['packRules']) => emit('keep', { packRules })
const largest = ref<Nm | null>(props.document.packRules.largestStack ?? null)
function keepLargest(): void {
  if ((largest.value ?? undefined) !== props.document.packRules.largestStack) keepRules({ largestStack: largest.value })
}
const value = (event: Event) => (event.target as HTMLSelectElement).value
const checked = (event: Event) => (event.target as HTMLInputElement).checked
</script>

<template>
  <fieldset class="space-y-2" :disabled="locked">
    <legend class="label mb-1">Pack</legend>
    <div class="grid grid-cols-2 gap-2">
      <div v-if="capacity.fewest < capacity.most">
        <label class="label mb-1 block" for="setup-most">Most pieces</label>
        <TextField
          id="setup-most"
          class="figure"
          type="number"
          min="1"
          max="20"
          :text="document.packRules.most ?? MOST_PIECES"
          @keep="text => keepRules({ most: Number(text) })"
        />
        <p v-if="faultAt(faults, 'settings.packRules.most')" class="fault">{{ faultAt(faults, 'settings.packRules.most') }}</p>
      </div>
      <div>
        <label class="label mb-1 block" for="setup-order">After the aim, prefer</label>
        <select
          id="setup-order"
          class="field"
          :value="document.packRules.order ?? 'trouble'"
          @change="keepRules({ order: value($event) as MeritOrder })"
        >
          <option value="trouble">least trouble</option>
          <option value="pieces">fewer pieces</option>
          <option value="changes">fewer changes</option>
          <option value="cost">lower cost</option>
        </select>
      </div>
    </div>
    <div class="grid grid-cols-2 gap-2">
      <div v-if="capacity.fewest < capacity.most">
        <label class="label mb-1 block" for="setup-fewest">Fewest pieces</label>
        <TextField
          id="setup-fewest"
          class="figure"
          type="number"
          min="0"
          max="20"
          :text="document.packRules.fewest ?? 0"
          @keep="text => keepRules({ fewest: Number(text) })"
        />
      </div>
      <div>
        <label class="label mb-1 block" for="setup-required">Always in the pack</label>
        <select
          id="setup-required"
          class="field"
          :value="document.packRules.required ?? ''"
          @change="keepRules({ required: value($event) || null })"
        >
          <option value="">no piece required</option>
          <option v-for="lot in lots" :key="lot.id" :value="lot.id">
            {{ [markedText(lot.nominal), lot.mark, lot.colour, lot.shape === 'flat' ? '' : lot.shape].filter(Boolean).join(', ') }}
          </option>
        </select>
      </div>
    </div>
    <FigureField
      v-if="capacity.fewest < capacity.most"
      v-model="largest"
      label="Largest stack"
      optional
      :unit="document.entryUnit"
      @focusout="keepLargest"
    />
    <label class="flex min-h-11 items-center gap-2 text-[14px]">
      <input
        type="checkbox"
        class="size-4"
        :checked="document.packRules.onlyRemove ?? false"
        @change="keepRules({ onlyRemove: checked($event) })"
      />only take pieces out of what is fitted</label
    >
    <label class="flex min-h-11 items-center gap-2 text-[14px]">
      <input
        type="checkbox"
        class="size-4"
        :checked="document.packRules.noUnmeasured ?? false"
        @change="keepRules({ noUnmeasured: checked($event) })"
      />put in measured pieces only</label
    >
    <FigureField
      v-model="refit"
      label="What taking apart and refitting does to a play"
      :unit="document.entryUnit"
      @focusout="refit !== null && refit !== document.uRefit && emit('keep', { uRefit: refit })"
    />
    <div>
      <label class="label mb-1 block" for="setup-refit-cost">A refit costs as much as so many readings</label>
      <TextField
        id="setup-refit-cost"
        class="figure"
        inputmode="numeric"
        :text="document.refitCost ?? REFIT_COST"
        @keep="text => emit('keep', { refitCost: Number(text) })"
      />
      <p v-if="faultAt(faults, 'settings.refitCost')" class="fault">{{ faultAt(faults, 'settings.refitCost') }}</p>
    </div>
  </fieldset>
</template>
