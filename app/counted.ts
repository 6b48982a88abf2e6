import { shallowRef } from 'vue'

/** The reader's way with numbers, once a page stands: a browser's first formatter costs it some 40 ms. */
const formatter = shallowRef<Intl.NumberFormat>()
export const learnNumbers = (language: string): void => void (formatter.value = new Intl.NumberFormat(language))

/** A whole number with its thousands grouped. */
export const grouped = (count: number): string =>
  formatter.value ? formatter.value.format(count) : String(count).replace(/\B(?=(\d{3})+$)/g, ',')

/** A number of things with its word: *1 item*, *2 items*. */
export const counted = (count: number, one: string, many: string): string =>
  `${grouped(count)} ${count === 1 ? one : many}`
