<script setup lang="ts">
import type { LimitSet, LimitSourceKind } from '#core/verdict/limits'
import { SOURCE_NAME, limitsFault } from '#core/verdict/limits'
import type { Exact, Unit } from '#core/quantity/figure'

/** One set of limits with where it comes from. Kept when it makes sense, as soon as a field is left. */
const props = defineProps<{ title: string; limits: LimitSet | null; unit: Unit; defaultSource: LimitSourceKind; locked: boolean }>()
const emit = defineEmits<{ keep: [LimitSet] }>()
const kinds = [
  { value: 'none', label: 'No limit known' },
  { value: 'two-sided', label: 'From … to …' },
  { value: 'upper', label: 'Up to …' },
  { value: 'lower', label: 'At least …' },
  { value: 'figure', label: 'One recommended figure' },
] as const
const id = useId()
const box = ref<HTMLElement>()
const kind = ref<LimitSet['kind']>('none')
const lower = ref<Exact | null>(null)
const upper = ref<Exact | null>(null)
const figure = ref<Exact | null>(null)
const lowerExcluded = ref(false)
const source = ref<LimitSourceKind>(props.defaultSource)
const text = ref('')
const page = ref('')
const revision = ref('')
const touched = ref(false)

const set = computed<LimitSet>(() => ({
  kind: kind.value,
  unit: props.limits?.unit ?? props.unit,
  ...(['two-sided', 'lower'].includes(kind.value) && lower.value !== null ? { lower: lower.value } : {}),
  ...(['two-sided', 'upper'].includes(kind.value) && upper.value !== null ? { upper: upper.value } : {}),
  ...(kind.value === 'figure' && figure.value !== null ? { figure: figure.value } : {}),
  ...(lowerExcluded.value && ['two-sided', 'lower'].includes(kind.value) ? { lowerExcluded: true } : {}),
  source: {
    kind: source.value,
    ...(text.value.trim() ? { text: text.value.trim() } : {}),
    ...(page.value.trim() ? { page: page.value.trim() } : {}),
    ...(revision.value.trim() ? { revision: revision.value.trim() } : {}),
    ...(props.limits?.source.date ? { date: props.limits.source.date } : {}),
  },
}))
const fault = computed(() => limitsFault(set.value))
const written = () => JSON.stringify(kind.value === 'none' ? { kind: 'none' } : set.value)
let kept = ''

/** Shows what is stored. Not while somebody is in the fields: an answer that comes in must not take the figure out of their hands. */
function show(): void {
  const { limits } = props
  kind.value = limits?.kind ?? 'none'
  lower.value = limits?.lower ?? null
  upper.value = limits?.upper ?? null
  figure.value = limits?.figure ?? null
  lowerExcluded.value = limits?.lowerExcluded ?? false
  source.value = limits?.source.kind ?? props.defaultSource
  text.value = limits?.source.text ?? ''
  page.value = limits?.source.page ?? ''
  revision.value = limits?.source.revision ?? ''
  kept = written()
}
show()
watch(
  () => JSON.stringify(props.limits),
  () => {
    if (!box.value?.contains(document.activeElement)) show()
  },
)

function leave(): void {
  touched.value = true
  if (fault.value || written() === kept) return
  kept = written()
  emit('keep', set.value)
}
</script>

<template>
  <fieldset ref="box" class="break-inside-avoid space-y-2" :disabled="locked" @focusout="leave">
    <legend class="label mb-1">{{ title }}</legend>
    <label class="sr-only" :for="`${id}-kind`">{{ title }}: kind</label>
    <select :id="`${id}-kind`" v-model="kind" class="field !mt-0" @change="leave">
      <option v-for="option in kinds" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
    <div v-if="kind !== 'none'" class="grid grid-cols-2 gap-2">
      <FigureField v-if="kind === 'two-sided' || kind === 'lower'" v-model="lower" label="Lower" :unit="unit" />
      <FigureField v-if="kind === 'two-sided' || kind === 'upper'" v-model="upper" label="Upper" :unit="unit" />
      <FigureField v-if="kind === 'figure'" v-model="figure" label="Figure" :unit="unit" />
      <label v-if="kind === 'two-sided' || kind === 'lower'" class="col-span-2 flex min-h-11 items-center gap-2 text-[13.5px]">
        <input v-model="lowerExcluded" type="checkbox" class="size-4" />the lower figure itself is not allowed</label
      >
      <div>
        <label class="label mb-1 block" :for="`${id}-source`">Comes from</label>
        <select :id="`${id}-source`" v-model="source" class="field">
          <option v-for="(name, value) in SOURCE_NAME" :key="value" :value="value">{{ name }}</option>
        </select>
      </div>
      <div>
        <label class="label mb-1 block" :for="`${id}-text`">Title or reason</label>
        <input :id="`${id}-text`" v-model="text" class="field" maxlength="200" autocomplete="off" />
      </div>
      <div>
        <label class="label mb-1 block" :for="`${id}-page`">Page</label>
        <input :id="`${id}-page`" v-model="page" class="field" maxlength="40" autocomplete="off" />
      </div>
      <div>
        <label class="label mb-1 block" :for="`${id}-revision`">Revision</label>
        <input :id="`${id}-revision`" v-model="revision" class="field" maxlength="40" autocomplete="off" />
      </div>
    </div>
    <p v-if="touched && fault" class="fault">{{ fault }}</p>
  </fieldset>
</template>
