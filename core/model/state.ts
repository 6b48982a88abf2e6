import { TextIndex } from '../base/collation'
import { must } from '../base/result'
import type { Names } from '../fields/contract'
import type { Reader } from './reader'
import {
  entityNames,
  type EntityName,
  type Item,
  type ItemId,
  type ProjectId,
  type Records,
  type Workspace,
} from './records'

const none: ReadonlySet<string> = new Set()

/** A workspace in plain maps, with items by project and by parent: what stands behind the reader port for now. */
export class MapState implements Reader {
  readonly #tables = Object.fromEntries(entityNames.map((name) => [name, new Map()])) as {
    [E in EntityName]: Map<string, Records[E]>
  }
  readonly #byProject = new Map<string, Set<string>>()
  readonly #byParent = new Map<string, Set<string>>()
  #names: TextIndex<string> | undefined

  readonly names: Names = {
    person: (id) => this.#tables.person.get(id)?.name,
    personNamed: (name) => {
      this.#names ??= new TextIndex([...this.#tables.person.values()].map((person) => [person.name, person.id]))
      return this.#names.find(name)
    },
  }

  workspace(): Workspace {
    return must([...this.#tables.workspace.values()][0], 'workspace')
  }

  holds(entity: EntityName): boolean {
    return entity !== 'stay' && entity !== 'longText'
  }

  maybe<E extends EntityName>(entity: E, id: string): Records[E] | undefined {
    return this.#tables[entity].get(id)
  }

  all<E extends EntityName>(entity: E): Iterable<Records[E]> {
    return this.#tables[entity].values()
  }

  count(entity: EntityName): number {
    return this.#tables[entity].size
  }

  *itemsOf(project: ProjectId): Iterable<Item> {
    for (const id of this.#byProject.get(project) ?? none) yield must(this.#tables.item.get(id), 'item')
  }

  *childrenOf(item: ItemId): Iterable<Item> {
    for (const id of this.#byParent.get(item) ?? none) yield must(this.#tables.item.get(id), 'item')
  }

  put<E extends EntityName>(entity: E, id: string, record: Records[E] | undefined): void {
    const table = this.#tables[entity] as Map<string, Records[E]>
    if (entity === 'item') this.#index(id, table.get(id) as Item | undefined, record as Item | undefined)
    if (entity === 'person') this.#names = undefined
    if (record === undefined) table.delete(id)
    else table.set(id, record)
  }

  #index(id: string, before: Item | undefined, after: Item | undefined): void {
    if (before?.project !== after?.project) move(this.#byProject, id, before?.project, after?.project)
    if ((before?.parent ?? null) !== (after?.parent ?? null)) move(this.#byParent, id, before?.parent, after?.parent)
  }

  /** Everything held, in an order of its own, for comparing two states. */
  snapshot(): Record<string, unknown[]> {
    const sorted = (rows: Iterable<{ readonly id: string }>) => [...rows].sort((a, b) => (a.id < b.id ? -1 : 1))
    return Object.fromEntries(entityNames.map((name) => [name, sorted(this.#tables[name].values())]))
  }
}

function move(
  index: Map<string, Set<string>>,
  id: string,
  from: string | null | undefined,
  to: string | null | undefined,
) {
  if (from) {
    index.get(from)?.delete(id)
    if (index.get(from)?.size === 0) index.delete(from)
  }
  if (to) (index.get(to) ?? index.set(to, new Set()).get(to))?.add(id)
}
