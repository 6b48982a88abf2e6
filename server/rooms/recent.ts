import { isIn } from '#core/access/access'
import type { PersonId } from '#core/base/ids'
import type { Reader } from '#core/model/reader'
import { longestCatchUp } from '#core/wire/feed'
import type { Scoped } from '#core/wire/seen'
import { messageFor } from './feed'

/** Changes of all entries together that are kept at most; each takes some 200 bytes and its text as many. */
const mostChanges = 40_000

interface Told {
  readonly done: Scoped
  readonly parts: number
  /** As JSON, by what is seen of it: those who may see the same are told the same text. */
  readonly texts: Map<string, string>
}

/** What was done last, ready to be told: many who come back at once are told it without the database. */
export class Recent {
  /** One after another without a gap. */
  readonly #told: Told[] = []
  #changes = 0

  add(done: Scoped, parts: number): void {
    // The parts of a large entry are fetched from the database: of its changes only the scopes are needed.
    const kept = parts ? { ...done, entry: { ...done.entry, patch: [] } } : done
    this.#told.push({ done: kept, parts, texts: new Map() })
    this.#changes += kept.entry.patch.length
    while (this.#told.length > longestCatchUp || (this.#changes > mostChanges && this.#told.length > 1))
      this.#changes -= this.#told.shift()?.done.entry.patch.length ?? 0
  }

  /** The last one's message for a person, as JSON. */
  last(reader: Reader, person: PersonId): string {
    const last = this.#told.at(-1)
    return last ? textOf(reader, last, person) : ''
  }

  /** The messages after a sequence number for a person, as JSON; undefined where they do not reach back so far. */
  since(reader: Reader, after: number, person: PersonId): Iterable<string> | undefined {
    const first = this.#told[0]?.done.entry.sequence
    if (first === undefined || after + 1 < first) return undefined
    return texts(reader, this.#told.slice(after + 1 - first), person)
  }
}

function* texts(reader: Reader, all: readonly Told[], person: PersonId): Iterable<string> {
  for (const told of all) yield textOf(reader, told, person)
}

function textOf(reader: Reader, told: Told, person: PersonId): string {
  const key = seenAs(reader, told.done, person)
  const known = key === undefined ? undefined : told.texts.get(key)
  if (known !== undefined) return known
  const text = JSON.stringify(messageFor(reader, told.done, told.parts, person))
  if (key !== undefined) told.texts.set(key, text)
  return text
}

/** The same for all who see the same of an entry; undefined where that is more than a matter of scopes. */
function seenAs(reader: Reader, { entry, scopes }: Scoped, person: PersonId): string | undefined {
  if (entry.patch.some(({ entity }) => entity === 'person')) return undefined
  let key = entry.by.person === person ? 'own' : ''
  for (const { scope, left } of scopes)
    key += `${Number(!!scope && isIn(reader, person, scope))}${left === undefined ? '' : Number(!!left && isIn(reader, person, left))}` // prettier-ignore
  return key
}
