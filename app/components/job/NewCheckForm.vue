<script setup lang="ts">
import { heldBack } from '~/composables/server/heldBack'
import { checkKinds } from '#core/check/registry'
import { limitedFigures, unitOfResult } from '#core/check/common/results'
import { unitOfLimits } from '#core/verdict/limits'
import type { Exact } from '#core/quantity/figure'
import { familiesFor } from '~/composables/drawer/families'
import { api, write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { usePreferences } from '~/stores/preferences'
import type { CheckSettingsDto, LimitChangeDto } from '#shared/dto/check'
import type { LimitSetDto } from '#shared/dto/limits'
import type { Families } from '#shared/types'
import { limitsFrom, type LibraryLimit } from '#core/check/library'
import { entryWords, useLibrary } from '~/composables/server/useLibrary'

/** A new check of a job: its kind, and what it starts with. */
const props = defineProps<{
  jobId: string
  /** the kind it begins with; empty: the first */
  kind: string
  /** of the unit */
  type: string
}>()
const emit = defineEmits<{ close: [] }>()
const preferences = usePreferences()
const form = useForm()
const drawer = ref<Families | null>(null)
const titleField = ref<HTMLInputElement>()
const kind = ref(props.kind || checkKinds[0]!.id)
const title = ref('')
const setup = reactive<Record<string, string>>({ ...checkKinds[0]!.defaultSetup })
const families = computed(() => (drawer.value ? familiesFor(kind.value, drawer.value) : null))
/** by hand; null: the one that fits the kind */
const chosenFamily = ref<string | null>(null)
const family = computed({
  get: () => chosenFamily.value ?? families.value?.first ?? '',
  set: picked => {
    chosenFamily.value = picked
  },
})
const lower = ref<Exact | null>(null)
const upper = ref<Exact | null>(null)
const chosenKind = computed(() => checkKinds.find(k => k.id === kind.value)!)
/** What limits can be typed for; the figure the check is for comes first. */
const figures = computed(() => limitedFigures(chosenKind.value.results(setup)).sort((a, b) => Number(b.kind.main) - Number(a.kind.main)))
const picked = ref('')
const limited = computed(() => figures.value.find(({ id }) => id === picked.value) ?? figures.value[0]!)
const limitUnit = computed(() => unitOfResult(limited.value.kind, preferences.system))
watch(
  kind,
  () => {
    chosenFamily.value = null
    taken.value = []
    for (const field of Object.keys(setup)) Reflect.deleteProperty(setup, field)
    Object.assign(setup, chosenKind.value.defaultSetup)
  },
  { flush: 'sync' },
)

// Its first field takes the focus as soon as it is there, however early it was asked for.
onMounted(() => titleField.value?.focus())
defineExpose({ focus: () => titleField.value?.focus() })
const { load, offered } = useLibrary()
const fromLibrary = computed(() => offered(kind.value, props.type, chosenKind.value.results(setup)))
/** ids of the entries it begins with */
const taken = ref<readonly string[]>([])
/** One entry for a figure: what another says of it goes. */
function take(entry: LibraryLimit, on: boolean): void {
  const same = new Set(fromLibrary.value.filter(({ result, role }) => result === entry.result && role === entry.role).map(({ id }) => id))
  taken.value = [...taken.value.filter(id => !same.has(id)), ...(on ? [entry.id] : [])]
  if (on) Object.assign(setup, entry.rule)
}
const chosen = computed(() => fromLibrary.value.filter(({ id }) => taken.value.includes(id)))
const shop = lookAround()
/** The drawers a new check can start with. */
async function lookAround(): Promise<void> {
  const library = load()
  drawer.value = await api<Families>('/api/stock/families').catch(() => null)
  await library
}
/** Typed by hand; null where neither end is. */
function typedLimits(): LimitSetDto | null {
  const [low, high] = [lower.value, upper.value]
  if (low === null && high === null) return null
  const more = {
    unit: unitOfLimits(
      [low, high].filter(end => end !== null),
      limitUnit.value,
    ),
    source: { kind: 'book' as const },
  }
  if (low === null) return { kind: 'upper', upper: high!, ...more }
  if (high === null) return { kind: 'lower', lower: low, ...more }
  return { kind: 'two-sided', lower: low, upper: high, ...more }
}
async function make(): Promise<void> {
  const typed = typedLimits()
  const limits: LimitChangeDto[] = [
    ...chosen.value.map(entry => ({ result: entry.result, role: entry.role, set: limitsFrom(entry) })),
    // Typed by hand they come after, and stand.
    ...(typed ? [{ result: limited.value.id, role: 'book' as const, set: typed }] : []),
  ]
  await form.submit(
    async names => {
      // Whoever types faster than the shop answers still gets its drawer. Gauges the server takes from the register.
      await shop
      const settings: CheckSettingsDto = {
        title: title.value.trim() || chosenKind.value.title,
        entryUnit: preferences.unit,
        setup: { ...setup },
        family: family.value,
        ...(limits.length > 0 ? { limits } : {}),
      }
      return write('POST /api/jobs/:id/checks', { ...names, kind: kind.value, settings }, props.jobId)
    },
    check => navigateTo(`/checks/${check.document.id}`),
  )
}
</script>

<template>
  <form class="mb-5 grid max-w-4xl gap-3 border-y rule py-4 md:grid-cols-2" novalidate @submit.prevent="heldBack($event) || make()">
    <div>
      <label class="label mb-1 block" for="check-kind">Kind of check</label>
      <select id="check-kind" v-model="kind" class="field">
        <option v-for="k in checkKinds" :key="k.id" :value="k.id">{{ k.title }}</option>
      </select>
      <p class="mt-0.5 text-[12.5px] text-mute">{{ chosenKind.about }}</p>
    </div>
    <div>
      <label class="label mb-1 block" for="check-title">Name</label>
      <input id="check-title" ref="titleField" v-model="title" class="field" :placeholder="chosenKind.title" autocomplete="off" />
      <p v-if="form.fault('settings.title')" class="fault">{{ form.fault('settings.title') }}</p>
    </div>
    <SetupFields
      :kind="chosenKind"
      :setup="setup"
      :unit-system="preferences.system"
      :disabled="false"
      :settled="false"
      :faults="form.faults"
      @change="change => Object.assign(setup, change)"
    />
    <div v-if="chosenKind.places(setup).length">
      <label class="label mb-1 block" for="check-family">Pieces come from</label>
      <select id="check-family" v-model="family" class="field">
        <option value="">no drawer yet</option>
        <option v-for="f in families?.families ?? []" :key="f" :value="f">{{ f }}</option>
      </select>
    </div>
    <fieldset v-if="fromLibrary.length" class="md:col-span-2" data-test="from-library">
      <legend class="label">From the library of limits</legend>
      <label v-for="entry in fromLibrary" :key="entry.id" class="flex min-h-9 items-center gap-2.5 text-[14.5px]">
        <input
          type="checkbox"
          class="size-4"
          :checked="taken.includes(entry.id)"
          @change="take(entry, ($event.target as HTMLInputElement).checked)"
        />
        <span>{{ entryWords(entry) }}<span class="text-mute"> · {{ entry.role }}{{ entry.type ? `, ${entry.type}` : '' }}</span></span>
      </label>
    </fieldset>
    <div v-if="figures.length > 1" class="md:col-span-2">
      <label class="label mb-1 block" for="check-limited">Limits are of</label>
      <select id="check-limited" :value="limited.id" class="field" @change="picked = ($event.target as HTMLSelectElement).value">
        <option v-for="figure in figures" :key="figure.id" :value="figure.id">{{ figure.label }}</option>
      </select>
    </div>
    <FigureField v-model="lower" label="Book limit, lower" :unit="limitUnit" optional />
    <FigureField
      v-model="upper"
      label="Book limit, upper"
      :unit="limitUnit"
      optional
      :fault="form.fault(`settings.limits.${chosen.length}.set`)"
    />
    <div class="flex gap-2 md:col-span-2">
      <button type="submit" class="button primary" :disabled="form.busy">Begin the check</button>
      <button type="button" class="button" @click="emit('close')">Leave it</button>
    </div>
    <FormSays class="md:col-span-2" :says="form.rest('settings.setup')" :busy="form.busy" />
  </form>
</template>
