/** What a column of a file holds, from its cells: a field type with its settings, and how its days and numbers are written. */
import { isSameText } from '../base/collation'
import { looksLikeDate } from '../base/dates'
import { readMoment, type Speech } from '../base/days-said'
import { tryParseDecimal } from '../base/decimals'
import { beginDuration } from '../base/durations'
import { wordsForNo, wordsForYes } from '../fields/checkbox'
import { splitSeveral, type FieldType, type FieldTypeName } from '../fields/contract'
import { currencies, currencyOf, type Currency } from '../fields/currencies'
import { usualDay } from '../fields/duration'
import { withoutUnit } from '../fields/figures'
import { fieldTypes } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import { fieldContext, type Reader } from '../model/reader'
import type { Field } from '../model/records'

/** How days and numbers of a column are written. */
export type Written = Pick<Speech, 'first' | 'decimal'>
/** What of it the cells leave open. */
export type Unsure = keyof Written

/** What a column holds. */
export interface Guess {
  readonly type: FieldTypeName
  readonly settings: FieldSettings
}

/** Of ten cells so many must fit; the others become faults. */
const most = 0.9
/** From so many of their names known on, cells are people. */
const mostPeople = 0.6
const longestLine = 200
const mostDecimals = 6

/** The field type that fits what a column holds; `cells` without empty ones. */
export function guessType(
  cells: readonly string[],
  reader: Reader,
  written: Written = writtenIn(cells).written,
): Guess {
  const share = (fits: (cell: string) => boolean) => cells.filter(fits).length / cells.length
  const reads = (type: FieldType) => share((cell) => type.parse(cell, plainContext(reader, type.name)).ok) >= most
  const plain = (type: FieldTypeName): Guess => ({ type, settings: {} })
  const isTick = (cell: string) => [...wordsForYes, ...wordsForNo].some((word) => isSameText(word, cell))
  if (share(isTick) === 1 && share((cell) => !/^\d+$/.test(cell)) > 0) return plain('checkbox')
  if (share(looksLikeDate) >= most) return plain('date')
  if (share((cell) => /\d\D\d.*\d:\d\d/.test(cell) && !!readMoment(cell.replace(/(:\d\d):\d\d.*$/, '$1'), { ...plainContext(reader, 'dateTime').speech, ...written })) >= most) return plain('dateTime') // prettier-ignore
  const isNumber = (cell: string) => tryParseDecimal(cell, mostDecimals, written.decimal) !== undefined
  if (share((cell) => !isNumber(cell) && isDuration(cell, written)) >= most / 2 && share((cell) => isDuration(cell, written)) >= most) return plain('duration') // prettier-ignore
  // There are many: those of which the first cells show nothing are not looked for in all.
  const first = cells.slice(0, 20)
  const shown = currencies.filter((code) => first.some((cell) => isMoney(cell, code, written)))
  const currency = shown.find((code) => share((cell) => isMoney(cell, code, written)) >= most)
  if (currency) return { type: 'money', settings: { currency } }
  if (share(isNumber) >= most) return { type: 'number', settings: { decimals: decimalsIn(cells, written.decimal) } }
  for (const type of ['webLink', 'email', 'health'] as const)
    if (share(looksLike[type]) >= most && reads(fieldTypes[type])) return plain(type)
  if (share((cell) => /^(\+|0)[\d\s()/.-]{6,}$/.test(cell)) >= most && reads(fieldTypes.phone)) return plain('phone')
  if (cells.some((cell) => cell.includes('\n') || cell.length > longestLine)) return plain('longText')
  const parts = cells.map(splitSeveral)
  const areNamed = (list: string[]) => list.length > 0 && list.every((one) => reader.names.personNamed(one))
  if (parts.filter(areNamed).length / cells.length >= mostPeople) return plain('people')
  const distinct = new Set(parts.flat()).size
  const isFew = distinct <= 40 && distinct * 3 <= parts.flat().length
  if (isFew && parts.some((list) => list.length > 1)) return plain('severalOptions')
  return plain(isFew ? 'oneOption' : 'shortText')
}

