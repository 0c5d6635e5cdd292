import { onScopeDispose, watch, type Ref } from 'vue'

/** What has not come by then never will: what is typed goes where the focus is again. */
const PATIENCE = 2_000

interface Kept {
  /** Gives them to what has the focus, once that is inside what was waited for. */
  give: (inside?: (at: Element | null) => boolean) => void
  stop: () => void
}

/** Keeps what is typed from the page that is left, until it is given to what was waited for. */
function keepKeys(): Kept {
  const kept: string[] = []
  const hear = (event: KeyboardEvent): void => {
    if (!event.isTrusted || event.ctrlKey || event.metaKey || event.altKey || (event.key.length !== 1 && event.key !== 'Enter')) return
    kept.push(event.key)
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  addEventListener('keydown', hear, true)
  const patience = setTimeout(stop, PATIENCE)
  let over = false
  return { give, stop }

  function stop(): void {
    over = true
    clearTimeout(patience)
    removeEventListener('keydown', hear, true)
  }
  function give(inside: (at: Element | null) => boolean = () => true): void {
    const at = document.activeElement
    if (!over && !inside(at)) return void requestAnimationFrame(() => give(inside))
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

/**
 * What is typed between the key that opens a dialog and the dialog having the focus is meant for it: it is kept from the page behind, and
 * given to the field the focus comes to.
 * @returns to be called when the focus is in the dialog
 */
export function useKeysAhead(open: Ref<boolean>): () => void {
  let kept: Kept | null = null
  const stop = () => kept?.stop()
  watch(
    open,
    now => {
      stop()
      kept = now ? keepKeys() : null
    },
    { flush: 'sync' },
  )
  onScopeDispose(stop)
  return () => kept?.give(at => at?.closest('[role="dialog"]') != null)
}

/** Of the page that is being opened, at most one. */
let coming: Kept | null = null
/** A page is opened by a key: what is typed until it has the focus is meant for it. */
export function keepForNextPage(): void {
  coming?.stop()
  coming = keepKeys()
}
/** To be called when the page has the focus. */
export function giveToPage(): void {
  coming?.give()
  coming = null
}
