/** The reader's, which only the browser knows for sure: what is drawn on the server says that it may differ. */
const language = import.meta.client ? navigator.language : 'en-GB'
let formatter: Intl.NumberFormat | undefined

/** A whole number as the reader's language groups it; nothing is formatted that needs no grouping. */
export const grouped = (count: number): string =>
  Math.abs(count) < 1000 ? String(count) : (formatter ??= new Intl.NumberFormat(language)).format(count)

/** A number of things with its word: *1 item*, *2 items*. */
export const counted = (count: number, one: string, many: string): string =>
  `${grouped(count)} ${count === 1 ? one : many}`
