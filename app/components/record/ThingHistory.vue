<script setup lang="ts">
import { shortTime } from '~/composables/words/shortTime'
import { api, faultsOf } from '~/composables/server/useApi'
import type { Done } from '#shared/record'

/** Who did what to a size, a gauge, limits of the library; asked for when it is opened. Nothing here can be changed. */
const props = defineProps<{ id: string; version: number }>()
const open = ref(false)
const done = ref<readonly Omit<Done, 'check'>[] | null>(null)
const fault = ref<string>()
async function load(): Promise<void> {
  fault.value = undefined
  try {
    done.value = await api<Omit<Done, 'check'>[]>(`/api/history/${encodeURIComponent(props.id)}`)
  } catch (error) {
    fault.value = faultsOf(error)[0]?.reason
  }
}
watch([open, () => props.version], () => {
  if (open.value) void load()
})
</script>

<template>
  <details class="text-[13.5px]" data-test="thing-history" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary class="label min-h-9 cursor-pointer py-1.5">Who did what</summary>
    <p v-if="fault" class="fault">{{ fault }}</p>
    <ul v-else-if="done?.length">
      <li v-for="(one, i) in done" :key="i" class="border-t rule py-1">
        {{ one.what }}<span class="text-mute"> · {{ [one.who, shortTime(one.at)].filter(Boolean).join(', ') }}</span>
      </li>
    </ul>
    <p v-else-if="done" class="text-mute">Nothing was done here yet.</p>
  </details>
</template>
