import type { Ref } from 'vue'

const ARROWS = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown']

/**
 * The arrows go from cell to cell of a sheet, from an empty one Tab too, and from the last out of it. Along a line they first move in the text
 * that is typed.
 * @param choose  the cell that is gone to, by its name
 * @param writes  is the cell in hand written in? Where it is not, Tab goes past the sheet as past any table.
 */
export function useSheetKeys(box: Ref<HTMLElement | undefined>, choose: (cell: string) => void, writes: () => boolean) {
  const rows = () =>
    [...(box.value?.querySelectorAll('tr') ?? [])]
      .map(row => [...row.querySelectorAll<HTMLElement>('[data-cell]')])
      .filter(row => row.length > 0)

  /** The cell in this row that stands nearest below or above the one that was left. */
  function nearest(row: readonly HTMLElement[] | undefined, to: HTMLElement): HTMLElement | undefined {
    const at = to.getBoundingClientRect().right
    const distance = (cell: HTMLElement) => Math.abs(cell.getBoundingClientRect().right - at)
    return [...(row ?? [])].sort((a, b) => distance(a) - distance(b))[0]
  }
  /** Would the key move in the text? */
  function inText(key: string, target: EventTarget | null): boolean {
    if (!(target instanceof HTMLInputElement) || target.type !== 'text') return false
    if (key === 'ArrowLeft') return (target.selectionEnd ?? 0) > 0
    return key === 'ArrowRight' && (target.selectionStart ?? 0) < target.value.length
  }

  function onKeydown(event: KeyboardEvent): void {
    const { key, target, ctrlKey, altKey, metaKey } = event
    if (ctrlKey || altKey || metaKey) return
    const now = (target as HTMLElement).closest<HTMLElement>('[data-cell]')
    if (!now) return
    const all = rows()
    const row = all.findIndex(cells => cells.includes(now))
    const inRow = all[row]!
    let next: HTMLElement | undefined
    if (ARROWS.includes(key)) {
      if (inText(key, target)) return
      next = {
        ArrowLeft: inRow[inRow.indexOf(now) - 1],
        ArrowRight: inRow[inRow.indexOf(now) + 1],
        ArrowUp: nearest(all[row - 1], now),
        ArrowDown: nearest(all[row + 1], now),
      }[key]
      event.preventDefault()
    } else if (key === 'Tab' && writes()) {
      // Between the two figures of a cell, and to what goes with a figure that is typed, it goes as anywhere.
      if (target instanceof HTMLInputElement && target.value.trim() !== '') return
      const fields = [...now.querySelectorAll('input')]
      const at = fields.indexOf(target as HTMLInputElement) + (event.shiftKey ? -1 : 1)
      if (fields[at]) return
      const flat = all.flat()
      next = flat[flat.indexOf(now) + (event.shiftKey ? -1 : 1)]
      if (next) event.preventDefault()
    }
    if (next) choose(next.dataset.cell!)
  }
  return { onKeydown }
}
