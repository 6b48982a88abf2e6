/** A block of text that was pasted where items are typed: lines of a list, with their levels, or the cells of a table. */
import Papa from 'papaparse'
import { problem, type Problem, type Result, fail, ok } from '../base/result'
import { oneLine } from '../base/text'
import { mostRecords } from '../bring-in/limits'

/** A line that becomes an item. */
export interface PastedLine {
  /** The line of the text, 1 for the first. */
  readonly line: number
  /** How deep it lies: 0 for what is inside nothing that was pasted. */
  readonly level: number
  readonly title: string
  /** It has a box before it, and whether that is ticked. */
  readonly isTicked?: boolean
}

/** What a text is, as it was read. */
export type Pasted =
  /** One line, or nothing: it is typed text like any other. */
  | { readonly is: 'text' }
  | { readonly is: 'lines'; readonly lines: readonly PastedLine[] }
  /** Cells with the first line of names: as a file is brought in. */
  | { readonly is: 'table'; readonly header: readonly string[]; readonly rows: number }

/** So wide is a tab among blanks. */
const tabWidth = 4
/** What stands before a line of a list: `- `, `* `, `• `, `3. `, `3) `, `a) `, with a box behind it or a box alone. */
const marker = /^(?:(?:[-*+•–—‣▪◦]|\d{1,4}[.)]|[a-z][.)])[ \t]+)?(?:\[([ xX✓✔]?)\][ \t]+)?/u
const heading = /^(#{1,6})[ \t]+/
/** Rows of a Markdown table: `| a | b |`. */
const ruled = /^\|.*\|$/
const rule = /^\|(?:\s*:?-{2,}:?\s*\|)+$/

/** Reads what was pasted. Refused: more lines than a file may have. */
export function readPasted(text: string): Result<Pasted> {
  const all = text.replaceAll('\r\n', '\n').replaceAll('\r', '\n').split('\n')
  const filled = all.filter((line) => line.trim())
  if (filled.length < 2) return ok({ is: 'text' })
  const tooMany = refusal(filled.length)
  if (tooMany) return fail(tooMany)
  const cells = cellsOf(text, filled)
  const [header] = cells ?? []
  if (cells && header) return ok({ is: 'table', header, rows: cells.length - 1 })
  return ok({ is: 'lines', lines: linesOf(all) })
}

const refusal = (rows: number): Problem | undefined =>
  rows > mostRecords ? problem('too-many-rows', { rows, most: mostRecords }) : undefined

/** The cells of a copied table, Markdown's among them; undefined where it is none. */
export function cellsOf(text: string, filled = text.split('\n').filter((line) => line.trim())): string[][] | undefined {
  const trimmed = filled.map((line) => line.trim())
  if (trimmed.every((line) => ruled.test(line)) && trimmed.some((line) => rule.test(line)))
    return trimmed.filter((line) => !rule.test(line)).map(ruledCells)
  if (!text.includes('\t')) return undefined
  const { data } = Papa.parse<string[]>(text, { delimiter: '\t', skipEmptyLines: 'greedy' })
  // Tabs before a line are how deep it lies; within it they part cells, of which the first line names two at least.
  const isTable =
    data.length > 1 && data.every((row) => row.length > 1) && data[0]!.filter((cell) => cell.trim()).length > 1
  return isTable ? data.map((row) => row.map((cell) => cell.trim())) : undefined
}
/** The same cells as a file that is brought in. */
export const csvOf = (cells: readonly (readonly string[])[]): string => Papa.unparse(cells as string[][])

const ruledCells = (line: string): string[] =>
  line
    .slice(1, -1)
    .split(/(?<!\\)\|/)
    .map((cell) => cell.replaceAll('\\|', '|').trim())

/** Lines with their levels: by headings, and by how far they are indented under what stands above them. */
function linesOf(all: readonly string[]): PastedLine[] {
  const lines: PastedLine[] = []
  const indents: number[] = []
  let under = 0
  for (const [i, whole] of all.entries()) {
    const bare = whole.trim()
    if (!bare) continue
    const head = heading.exec(bare)
    if (head) {
      // A heading under a deeper one that is not there lies no deeper for it.
      const level = Math.min(head[1]!.length - 1, under)
      under = level + 1
      indents.length = 0
      push(i, level, withoutTail(bare.slice(head[0].length)))
      continue
    }
    const width = widthOf(/^\s*/.exec(whole)![0])
    while (indents.length && indents.at(-1)! >= width) indents.pop()
    const level = under + indents.length
    indents.push(width)
    const found = marker.exec(bare)!
    push(i, level, bare.slice(found[0].length), found[1])
  }
  return lines

  function push(i: number, level: number, words: string, box?: string): void {
    const title = oneLine(words)
    // A mark with nothing behind it is no item; what lies under it is one all the same.
    if (title) lines.push({ line: i + 1, level, title, ...(box !== undefined && { isTicked: !!box.trim() }) })
  }
}
/** A heading may end as it begins: `## South ##`. */
function withoutTail(words: string): string {
  let end = words.length
  while (words[end - 1] === '#') end--
  return end < words.length && /\s/.test(words[end - 1] ?? ' ') ? words.slice(0, end).trimEnd() : words
}
const widthOf = (blanks: string): number =>
  [...blanks].reduce((width, one) => (one === '\t' ? width - (width % tabWidth) + tabWidth : width + 1), 0)

/** The place among the lines of what each lies inside of; -1 for none. A line lies under the nearest above that is less deep. */
export function parentsOf(lines: readonly Pick<PastedLine, 'level'>[]): number[] {
  const above: number[] = []
  return lines.map(({ level }, i) => {
    while (above.length && lines[above.at(-1)!]!.level >= level) above.pop()
    const parent = above.at(-1) ?? -1
    above.push(i)
    return parent
  })
}

/** The same as a list of lines, two blanks for each level: what is copied so is pasted back as it was. */
export const printLines = (lines: readonly Pick<PastedLine, 'level' | 'title'>[]): string =>
  lines
    .map(({ level, title }) => `${'  '.repeat(level)}- ${marker.exec(title)![0] ? `[ ] ${title}` : title}`)
    .join('\n')
