/**
 * A form is not sent while a text in it is refused, or asked about: that field takes the focus, and what was typed is not dropped unsaid.
 * @param event  the form’s submit
 * @returns whether it is held back
 */
export function heldBack(event: Event): boolean {
  const field = (event.target as HTMLFormElement).querySelector<HTMLInputElement>('[data-refused]')
  field?.focus()
  field?.select()
  return field !== null
}
