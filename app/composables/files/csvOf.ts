import Papa from 'papaparse'

/** A table as every spreadsheet reads it; text that a spreadsheet would run is written with a leading apostrophe. */
export const csvOf = (head: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  `${Papa.unparse({ fields: [...head], data: rows.map(row => [...row]) }, { newline: '\n', escapeFormulae: /^[=+@\t\r]/ })}\n`
