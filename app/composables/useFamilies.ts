import { onMounted, ref, type Ref } from 'vue'
import type { StockView } from '#shared/types'
import { familiesFor } from './families'
import { api } from './useApi'

/** The families of the drawer as they are offered for a check, the likely ones first; its own is always among them. */
export function useFamilies(check: Ref<{ readonly kind: string; readonly family: string }>) {
  const families = ref<readonly string[]>([])
  onMounted(async () => {
    const stock = await api<StockView>('/api/stock').catch(() => null)
    const offered = stock ? familiesFor(check.value.kind, stock).families : []
    families.value = [...new Set([...offered, check.value.family].filter(Boolean))]
  })
  return families
}
