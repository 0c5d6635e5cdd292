<script setup lang="ts">
import { write } from '~/composables/server/useApi'
import { useForm } from '~/composables/server/useForm'
import type { JobView } from '#shared/types'
import { useSaid } from '~/composables/bench/useSaid'

/** A job that was done, done again: its checks kept as a route, or begun once more on the same unit. */
const props = defineProps<{ job: JobView }>()
const open = ref<'route' | 'again' | null>(null)
const name = ref('')
const form = useForm()
/** the path of what is named, in either form */
const named = computed(() => (open.value === 'route' ? 'name' : 'title'))
const kept = ref<string | null>(null)
const field = ref<HTMLInputElement>()
const saidNext = useSaid()
function begin(what: 'route' | 'again'): void {
  open.value = what
  name.value = props.job.title
  form.refuse([])
  kept.value = null
  void nextTick(() => field.value?.select())
}
const send = (): Promise<boolean> =>
  open.value === 'route'
    ? form.submit(
        names => write('POST /api/routes', { ...names, name: name.value, job: props.job.id }),
        () => {
          kept.value = name.value
          open.value = null
        },
      )
    : form.submit(
        names => write('POST /api/jobs', { ...names, unit: props.job.unit.name, title: name.value, again: props.job.id }),
        job => {
          saidNext.value = job.said
          return navigateTo(`/jobs/${job.id}`)
        },
      )
</script>

<template>
  <div v-if="job.checks.length" class="mt-6" data-test="again">
    <p class="flex flex-wrap items-center gap-3">
      <button type="button" class="button" @click="begin('again')">Do this job again</button>
      <button type="button" class="button" @click="begin('route')">Keep as a route</button>
      <span v-if="kept" class="text-in" role="status">Kept: {{ kept }}. A new job begins with it by R.</span>
    </p>
    <form v-if="open" class="mt-3 flex max-w-2xl flex-wrap items-end gap-3" novalidate @submit.prevent="send">
      <div class="min-w-60 flex-1">
        <label class="label mb-1 block" for="again-name">{{ open === 'route' ? 'What the route is called' : 'What is to be done' }}</label>
        <input
          id="again-name"
          ref="field"
          v-model="name"
          class="field"
          maxlength="120"
          autocomplete="off"
          :aria-invalid="form.fault(named) !== undefined"
        />
      </div>
      <button type="submit" class="button primary" :disabled="form.busy">{{ open === 'route' ? 'Keep it' : 'Begin' }}</button>
      <button type="button" class="button" @click="open = null">Leave it</button>
      <p v-if="form.fault(named)" class="fault basis-full">{{ form.fault(named) }}</p>
      <FormSays class="basis-full" :says="form.rest()" :busy="form.busy" />
      <p class="basis-full text-[13px] text-mute">
        {{
          open === 'route'
            ? 'Its checks with their set-ups, limits, gauges and drawers; nothing of what was measured.'
            : 'A new job on this unit with the same checks. What they came to this time stands beside the new figures as last time.'
        }}
      </p>
    </form>
  </div>
</template>
