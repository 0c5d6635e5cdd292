<script setup lang="ts">
import { SOURCE_NAME, unitOfLimits, type LimitFields, type LimitSourceKind } from '#core/verdict/limits'
import type { Exact, Unit } from '#core/quantity/figure'

/** The fields of one set of limits, with where it comes from. Typed by hand, it is no longer the library’s. */
const props = defineProps<{ title: string; unit: Unit; defaultSource: LimitSourceKind }>()
const limits = defineModel<LimitFields | null>({ required: true })
const kinds = [
  { value: 'none', label: 'No limit known' },
  { value: 'two-sided', label: 'From … to …' },
  { value: 'upper', label: 'Up to …' },
  { value: 'lower', label: 'At least …' },
  { value: 'figure', label: 'One recommended figure' },
] as const
const id = useId()
const kind = ref<LimitFields['kind']>('none')
const lower = ref<Exact | null>(null)
const upper = ref<Exact | null>(null)
const figure = ref<Exact | null>(null)
const lowerExcluded = ref(false)
const upperExcluded = ref(false)
const source = ref<LimitSourceKind>(props.defaultSource)
const text = ref('')
const page = ref('')
const revision = ref('')
const date = ref('')

const has = (end: 'lower' | 'upper') => kind.value === 'two-sided' || kind.value === end
const ends = computed(() => ({
  ...(has('lower') && lower.value !== null ? { lower: lower.value } : {}),
  ...(has('upper') && upper.value !== null ? { upper: upper.value } : {}),
  ...(kind.value === 'figure' && figure.value !== null ? { figure: figure.value } : {}),
}))
const set = computed<LimitFields>(() => ({
  kind: kind.value,
  unit: unitOfLimits(Object.values(ends.value), limits.value?.unit ?? props.unit),
  ...ends.value,
  ...(has('lower') && lowerExcluded.value ? { lowerExcluded: true } : {}),
  ...(has('upper') && upperExcluded.value ? { upperExcluded: true } : {}),
  source: {
    kind: source.value,
    ...(text.value.trim() ? { text: text.value.trim() } : {}),
    ...(page.value.trim() ? { page: page.value.trim() } : {}),
    ...(revision.value.trim() ? { revision: revision.value.trim() } : {}),
    ...(date.value ? { date: date.value } : {}),
  },
}))
/** What the fields say, whatever it was taken from. */
function said(of: LimitFields | null): string {
  if (!of || of.kind === 'none') return 'none'
  const { entry: _, ...from } = of.source
  return JSON.stringify([
    of.kind,
    of.lower,
    of.upper,
    of.figure,
    !!of.lowerExcluded,
    !!of.upperExcluded,
    of.unit,
    Object.entries(from).sort(),
  ])
}
function show(of: LimitFields | null): void {
  kind.value = of?.kind ?? 'none'
  lower.value = of?.lower ?? null
  upper.value = of?.upper ?? null
  figure.value = of?.figure ?? null
  lowerExcluded.value = of?.lowerExcluded ?? false
  upperExcluded.value = of?.upperExcluded ?? false
  source.value = of?.source.kind ?? props.defaultSource
  text.value = of?.source.text ?? ''
  page.value = of?.source.page ?? ''
  revision.value = of?.source.revision ?? ''
  date.value = of?.source.date ?? ''
}
show(limits.value)
watch(limits, next => {
  if (said(next) !== said(set.value)) show(next)
})
watch(set, next => {
  if (said(next) !== said(limits.value)) limits.value = next
})
</script>

<template>
  <div class="space-y-2">
    <label class="sr-only" :for="`${id}-kind`">{{ title }}: kind</label>
    <select :id="`${id}-kind`" v-model="kind" class="field !mt-0">
      <option v-for="option in kinds" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
    <div v-if="kind !== 'none'" class="grid grid-cols-2 gap-2">
      <FigureField v-if="kind === 'two-sided' || kind === 'lower'" v-model="lower" label="Lower" :unit="unit" />
      <FigureField v-if="kind === 'two-sided' || kind === 'upper'" v-model="upper" label="Upper" :unit="unit" />
      <FigureField v-if="kind === 'figure'" v-model="figure" label="Figure" :unit="unit" />
      <label v-if="kind === 'two-sided' || kind === 'lower'" class="col-span-2 flex min-h-11 items-center gap-2 text-[13.5px]">
        <input v-model="lowerExcluded" type="checkbox" class="size-4" />the lower figure itself is not allowed</label
      >
      <label v-if="kind === 'two-sided' || kind === 'upper'" class="col-span-2 flex min-h-11 items-center gap-2 text-[13.5px]">
        <input v-model="upperExcluded" type="checkbox" class="size-4" />the highest figure itself is not allowed</label
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
      <div>
        <label class="label mb-1 block" :for="`${id}-date`">Of</label>
        <input :id="`${id}-date`" v-model="date" class="field" maxlength="20" placeholder="2024" autocomplete="off" />
      </div>
    </div>
  </div>
</template>
