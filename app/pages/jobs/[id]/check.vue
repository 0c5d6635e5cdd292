<script setup lang="ts">
import { checkKinds } from '#core/check/registry'
import type { CheckKind } from '#core/check/contract'
import { api, faultAt, faultsOf } from '~/composables/server/useApi'
import { key, useKeys } from '~/composables/keys/useKeys'
import type { Fault, JobView } from '#shared/types'

/** A new check of a job: which kind, then what it begins with. */
const id = String(useRoute().params.id)
const route = useRoute()
const job = ref<JobView | null>(null)
const faults = ref<readonly Fault[]>([])
onMounted(async () => {
  try {
    job.value = await api<JobView>(`/api/jobs/${id}`)
  } catch (error) {
    faults.value = faultsOf(error)
  }
})
const kind = computed(() => checkKinds.find(one => one.id === route.query.kind) ?? null)
const take = ({ id: own }: CheckKind) => navigateTo({ path: route.path, query: { kind: own } })
/** Back by one: from what it begins with to which one, from there to the job. */
const leave = () => void (kind.value ? another() : navigateTo(`/jobs/${id}`))
const another = () => navigateTo(route.path)
useKeys(
  computed(() => [
    key('Esc', kind.value ? 'another kind' : 'back to the job', leave, {
      keys: ['Escape'],
    }),
  ]),
)
useHead({ title: computed(() => `${kind.value?.title ?? 'Which check?'} · Finitum`) })
</script>

<template>
  <div class="w-full px-4 py-4 md:px-7" @keydown.esc.prevent="leave">
    <p v-if="faultAt(faults, '')" class="fault mb-3 text-lg" role="alert">{{ faultAt(faults, '') }}</p>
    <NuxtLink v-if="faults.length" to="/" class="button">All jobs</NuxtLink>
    <PageCrumbs class="!px-0 !pt-0 pb-2">
      <template v-if="job"
        ><NuxtLink :to="`/jobs/${id}`" class="link">{{ job.unit.name }} › {{ job.title }}</NuxtLink> › New check</template
      >
    </PageCrumbs>
    <template v-if="!faults.length">
      <WhichCheck v-if="!kind" @take="take" />
      <BeginCheck v-else-if="job" :key="kind.id" :job-id="id" :kind="kind" :type="job.unit.type ?? ''" @leave="another" />
      <p v-else class="py-6 text-mute">Opening the job …</p>
    </template>
  </div>
</template>
