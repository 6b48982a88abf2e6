import Papa from 'papaparse'

/** What a spreadsheet would take for a formula, however many quotes stand before it. */
const formula = /^'*[=+\-@\t\r]/
/** A text so that no spreadsheet works it out; `plainText` gives it back. */
export const safeText = (text: string): string => (formula.test(text) ? `'${text}` : text)
/** The text that was made safe. */
export const plainText = (cell: string): string => (/^'+[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell)

/** Delimited text (RFC 4180): a line of names, then the records. */
export const printCsv = (header: readonly string[], records: readonly (readonly string[])[]): string =>
  Papa.unparse({ fields: [...header], data: records.map((cells) => [...cells]) }, { newline: '\r\n' })
