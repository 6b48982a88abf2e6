import type { Reader } from '../model/reader'
import type { Project } from '../model/records'

/** What is needed to say a view in words, and to read words back. */
export interface Wording {
  readonly reader: Reader
  readonly project: Project
  /** How a day is written: by a person's locale, or so that it can be read back. */
  readonly day: (date: string) => string
}

/** `a`, `a or b`, `a, b or c`. */
export function listed(names: readonly string[], word: 'and' | 'or'): string {
  if (names.length < 2) return names.join('')
  return `${names.slice(0, -1).join(', ')} ${word} ${names.at(-1)}`
}
