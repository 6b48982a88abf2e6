import { maySee } from '../access/access'
import type { PlainDate } from '../base/dates'
import { compareRanked } from '../base/ranked'
import { must } from '../base/result'
import type { ItemTable } from '../model/item-table'
import { isWorkedOn, type Reader } from '../model/reader'
import type { Item, PersonId, Project } from '../model/records'
import { dueOf, lateDays } from '../model/turn'
import { viewContext } from '../facts/contract'
import { peopleColumns } from '../facts/people'
import { openAt } from '../facts/phase'
import { turnAt } from '../facts/turn'

/** An item in a queue. */
export interface QueueEntry {
  readonly item: Item
  readonly late: number
  readonly due: PlainDate | undefined
  /** Of what waits for others: whose turn it is. */
  readonly waitsFor: readonly string[]
}

/** A person’s queue in its parts. */
export interface Queue {
  /** My turn, in an active status. */
  readonly now: QueueEntry[]
  /** My turn, waiting, in the order to take them. */
  readonly next: QueueEntry[]
  /** I am in a people field, and the turn is someone else's or nobody's. */
  readonly waits: QueueEntry[]
}

/**
 * A person's queue over all projects that they may read, each part ordered by: later first (working days), due (empty
 * last), the projects' order in the index, rank.
 */
export function queueOf(reader: Reader, person: PersonId, today: PlainDate): Queue {
  const queue: Queue = { now: [], next: [], waits: [] }
  for (const project of queuedProjects(reader, person).values()) {
    const context = viewContext(reader, project.id, { me: person, today })
    const { table } = context
    const [turnOfRow, isOpen] = [turnAt(context), openAt(context)]
    const columns = peopleColumns(context)
    for (let row = 0; row < table.n; row++) {
      if (!isOpen(row)) continue
      const turn = turnOfRow(row)
      const mine = turn.includes(person)
      if (!mine && !columns.some((column) => column.codesAt(row).includes(column.codes.maybe(person)))) continue
      const item = table.at(row)
      const waitsFor = mine || turn[0] === 'nobody' ? [] : turn
      const entry = { item, late: lateDays(reader, item, today), due: dueOf(project, item), waitsFor }
      const isActive = reader.maybe('status', item.status)?.phase === 'active'
      ;(mine ? (isActive ? queue.now : queue.next) : queue.waits).push(entry)
    }
  }
  const order = compareEntries(reader)
  for (const part of [queue.now, queue.next, queue.waits]) part.sort(order)
  return queue
}

/** The projects whose items stand in a person's queue. */
export function queuedProjects(reader: Reader, person: PersonId): ReadonlyMap<string, Project> {
  const projects = [...reader.all('project')].filter(
    (project) => isWorkedOn(project) && maySee(reader, person, project.id),
  )
  return new Map(projects.map((project) => [project.id, project]))
}

const nobody: readonly string[] = []

/** In how many items it is whose turn, over the projects that each may see, kept item by item. */
export class TurnCounts {
  readonly #held = new Map<string, readonly string[]>()
  readonly #counts = new Map<string, number>()
  readonly #turns = new Map<ItemTable, (row: number) => readonly string[]>()

  constructor(
    readonly reader: Reader,
    people: readonly PersonId[],
  ) {
    const seen = people.map((person) => ({ person, projects: queuedProjects(reader, person) }))
    for (const project of reader.all('project')) {
      const counted = new Set<string>(
        seen.flatMap(({ person, projects }) => (projects.has(project.id) ? [person] : [])),
      )
      if (!counted.size) continue
      const context = viewContext(reader, project.id, { me: '' as PersonId, today: '1970-01-01' })
      const turn = turnAt(context)
      const isCounted = (id: string) => counted.has(id)
      this.#turns.set(context.table, (row) => {
        const all = turn(row)
        return all.some(isCounted) ? all.filter(isCounted) : nobody
      })
      for (let row = 0; row < context.table.n; row++) this.#look(context.table, row)
    }
  }

  of(person: PersonId): number {
    return this.#counts.get(person) ?? 0
  }

  /** Takes in that an item has changed. */
  look(item: string): void {
    const place = this.reader.placeOf(item)
    if (place) this.#look(place.table, place.row)
    else this.#hold(item, nobody)
  }

  #look(table: ItemTable, row: number): void {
    this.#hold(table.ids[row] ?? '', this.#turns.get(table)?.(row) ?? nobody)
  }

  #hold(item: string, people: readonly string[]): void {
    for (const person of this.#held.get(item) ?? nobody) this.#counts.set(person, (this.#counts.get(person) ?? 1) - 1)
    for (const person of people) this.#counts.set(person, (this.#counts.get(person) ?? 0) + 1)
    if (people.length) this.#held.set(item, people)
    else this.#held.delete(item)
  }
}

function compareEntries(reader: Reader) {
  const place = (item: Item): Project => must(reader.maybe('project', item.project), 'project')
  return (a: QueueEntry, b: QueueEntry): number =>
    b.late - a.late ||
    compareDue(a.due, b.due) ||
    compareRanked(place(a.item), place(b.item)) ||
    compareRanked(a.item, b.item)
}

const compareDue = (a: PlainDate | undefined, b: PlainDate | undefined): number =>
  a === b ? 0 : a === undefined ? 1 : b === undefined ? -1 : a < b ? -1 : 1

/** Unfinished items that are nobody's turn, by project and rank, for the projects given. */
export function nobodysTurn(reader: Reader, projects: Iterable<Project>): Item[] {
  const found: Item[] = []
  for (const project of projects) {
    const context = viewContext(reader, project.id, { me: '' as PersonId, today: '1970-01-01' })
    const turn = turnAt(context)
    const { order, n } = context.table.rank.ordering
    for (let k = 0; k < n; k++) if (turn(order[k]!)[0] === 'nobody') found.push(context.table.at(order[k]!))
  }
  return found
}
