<script setup lang="ts" generic="U extends Unit">
import { formatFigure, parseFigure, unitName, type ExactIn, type Unit } from '#core/quantity/figure'
import { otherUnit } from '#core/quantity/format-length'
import { NM_PER } from '#core/quantity/length'
import type { Choice, EntryOptions } from '#core/quantity/question'
import { exactText } from '~/composables/words/sizeText'

/** One figure as it is typed: understands every unit of its quantity, shows the other system beside it, asks when it can be read two ways. */
const props = defineProps<{
  label: string
  unit: U
  options?: EntryOptions
  fault?: string
  /** by how much it differs, not how much it is */
  change?: boolean
  optional?: boolean
  hideLabel?: boolean
  /** narrow: nothing beside the figure */
  plain?: boolean
  disabled?: boolean
  /** hand the figure on when the field is left, not at every key */
  lazy?: boolean
}>()
const model = defineModel<ExactIn<U> | null>({ required: true })
const figure = ref<ExactIn<U> | null>(model.value)
watch(model, value => {
  figure.value = value
})
watch(figure, value => {
  if (!props.lazy && value !== model.value) model.value = value
})
const leave = () => {
  if (figure.value !== model.value && (blank.value || figure.value !== null)) model.value = figure.value
}
const text = ref(figure.value === null ? '' : exactText(figure.value, props.unit, props.change))
const id = useId()
const asked = ref<string | null>(null)
const read = () => parseFigure(text.value, props.unit, props.options, props.change)

watch(figure, value => {
  const entry = read()
  if (value !== null && !(entry.ok && entry.value === value) && asked.value === null)
    text.value = exactText(value, props.unit, props.change)
  if (value === null && entry.ok) text.value = ''
})
watch(
  () => props.unit,
  unit => {
    if (figure.value === null) return
    typed.value = false
    text.value = exactText(figure.value, unit, props.change)
  },
)

const entry = computed(read)
const blank = computed(() => text.value.trim() === '')
/** Only what was typed is questioned, never a figure that was put there. */
const typed = ref(false)
const choices = computed<readonly Choice[]>(() =>
  typed.value && !entry.value.ok && asked.value !== text.value ? (entry.value.choices ?? []) : [],
)
/** What stands there is no figure yet: it is refused, or asked about. */
const refused = computed(() => !blank.value && typed.value && asked.value !== text.value && !entry.value.ok)
const reason = computed(() => (refused.value && !entry.value.ok ? entry.value.reason : props.fault))
const beside = computed(() =>
  figure.value === null
    ? unitName(props.unit)
    : `${unitName(props.unit)} · ${formatFigure(figure.value, otherUnit(props.unit), { unit: true, change: props.change, fine: Math.abs(figure.value) < NM_PER.thou })}${entry.value.ok && entry.value.rounded ? ', rounded' : ''}`,
)

function onInput(): void {
  typed.value = true
  asked.value = null
  figure.value = entry.value.ok ? (entry.value.value as ExactIn<U>) : null
}
function pick(choice: Choice): void {
  asked.value = text.value
  figure.value = choice.value as ExactIn<U>
  if (props.lazy) model.value = choice.value as ExactIn<U>
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
        v-reads="() => (entry.ok ? 'entry' : entry.choices ? 'asked' : 'nothing')"
        type="text"
        inputmode="decimal"
        autocomplete="off"
        :class="plain ? '' : 'pr-32'"
        class="field figure"
        :aria-invalid="reason !== undefined"
        :data-refused="refused || undefined"
        :aria-describedby="`${id}-note`"
        :disabled="disabled"
        @input="onInput"
        @change="leave"
      />
      <span v-if="!plain" class="pointer-events-none absolute inset-y-0 right-3 flex items-center text-xs text-mute">{{ beside }}</span>
    </div>
    <div :id="`${id}-note`" class="fault empty:m-0">
      <p v-if="reason">{{ reason }}</p>
      <div v-if="choices.length" class="mt-1 flex flex-wrap gap-2">
        <button v-for="choice in choices" :key="choice.label" type="button" class="button min-h-9" @click="pick(choice)">
          {{ choice.label }}
        </button>
      </div>
    </div>
  </div>
</template>
