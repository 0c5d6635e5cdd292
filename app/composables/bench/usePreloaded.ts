import { onUnmounted } from 'vue'

/** Parts of the bench that come a while after the page; here before they are asked for, since the server may be away by then. */
export function usePreloaded(parts: readonly string[]): void {
  let later: ReturnType<typeof setTimeout> | undefined
  onNuxtReady(() => {
    later = setTimeout(() => void preloadComponents([...parts]), 5_000)
  })
  onUnmounted(() => clearTimeout(later))
}
