<script setup lang="ts">
import { allOf, write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { useSaid } from '~/composables/bench/useSaid'
import type { UnitSummary } from '#shared/record'
import type { RouteView } from '#shared/types'

/** A new job: its unit, what is to be done, and the route it begins with. */
const props = defineProps<{ route: RouteView | null }>()
const emit = defineEmits<{ close: [] }>()
const draft = reactive({ unit: '', title: '' })
const form = useForm()
const unitField = ref<HTMLInputElement>()
const units = ref<readonly UnitSummary[]>([])
const said = useSaid()
const focus = () => unitField.value?.focus()
defineExpose({ focus })
onMounted(async () => {
  focus()
  units.value = await allOf<UnitSummary>('/api/units').catch(() => [])
  // Of the type a route is for there may be one alone; what was typed meanwhile stays.
  const type = props.route?.type.toLowerCase() ?? null
  const alike = type === null ? [] : units.value.filter(unit => (unit.type ?? '').toLowerCase() === type)
  if (alike.length !== 1 || draft.unit !== '') return
  draft.unit = alike[0]!.name
  await nextTick()
  unitField.value?.select()
})
/** Units the route is for come first. */
const offered = computed(() => {
  const type = props.route?.type.toLowerCase()
  return [...units.value].sort((a, b) => Number(b.type?.toLowerCase() === type) - Number(a.type?.toLowerCase() === type))
})
async function make(): Promise<void> {
  await form.submit(
    names =>
      write('POST /api/jobs', {
        ...names,
        unit: draft.unit,
        title: draft.title.trim() || (props.route?.name ?? ''),
        ...(props.route ? { route: props.route.id } : {}),
      }),
    job => {
      said.value = job.said
      // Without a route the first thing is to say what is measured.
      return navigateTo(job.checks.length > 0 ? `/jobs/${job.id}` : `/jobs/${job.id}/check`)
    },
  )
}
</script>

<template>
  <form
    class="mb-4 grid max-w-3xl gap-3 border-y rule py-4 md:grid-cols-[1fr_1fr_auto]"
    novalidate
    data-test="new-job"
    @submit.prevent="make"
  >
    <p v-if="route" class="text-[14.5px] md:col-span-3">
      By the route <strong>{{ route.name }}</strong>: {{ route.checks.map(({ title }) => title).join(' · ') }}
    </p>
    <div>
      <label class="label mb-1 block" for="new-unit">Unit</label>
      <input
        id="new-unit"
        ref="unitField"
        v-model="draft.unit"
        class="field"
        placeholder="mail launch"
        autocomplete="off"
        list="new-units"
        :aria-invalid="form.fault('unit') !== undefined"
      />
      <datalist id="new-units">
        <option v-for="unit in offered" :key="unit.id" :value="unit.name" />
      </datalist>
      <p v-if="form.fault('unit')" class="fault">{{ form.fault('unit') }}</p>
    </div>
    <div>
      <label class="label mb-1 block" for="new-title">What is to be done</label>
      <input
        id="new-title"
        v-model="draft.title"
        class="field"
        :placeholder="route?.name ?? 'reduction box rebuild'"
        autocomplete="off"
        :aria-invalid="form.fault('title') !== undefined"
      />
      <p v-if="form.fault('title')" class="fault">{{ form.fault('title') }}</p>
    </div>
    <div class="flex items-start gap-2 md:pt-[26px]">
      <button type="submit" class="button primary" :disabled="form.busy">Begin</button>
      <button type="button" class="button" @click="emit('close')">Leave it</button>
    </div>
    <FormSays class="md:col-span-3" :says="form.rest()" :busy="form.busy" />
  </form>
</template>
