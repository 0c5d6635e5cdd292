<script setup lang="ts" generic="Kind extends MeasureKind">
import { formatFigure } from '#core/quantity/figure'
import { parseMeasure, UNITS, type Measure, type MeasureKind, type MeasureUnit } from '#core/quantity/measure'

/** A torque, a force or an angle as it is typed, in any unit of it; what it comes to in another stands beside. Handed on when the field is left. */
const props = defineProps<{
  id: string
  of: Kind
  /** what a bare figure means */
  unit: MeasureUnit<Kind>
  beside: MeasureUnit<Kind>
  disabled?: boolean
  fault?: string
}>()
const model = defineModel<Measure<Kind> | null>({ required: true })
const shown = () => (model.value === null ? '' : formatFigure(model.value, props.unit))
const text = ref(shown())
const typing = ref(false)
watch(model, () => {
  if (!typing.value) text.value = shown()
})
const entry = computed(() => parseMeasure(text.value, props.of, props.unit))
const blank = computed(() => text.value.trim() === '')
const reason = computed(() => (blank.value || entry.value.ok ? props.fault : entry.value.reason))
const units = computed(() => Object.keys(UNITS[props.of]).join(', '))
function leave(): void {
  typing.value = false
  if (blank.value) model.value = null
  else if (entry.value.ok) model.value = entry.value.value
}
</script>

<template>
  <div class="relative">
    <input
      :id="id"
      v-model="text"
      class="field figure pr-36"
      type="text"
      inputmode="decimal"
      autocomplete="off"
      :disabled="disabled"
      :aria-invalid="reason !== undefined"
      :aria-describedby="`${id}-note`"
      @input="typing = true"
      @change="leave"
    />
    <span class="pointer-events-none absolute inset-y-0 right-3 flex items-center text-xs text-mute"
      >{{ unit }}<template v-if="!blank && entry.ok"> · {{ formatFigure(entry.value, beside, { unit: true }) }}</template></span
    >
  </div>
  <p :id="`${id}-note`" class="fault">
    <template v-if="reason">{{ reason }}</template>
    <span v-else class="sr-only">In {{ units }}</span>
  </p>
</template>
