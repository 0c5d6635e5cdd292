<script setup lang="ts">
import type { CheckKind } from '#core/check/contract'
import { fieldsFor, lengthIn, type Setup, type SetupField } from '#core/check/setup'
import { unitFor } from '#core/quantity/format-length'
import type { Exact } from '#core/quantity/figure'
import { marksText, parseMarks } from '#core/quantity/marks'
import type { UnitSystem } from '#core/quantity/length'
import type { Torque } from '#core/quantity/measure'
import { BAD_PRICE, money, parseMoney } from '~/composables/words/money'
import { faultAt } from '~/composables/server/useApi'
import type { Fault } from '#shared/types'

/** What a kind asks when a check is set up: choices, counts and lengths, each with its fault beside it. */
const props = defineProps<{
  kind: CheckKind
  setup: Setup
  unitSystem: UnitSystem
  /** ids of the fields that are asked; left out: all that are asked in Set up */
  only?: readonly string[]
  disabled: boolean
  /** the pack was changed: only free fields may move */
  settled: boolean
  /** but what carries the sign of the pieces may be mended, with a reason */
  mendable?: boolean
  faults: readonly Fault[]
}>()
const emit = defineEmits<{ change: [setup: Record<string, string>, reason?: string] }>()
const fields = computed(() =>
  fieldsFor(props.kind.setupFields, props.setup).filter(({ id, askedWith }) => props.only?.includes(id) ?? !askedWith),
)
const fixed = (field: SetupField) => props.settled && !field.free
const mends = (field: SetupField) => fixed(field) && field.sign === true && props.mendable === true && !props.disabled
const off = (field: SetupField) => props.disabled || (fixed(field) && !mends(field))
/** The other value of a field that carries the sign, waiting for its reason. */
const mending = ref<{ readonly id: string; readonly value: string } | null>(null)
const why = ref('')
function choose(field: SetupField, to: string): void {
  if (mends(field)) mending.value = { id: field.id, value: to }
  else emit('change', { [field.id]: to })
}
function mend(): void {
  if (!mending.value || why.value.trim() === '') return
  emit('change', { [mending.value.id]: mending.value.value }, why.value.trim())
  mending.value = null
  why.value = ''
}
const value = (event: Event) => (event.target as HTMLSelectElement).value
/** What a figure of a torque may be in. */
const TORQUES = { anyOf: ['ft·lb', 'in·lb', 'N·m'] } as const
/** A length or a torque, in whole small units. */
function figure(id: string, given: Exact | null): void {
  const text = given === null ? '' : String(given)
  if (text !== (props.setup[id] ?? '')) emit('change', { [id]: text })
}
/** What is wrong with marks as they were typed; null: nothing. */
const badMarks = ref<string | null>(null)
function marked(id: string, text: string): void {
  const read = parseMarks(text)
  badMarks.value = read.ok ? null : read.reason
  if (read.ok) emit('change', { [id]: read.marks.join(' ') })
}
const badPrice = ref('')
function price(id: string, text: string): void {
  const coins = parseMoney(text)
  badPrice.value = coins === undefined ? id : ''
  if (coins !== undefined) emit('change', { [id]: coins === null ? '' : String(coins) })
}
</script>

<template>
  <p v-if="!disabled && fields.some(fixed)" class="text-[12.5px] text-mute" data-test="fixed">
    What is grey is fixed since the pack was changed: it says what was measured.
  </p>
  <div v-for="field in fields" :key="field.id">
    <FigureField
      v-if="field.kind === 'length'"
      :model-value="lengthIn(setup, field.id)"
      :label="field.label"
      :unit="unitFor(unitSystem, field.scale ?? 'size')"
      :optional="field.optional ?? false"
      :fault="faultAt(faults, `settings.setup.${field.id}`)"
      :disabled="off(field)"
      lazy
      @update:model-value="given => figure(field.id, given)"
    />
    <FigureField
      v-else-if="field.kind === 'torque'"
      :model-value="setup[field.id] ? (Number(setup[field.id]) as Torque) : null"
      :label="field.label"
      :unit="unitSystem === 'metric' ? 'N·m' : field.small ? 'in·lb' : 'ft·lb'"
      v-bind="field.asksUnit ? { options: TORQUES } : {}"
      optional
      :fault="faultAt(faults, `settings.setup.${field.id}`)"
      :disabled="off(field)"
      lazy
      @update:model-value="given => figure(field.id, given)"
    />
    <template v-else>
      <label class="label mb-1 block" :for="`setup-${field.id}`">{{ field.label }}</label>
      <select
        v-if="field.kind === 'choice'"
        :id="`setup-${field.id}`"
        class="field"
        :value="mending?.id === field.id ? mending.value : (setup[field.id] ?? kind.defaultSetup[field.id])"
        :disabled="off(field)"
        @change="choose(field, value($event))"
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
        placeholder="not said"
        :text="setup[field.id] ? money(Number(setup[field.id])) : ''"
        :disabled="off(field)"
        :aria-invalid="badPrice === field.id"
        :data-refused="badPrice === field.id || undefined"
        @keep="text => price(field.id, text)"
      />
      <TextField
        v-else-if="field.kind === 'ratio'"
        :id="`setup-${field.id}`"
        class="figure"
        type="text"
        inputmode="decimal"
        :text="setup[field.id] ?? kind.defaultSetup[field.id] ?? ''"
        :disabled="off(field)"
        :aria-invalid="faultAt(faults, `settings.setup.${field.id}`) !== undefined"
        @keep="text => emit('change', { [field.id]: text.trim().replace(',', '.') })"
      />
      <TextField
        v-else-if="field.kind === 'text'"
        :id="`setup-${field.id}`"
        type="text"
        maxlength="40"
        :text="setup[field.id] ?? kind.defaultSetup[field.id]!"
        :disabled="off(field)"
        :aria-invalid="faultAt(faults, `settings.setup.${field.id}`) !== undefined"
        @keep="text => emit('change', { [field.id]: text })"
      />
      <TextField
        v-else-if="field.kind === 'marks'"
        :id="`setup-${field.id}`"
        class="figure"
        type="text"
        :text="marksText((setup[field.id] ?? kind.defaultSetup[field.id]!).split(' ').map(Number))"
        :disabled="off(field)"
        :aria-invalid="badMarks !== null"
        :data-refused="badMarks !== null || undefined"
        @keep="text => marked(field.id, text)"
      />
      <TextField
        v-else-if="field.kind === 'count'"
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
      <p v-if="field.kind === 'marks' && badMarks" class="fault">{{ badMarks }}</p>
      <p v-if="faultAt(faults, `settings.setup.${field.id}`)" class="fault">
        {{ faultAt(faults, `settings.setup.${field.id}`) }}
      </p>
    </template>
    <form v-if="mending?.id === field.id" class="mt-1 flex flex-wrap items-end gap-2" novalidate @submit.prevent="mend">
      <label class="label min-w-0 flex-1"
        >Why it is changed after a fitting
        <input v-model="why" class="field mt-1" maxlength="200" autocomplete="off" data-test="mend-reason" />
      </label>
      <button type="submit" class="button" :disabled="why.trim() === ''">Change it</button>
    </form>
    <p v-else-if="mends(field)" class="mt-0.5 text-[12.5px] text-near">The play went the other way than the pack: this may be wrong.</p>
    <p v-if="field.hint" class="mt-0.5 text-[12.5px] text-mute">{{ field.hint }}</p>
  </div>
</template>
