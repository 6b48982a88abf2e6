import { compareText } from '../base/collation'
import type { PlainDate } from '../base/dates'
import { compareRanked } from '../base/ranks'
import { assertNever } from '../base/result'
import { isEmptyValue } from '../fields/contract'
import { fieldTypes } from '../fields/registry'
import type { Reader } from '../model/reader'
import { dueOf, isConcerned, turnOf } from '../model/turn'
import type { Condition, Item, ItemId, PersonId, ProjectId, SortKey, ViewDefinition } from '../model/records'

/** Who looks, and on which day: what a view's answer depends on besides the items. */
export interface Looking {
  readonly me: PersonId
  readonly today: PlainDate
}

export function meets(reader: Reader, item: Item, condition: Condition, looking: Looking): boolean {
  switch (condition.about) {
    case 'status':
      return condition.statuses.includes(item.status)
    case 'phase': {
      const phase = reader.maybe('status', item.status)?.phase
      return !!phase && condition.phases.includes(phase)
    }
    case 'person':
      return condition.people.some((person) => isConcerned(reader, item, person === 'me' ? looking.me : person))
    case 'turn': {
      const turn = turnOf(reader, item)
      return condition.of === 'me' ? turn.people.includes(looking.me) : turn.open && !turn.people.length
    }
    case 'dueBefore': {
      const project = reader.maybe('project', item.project)
      const due = project && dueOf(project, item)
      return !!due && due < (condition.day === 'today' ? looking.today : condition.day)
    }
    default:
      return assertNever(condition)
  }
}

export const isIn = (reader: Reader, item: Item, definition: ViewDefinition, looking: Looking): boolean =>
  !item.archived && definition.where.every((condition) => meets(reader, item, condition, looking))

type Compare = (a: Item, b: Item) => number

/** Orders by the view's keys, empties last either way, then by rank. */
export function orderOf(reader: Reader, sort: readonly SortKey[]): Compare {
  const keys = sort.map((key) => compareBy(reader, key))
  return (a, b) => {
    for (const compare of keys) {
      const order = compare(a, b)
      if (order) return order
    }
    return compareRanked(a, b)
  }
}

function compareBy(reader: Reader, key: SortKey): Compare {
  const way = key.down ? -1 : 1
  const statusPlace = new Map([...reader.all('status')].map((status) => [status.id, status.order]))
  const kindPlace = new Map([...reader.all('kind')].map((kind) => [kind.id, kind.order]))
  switch (key.by) {
    case 'rank':
      return (a, b) => way * compareRanked(a, b)
    case 'key':
      return (a, b) => way * (a.number - b.number)
    case 'title':
      return (a, b) => way * compareText(a.title, b.title)
    case 'status':
      return (a, b) => way * ((statusPlace.get(a.status) ?? 0) - (statusPlace.get(b.status) ?? 0))
    case 'kind':
      return (a, b) => way * ((kindPlace.get(a.kind) ?? 0) - (kindPlace.get(b.kind) ?? 0))
    case 'changed':
      return (a, b) => way * (a.changed < b.changed ? -1 : a.changed > b.changed ? 1 : 0)
    default:
      return compareByField(reader, key.by, way)
  }
}

function compareByField(reader: Reader, id: string, way: number): Compare {
  const field = reader.maybe('field', id)
  if (!field) return () => 0
  const type = fieldTypes[field.type]
  return (a, b) => {
    const [left, right] = [a.values[id], b.values[id]]
    const [noLeft, noRight] = [isEmptyValue(left), isEmptyValue(right)]
    if (noLeft || noRight) return Number(noLeft) - Number(noRight)
    return way * type.compare(left ?? null, right ?? null, field.settings, reader.names)
  }
}

/**
 * The items of a view in its order, kept right as items change. *Held* items (being edited, dragged, just changed)
 * keep the place where they stand, and stay though they no longer belong, until they are let go.
 */
export class LiveView {
  #items: Item[] = []
  #compare: Compare = () => 0
  #held: ReadonlySet<string> = new Set()

  constructor(
    readonly reader: Reader,
    readonly project: ProjectId,
    readonly definition: ViewDefinition,
    private looking: Looking,
  ) {
    this.evaluate(looking)
  }

  get items(): readonly Item[] {
    return this.#items
  }

  /** Works everything out anew. */
  evaluate(looking: Looking): void {
    this.looking = looking
    this.#compare = orderOf(this.reader, this.definition.sort)
    this.#items = []
    for (const item of this.reader.itemsOf(this.project)) if (this.#belongs(item)) this.#items.push(item)
    this.#items.sort(this.#compare)
  }

  /** These keep their place from now on; those let go take the one that is theirs. Returns as `update` does. */
  hold(held: ReadonlySet<string>): ReadonlyMap<string, Item | undefined> | undefined {
    const released = new Set([...this.#held].filter((id) => !held.has(id)))
    this.#held = held
    return this.update(released)
  }

  /**
   * Takes the touched items out and puts those that still belong back in by binary search. Returns each of them as it is
   * in the view now, undefined where it is not; nothing where so many were touched that all was worked out anew.
   */
  update(touched: ReadonlySet<string>): ReadonlyMap<string, Item | undefined> | undefined {
    if (touched.size > 200) {
      this.evaluate(this.looking)
      return undefined
    }
    const now = new Map<string, Item | undefined>()
    if (!touched.size) return now
    const kept: Item[] = []
    for (const item of this.#items) {
      if (!touched.has(item.id)) kept.push(item)
      else if (this.#held.has(item.id)) {
        const held = this.reader.maybe('item', item.id)
        if (held) kept.push(held)
        now.set(item.id, held)
      }
    }
    this.#items = kept
    for (const id of touched) {
      if (now.has(id)) continue
      const item = this.reader.maybe('item', id as ItemId)
      const belongs = item && this.#belongs(item)
      if (belongs) this.#insert(item)
      now.set(id, belongs ? item : undefined)
    }
    return now
  }

  #belongs(item: Item): boolean {
    if (item.project !== this.project) return false
    return this.#held.has(item.id) || isIn(this.reader, item, this.definition, this.looking)
  }

  #insert(item: Item): void {
    let [low, high] = [0, this.#items.length]
    while (low < high) {
      const middle = (low + high) >> 1
      const other = this.#items[middle]
      if (other && this.#compare(other, item) < 0) low = middle + 1
      else high = middle
    }
    this.#items.splice(low, 0, item)
  }
}
