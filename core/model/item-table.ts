import { CodeColumn } from '../fields/columns/codes'
import { AnyColumn, grown, InstantColumn, NumberColumn, type Column } from '../fields/columns/column'
import { LinksColumn } from '../fields/columns/links'
import { TextColumn } from '../fields/columns/texts'
import type { Value } from '../fields/contract'
import { fieldTypes } from '../fields/registry'
import { Scratch } from './scratch'
import {
  isItemColumn,
  itemColumns,
  type Field,
  type Item,
  type ItemColumn,
  type ItemId,
  type ProjectId,
} from './records'

/** No row: the parent of what stands at the top. */
export const noRow = -1

/** Columns that every item has, but for those that are no values. */
type Fixed = Exclude<ItemColumn, 'project' | 'parent'>

const byCodeUnit = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

/** All rows, parents before what is inside them, and the place in that order of each one's parent; `noRow`: it has none. */
export interface Levels {
  readonly order: Int32Array
  readonly parentAt: Int32Array
}

/** So many touched rows are remembered: a power of two. */
const mostRemembered = 4096
/** So many items that were read are kept as they were. */
const mostRead = 4096

let lastVersion = 0
/** The moment that it is by the count of changes: every change of any item has a later one. */
export const momentNow = (): number => lastVersion
/** A moment later than any before. */
export const nextMoment = (): number => ++lastVersion

/**
 * The items of one project, by columns: a row each, one column for every fact that all items have and for every field.
 * Rows of items that are gone are free, and taken again. `n` is one more than the greatest row in use.
 */
export class ItemTable {
  readonly ids: string[] = []
  readonly title = new TextColumn()
  readonly number = new NumberColumn()
  readonly kind = new CodeColumn()
  readonly status = new CodeColumn()
  readonly rank: TextColumn = new TextColumn(byCodeUnit, (x, y) => byCodeUnit(this.ids[x]!, this.ids[y]!))
  readonly siblingRank: TextColumn = new TextColumn(byCodeUnit, (x, y) => byCodeUnit(this.ids[x]!, this.ids[y]!))
  readonly stay = new AnyColumn()
  readonly statusSince = new InstantColumn()
  readonly phaseSince = new InstantColumn()
  readonly activeDays = new NumberColumn()
  readonly started = new InstantColumn()
  readonly finished = new InstantColumn()
  readonly archived = new InstantColumn()
  readonly created = new InstantColumn()
  readonly createdBy = new CodeColumn()
  readonly changed = new InstantColumn()
  readonly changedBy = new CodeColumn()
  /** By field id. */
  readonly values = new Map<string, Column>()
  /** What rows are linked to, by the field that shows it. */
  readonly linked = new Map<string, LinksColumn>()
  /** 1: the item is there and not archived. */
  listed = new Uint8Array(0)
  /** The parent's row. */
  parent = new Int32Array(0)
  /** Another whenever anything of the row changes; no two rows of any table ever have the same. */
  version = new Int32Array(0)
  /** Another whenever anything of any row changes. */
  edition = 0
  n = 0
  /** Items that are there and not archived. */
  listedCount = 0
  /** For what views compute from the rows. */
  readonly scratch = new Scratch()
  /** Every row whose item went, in turn: who keeps rows looks what came since it last looked. */
  readonly freed: number[] = []

  /** How often anything of a row has changed. */
  touches = 0
  /** The rows that were touched last, the newest in the place before `touches`. */
  readonly #touched = new Int32Array(mostRemembered)

  readonly #rows = new Map<string, number>()
  readonly #free: number[] = []
  #levels: Levels | undefined
  #firstChild = new Int32Array(0)
  #nextSibling = new Int32Array(0)
  #previousSibling = new Int32Array(0)
  /** Rows whose parent is not there (yet), by its id. */
  readonly #orphans = new Map<string, Set<number>>()
  readonly #orphanParent = new Map<number, string>()
  readonly #fixed: Readonly<Record<Fixed, Column>>

