<script setup lang="ts">
import type { CheckKind } from '#core/check/contract'
import { fieldsFor, lengthIn, type Setup } from '#core/check/setup'
import { unitFor } from '#core/quantity/format-length'
import type { Nm, UnitSystem } from '#core/quantity/length'
import { BAD_PRICE, money, parseMoney } from '~/composables/money'
import { faultAt } from '~/composables/useApi'
import type { Fault } from '#shared/types'

/** What a kind asks when a check is set up: choices, counts and lengths, each with its fault beside it. */
const props = defineProps<{
  kind: CheckKind
  setup: Setup
  unitSystem: UnitSystem
  disabled: boolean
  /** the pack was changed: only free fields may move */
  settled: boolean
  faults: readonly Fault[]
}>()
const emit = defineEmits<{ change: [Record<string, string>] }>()
const fields = computed(() => fieldsFor(props.kind.setupFields, props.setup))
const off = (field: { readonly free?: boolean }) => props.disabled || (props.settled && !field.free)
const value = (event: Event) => (event.target as HTMLSelectElement).value
function length(id: string, given: Nm | null): void {
  const text = given === null ? '' : String(given)
  if (text !== (props.setup[id] ?? '')) emit('change', { [id]: text })
}
const badPrice = ref('')
function price(id: string, text: string): void {
  const coins = parseMoney(text)
  badPrice.value = coins === undefined ? id : ''
  if (coins !== undefined) emit('change', { [id]: coins === null ? '' : String(coins) })
}
</script>

<template>
  <div v-for="field in fields" :key="field.id">
    <template v-if="field.kind === 'length'">
      <LengthField
        :model-value="lengthIn(setup, field.id)"
        :label="field.label"
        :unit="unitFor(unitSystem, 'size')"
        :optional="field.optional ?? false"
        :fault="faultAt(faults, `settings.setup.${field.id}`)"
        :disabled="off(field)"
        lazy
        @update:model-value="given => length(field.id, given)"
      />
    </template>
    <template v-else>
      <label class="label mb-1 block" :for="`setup-${field.id}`">{{ field.label }}</label>
      <select
        v-if="field.kind === 'choice'"
        :id="`setup-${field.id}`"
        class="field"
        :value="setup[field.id] ?? kind.defaultSetup[field.id]"
        :disabled="off(field)"
        @change="emit('change', { [field.id]: value($event) })"
      >
        <option v-for="option in field.options" :key="option.value" :value="option.value">
          {{ option.label }}{{ option.hint ? ` (${option.hint})` : '' }}
        </option>
      </select>
      <TextField
        v-else-if="field.kind === 'celsius'"
        :id="`setup-${field.id}`"
        class="figure"
        type="text"
        inputmode="decimal"
        :text="setup[field.id] ?? kind.defaultSetup[field.id] ?? ''"
        :disabled="off(field)"
        :aria-invalid="faultAt(faults, `settings.setup.${field.id}`) !== undefined"
        @keep="text => emit('change', { [field.id]: text })"
      />
      <TextField
        v-else-if="field.kind === 'price'"
        :id="`setup-${field.id}`"
        class="figure"
        type="text"
        inputmode="decimal"
        placeholder="no price"
        :text="setup[field.id] ? money(Number(setup[field.id])) : ''"
        :disabled="off(field)"
        :aria-invalid="badPrice === field.id"
        @keep="text => price(field.id, text)"
      />
      <TextField
        v-else
        :id="`setup-${field.id}`"
        class="figure"
        type="number"
        :min="field.least"
        :max="field.most"
        :text="setup[field.id] ?? ''"
        :disabled="off(field)"
        @keep="text => emit('change', { [field.id]: text })"
      />
      <p v-if="badPrice === field.id" class="fault">{{ BAD_PRICE }}</p>
      <p v-if="faultAt(faults, `settings.setup.${field.id}`)" class="fault">{{ faultAt(faults, `settings.setup.${field.id}`) }}</p>
    </template>
    <p v-if="field.hint" class="mt-0.5 text-[12.5px] text-mute">{{ field.hint }}</p>
  </div>
</template>
