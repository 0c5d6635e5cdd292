import { onMounted, onUpdated, type Ref } from 'vue'

/**
 * A table of buttons as one stop of Tab: the arrow keys go from cell to cell, Home and End to the ends of a row. The stop is the cell
 * that is pressed, else the first.
 */
export function useGridKeys(box: Ref<HTMLElement | undefined>): { readonly onKeydown: (event: KeyboardEvent) => void } {
  const rows = () =>
    [...(box.value?.querySelectorAll('tr') ?? [])].map(row => [...row.querySelectorAll('button')]).filter(row => row.length > 0)

  function settle(): void {
    const buttons = rows().flat()
    const stop =
      buttons.find(button => button === document.activeElement) ??
      buttons.find(button => button.getAttribute('aria-pressed') === 'true') ??
      buttons[0]
    for (const button of buttons) button.tabIndex = button === stop ? 0 : -1
  }
  onMounted(settle)
  onUpdated(settle)

  /** The cell in this row that stands nearest below or above the one that was left. */
  function nearest(row: readonly HTMLButtonElement[], to: HTMLButtonElement): HTMLButtonElement | undefined {
    const at = to.getBoundingClientRect().right
    const distance = (button: HTMLButtonElement) => Math.abs(button.getBoundingClientRect().right - at)
    return [...row].sort((a, b) => distance(a) - distance(b))[0]
  }

  function onKeydown(event: KeyboardEvent): void {
    const now = (event.target as HTMLElement).closest('button')
    const all = rows()
    const at = all.findIndex(row => now !== null && row.includes(now))
    if (!now || at === -1) return
    const row = all[at]!
    const next = {
      ArrowLeft: row[row.indexOf(now) - 1],
      ArrowRight: row[row.indexOf(now) + 1],
      ArrowUp: all[at - 1] && nearest(all[at - 1]!, now),
      ArrowDown: all[at + 1] && nearest(all[at + 1]!, now),
      Home: row[0],
      End: row.at(-1),
    }[event.key]
    if (!['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End'].includes(event.key)) return
    event.preventDefault()
    next?.focus()
    settle()
  }
  return { onKeydown }
}
