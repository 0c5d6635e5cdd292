<script setup lang="ts">
import { faultsOf } from '~/composables/server/useApi'
import { useBench } from '~/stores/bench'
import { usePreferences } from '~/stores/preferences'

/** One check on the bench: fetched here, worked on in CheckBench. */
const id = String(useRoute().params.id)
const bench = useBench()
const preferences = usePreferences()
const problem = ref<string | null>(null)
const fetched = ref(false)
const document = computed(() => (fetched.value && bench.document?.id === id ? bench.document : null))

onMounted(async () => {
  try {
    await bench.open(id)
    fetched.value = true
  } catch (error) {
    problem.value = faultsOf(error)[0]?.reason ?? null
  }
})
onBeforeUnmount(() => bench.leave())
// What is opened next is shown in the shop’s unit again, unless it is a check too.
onBeforeRouteLeave(to => {
  if (!to.path.startsWith('/checks/')) preferences.showAs(null)
})
useHead({ title: computed(() => (document.value ? `${document.value.title} · Finitum` : 'Finitum')) })
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col">
    <div v-if="problem" class="px-7 py-10">
      <p class="text-lg">{{ problem }}</p>
      <NuxtLink to="/" class="button mt-4">All jobs</NuxtLink>
    </div>
    <div v-else-if="!document" class="px-7 py-10 text-mute">Laying the check out …</div>
    <CheckBench v-else :document="document" />
  </div>
</template>
