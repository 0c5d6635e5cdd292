<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import type { BodyOf } from '#shared/writes'
import { resultId } from '#core/check/contract'
import { checkKinds } from '#core/check/registry'
import { limitedResults, positionsOf, ruleFields, type LibraryLimit } from '#core/check/library'
import { unitFor } from '#core/quantity/format-length'
import type { LimitFields } from '#core/verdict/limits'
import { allOf, api, write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { usePreferences } from '~/stores/preferences'
import type { UnitSummary } from '#shared/record'
import type { KeptLimit, LibraryUse } from '#shared/types'

/** One entry of the library, or a new one; and which checks go by it. */
const props = defineProps<{ entry: LibraryLimit | null }>()
const emit = defineEmits<{ changed: [KeptLimit]; close: []; reload: []; remove: [] }>()
const preferences = usePreferences()
const form = useForm()
const uses = ref<readonly LibraryUse[]>([])
const types = ref<readonly string[]>([])
const nameField = ref<HTMLInputElement>()
onMounted(async () => {
  if (!props.entry) nameField.value?.focus()
  const units = await allOf<UnitSummary>('/api/units').catch(() => [])
  types.value = [...new Set(units.flatMap(({ type }) => type ?? []))]
  if (props.entry) uses.value = await api<LibraryUse[]>(`/api/limits/${props.entry.id}/uses`).catch(() => [])
})
const fields = reactive({
  name: props.entry?.name ?? '',
  kind: props.entry?.kind ?? checkKinds[0]!.id,
  result: props.entry?.result ?? '',
  type: props.entry?.type ?? '',
  role: props.entry?.role ?? ('book' as LibraryLimit['role']),
  rule: { ...props.entry?.rule } as Record<string, string>,
})
const set = ref<LimitFields | null>(props.entry?.set ?? null)
const kind = computed(() => checkKinds.find(({ id }) => id === fields.kind)!)
const results = computed(() => limitedResults(kind.value))
const result = computed(
  () => results.value.find(({ id }) => id === fields.result.split('@')[0]) ?? results.value.find(({ main }) => main) ?? results.value[0]!,
)
watch(
  () => fields.kind,
  () => {
    fields.result = result.value.id
    fields.rule = {}
  },
)
if (fields.result === '') fields.result = result.value.id
const figure = computed({
  get: () => result.value.id,
  set: id => {
    fields.result = id
  },
})
/** Kinds take some figures at several positions; limits can be of one alone. */
const positions = computed(() => positionsOf(kind.value, result.value.id))
const position = computed({
  get: () => fields.result.split('@')[1] ?? '',
  set: id => {
    fields.result = id === '' ? result.value.id : resultId(result.value.id, id)
  },
})
const unit = computed(() => set.value?.unit ?? result.value.unit ?? unitFor(preferences.system, result.value.scale))
// Limits of a length are no limits of a torque.
watch(
  () => result.value.quantity,
  () => {
    set.value = null
  },
)
const rules = computed(() => ruleFields(kind.value).flatMap(field => (field.kind === 'choice' ? [field] : [])))
const fault = (path: string) => form.fault(`fields.${path}`)
async function keep(): Promise<void> {
  const sent: BodyOf<'POST /api/limits'>['fields'] = {
    ...fields,
    set: set.value ?? { kind: 'none', unit: unit.value, source: { kind: fields.role } },
  }
  await form.submit(
    ({ op, id }) =>
      props.entry
        ? write('PATCH /api/limits/:id', { op, version: props.entry.version, fields: sent }, props.entry.id)
        : write('POST /api/limits', { op, id, fields: sent }),
    kept => emit('changed', kept),
  )
}
const changedSince = computed(() => uses.value.filter(use => use.version < (props.entry?.version ?? 0) && !use.signed).length)
</script>

<template>
  <form
    class="grid content-start gap-3 border-t rule pt-3 lg:border-t-0 lg:border-l lg:pt-0 lg:pl-6"
    novalidate
    data-test="library-panel"
    @submit.prevent="heldBack($event) || keep()"
  >
    <h2 class="display text-xl">{{ entry ? entry.name : 'New limits' }}</h2>
    <div>
      <label class="label mb-1 block" for="lib-name">What they are called</label>
      <input
        id="lib-name"
        ref="nameField"
        v-model="fields.name"
        class="field"
        maxlength="120"
        placeholder="Input shaft end play"
        autocomplete="off"
        :aria-invalid="fault('name') !== undefined"
      />
      <p v-if="fault('name')" class="fault">{{ fault('name') }}</p>
    </div>
    <div>
      <label class="label mb-1 block" for="lib-kind">Kind of check</label>
      <select id="lib-kind" v-model="fields.kind" class="field">
        <option v-for="k in checkKinds" :key="k.id" :value="k.id">{{ k.title }}</option>
      </select>
      <p v-if="fault('kind')" class="fault">{{ fault('kind') }}</p>
    </div>
    <div v-if="results.length > 1">
      <label class="label mb-1 block" for="lib-result">Figure</label>
      <select id="lib-result" v-model="figure" class="field">
        <option v-for="r in results" :key="r.id" :value="r.id">{{ r.label }}</option>
      </select>
      <p v-if="fault('result')" class="fault">{{ fault('result') }}</p>
    </div>
    <div v-if="positions.length > 1">
      <label class="label mb-1 block" for="lib-position">Where</label>
      <select id="lib-position" v-model="position" class="field">
        <option value="">at every position</option>
        <option v-for="p in positions" :key="p.id" :value="p.id">{{ p.label }} alone</option>
        <option v-if="position !== '' && !positions.some(({ id }) => id === position)" :value="position">{{ position }} alone</option>
      </select>
    </div>
    <div v-for="field in rules" :key="field.id">
      <label class="label mb-1 block" :for="`lib-rule-${field.id}`">{{ field.label }}</label>
      <select
        :id="`lib-rule-${field.id}`"
        class="field"
        :value="fields.rule[field.id] ?? field.options[0]!.value"
        @change="fields.rule = { ...fields.rule, [field.id]: ($event.target as HTMLSelectElement).value }"
      >
        <option v-for="option in field.options" :key="option.value" :value="option.value">{{ option.label }}</option>
      </select>
      <p v-if="fault('rule')" class="fault">{{ fault('rule') }}</p>
    </div>
    <div class="grid grid-cols-2 gap-2">
      <div>
        <label class="label mb-1 block" for="lib-type">Type of unit</label>
        <input id="lib-type" v-model="fields.type" class="field" maxlength="60" list="lib-types" placeholder="any" autocomplete="off" />
        <datalist id="lib-types">
          <option v-for="type in types" :key="type" :value="type" />
        </datalist>
      </div>
      <div>
        <label class="label mb-1 block" for="lib-role">They are</label>
        <select id="lib-role" v-model="fields.role" class="field">
          <option value="book">book limits</option>
          <option value="shop">shop limits</option>
        </select>
      </div>
    </div>
    <fieldset>
      <legend class="label mb-1">Limits</legend>
      <LimitFields :key="result.quantity" v-model="set" title="Limits" :unit="unit" :default-source="fields.role" />
      <p v-if="fault('set')" class="fault">{{ fault('set') }}</p>
    </fieldset>
    <FormSays :says="form.rest()" :busy="form.busy" />
    <StaleNotice :changed="form.behind" @reload="emit('reload')" />
    <div class="flex flex-wrap gap-2">
      <button type="submit" class="button primary" :disabled="form.busy">{{ entry ? 'Keep' : 'Enter them' }}</button>
      <button type="button" class="button" @click="emit('close')">Close</button>
      <button v-if="entry" type="button" class="link ml-auto text-[13.5px]" @click="emit('remove')">remove</button>
    </div>
    <ThingHistory v-if="entry" :id="entry.id" :version="entry.version" />
    <section v-if="entry" aria-label="Used by" data-test="library-uses">
      <h3 class="label mt-2 mb-1">Used by</h3>
      <p v-if="changedSince" class="text-[13.5px] text-near">
        {{ changedSince }} open {{ changedSince === 1 ? 'check is' : 'checks are' }} asked about the change.
      </p>
      <ul v-if="uses.length" class="text-[14px]">
        <li v-for="use in uses" :key="use.check.id + use.version" class="border-t rule py-1">
          <NuxtLink :to="`/checks/${use.check.id}`" class="link">{{ use.check.title }}</NuxtLink>
          <span class="text-mute">
            {{ use.unit }}{{ use.signed ? ', signed off' : ''
            }}{{ use.version < entry.version ? `, as of version ${use.version}` : '' }}</span
          >
        </li>
      </ul>
      <p v-else class="text-[13.5px] text-mute">No check goes by them yet.</p>
    </section>
  </form>
</template>
