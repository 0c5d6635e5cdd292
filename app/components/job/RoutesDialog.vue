<script setup lang="ts">
import { api, faultsOf } from '~/composables/server/useApi'
import { useDigits } from '~/composables/keys/useDigits'
import { useRemoval } from '~/composables/server/useRemoval'
import type { RouteView } from '#shared/types'

/** The routes a job can begin with, each with a key. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; pick: [RouteView] }>()
const routes = ref<readonly RouteView[] | null>(null)
const list = useTemplateRef<HTMLElement>('list')
const fault = ref<string | null>(null)
const removal = useRemoval('POST /api/routes/:id/removal', next => {
  routes.value = next
})
watch(
  () => props.open,
  async open => {
    if (!open) return
    fault.value = null
    try {
      routes.value = await api<RouteView[]>('/api/routes')
      await nextTick()
      // The dialog opened before there was one.
      list.value?.querySelector('button')?.focus()
    } catch (error) {
      fault.value = faultsOf(error)[0]?.reason ?? null
    }
  },
)
/** Pressed before the list has come, it is kept until it has. */
const early = ref<number | null>(null)
function take(number: number): void {
  const route = routes.value?.[number - 1]
  if (route) emit('pick', route)
}
watch(routes, () => {
  if (early.value !== null) take(early.value)
  early.value = null
})
useDigits(toRef(props, 'open'), number => {
  if (routes.value) take(number)
  else early.value = number
})
</script>

<template>
  <PlainDialog :open="open" title="New job by a route" wide @close="emit('close')">
    <div>
      <p v-if="fault" class="fault">{{ fault }}</p>
      <RemovedNotice :removed="removal.removed.value" :refusal="removal.refusal.value" @undo="removal.undo" />
      <ul v-if="routes?.length" ref="list" class="border-b rule" data-test="routes">
        <li v-for="(route, i) in routes" :key="route.id" class="flex items-center gap-4 border-t rule">
          <button
            type="button"
            class="grid min-h-13 flex-1 grid-cols-[2rem_minmax(0,1fr)] items-center py-1.5 text-left"
            @click="emit('pick', route)"
          >
            <kbd class="w-6 text-center">{{ i < 9 ? i + 1 : ' ' }}</kbd>
            <span>
              <strong>{{ route.name }}</strong><span v-if="route.type" class="text-mute"> · {{ route.type }}</span>
              <span class="block text-[13.5px] text-mute">{{ route.checks.map(({ title }) => title).join(' · ') }}</span>
            </span>
          </button>
          <button
            type="button"
            class="link text-[13.5px]"
            :aria-label="`Remove the route ${route.name}`"
            @click="removal.remove(route.name, route.id, route.version)"
          >
            remove
          </button>
        </li>
      </ul>
      <p v-else-if="routes" class="max-w-xl text-mute">
        There is no route yet. A route is the checks a kind of job goes through, with what each begins with: limits, gauges, drawers. Open a
        job that was done well and choose <strong>Keep as a route</strong>.
      </p>
    </div>
  </PlainDialog>
</template>
