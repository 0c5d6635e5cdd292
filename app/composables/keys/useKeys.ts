import { onBeforeUnmount, onMounted, shallowRef, type Ref } from 'vue'
import { isCommandIn } from './readsAs'

export interface KeyBinding {
  /** What is printed: `F`, `1–5`, `PgDn`. */
  readonly label: string
  readonly does: string
  /** Tells whether this press is meant; `key` is upper-cased for letters. */
  readonly match: (key: string) => boolean
  readonly run: (key: string) => void
  /** Not shown in the foot, only under `?`. */
  readonly quiet?: boolean
}

/** All bindings of what is on the screen now, a list for each view. */
export const activeKeys = shallowRef<readonly Ref<readonly KeyBinding[]>[]>([])

/**
 * Keys of one view. A letter is a command unless it is being typed; a cell of the sheet says itself what it takes.
 */
export function useKeys(list: Ref<readonly KeyBinding[]>, { everywhere = false } = {}): void {
  const onKey = (event: KeyboardEvent) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return
    const target = event.target as HTMLElement
    if (target.closest('[role="dialog"]')) return
    const typing =
      target instanceof HTMLTextAreaElement ||
      target instanceof HTMLSelectElement ||
      (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button'].includes(target.type))
    const named = event.key.length > 1
    // In a cell of the sheet a sign that neither continues a figure nor a word is a command; in any other field all of it is text.
    const command = typing && !named && isCommandIn(target, event.key)
    if (typing && !named && !command) return
    if (typing && ['ArrowUp', 'ArrowDown', 'Enter', 'Escape'].includes(event.key) && target.dataset.keys === undefined) return
    if (event.key === 'Enter' && target.closest('button, a, summary, [role="button"]')) return
    if (event.key === ' ' && !command && target.closest('button, summary, select, input, [role="button"]')) return
    const key = event.key.length === 1 ? event.key.toUpperCase() : event.key
    const binding = list.value.find(candidate => candidate.match(key))
    if (!binding) return
    event.preventDefault()
    binding.run(key)
  }
  onMounted(() => {
    // Those of the view stand before those that hold everywhere, whichever came first.
    activeKeys.value = everywhere ? [...activeKeys.value, list] : [list, ...activeKeys.value]
    addEventListener('keydown', onKey)
  })
  onBeforeUnmount(() => {
    activeKeys.value = activeKeys.value.filter(other => other !== list)
    removeEventListener('keydown', onKey)
  })
}

export const key = (
  label: string,
  does: string,
  run: (key: string) => void,
  more: Partial<KeyBinding> & { keys?: readonly string[] } = {},
): KeyBinding => ({ label, does, run, match: pressed => (more.keys ?? [label.toUpperCase()]).includes(pressed), ...more })
