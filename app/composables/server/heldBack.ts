/**
 * A form is not sent while a text in it is refused, or asked about: that field takes the focus, and what was typed is not dropped unsaid.
 * @param of  the form, or its submit
 * @returns whether it is held back
 */
export function heldBack(of: Event | HTMLFormElement): boolean {
  const form = of instanceof HTMLFormElement ? of : (of.target as HTMLFormElement)
  const field = form.querySelector<HTMLInputElement>('[data-refused]')
  field?.focus()
  field?.select()
  return field !== null
}
