import { useEventListener } from '@vueuse/core'
import type { Ref } from 'vue'

/** A digit picks from the list of a dialog that is open, wherever in it the focus is, but for a field that is typed into. */
export function useDigits(open: Ref<boolean>, pick: (number: number) => void): void {
  useEventListener(document, 'keydown', (event: KeyboardEvent) => {
    if (!open.value || event.ctrlKey || event.altKey || event.metaKey || !/^[1-9]$/.test(event.key)) return
    if (event.target instanceof HTMLInputElement) return
    event.preventDefault()
    pick(Number(event.key))
  })
}
