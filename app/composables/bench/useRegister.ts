import { onNuxtReady } from '#imports'
import { onUnmounted, shallowRef, watch, type Ref } from 'vue'
import type { CheckDocument } from '#core/check/document'
import type { Gauge } from '#core/reading/gauge'
import { allOf } from '../server/useApi'

/** What the technician looks at first comes before what a finer gauge would bring. */
const AFTER_MS = 1_000

/**
 * The gauges of the shop, fetched once a view; those of the check itself until they are here, or where the server is away.
 * @param choosing  a gauge may be chosen now: they are fetched at once
 */
export function useRegister(document: Ref<CheckDocument>, choosing: Ref<boolean>) {
  const register = shallowRef<readonly Gauge[]>(Object.values(document.value.gauges))
  let asked = false
  async function load(): Promise<void> {
    if (asked) return
    asked = true
    register.value = await allOf<Gauge>('/api/gauges').catch(() => register.value)
  }
  let later: ReturnType<typeof setTimeout> | undefined
  onNuxtReady(() => {
    later = setTimeout(() => void load(), AFTER_MS)
  })
  onUnmounted(() => clearTimeout(later))
  watch(choosing, now => now && void load(), { immediate: true })
  return register
}
