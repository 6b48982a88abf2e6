/**
 * Fields that are worked out from others. Each has a column like any other field, which nobody writes: a row of it is worked
 * out when it is asked for, and again once something that it hangs on has changed. Nothing of it is stored.
 */
import { grown, type Column } from '../fields/columns/column'
import type { Value } from '../fields/contract'
import { keysIn, namesIn } from '../fields/formulas'
import type { FieldTypeName } from '../fields/names'
import { fieldTypes, isWorkedOut, shownType, typeOf } from '../fields/registry'
import type { Source } from '../fields/source'
import { momentNow, nextMoment, noRow, type ItemTable } from '../model/item-table'
import { otherEnd } from '../model/links'
import { fieldContext, type Reader } from '../model/reader'
import type { Field, FieldId, Item } from '../model/records'
import type { ViewContext } from '../facts/contract'
import { maybeFact, refOfKey } from '../facts/registry'
import { prepare } from './cel'
import { ChangedRows } from '../model/changed-rows'
import type { Read, Readable } from './read'
import { lookUpOf, rollUpOf } from './roll-ups'
import type { Working } from './working'

/** Whose change, besides its own, changes what an item comes to. */
interface Spread {
  /** Of what is directly inside it. */
  children: boolean
  /** Of what is inside it at every level. */
  inside: boolean
  /** Of what it is directly inside of. */
  parent: boolean
  /** Of all that it is inside of. */
  above: boolean
  /** Of what it is linked to: the fields at the other ends. */
  farEnds: readonly FieldId[]
}

const nothing: Readonly<Spread> = { children: false, inside: false, parent: false, above: false, farEnds: [] }

/** Where more than this part of all rows is unknown they are filled at once, if that can be. */
const few = 4

/** What a worked-out field comes to, by row. */
class WorkedColumn {
  readonly column: Column
  /** Rows that may have become something else. */
  readonly changed = new ChangedRows()
  /** Views read the column as it is: it is kept filled. */
  isRead = false
  #isKnown = new Uint8Array(0)
  /** Rows that are not known any more; none while nothing at all is. */
  #unknown: number[] | undefined
  /** The parents as they were when changes were last taken in. */
  #parent = new Int32Array(0)
  /** By row, the moment when all above it was last gone over. */
  #walked = new Int32Array(0)
  #moment = -1
  #touches = 0
  #rows = 0

  readonly needs: WorkedColumn[] = []
  spread: Spread = { ...nothing }
  working: Working | undefined

  constructor(
    readonly table: ItemTable,
    readonly shown: FieldTypeName,
  ) {
    this.column = fieldTypes[shown].column()
  }

  /** Is worked out otherwise from now on: nothing is known any more, and the room that it has is used again. */
  begin(work: (needs: WorkedColumn[], spread: Spread) => Working | undefined, spread: Readonly<Spread>): void {
    this.needs.length = 0
    this.spread = { ...spread }
    this.working = work(this.needs, this.spread)
    this.isRead = false
    this.#moment = -1
  }

