import { mayRead } from '../access/access'
import type { PlainDate } from '../base/dates'
import { compareRanked } from '../base/ranks'
import { must } from '../base/result'
import type { Reader } from '../model/reader'
import type { Item, PersonId, Project } from '../model/records'
import { dueOf, isConcerned, lateDays, turnOf } from '../model/turn'

export interface QueueEntry {
  readonly item: Item
  readonly late: number
  readonly due: PlainDate | undefined
  /** Of what waits for others: whose turn it is. */
  readonly waitsFor: readonly string[]
}

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
  const projects = queuedProjects(reader, person)
  for (const item of reader.all('item')) {
    const project = projects.get(item.project)
    if (!project || item.archived) continue
    const turn = turnOf(reader, item)
    if (!turn.open) continue
    const mine = turn.people.includes(person)
    if (!mine && !isConcerned(reader, item, person)) continue
    const waitsFor = mine ? [] : turn.people
    const entry = { item, late: lateDays(reader, item, today), due: dueOf(project, item), waitsFor }
    const isActive = reader.maybe('status', item.status)?.phase === 'active'
    ;(mine ? (isActive ? queue.now : queue.next) : queue.waits).push(entry)
  }
  const order = compareEntries(reader)
  for (const part of [queue.now, queue.next, queue.waits]) part.sort(order)
  return queue
}

/** The projects whose items stand in a person's queue. */
export function queuedProjects(reader: Reader, person: PersonId): ReadonlyMap<string, Project> {
  const projects = [...reader.all('project')].filter((one) => !one.archived && mayRead(reader, person, one.id))
  return new Map(projects.map((one) => [one.id, one]))
}

export function isTurnOf(reader: Reader, item: Item, person: PersonId): boolean {
  if (item.archived) return false
  const turn = turnOf(reader, item)
  return turn.open && turn.people.includes(person)
}

function compareEntries(reader: Reader) {
  const place = (item: Item): Project => must(reader.maybe('project', item.project), 'project')
  return (a: QueueEntry, b: QueueEntry): number =>
    b.late - a.late ||
    compareDue(a.due, b.due) ||
    place(a.item).order - place(b.item).order ||
    (a.item.project < b.item.project ? -1 : a.item.project > b.item.project ? 1 : compareRanked(a.item, b.item))
}

const compareDue = (a: PlainDate | undefined, b: PlainDate | undefined): number =>
  a === b ? 0 : a === undefined ? 1 : b === undefined ? -1 : a < b ? -1 : 1

/** Unfinished items that are nobody's turn, by project and rank, for the projects given. */
export function nobodysTurn(reader: Reader, projects: Iterable<Project>): Item[] {
  const found: Item[] = []
  for (const project of projects)
    for (const item of [...reader.itemsOf(project.id)].sort(compareRanked)) {
      const turn = turnOf(reader, item)
      if (turn.open && !turn.people.length) found.push(item)
    }
  return found
}
