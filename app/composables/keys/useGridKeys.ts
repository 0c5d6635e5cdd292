import { onMounted, onUpdated, type Ref } from 'vue'

/**
 * A table of buttons as one stop of Tab: the arrow keys go from cell to cell, Home and End to the ends of a row. The stop is the cell
 * that is pressed, else the first.
 * @param row  what a row is: of a table, or a list
 */
export function useGridKeys(
  box: Readonly<Ref<HTMLElement | null | undefined>>,
  row = 'tr',
): { readonly onKeydown: (event: KeyboardEvent) => void } {
  const rows = () => [...(box.value?.querySelectorAll(row) ?? [])].map(of => [...of.querySelectorAll('button')]).filter(of => of.length > 0)

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
  function nearest(buttons: readonly HTMLButtonElement[], to: HTMLButtonElement): HTMLButtonElement | undefined {
    const at = to.getBoundingClientRect().right
    const distance = (button: HTMLButtonElement) => Math.abs(button.getBoundingClientRect().right - at)
    return [...buttons].sort((a, b) => distance(a) - distance(b))[0]
  }

  function onKeydown(event: KeyboardEvent): void {
    const now = (event.target as HTMLElement).closest('button')
    const all = rows()
    const at = all.findIndex(buttons => now !== null && buttons.includes(now))
    if (!now || at === -1) return
    const own = all[at]!
    const next = {
      ArrowLeft: own[own.indexOf(now) - 1],
      ArrowRight: own[own.indexOf(now) + 1],
      ArrowUp: all[at - 1] && nearest(all[at - 1]!, now),
      ArrowDown: all[at + 1] && nearest(all[at + 1]!, now),
      Home: own[0],
      End: own.at(-1),
    }[event.key]
    if (!['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End'].includes(event.key)) return
    event.preventDefault()
    next?.focus()
    settle()
  }
  return { onKeydown }
}
