<script setup lang="ts">
import { api } from '~/composables/server/useApi'
import type { Photo } from '#shared/types'

/** Photographs of what is on the bench. */
const props = defineProps<{ job: string; check: string }>()
const all = ref<readonly Photo[]>([])
// Without the server there is nothing to show; adding one says so.
onMounted(async () => {
  all.value = await api<Photo[]>(`/api/jobs/${props.job}/photos`).catch(() => [])
})
const own = computed(() => all.value.filter(photo => photo.check?.id === props.check))
</script>

<template>
  <PhotoStrip :path="`/api/jobs/${job}`" :check="check" :photos="own" @changed="all = $event" />
</template>
