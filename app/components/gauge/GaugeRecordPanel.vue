<script setup lang="ts">
import { api, write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { dayText } from '#core/quantity/day'
import { today } from '~/composables/words/today'
import { usePreferences } from '~/stores/preferences'
import type { GaugeRecord } from '#shared/record'
import type { RegisteredGauge } from '#shared/types'

/** When a gauge was checked and what came out; found wrong, everything that was read with it since it was last good. */
const props = defineProps<{ gauge: RegisteredGauge }>()
const emit = defineEmits<{ checked: [] }>()
const preferences = usePreferences()
const record = ref<GaugeRecord | null>(null)
const form = useForm()
const open = ref(false)
const draft = reactive({ on: today(), good: true, note: '', due: '' })
onMounted(() => form.submit(() => api<GaugeRecord>(`/api/gauges/${props.gauge.id}/checks`), show))
function show(next: GaugeRecord): void {
  record.value = next
}
const keep = (): Promise<boolean> =>
  form.submit(
    ({ op }) =>
      write(
        'POST /api/gauges/:id/checks',
        { op, version: props.gauge.version, ...draft, due: draft.due || null, by: preferences.signer },
        props.gauge.id,
      ),
    next => {
      show(next)
      open.value = false
      emit('checked')
    },
  )
const doubtful = computed(() => record.value?.doubtful ?? null)
</script>

<template>
  <section class="border-t rule pt-3 lg:border-l lg:pl-6" aria-label="Checks of the gauge" data-test="gauge-record">
    <h3 class="label mb-1">Its checks</h3>
    <div v-if="doubtful" class="mb-3" data-test="doubtful">
      <p class="caution text-near">
        Found wrong on {{ dayText(record!.checks[0]!.on) }}: {{ record!.checks[0]!.note }}. It was last good
        {{ doubtful.since ? `on ${dayText(doubtful.since)}` : 'nobody knows when' }}; what was read with it since is in doubt.
      </p>
      <ul v-if="doubtful.checks.length" class="mt-1 text-[14px]">
        <li v-for="check in doubtful.checks" :key="check.id" class="border-t rule py-1">
          <NuxtLink :to="`/checks/${check.id}`" class="link font-semibold">{{ check.title }}</NuxtLink>
          <span class="text-mute">
            {{ check.unit }}, {{ check.job }} · {{ check.readings }} {{ check.readings === 1 ? 'reading' : 'readings' }},
            {{ dayText(check.last) }}</span
          ><span v-if="check.signed" class="text-near"> · signed off</span>
        </li>
      </ul>
      <p v-else class="text-[14px] text-mute">No check rests on it.</p>
    </div>
    <ul v-if="record?.checks.length" class="text-[13.5px]">
      <li v-for="check in record.checks" :key="check.id">
        {{ dayText(check.on) }}: <strong :class="check.good ? 'text-in' : 'text-out'">{{ check.good ? 'good' : 'wrong' }}</strong
        ><span class="text-mute">{{ [check.note && ` · ${check.note}`, check.by && ` · ${check.by}`].filter(Boolean).join('') }}</span>
      </li>
    </ul>
    <p v-else class="text-[13.5px] text-mute">None is in the record.</p>
    <p v-if="!open" class="mt-2 flex items-center gap-4">
      <button type="button" class="button" @click="open = true">It was checked</button>
      <NuxtLink class="link text-[14px]" :to="`/labels?of=gauge:${gauge.id}`">print its label</NuxtLink>
    </p>
    <form v-else class="mt-2 grid gap-2" novalidate @submit.prevent="keep">
      <div class="grid grid-cols-2 gap-2">
        <div>
          <label class="label mb-1 block" for="gc-on">On</label>
          <input id="gc-on" v-model="draft.on" type="date" class="field" />
          <p v-if="form.fault('on')" class="fault">{{ form.fault('on') }}</p>
        </div>
        <div>
          <label class="label mb-1 block" for="gc-due">Next is due</label>
          <input id="gc-due" v-model="draft.due" type="date" class="field" />
          <p v-if="form.fault('due')" class="fault">{{ form.fault('due') }}</p>
        </div>
      </div>
      <fieldset class="flex gap-5">
        <legend class="label">It was</legend>
        <label class="flex min-h-11 items-center gap-2"
          ><input v-model="draft.good" type="radio" name="gc" :value="true" class="size-4" />good</label
        >
        <label class="flex min-h-11 items-center gap-2"
          ><input v-model="draft.good" type="radio" name="gc" :value="false" class="size-4" />wrong</label
        >
      </fieldset>
      <div>
        <label class="label mb-1 block" for="gc-note">{{ draft.good ? 'What was found' : 'What was wrong' }}</label>
        <input
          id="gc-note"
          v-model="draft.note"
          class="field"
          maxlength="400"
          autocomplete="off"
          :aria-invalid="form.fault('note') !== undefined"
        />
        <p v-if="form.fault('note')" class="fault">{{ form.fault('note') }}</p>
      </div>
      <NameField id="gc-by" v-model="preferences.signer" label="Checked by" :fault="form.fault('by')" />
      <FormSays :says="form.rest()" :busy="form.busy" />
      <StaleNotice :changed="form.behind" @reload="emit('checked')" />
      <div class="flex gap-2">
        <button type="submit" class="button primary" :disabled="form.busy">Put it in the record</button>
        <button type="button" class="button" @click="open = false">Leave it</button>
      </div>
    </form>
    <ThingHistory :id="gauge.id" class="mt-2" :version="gauge.version" />
  </section>
</template>