  constructor(
    readonly project: ProjectId,
    readonly fieldOf: (id: string) => Field | undefined,
  ) {
    const { number, kind, title, status, rank, siblingRank, stay, statusSince, started, finished, archived } = this
    const { phaseSince, activeDays, created, createdBy, changed, changedBy } = this
    this.#fixed = {
      number, kind, title, status, rank, siblingRank, stay, statusSince, phaseSince, activeDays, started, finished, archived, created,
      createdBy,
      changed, changedBy,
    } // prettier-ignore
  }

  get size(): number {
    return this.#rows.size
  }
  maybeRow(id: string): number | undefined {
    return this.#rows.get(id)
  }
  has(row: number): boolean {
    return row >= 0 && row < this.n && this.ids[row] !== ''
  }
  *rows(): Iterable<number> {
    for (let row = 0; row < this.n; row++) if (this.ids[row] !== '') yield row
  }
  *childrenOf(row: number): Iterable<number> {
    for (let child = this.#firstChild[row]!; child !== noRow; child = this.#nextSibling[child]!) yield child
  }

  /**
   * The hierarchy level by level: rows with the parents before their children, siblings beside one another, and for each
   * the place of its parent in that order. Worked out when it is asked for after it has changed.
   */
  get levels(): Levels {
    return (this.#levels ??= this.#byLevels())
  }

  #byLevels(): Levels {
    const order = new Int32Array(this.size)
    const parentAt = new Int32Array(this.size)
    let n = 0
    for (const row of this.rows())
      if (this.parent[row] === noRow) {
        parentAt[n] = noRow
        order[n++] = row
      }
    for (let k = 0; k < n; k++)
      for (const child of this.childrenOf(order[k]!)) {
        parentAt[n] = k
        order[n++] = child
      }
    return { order: order.subarray(0, n), parentAt: parentAt.subarray(0, n) }
  }

  /** Makes room for more items. */
  reserve(more: number): void {
    this.#grow(this.n + more)
  }

  put(item: Item): void {
    const row = this.#rows.get(item.id) ?? this.add(item.id)
    for (const name of itemColumns) if (name !== 'project') this.#write(row, name, item[name])
    for (const [field, column] of this.values) if (!(field in item.values)) column.set(row, null)
    for (const [field, value] of Object.entries(item.values)) this.column(field).set(row, value)
    this.#touch(row)
  }

  /** A row for an item that is not there yet, to be written column by column. */
  add(id: string): number {
    const row = this.#free.pop() ?? this.n++
    this.#grow(this.n)
    this.ids[row] = id
    this.#levels = undefined
    this.#rows.set(id, row)
    const orphans = this.#orphans.get(id)
    if (orphans) for (const child of [...orphans]) this.setParent(child, id)
    return row
  }

  remove(id: string): void {
    const row = this.#rows.get(id)
    if (row === undefined) return
    const children = [...this.childrenOf(row)]
    this.setParent(row, null)
    this.#rows.delete(id)
    for (const child of children) this.setParent(child, id)
    for (const column of [...Object.values(this.#fixed), ...this.values.values(), ...this.linked.values()])
      column.set(row, null)
    this.ids[row] = ''
    this.#free.push(row)
    this.freed.push(row)
    this.#touch(row)
  }

  /** The value of an item's column or field. */
  read(row: number, field: string): unknown {
    if (field === 'project') return this.project
    if (field === 'parent') return this.parentOf(row)
    const fixed = this.#fixed[field as Fixed] as Column | undefined
    return fixed ? fixed.get(row) : (this.values.get(field)?.get(row) ?? undefined)
  }

  set(row: number, field: string, value: unknown): void {
    if (isItemColumn(field)) this.#write(row, field, value)
    else this.column(field).set(row, (value ?? null) as Value)
    this.#touch(row)
  }

  /** What a row is linked to by a field, from now on. */
  link(row: number, field: string, ids: readonly string[]): void {
    this.linkColumn(field).set(row, ids)
    this.#touch(row)
  }

  /** Of a field whose values are links. */
  linkColumn(field: string): LinksColumn {
    const known = this.linked.get(field)
    if (known) return known
    const column = new LinksColumn((id) => {
      const row = this.#rows.get(id)
      return row === undefined ? Number.MAX_SAFE_INTEGER : this.number.a[row]!
    })
    this.linked.set(field, column)
    return column
  }

  fixed(name: Fixed): Column {
    return this.#fixed[name]
  }

  /** Takes in that rows from this one on were written, column by column. */
  settle(from: number): void {
    for (let row = from; row < this.n; row++) this.#touch(row)
  }

  /** The item at a row, which is not to be written to. */
  at(row: number): Item {
    const version = this.version[row]!
    const known = this.#read.get(row)
    if (known?.version === version) return known.item
    const item = this.#itemAt(row)
    if (this.#read.size >= mostRead) this.#read.clear()
    this.#read.set(row, { version, item })
    return item
  }
  /** Items that were read lately: whoever changes many reads each several times. */
  readonly #read = new Map<number, { readonly version: number; readonly item: Item }>()

  #itemAt(row: number): Item {
    const values: Record<string, Value> = {}
    for (const [field, column] of this.values) if (!column.isEmpty(row)) values[field] = column.get(row)
    // Name by name, so that all items have one shape: made in a loop, each would be a dictionary of its own.
    const item = {
      id: this.ids[row],
      project: this.project,
      number: this.number.get(row),
      kind: this.kind.get(row),
      title: this.title.get(row),
      status: this.status.get(row),
      parent: this.parentOf(row),
      rank: this.rank.get(row),
      siblingRank: this.siblingRank.get(row),
      stay: this.stay.get(row),
      statusSince: this.statusSince.get(row),
      phaseSince: this.phaseSince.get(row),
      activeDays: this.activeDays.get(row),
      started: this.started.get(row),
      finished: this.finished.get(row),
      archived: this.archived.get(row),
      created: this.created.get(row),
      createdBy: this.createdBy.get(row),
      changed: this.changed.get(row),
      changedBy: this.changedBy.get(row),
      values,
    } satisfies Record<keyof Item, unknown>
    return item as unknown as Item
  }

  parentOf(row: number): ItemId | null {
    const parent = this.parent[row]!
    return (parent === noRow ? (this.#orphanParent.get(row) ?? null) : this.ids[parent]!) as ItemId | null
  }

  /** The column of a field, made where it has none. */
  column(field: string): Column {
    const known = this.values.get(field) ?? this.linked.get(field)
    if (known) return known
    const type = this.fieldOf(field)?.type
    if (type && fieldTypes[type].isLinked) return this.linkColumn(field)
    const column = type ? fieldTypes[type].column() : new AnyColumn()
    column.grow(this.listed.length)
    this.values.set(field, column)
    return column
  }

  /**
   * The field has come, or is of another type now: its values move to a column of that type. What is none of its kind is
   * left behind: who makes it another type says what becomes of each value.
   */
  retype(field: string): void {
    const before = this.values.get(field)
    if (!before) return
    this.values.delete(field)
    this.#read.clear()
    const now = this.column(field)
    for (let row = 0; row < this.n; row++) {
      const value = before.get(row)
      if (value !== null && now.takes(value)) now.set(row, value)
    }
  }

  #write(row: number, name: ItemColumn, value: unknown): void {
    if (name === 'parent') this.setParent(row, value as string | null)
    else if (name !== 'project') this.#fixed[name].set(row, value as Value)
  }

  #touch(row: number): void {
    this.version[row] = ++lastVersion
    this.#remember(row)
    this.edition++
    const listed = Number(this.ids[row] !== '' && this.archived.isEmpty(row))
    this.listedCount += listed - this.listed[row]!
    this.listed[row] = listed
  }

  #grow(rows: number): void {
    const before = this.listed.length
    if (rows <= before) return
    const capacity = Math.max(64, rows, Math.ceil(before * 1.5))
    this.listed = grown(this.listed, capacity)
    this.version = grown(this.version, capacity)
    this.parent = grown(this.parent, capacity, noRow)
    this.#firstChild = grown(this.#firstChild, capacity, noRow)
    this.#nextSibling = grown(this.#nextSibling, capacity, noRow)
    this.#previousSibling = grown(this.#previousSibling, capacity, noRow)
    for (const column of [...Object.values(this.#fixed), ...this.values.values()]) column.grow(capacity)
  }

  #remember(row: number): void {
    this.#touched[this.touches++ & (mostRemembered - 1)] = row
  }
  /** The rows that have been touched since there were so many touches, some of them twice; undefined: too many to say. */
  touchedSince(touches: number): number[] | undefined {
    if (this.touches - touches > mostRemembered) return undefined
    const rows: number[] = []
    for (let at = touches; at < this.touches; at++) rows.push(this.#touched[at & (mostRemembered - 1)]!)
    return rows
  }

  /** Puts a row inside an item, also inside one that is not there yet. */
  setParent(row: number, id: string | null): void {
    this.#levels = undefined
    this.#remember(row)
    const before = this.parent[row]!
    if (before !== noRow) {
      const [previous, next] = [this.#previousSibling[row]!, this.#nextSibling[row]!]
      if (previous === noRow) this.#firstChild[before] = next
      else this.#nextSibling[previous] = next
      if (next !== noRow) this.#previousSibling[next] = previous
      this.#previousSibling[row] = this.#nextSibling[row] = this.parent[row] = noRow
    }
    const orphanOf = this.#orphanParent.get(row)
    if (orphanOf !== undefined) {
      this.#orphanParent.delete(row)
      this.#orphans.get(orphanOf)?.delete(row)
      if (!this.#orphans.get(orphanOf)?.size) this.#orphans.delete(orphanOf)
    }
    if (id === null) return
    const parent = this.#rows.get(id)
    if (parent === undefined) {
      this.#orphanParent.set(row, id)
      this.#orphans.set(id, (this.#orphans.get(id) ?? new Set()).add(row))
      return
    }
    const first = this.#firstChild[parent]!
    this.parent[row] = parent
    this.#nextSibling[row] = first
    if (first !== noRow) this.#previousSibling[first] = row
    this.#firstChild[parent] = row
  }
}
