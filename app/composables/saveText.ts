import Papa from 'papaparse'

/** A table as every spreadsheet reads it; text that a spreadsheet would run is written with a leading apostrophe. */
export const csvOf = (head: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse({ fields: [...head], data: rows.map(row => [...row]) }, { newline: '\n', escapeFormulae: /^[=+@\t\r]/ })}\n`

/** Text as a file of the one who asks. */
export function saveText(text: string, name: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }))
  Object.assign(document.createElement('a'), { href: url, download: name.replaceAll(/[\s,]+/g, '-').toLowerCase() }).click()
  URL.revokeObjectURL(url)
}
