import Papa from 'papaparse'

/** A table as every spreadsheet reads it; text that a spreadsheet would run is written with a leading apostrophe. */
export const csvOf = (head: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse({ fields: [...head], data: rows.map(row => [...row]) }, { newline: '\n', escapeFormulae: /^[=+@\t\r]/ })}\n`

/** Text as a file of the one who asks. */
export const saveText = (text: string, name: string, type: string): void =>
  saveBlob(new Blob([text], { type: `${type};charset=utf-8` }), name.replaceAll(/[\s,]+/g, '-').toLowerCase())

/** A file for the one who asks. */
export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob)
  Object.assign(document.createElement('a'), { href: url, download: name }).click()
  URL.revokeObjectURL(url)
}
