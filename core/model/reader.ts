import type { Names } from '../fields/contract'
import type { ItemTable } from './item-table'
import type { EntityName, Item, ItemId, Project, ProjectId, Records, Status, Kind, Field, Workspace } from './records'

/**
 * How commands, views and queues look at a workspace, in a replica and in a room. An item that is read is a copy; what
 * looks at many reads the columns. Stays and long texts are not read through it.
 */
export interface Reader {
  workspace(): Workspace
  maybe<E extends EntityName>(entity: E, id: string): Records[E] | undefined
  all<E extends EntityName>(entity: E): Iterable<Records[E]>
  itemsOf(project: ProjectId): Iterable<Item>
  childrenOf(item: ItemId): Iterable<Item>
  /** The items of a project by columns. */
  table(project: ProjectId): ItemTable
  /** Where an item stands. */
  placeOf(item: string): { readonly table: ItemTable; readonly row: number } | undefined
  readonly names: Names
}

/** Of a project, by their order. */
export function fieldsOf(reader: Reader, project: ProjectId): Field[] {
  return ordered(reader.all('field'), (field) => field.project === project && !field.archived)
}
export function kindsOf(reader: Reader, project: ProjectId): Kind[] {
  return ordered(reader.all('kind'), (kind) => kind.project === project)
}
export function statusesOf(reader: Reader, project: ProjectId): Status[] {
  const workflows = new Set(kindsOf(reader, project).map((kind) => kind.workflow))
  return ordered(reader.all('status'), (status) => workflows.has(status.workflow))
}
export function projectsInOrder(reader: Reader): Project[] {
  return ordered(reader.all('project'), (project) => !project.archived)
}
export function boardOf(reader: Reader, project: ProjectId) {
  return ordered(reader.all('board'), (board) => board.project === project)[0]
}

function ordered<R extends { readonly order: number; readonly id: string }>(
  all: Iterable<R>,
  holds: (r: R) => boolean,
) {
  return [...all].filter(holds).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1))
}

/** `GLH-142`; a dash in place of the number until the server has given one. */
export const itemKey = (reader: Reader, item: Item): string =>
  `${reader.maybe('project', item.project)?.prefix ?? '?'}-${item.number || '–'}`

/** The parents of an item, topmost first. Stops at a loop, which stored data does not have. */
export function pathOf(reader: Reader, item: Item): Item[] {
  const path: Item[] = []
  const seen = new Set<string>([item.id])
  for (let id = item.parent; id && !seen.has(id);) {
    const parent = reader.maybe('item', id)
    if (!parent) break
    seen.add(id)
    path.unshift(parent)
    id = parent.parent
  }
  return path
}
