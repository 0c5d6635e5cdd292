<script setup lang="ts">
import { unitOfGauge } from '#core/quantity/format-length'
import { systemOf, unitsOf, type Exact, type Unit } from '#core/quantity/figure'
import type { LengthUnit, Nm, UnitSystem } from '#core/quantity/length'
import { parseLength } from '#core/quantity/parse-length'
import { GAUGE_NAME, isListOfSizes, readsOf, type GaugeKind } from '#core/reading/gauge'
import { heldBack } from '~/composables/server/heldBack'
import { useForm } from '~/composables/server/useForm'
import { write } from '~/composables/server/useApi'
import type { RegisteredGauge } from '#shared/types'

/** A gauge that the register lacks, where it is missed: what it is called, how fine it is read and what it reaches. The rest is for the register. */
const props = defineProps<{ kind: GaugeKind; /** of the check */ system: UnitSystem }>()
const emit = defineEmits<{ made: [RegisteredGauge]; close: [] }>()
const form = useForm()
const listed = computed(() => isListOfSizes(props.kind))
/** What a gauge of the kind is read in, in this system. */
const unit = computed<Unit>(() => {
  if (readsOf(props.kind) === 'length')
    return props.system === 'inch' ? (props.kind === 'micrometer' || props.kind === 'calipers' ? 'in' : 'thou') : 'mm'
  const all = unitsOf(readsOf(props.kind))
  return all.find(one => systemOf(one) === props.system) ?? all[0]!
})
const stepUnit = computed<Unit>(() => (unit.value === 'in' ? 'thou' : unit.value))
const rangeUnit = computed(() => unitOfGauge(unit.value, 'size'))
const name = ref('')
const graduation = ref<Exact | null>(null)
const low = ref<Exact | null>(null)
const high = ref<Exact | null>(null)
const sizes = ref('')
const field = useTemplateRef<HTMLInputElement>('field')
onMounted(() => field.value?.focus())

async function keep(): Promise<void> {
  if (graduation.value === null)
    return form.refuse([{ path: 'fields.graduation', reason: 'How fine is it read? A figure is needed here.' }])
  if ((low.value === null) !== (high.value === null))
    return form.refuse([{ path: 'fields.range', reason: 'A range needs both ends, or neither.' }])
  const entries = listed.value
    ? sizes.value
        .split(/[;,]\s*|\s+/)
        .filter(Boolean)
        .map(text => parseLength(text, unit.value as LengthUnit))
    : []
  const bad = entries.find(entry => !entry.ok)
  if (bad && !bad.ok) return form.refuse([{ path: 'fields.sizes', reason: bad.reason }])
  await form.submit(
    ({ op, id }) =>
      write('POST /api/gauges', {
        op,
        id,
        kind: props.kind,
        fields: {
          ...(name.value.trim() ? { name: name.value.trim() } : {}),
          unit: unit.value,
          graduation: graduation.value!,
          range: low.value === null || high.value === null ? null : { low: low.value, high: high.value },
          sizes: entries.map(entry => (entry as { value: Nm }).value),
        },
      }),
    kept => emit('made', kept),
  )
}
</script>

<template>
  <form
    class="my-2 grid max-w-3xl items-start gap-x-4 gap-y-2 border-y rule py-3 sm:grid-cols-3"
    novalidate
    data-test="new-gauge-here"
    @submit.prevent="heldBack($event) || keep()"
    @keydown.esc.prevent.stop="emit('close')"
  >
    <div>
      <label class="label mb-1 block" for="gauge-here-name">New {{ GAUGE_NAME[kind].toLowerCase() }}: its name</label>
      <input
        id="gauge-here-name"
        ref="field"
        v-model="name"
        class="field"
        maxlength="80"
        :placeholder="GAUGE_NAME[kind]"
        autocomplete="off"
      />
      <p v-if="form.fault('fields.name')" class="fault">{{ form.fault('fields.name') }}</p>
    </div>
    <FigureField
      v-model="graduation"
      :label="listed ? 'Step' : 'Graduation'"
      change
      :unit="stepUnit"
      :fault="form.fault('fields.graduation')"
    />
    <div v-if="listed">
      <label class="label mb-1 block" for="gauge-here-sizes"
        >{{ kind === 'feeler-set' ? 'Leaves' : 'Gaps on its scale' }}, {{ unit }}</label
      >
      <input id="gauge-here-sizes" v-model="sizes" class="field figure" placeholder="1.5, 2, 3, 4" autocomplete="off" />
      <p v-if="form.fault('fields.sizes')" class="fault">{{ form.fault('fields.sizes') }}</p>
    </div>
    <div v-else>
      <div class="grid grid-cols-2 gap-2">
        <FigureField v-model="low" label="Reads from" plain :unit="rangeUnit" />
        <FigureField v-model="high" label="to" plain :unit="rangeUnit" />
      </div>
      <p v-if="form.fault('fields.range')" class="fault">{{ form.fault('fields.range') }}</p>
    </div>
    <div class="flex gap-2 sm:col-span-3">
      <button type="submit" class="button primary" :disabled="form.busy">Enter it, and take it</button>
      <button type="button" class="button" @click="emit('close')">Leave it</button>
    </div>
    <FormSays class="sm:col-span-3" :says="form.rest()" :busy="form.busy" />
  </form>
</template>
