import { computed, onMounted, ref, type Ref } from 'vue'
import type { Families } from '#shared/types'
import { familiesFor } from './families'
import { api } from '../server/useApi'

/** The families of the drawer as they are offered for a check, the likely ones first; its own is always among them, also a new one. */
export function useFamilies(check: Ref<{ readonly kind: string; readonly family: string }>) {
  const offered = ref<readonly string[]>([])
  onMounted(async () => {
    const drawer = await api<Families>('/api/stock/families').catch(() => null)
    if (drawer) offered.value = familiesFor(check.value.kind, drawer).families
  })
  return computed(() => [...new Set([...offered.value, check.value.family].filter(Boolean))])
}
