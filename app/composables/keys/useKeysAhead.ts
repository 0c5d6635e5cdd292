import { onScopeDispose, watch, type Ref } from 'vue'

/** A dialog that has not come by then never will: what is typed goes where the focus is again. */
const PATIENCE = 2_000

/**
 * What is typed between the key that opens a dialog and the dialog having the focus is meant for it: it is kept from the page behind, and
 * given to the field the focus comes to.
 * @returns to be called when the focus is in the dialog
 */
export function useKeysAhead(open: Ref<boolean>): () => void {
  const kept: string[] = []
  let patience: ReturnType<typeof setTimeout> | undefined
  const hear = (event: KeyboardEvent): void => {
    if (!event.isTrusted || event.ctrlKey || event.metaKey || event.altKey || (event.key.length !== 1 && event.key !== 'Enter')) return
    kept.push(event.key)
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  function stop(): void {
    clearTimeout(patience)
    removeEventListener('keydown', hear, true)
  }
  watch(
    open,
    now => {
      stop()
      kept.length = 0
      if (!now) return
      addEventListener('keydown', hear, true)
      patience = setTimeout(stop, PATIENCE)
    },
    { flush: 'sync' },
  )
  onScopeDispose(stop)
  return give

  /** To what has the focus, once that is in the dialog. */
  function give(): void {
    const at = document.activeElement
    if (open.value && !at?.closest('[role="dialog"]')) return void requestAnimationFrame(give)
    stop()
    const typed = kept.splice(0)
    // Keys of the dialog itself: the third of a list. Nothing is confirmed that nobody saw.
    if (!(at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement)) {
      for (const key of typed)
        if (key !== 'Enter') at?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
      return
    }
    const enter = typed.indexOf('Enter')
    at.value += (enter === -1 ? typed : typed.slice(0, enter)).join('')
    if (typed.length > 0) at.dispatchEvent(new Event('input', { bubbles: true }))
    if (enter !== -1) at.form?.requestSubmit()
  }
}
