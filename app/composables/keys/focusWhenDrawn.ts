/**
 * The cursor into a field that may not be drawn yet: at once, or as soon as it is. A key or a click meanwhile has taken the work elsewhere.
 * @param selector  of the field
 */
export function focusWhenDrawn(selector: string): void {
  const { document } = globalThis
  const found = () => document.querySelector<HTMLElement>(selector)
  const now = found()
  if (now) return now.focus()
  const drawn = new MutationObserver(() => {
    const field = found()
    if (!field) return
    leave()
    field.focus()
  })
  const leave = () => {
    drawn.disconnect()
    for (const what of ['keydown', 'pointerdown']) removeEventListener(what, leave, true)
  }
  drawn.observe(document.body, { childList: true, subtree: true })
  for (const what of ['keydown', 'pointerdown']) addEventListener(what, leave, true)
}
