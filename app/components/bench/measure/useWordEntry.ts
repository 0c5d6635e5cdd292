import { computed, ref, watch, type Ref } from 'vue'

/** An answer in a word: typed as far as it is clear. A figure typed there is kept and said not to belong. */
export function useWordEntry(words: Ref<readonly { readonly value: string; readonly label: string }[]>, typed: Ref<string>) {
  const tried = ref(false)
  watch(typed, () => {
    tried.value = false
  })
  const meant = computed(() => {
    const text = typed.value.trim().toLowerCase()
    const fitting = words.value.filter(
      ({ value, label }) => text !== '' && [value, label].some(word => word.toLowerCase().startsWith(text)),
    )
    return fitting.length === 1 ? fitting[0]! : null
  })
  const fault = computed(() =>
    !tried.value || meant.value
      ? null
      : `${/\d/.test(typed.value) ? `“${typed.value.trim()}” is a figure; this` : 'This'} is answered in a word: ${words.value.map(({ label }) => label).join(' or ')}.`,
  )
  return { tried, meant, fault }
}
