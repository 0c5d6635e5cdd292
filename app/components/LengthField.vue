<script setup lang="ts">
import { parseLength, type Choice, type EntryOptions } from '#core/quantity/parse-length'
import { exactText } from '~/composables/sizeText'
import { formatLength, otherUnit } from '#core/quantity/format-length'
import { NM_PER, UNIT_NAME, type LengthUnit, type Nm } from '#core/quantity/length'

/** One length as it is typed: understands every unit, shows the other system beside it, asks when it can be read two ways. */
const props = defineProps<{
  label: string
  unit: LengthUnit
  options?: EntryOptions
  fault?: string
  optional?: boolean
  hideLabel?: boolean
  /** narrow: nothing beside the figure */
  plain?: boolean
  disabled?: boolean
  /** hand the figure on when the field is left, not at every key */
  lazy?: boolean
}>()
const model = defineModel<Nm | null>({ required: true })
const length = ref<Nm | null>(model.value)
watch(model, value => {
  length.value = value
})
watch(length, value => {
  if (!props.lazy && value !== model.value) model.value = value
})
const leave = () => {
  if (length.value !== model.value && (blank.value || length.value !== null)) model.value = length.value
}
const text = ref(length.value === null ? '' : exactText(length.value, props.unit))
const id = useId()
const asked = ref<string | null>(null)

watch(length, value => {
  const entry = parseLength(text.value, props.unit, props.options)
  if (value !== null && !(entry.ok && entry.value === value) && asked.value === null) text.value = exactText(value, props.unit)
  if (value === null && entry.ok) text.value = ''
})
watch(
  () => props.unit,
  unit => {
    if (length.value === null) return
    typed.value = false
    text.value = exactText(length.value, unit)
  },
)

const entry = computed(() => parseLength(text.value, props.unit, props.options))
const blank = computed(() => text.value.trim() === '')
/** Only what was typed is questioned, never a figure that was put there. */
const typed = ref(false)
const choices = computed<readonly Choice[]>(() =>
  typed.value && !entry.value.ok && asked.value !== text.value ? (entry.value.choices ?? []) : [],
)
const reason = computed(() => {
  if (blank.value || !typed.value || asked.value === text.value) return props.fault
  return entry.value.ok ? props.fault : entry.value.reason
})
const beside = computed(() =>
  length.value === null
    ? UNIT_NAME[props.unit]
    : `${UNIT_NAME[props.unit]} · ${formatLength(length.value, otherUnit(props.unit), { unit: true, fine: Math.abs(length.value) < NM_PER.thou })}${entry.value.ok && entry.value.rounded ? ', rounded' : ''}`,
)

function onInput(): void {
  typed.value = true
  asked.value = null
  length.value = entry.value.ok ? entry.value.value : null
}
function pick(choice: Choice): void {
  asked.value = text.value
  length.value = choice.value
  if (props.lazy) model.value = choice.value
}
</script>

<template>
  <div>
    <label :for="id" class="label mb-1 block" :class="{ 'sr-only': hideLabel }"
      >{{ label }}<span v-if="optional" class="font-normal"> (may be left out)</span>
    </label>
    <div class="relative">
      <input
        :id="id"
        v-model="text"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        :class="plain ? '' : 'pr-32'"
        class="field figure"
        :aria-invalid="reason !== undefined"
        :aria-describedby="`${id}-note`"
        :disabled="disabled"
        @input="onInput"
        @change="leave"
      />
      <span v-if="!plain" class="pointer-events-none absolute inset-y-0 right-3 flex items-center text-xs text-mute">{{ beside }}</span>
    </div>
    <div :id="`${id}-note`" class="fault">
      <p v-if="reason">{{ reason }}</p>
      <div v-if="choices.length" class="mt-1 flex flex-wrap gap-2">
        <button v-for="choice in choices" :key="choice.label" type="button" class="button min-h-9" @click="pick(choice)">
          {{ choice.label }}
        </button>
      </div>
    </div>
  </div>
</template>
