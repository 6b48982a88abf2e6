/** How items are searched for: no part of what a worker begins with. */
import type UFuzzy from '@leeoniya/ufuzzy'
import { foldText } from '../base/collation'
import type { ItemTable } from '../model/item-table'
import { itemKey, projectsInOrder } from '../model/reader'
import type { ProjectId } from '../model/records'
import type { State } from '../model/state'

/** An item by its name. */
export interface FoundItem {
  readonly id: string
  readonly key: string
  readonly title: string
}
/** Where and for which words. */
export interface SearchInput {
  /** Undefined: in all projects. */
  readonly project: ProjectId | undefined
  readonly words: string
}

/** So many are found at most. */
const mostFound = 20
/** The most whose title has all the words, those that fit best are looked for. */
const mostRanked = 500
/** In fewer letters a wrong one leaves too little. */
const shortestForgiven = 4
/** A word with one wrong letter is still found. Fetched when that may matter: what opens a page does without. */
let loading: Promise<UFuzzy | undefined> | undefined
const forgiving = (): Promise<UFuzzy | undefined> =>
  (loading ??= import('@leeoniya/ufuzzy').then(
    ({ default: Fuzzy }) => new Fuzzy({ intraMode: 1 }),
    () => (loading = undefined),
  ))

/**
 * Items that are not archived, by their key or by words of their title, accents and case aside: a key first, then titles
 * that begin with what was typed, then those in which a word does, then the rest; where these are few, those that differ
 * by a letter in a word. Items of the first projects come first among those that fit as well.
 */
export async function found(state: State, { project, words }: SearchInput): Promise<FoundItem[]> {
  const typed = foldText(words).trim().replace(/\s+/g, ' ')
  const projects = project ? [project] : projectsInOrder(state).map((one) => one.id)
  const all = new Map<string, FoundItem & { readonly rank: number }>()
  const take = (table: ItemTable, row: number, rank: number) => {
    const id = table.ids[row]!
    if (!table.listed[row] || all.has(id)) return
    const key = itemKey(state, { project: table.project, number: table.number.a[row]! })
    all.set(id, { id, key, title: table.title.a[row] ?? '', rank })
  }
  const tables = projects.map((id) => state.table(id))
  for (const table of tables) {
    for (const row of rowsByKey(state, table, typed)) take(table, row, 0)
    for (const row of rowsByWords(table, typed)) take(table, row, fitOf(table.title.a[row] ?? '', typed))
  }
  const fuzzy = typed.length >= shortestForgiven && all.size < mostFound ? await forgiving() : undefined
  if (fuzzy) for (const table of tables) for (const row of rowsAlmost(fuzzy, table, typed)) take(table, row, 4)
  return [...all.values()]
    .sort((a, b) => a.rank - b.rank)
    .slice(0, mostFound)
    .map(({ id, key, title }) => ({ id, key, title }))
}

/** Rows whose key begins with what was typed first, *GLH-14* or its number alone, and whose title has the words after it. */
function rowsByKey(state: State, table: ItemTable, typed: string): number[] {
  const [first = '', ...others] = typed.split(' ')
  const [, prefix, digits = ''] = /^(?:([a-z][a-z0-9]*)-?)?(\d+)$/.exec(first) ?? []
  const project = state.maybe('project', table.project)
  const its = project && [project.prefix, ...project.oldPrefixes].map((one) => one.toLowerCase())
  if (!digits || (prefix && !its?.includes(prefix))) return []
  const rows: number[] = []
  for (let row = 0; row < table.n; row++)
    if (String(table.number.a[row]).startsWith(digits) && others.every((word) => table.title.has(row, word)))
      rows.push(row)
  return rows.sort((a, b) => table.number.a[a]! - table.number.a[b]!).slice(0, mostFound)
}

/** Rows whose title has every word; all of them where nothing was typed. */
function rowsByWords(table: ItemTable, typed: string): Iterable<number> {
  const [first, ...others] = typed.split(' ')
  if (!first) return Array.from({ length: Math.min(table.n, mostFound) }, (_, row) => row)
  const rows = new Int32Array(table.n)
  const n = table.title.search(first, rows)
  const fits = (row: number) => others.every((word) => table.title.has(row, word))
  return (others.length ? rows.subarray(0, n).filter(fits) : rows.subarray(0, n)).subarray(0, mostRanked)
}

/** How well a title that has every word fits: 1 it begins with what was typed, 2 one of its words does, 3 it has it. */
function fitOf(title: string, typed: string): number {
  const folded = foldText(title)
  if (folded.startsWith(typed)) return 1
  return folded.includes(` ${typed.split(' ')[0]}`) ? 2 : 3
}

/** Rows whose title has every word, each with one letter wrong at most; the best first. */
function rowsAlmost(fuzzy: UFuzzy, table: ItemTable, typed: string): readonly number[] {
  const titles = table.title.folded() as string[]
  const rows = fuzzy.filter(titles, typed) ?? []
  if (!rows.length || rows.length > mostRanked) return rows.slice(0, mostFound)
  const info = fuzzy.info(rows, titles, typed)
  return fuzzy.sort(info, titles, typed).map((at) => info.idx[at]!)
}