const looksLike = {
  webLink: (cell: string) => /^(https?:\/\/|www\.)/i.test(cell),
  email: (cell: string) => /^\S+@\S+\.\S+$/.test(cell),
  health: () => true,
} as const
/** A lone `m` may be metres as well. */
const isDuration = (cell: string, { decimal }: Written): boolean =>
  /^\d+:\d\d$/.test(cell) ||
  (!/^[\d.,\s]+m$/i.test(cell) && beginDuration(cell, usualDay, decimal)?.length === cell.length)
function isMoney(cell: string, code: Currency, { decimal }: Written): boolean {
  const { sign, decimals } = currencyOf(code)
  const bare = [sign, code].map((unit) => withoutUnit(cell, unit)).find((text) => text !== cell.trim())
  return bare !== undefined && tryParseDecimal(bare, decimals, decimal) !== undefined
}
/** As many as are written. */
function decimalsIn(cells: readonly string[], decimal: Speech['decimal']): number {
  const written = (cell: string): number => {
    const mark = markOf(cell)
    if (mark !== decimal && mark !== 'open') return 0
    const [, digits = ''] = cell.split(decimal)
    return digits.replace(/\D/g, '').length
  }
  return Math.min(mostDecimals, Math.max(0, ...cells.map(written)))
}
/** A field of a type as nothing else is said of it. */
const plainContext = (reader: Reader, type: FieldTypeName) =>
  fieldContext(reader, { id: '', type, settings: {} } as unknown as Field)

/** How days and numbers are written in a column, and what of it could as well be otherwise. */
export function writtenIn(cells: readonly string[]): {
  readonly written: Written
  readonly unsure: readonly Unsure[]
  /** A cell that can be read in two ways. */
  readonly example: string
  /** How many decimals its cells have, by the mark before them. */
  readonly decimals: Readonly<Record<Speech['decimal'], number>>
} {
  const strokes = cells.flatMap((cell) => /^\s*(\d{1,2})\/(\d{1,2})\/\d{2,4}\b/.exec(cell)?.slice(1, 3).map(Number) ?? []) // prettier-ignore
  const [firsts, seconds] = [strokes.filter((_, i) => i % 2 === 0), strokes.filter((_, i) => i % 2 === 1)]
  const [isDayFirst, isMonthFirst] = [firsts.some((n) => n > 12), seconds.some((n) => n > 12)]
  const isOpen = strokes.length > 0 && isDayFirst === isMonthFirst && firsts.some((n, i) => n !== seconds[i])
  const marks = cells.map(markOf)
  const [points, commas] = [marks.filter((mark) => mark === '.').length, marks.filter((mark) => mark === ',').length]
  const isMarkOpen = !points && !commas && marks.includes('open')
  return {
    written: { first: isMonthFirst && !isDayFirst ? 'month' : 'day', decimal: commas > points ? ',' : '.' },
    example: cells.find((cell) => (isOpen ? /\/.*\//.test(cell) : markOf(cell) === 'open')) ?? '',
    decimals: { '.': decimalsIn(cells, '.'), ',': decimalsIn(cells, ',') },
    unsure: [...(isOpen ? (['first'] as const) : []), ...(isMarkOpen ? (['decimal'] as const) : [])],
  }
}

/** The decimal mark that a cell shows; `open` where its only mark may group as well. */
function markOf(cell: string): '.' | ',' | 'open' | undefined {
  if (!/^[^\p{L}\d]*[A-Z]{0,3}\s*[-−+]?\d[\d.,'’\s]*\s*[^\d]{0,6}$/u.test(cell) || looksLikeDate(cell)) return undefined
  const found = [...cell.matchAll(/[.,]/g)]
  const last = found.at(-1)
  if (!last) return undefined
  const mark = last[0] as '.' | ','
  const other = mark === '.' ? ',' : '.'
  if (found.length > 1) return found.every(([sign]) => sign === mark) ? other : mark
  const digits = /^\d+/.exec(cell.slice(last.index + 1))?.[0].length ?? 0
  const before = /\d+$/.exec(cell.slice(0, last.index))?.[0] ?? ''
  return digits === 3 && before.length <= 3 && before !== '0' ? 'open' : mark
}