  /** Takes in what has changed since it was last done: those rows are worked out anew when they are asked for. */
  refresh(): void {
    for (const need of this.needs) need.refresh()
    if (this.#moment === momentNow()) return
    const { table } = this
    let rows = this.#moment < 0 ? undefined : this.#changedRows()
    const now = nextMoment()
    if (this.#isKnown.length < table.listed.length) {
      this.#grow(table.listed.length)
      rows = undefined
    }
    if (rows) for (const row of rows) this.#spread(row, now)
    else this.#forgetAll(now)
    this.#moment = momentNow()
    this.#touches = table.touches
    this.#rows = table.n
  }
  /** Undefined: so many that all count. */
  #changedRows(): number[] | undefined {
    const touched = this.table.touchedSince(this.#touches)
    if (!touched) return undefined
    const rows = new Set(touched)
    for (let row = this.#rows; row < this.table.n; row++) rows.add(row)
    for (const need of this.needs) {
      const changed = need.changed.since(this.#moment)
      if (!changed) return undefined
      for (const row of changed) rows.add(row)
    }
    return [...rows]
  }

  /** Has a row worked out; where it comes from what is inside, that first. */
  ready = (row: number): void => {
    if (this.#isKnown[row]) return
    if (!this.working?.isFromBelow) return this.#work(row)
    const { table } = this
    const left = [row]
    for (let at = left.at(-1); at !== undefined; at = left.at(-1)) {
      const size = left.length
      for (const child of table.childrenOf(at)) if (table.listed[child] && !this.#isKnown[child]) left.push(child)
      if (left.length > size) continue
      left.pop()
      if (!this.#isKnown[at]) this.#work(at)
    }
  }
  #work(row: number): void {
    this.#isKnown[row] = 1
    if (this.working && this.table.has(row)) this.working.write(row, this.column)
    else this.column.set(row, null)
  }
  valueAt(row: number): Value {
    this.refresh()
    this.ready(row)
    return this.column.get(row)
  }
  /** Has every row worked out. */
  fill(): void {
    this.refresh()
    const { n } = this.table
    const unknown = this.#unknown
    if (unknown && unknown.length * few < n) for (const row of unknown) this.ready(row)
    else if (this.working?.fillAll) {
      for (const need of this.needs) need.fill()
      this.working.fillAll(this.column)
      this.#isKnown.fill(1, 0, n)
    } else for (let row = 0; row < n; row++) this.ready(row)
    this.#unknown = []
  }

  #forgetAll(now: number): void {
    this.#isKnown.fill(0)
    this.#unknown = undefined
    this.changed.addAll(now)
    this.#parent.set(this.table.parent.subarray(0, this.table.n))
  }
  #spread(row: number, now: number): void {
    const { table, spread } = this
    this.#forget(row, now)
    const [before, parent] = [this.#parent[row]!, table.parent[row]!]
    if (spread.children || spread.inside) {
      this.#forgetAbove(parent, now)
      if (before !== parent) this.#forgetAbove(before, now)
    }
    this.#parent[row] = parent
    if (spread.parent || spread.above) this.#forgetBelow(row, now)
    for (const end of spread.farEnds)
      for (const id of table.linkColumn(end).idsAt(row)) {
        const at = table.maybeRow(id)
        if (at !== undefined) this.#forget(at, now)
      }
  }
  #forgetAbove(from: number, now: number): void {
    const { parent, n } = this.table
    for (let at = from; at !== noRow && at < n; at = parent[at]!) {
      this.#forget(at, now)
      if (!this.spread.inside || this.#walked[at] === now) return
      this.#walked[at] = now
    }
  }
  #forgetBelow(row: number, now: number): void {
    const left = [row]
    for (let at = left.pop(); at !== undefined; at = left.pop())
      for (const child of this.table.childrenOf(at)) {
        this.#forget(child, now)
        if (this.spread.above) left.push(child)
      }
  }
  #forget(row: number, now: number): void {
    this.changed.add(row, now)
    if (!this.#isKnown[row] && row < this.#rows) return
    this.#isKnown[row] = 0
    this.#unknown?.push(row)
  }
  #grow(rows: number): void {
    this.#isKnown = grown(this.#isKnown, rows)
    this.#walked = grown(this.#walked, rows)
    this.#parent = grown(this.#parent, rows, noRow)
    this.column.grow(rows)
  }
}

/** The worked-out fields of a project's items, as they are on a day while nothing but items changes. */
class Project {
  readonly #columns = new Map<FieldId, WorkedColumn>()
  readonly #begun = new Set<FieldId>()

  readonly edition: number
  /** The columns that there were before: whoever reads them reads them anew. */
  readonly #earlier: ReadonlyMap<FieldId, WorkedColumn> | undefined

  constructor(
    readonly context: ViewContext,
    before?: Project,
  ) {
    this.edition = context.reader.edition
    this.#earlier = before && before.#columns
  }

  /** Undefined where it hangs on itself, which what is stored does not. */
  of(field: Field): WorkedColumn | undefined {
    const known = this.#columns.get(field.id)
    if (known) return known
    if (this.#begun.has(field.id)) return undefined
    this.#begun.add(field.id)
    const before = this.#earlier?.get(field.id)
    const column = before?.shown === shownType(field) ? before : new WorkedColumn(this.context.table, shownType(field))
    column.begin(
      (needs, spread) => this.#work(field, (key) => this.#read(key, needs, spread)),
      spreadOf(field, this.context.reader),
    )
    this.#begun.delete(field.id)
    this.#columns.set(field.id, column)
    return column
  }
  #work(field: Field, read: Read): Working | undefined {
    if (field.type === 'rollUp') return rollUpOf(this.context, field, read)
    return field.type === 'lookUp' ? lookUpOf(this.context, field, read) : prepare(this.context, field.settings, read)
  }
  #read(key: string, needs: WorkedColumn[], spread: Spread): Readable | undefined {
    const { reader, project, table } = this.context
    const fact = maybeFact(reader, project, refOfKey(key))
    if (!fact) return undefined
    const { field } = fact
    if (!field || !isWorkedOut(field)) {
      spread.inside ||= !!fact.kin?.inside
      spread.above ||= !!fact.kin?.above
      const column = field && table.column(field.id)
      return { fact, ...(field && { type: typeOf(field), column }), source: fact.source(this.context) }
    }
    const its = this.of(field)
    if (!its) return undefined
    if (!needs.includes(its)) needs.push(its)
    const source = typeOf(field).source(its.column, fieldContext(reader, field))
    return { fact, type: typeOf(field), column: its.column, source, ready: its.ready }
  }

  /** Those that views read. */
  read(): WorkedColumn[] {
    return [...this.#columns.values()].filter(({ isRead }) => isRead)
  }
}

function spreadOf({ type, settings: { over, formula, through } }: Field, reader: Reader): Spread {
  const named = type === 'computed' ? namesIn(formula ?? '') : new Set([over])
  const keys = type === 'computed' ? keysIn(formula ?? '') : through ? [through] : []
  const ends = keys.flatMap((id) => reader.maybe('field', id) ?? []).filter((one) => fieldTypes[one.type].isLinked)
  return {
    children: named.has('children'), inside: named.has('inside'), parent: named.has('parent'), above: false,
    farEnds: ends.map(otherEnd),
  } // prettier-ignore
}

const known = new WeakMap<ItemTable, Project>()
function projectOf(context: ViewContext): Project {
  const { table, reader, viewer } = context
  const before = known.get(table)
  const isSame = before?.edition === reader.edition && before.context.reader === reader
  if (isSame && before.context.viewer.today === viewer.today) return before
  const now = new Project(context, before)
  known.set(table, now)
  return now
}

/** How views read a worked-out field. Every row is worked out, and kept so by `changedSince`. */
export function source(context: ViewContext, field: Field): Source {
  const its = projectOf(context).of(field)!
  its.isRead = true
  its.fill()
  return typeOf(field).source(its.column, fieldContext(context.reader, field))
}

/** What the worked-out ones of some fields come to for one row; empty ones are left out. */
export function values(context: ViewContext, fields: readonly Field[], row: number): Item['values'] | undefined {
  let found: Record<string, Value> | undefined
  for (const field of fields) {
    if (!isWorkedOut(field)) continue
    const value = projectOf(context).of(field)!.valueAt(row)
    if (value !== null) (found ??= {})[field.id] = value
  }
  return found
}

/** What a field would come to by row, as it is said and not stored (yet). */
export function tryOut(context: ViewContext, field: Field): (row: number) => Value {
  const its = new Project(context).of(field)!
  return (row) => its.valueAt(row)
}

/** Works out anew what views read, and gives the rows where something of it may have changed since a moment. */
export function changedSince(context: ViewContext, since: number): number[] {
  const { table } = context
  const rows = new Set<number>()
  for (const one of known.get(table)?.read() ?? []) {
    one.fill()
    const changed = one.changed.since(since)
    if (changed) for (const row of changed) rows.add(row)
    else for (let row = 0; row < table.n; row++) rows.add(row)
  }
  return [...rows]
}
