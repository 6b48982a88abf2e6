import { foldText } from '../base/collation'

/** A line of a list of people, as it was understood. */
export interface ListedPerson {
  /** The line in what was typed, from 1. */
  readonly line: number
  readonly name: string
  readonly email: string | null
  /** Why nobody is added for it. */
  readonly fault?: 'no-name' | 'no-address' | 'twice' | 'known'
}
/** Somebody who is there already. */
interface Known {
  readonly name: string
  readonly email: string | null
}

const address = /[^\s<>,;"'()]*@[^\s<>,;"'()]*/
const isAddress = (text: string): boolean => /^[^\s@]+@[^\s@.]+(\.[^\s@.]+)+$/.test(text) && text.length <= 200

/**
 * Reads one person a line: `Piotr Halvorsen, piotr@garden.example`, `Piotr <piotr@garden.example>`, an address alone, a name
 * alone. Cells from a spreadsheet come with tabs; empty lines are nobody.
 */
export function readPeople(text: string, known: readonly Known[]): ListedPerson[] {
  const addresses = new Set(known.flatMap(({ email }) => (email ? [email.toLowerCase()] : [])))
  const names = new Set(known.map(({ name }) => foldText(name)))
  const listed = new Set<string>()
  return text.split(/\r\n|\r|\n/).flatMap((line, i): ListedPerson[] => {
    if (!line.trim()) return []
    const email = address.exec(line)?.[0] ?? null
    const rest = (email ? line.replace(email, ' ') : line)
      .replace(/[<>"(),;\t]+/g, ' ')
      .replace(/\s+/g, ' ')
      .trim()
    const name = (rest || nameIn(email ?? '')).slice(0, 120)
    const person = { line: i + 1, name, email }
    const key = email?.toLowerCase() ?? foldText(name)
    if (email && !isAddress(email)) return [{ ...person, fault: 'no-address' }]
    if (!name) return [{ ...person, fault: 'no-name' }]
    if (listed.has(key)) return [{ ...person, fault: 'twice' }]
    listed.add(key)
    // Two people may share a name: who has an address of their own is somebody else.
    const isKnown = email ? addresses.has(email.toLowerCase()) : names.has(key)
    return [isKnown ? { ...person, fault: 'known' } : person]
  })
}

/** `piotr.halvorsen@garden.example` is called Piotr Halvorsen until somebody says otherwise. */
const nameIn = (email: string): string =>
  (email.split('@')[0] ?? '')
    .split(/[._-]+/)
    .filter(Boolean)
    .map((part) => `${part.slice(0, 1).toUpperCase()}${part.slice(1)}`)
    .join(' ')
