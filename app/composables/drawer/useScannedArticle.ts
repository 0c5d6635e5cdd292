import type { Ref } from 'vue'

/** What was scanned and is to become the article of a size: `/stock?article=…`; null: nothing. */
export function useScannedArticle(): Ref<string | null> {
  const route = useRoute()
  return computed({
    get: () => (typeof route.query.article === 'string' ? route.query.article : null),
    set: article => void navigateTo({ query: { ...route.query, article: article ?? undefined } }, { replace: true }),
  })
}
