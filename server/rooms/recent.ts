import { isIn } from '#core/access/access'
import { oneByOne } from '#core/base/one-by-one'
import type { PersonId } from '#core/base/ids'
import { modelVersion } from '#core/change/upgrade'
import type { Reader } from '#core/model/reader'
import { longestCatchUp } from '#core/wire/feed'
import type { Scoped } from '#core/wire/seen'
import type { StoredEntry } from '../db/log'
import { messageFor } from './feed'

/** Changes of all entries together that are kept at most; each takes some 200 bytes and its text as many. */
const mostChanges = 40_000
/** So many entries are read at a time: others have their turn in between. */
const readAtOnce = 100

interface Told {
  readonly done: Scoped
  readonly parts: number
  /** What is seen of it is not a matter of scopes alone: each is told a text of their own. */
  readonly isForEach: boolean
  /** As JSON, by what is seen of it: those who may see the same are told the same text. */
  readonly texts: Map<string, string>
}

/**
 * What was done last, ready to be told: many who come back at once are told it without the database. What was done before
 * this process began is read once, when someone asks for it.
 */
export class Recent {
  /** One after another without a gap, up to the last. */
  readonly #told: Told[] = []
  #changes = 0
  /** No more is kept of what was done before the first. */
  #isAll = false
  readonly #alone = oneByOne()

  constructor(
    /** The last one that was done before. */
    readonly sequence: number,
    /** The entries after a sequence number, so many. */
    readonly read: (after: number, most: number) => Promise<readonly StoredEntry[]>,
  ) {}

  add(done: Scoped, parts: number): void {
    const told = toldOf(done, parts)
    this.#told.push(told)
    this.#changes += sizeOf(told)
    while (this.#told.length > longestCatchUp || (this.#changes > mostChanges && this.#told.length > 1)) {
      const [first] = this.#told.splice(0, 1)
      this.#changes -= first ? sizeOf(first) : 0
      this.#isAll = true
    }
  }

  /** The last one's message for a person, as JSON. */
  last(reader: Reader, person: PersonId): string {
    const last = this.#told.at(-1)
    return last ? textOf(reader, last, person) : ''
  }

  /** The messages after a sequence number for a person, as JSON; undefined where that is too far back. */
  async since(reader: Reader, after: number, person: PersonId): Promise<Iterable<string> | undefined> {
    if (!this.#reaches(after)) await this.reachBack(after)
    if (!this.#reaches(after)) return undefined
    return texts(reader, this.#told.slice(Math.max(0, after + 1 - this.#first)), person)
  }

  /** Has what was done after a sequence number at hand, as far as it is kept. */
  reachBack(after: number): Promise<void> {
    return this.#alone(async () => {
      while (!this.#reaches(after) && !this.#isAll) {
        const first = this.#first
        const from = Math.max(after, first - 1 - readAtOnce)
        const some = await this.read(from, first - 1 - from)
        // Where something was let go of meanwhile, these do not join on.
        if (first === this.#first) this.#addBefore(some)
      }
    })
  }

  #addBefore(some: readonly StoredEntry[]): void {
    const told: Told[] = []
    for (const { entry, scopes, parts } of [...some].reverse()) {
      // Written before it was kept whom an entry is for, in the words of an earlier model, or more than is kept in all.
      const one = scopes && entry.model === modelVersion ? toldOf({ entry, scopes }, parts) : undefined
      this.#isAll =
        !one || this.#changes + sizeOf(one) > mostChanges || this.#told.length + told.length >= longestCatchUp
      if (this.#isAll || !one) break
      told.unshift(one)
      this.#changes += sizeOf(one)
    }
    this.#isAll ||= !some.length
    this.#told.unshift(...told)
  }

  get #first(): number {
    return this.#told[0]?.done.entry.sequence ?? this.sequence + 1
  }
  #reaches(after: number): boolean {
    return after + 1 >= this.#first
  }
}

/** The parts of a large entry are fetched from the database: of its changes only the scopes are needed. */
function toldOf(done: Scoped, parts: number): Told {
  const kept = parts ? { ...done, entry: { ...done.entry, patch: [] } } : done
  const isForEach = kept.entry.patch.some(({ entity }) => entity === 'person')
  return { done: kept, parts, isForEach, texts: new Map() }
}
const sizeOf = ({ done }: Told): number => done.entry.patch.length

function* texts(reader: Reader, all: readonly Told[], person: PersonId): Iterable<string> {
  for (const told of all) yield textOf(reader, told, person)
}

function textOf(reader: Reader, told: Told, person: PersonId): string {
  const key = told.isForEach ? undefined : seenAs(reader, told.done, person)
  const known = key === undefined ? undefined : told.texts.get(key)
  if (known !== undefined) return known
  const text = JSON.stringify(messageFor(reader, told.done, told.parts, person))
  if (key !== undefined) told.texts.set(key, text)
  return text
}

/** The same for all who see the same of an entry. */
function seenAs(reader: Reader, { entry, scopes }: Scoped, person: PersonId): string {
  let key = entry.by.person === person ? 'own' : ''
  for (const { scope, left } of scopes)
    key += `${Number(!!scope && isIn(reader, person, scope))}${left === undefined ? '' : Number(!!left && isIn(reader, person, left))}` // prettier-ignore
  return key
}
