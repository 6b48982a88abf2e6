import Papa from 'papaparse'
import { fail, ok, problem, type Result } from '../base/result'
import { mostRecords } from './limits'
import { plainText } from './print-csv'

/** A record of a file, with the line it begins in (the first is 1). */
export interface CsvRecord {
  /** The physical line on which the record begins, 1 for the first. */
  readonly line: number
  readonly cells: readonly string[]
}

/** A file as it was read. */
export interface CsvTable {
  readonly delimiter: ',' | ';' | '\t'
  readonly header: readonly string[]
  readonly records: readonly CsvRecord[]
}

/**
 * Reads delimited text (RFC 4180; comma, semicolon or tab found out). The first line is names. Empty lines are passed
 * over but counted. Refused: nothing in it, characters that no text has, a quote that is never closed, too many records.
 */
export function parseCsv(text: string): Result<CsvTable> {
  const body = text.startsWith('\uFEFF') ? text.slice(1) : text
  // eslint-disable-next-line no-control-regex -- looks for the control characters of binary files on purpose
  if (/[\u0000-\u0008\u000E-\u001F]/.test(body))
    return fail(problem('unreadable', { where: 'this is not a text file' }))
  if (!body.trim()) return fail(problem('unreadable', { where: 'the file is empty' }))
  const records: CsvRecord[] = []
  let [line, at] = [1, 0]
  let broken: number | undefined
  let delimiter = ','
  Papa.parse<string[]>(body, {
    delimitersToGuess: [',', ';', '\t'],
    // Also lets the delimiter be found out where empty lines stand among the first.
    skipEmptyLines: true,
    step(row) {
      const begin = firstBeyondLineEnds(body, at)
      line += countLines(body, at, begin)
      at = begin
      const errors = row.errors.filter((error) => error.type === 'Quotes')
      if (errors.length) broken ??= line
      delimiter = row.meta.delimiter
      if (row.data.some((cell) => cell !== '')) records.push({ line, cells: row.data.map(plainText) })
      line += countLines(body, at, row.meta.cursor)
      at = row.meta.cursor
    },
  })
  if (broken !== undefined)
    return fail(problem('unreadable', { where: `line ${broken}: a quote is not closed or is in the middle of a cell` }))
  const [head, ...rest] = records
  if (!head) return fail(problem('unreadable', { where: 'the file is empty' }))
  if (rest.length > mostRecords) return fail(problem('too-many-rows', { rows: rest.length, most: mostRecords }))
  const width = head.cells.length
  const header = Array.from({ length: width }, (_, i) => head.cells[i]?.trim() || `Column ${i + 1}`)
  return ok({ delimiter: delimiter as CsvTable['delimiter'], header, records: rest })
}

function firstBeyondLineEnds(text: string, from: number): number {
  let at = from
  while (text[at] === '\n' || text[at] === '\r') at++
  return at
}

function countLines(text: string, from: number, to: number): number {
  let lines = 0
  for (let i = from; i < to; i++) {
    const code = text.charCodeAt(i)
    if (code === 10 || (code === 13 && text.charCodeAt(i + 1) !== 10)) lines++
  }
  return lines
}
