<script setup lang="ts">
import { limitsFault, type LimitFields, type LimitSet, type LimitSourceKind } from '#core/verdict/limits'
import type { Unit } from '#core/quantity/figure'

/** One set of limits of a check. Kept when it makes sense, as soon as a field is left. */
const props = defineProps<{ title: string; limits: LimitSet | null; unit: Unit; defaultSource: LimitSourceKind; locked: boolean }>()
const emit = defineEmits<{ keep: [LimitFields] }>()
const box = ref<HTMLElement>()
const own = ref<LimitFields | null>(props.limits)
let kept = own.value
const touched = ref(false)
const fault = computed(() => own.value && limitsFault(own.value))
// Not while somebody is in the fields: an answer that comes in must not take the figure out of their hands.
watch(
  () => JSON.stringify(props.limits),
  () => {
    if (box.value?.contains(document.activeElement)) return
    own.value = props.limits
    kept = own.value
  },
)
function leave(): void {
  touched.value = true
  if (fault.value || own.value === kept || own.value === null) return
  kept = own.value
  emit('keep', own.value)
}
</script>

<template>
  <fieldset ref="box" class="break-inside-avoid" :disabled="locked" @focusout="leave">
    <legend class="label mb-1">{{ title }}</legend>
    <LimitFields v-model="own" :title="title" :unit="unit" :default-source="defaultSource" @change="nextTick(leave)" />
    <p v-if="touched && fault" class="fault">{{ fault }}</p>
  </fieldset>
</template>
