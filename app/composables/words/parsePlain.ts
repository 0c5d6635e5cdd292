/** A plain figure as people type it, with a point or a comma; null: nothing; undefined: no figure. */
export function parsePlain(text: string): number | null | undefined {
  const plain = text.replace(/\s/g, '').replace(',', '.')
  if (plain === '') return null
  return /^\d+(\.\d+)?$/.test(plain) ? Number(plain) : undefined
}
