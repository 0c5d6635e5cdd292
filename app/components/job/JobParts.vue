<script setup lang="ts">
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import { shortTime } from '~/composables/words/shortTime'
import { usePreferences } from '~/stores/preferences'
import type { JobPartView, JobView } from '#shared/types'

/** The parts a job's checks rest on. One that was replaced or reworked makes what was measured on it stale. */
const props = defineProps<{ jobId: string; parts: readonly JobPartView[] }>()
const emit = defineEmits<{ changed: [JobView] }>()
const preferences = usePreferences()
const picked = ref<string | null>(null)
const reason = ref('')
const form = useForm()
const field = ref<HTMLInputElement[]>()

function begin(id: string): void {
  picked.value = id
  reason.value = ''
  form.refuse([])
  void nextTick(() => field.value?.[0]?.focus())
}
const replace = (): Promise<boolean> =>
  form.submit(
    ({ op }) =>
      write('POST /api/jobs/:id/part-changes', { op, part: picked.value ?? '', reason: reason.value, by: preferences.signer }, props.jobId),
    job => {
      emit('changed', job)
      picked.value = null
    },
  )
</script>

<template>
  <section aria-label="Parts" data-test="parts">
    <h2 class="label mt-6 mb-1">Parts the checks rest on</h2>
    <ul class="border-b rule">
      <li v-for="part in parts" :key="part.id" class="border-t rule py-1">
        <div class="flex flex-wrap items-center gap-x-4">
          <span class="flex-1 font-semibold md:min-w-48 md:flex-none">{{ part.name }}</span>
          <span class="order-last basis-full text-[13.5px] text-mute md:order-none md:min-w-0 md:flex-1 md:basis-0">{{
            part.checks.join(', ') || 'no check rests on it'
          }}</span>
          <button
            type="button"
            class="link min-h-9 text-[13.5px]"
            :aria-label="`${part.name} was replaced or reworked`"
            @click="begin(part.id)"
          >
            replaced or reworked
          </button>
        </div>
        <p v-for="change in part.changes" :key="change.at" class="text-[13.5px] text-near">
          {{ shortTime(change.at) }}, {{ change.reason }}<template v-if="change.by"> · {{ change.by }}</template>
        </p>
        <form
          v-if="picked === part.id"
          class="my-2 grid gap-2 md:grid-cols-[minmax(0,1fr)_12rem_auto_auto]"
          novalidate
          @submit.prevent="replace"
        >
          <div>
            <label class="label mb-1 block" for="part-reason">What was done</label>
            <input
              id="part-reason"
              ref="field"
              v-model="reason"
              class="field"
              maxlength="200"
              autocomplete="off"
              :aria-invalid="form.fault('reason') !== undefined"
            />
            <p v-if="form.fault('reason')" class="fault">{{ form.fault('reason') }}</p>
          </div>
          <NameField id="part-by" v-model="preferences.signer" label="Name" :fault="form.fault('by')" />
          <button type="submit" class="button primary self-start md:mt-6" :disabled="form.busy">Mark what is stale</button>
          <button type="button" class="button self-start md:mt-6" @click="picked = null">Leave it</button>
          <p class="text-[13px] text-mute md:col-span-4">
            What was measured on it before is stale from now on; a signed check that loses a figure by it is opened again.
          </p>
          <FormSays class="md:col-span-4" :says="form.rest()" :busy="form.busy" />
        </form>
      </li>
    </ul>
  </section>
</template>
