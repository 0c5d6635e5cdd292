import type { Ref } from 'vue'

/** What is picked in a list; an address can name it, `?pick=…`: a scanned label does. */
export function usePicked(): Ref<string | null> {
  const route = useRoute()
  const named = () => (typeof route.query.pick === 'string' ? route.query.pick : null)
  const picked = ref<string | null>(named())
  watch(named, id => {
    if (id !== null) picked.value = id
  })
  return picked
}
