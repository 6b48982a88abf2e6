import { grown } from '../fields/columns/column'
import { TextColumn } from '../fields/columns/texts'
import { ChangedRows } from '../model/changed-rows'
import { nextMoment, noRow, type ItemTable } from '../model/item-table'
import type { AutomaticFact } from './contract'

/** The outline numbers of a table's items, kept right parent by parent. */
class Outline {
  readonly column = new TextColumn()
  readonly changed = new ChangedRows()
  #touches = -1
  /** What decides a row's number, as it was when it was last taken in. */
  #parent = new Int32Array(0)
  #listed = new Uint8Array(0)
  readonly #ranks: unknown[] = []

  constructor(readonly table: ItemTable) {}

  refresh(): void {
    const { table } = this
    const touched = this.#touches < 0 ? undefined : table.touchedSince(this.#touches)
    this.#touches = table.touches
    this.#parent = grown(this.#parent, table.listed.length, noRow)
    this.#listed = grown(this.#listed, table.listed.length)
    const parents = new Set<number>()
    for (const row of touched ?? table.rows()) this.#take(row, parents)
    if (!touched) return this.#numberAll()
    const now = nextMoment()
    for (const parent of parents) this.#number(parent, now)
  }

  /** Notes among which parents' children a row's number may be another now. */
  #take(row: number, parents: Set<number>): void {
    const { table } = this
    const [parent, listed, rank] = [table.parent[row]!, table.listed[row]!, table.siblingRank.a[row]]
    if (parent === this.#parent[row] && listed === this.#listed[row] && rank === this.#ranks[row]) return
    parents.add(this.#parent[row]!).add(parent)
    this.#parent[row] = parent
    this.#listed[row] = listed
    this.#ranks[row] = rank
    if (!listed) parents.add(row)
  }

  #numberAll(): void {
    const now = nextMoment()
    this.changed.addAll(now)
    this.#number(noRow, now)
    // What stands in nothing that is there: loops aside, only what is archived with what it is in.
    for (let row = 0; row < this.table.n; row++) if (!this.#isNumbered(row)) this.#set(row, null, now)
  }
  #isNumbered(row: number): boolean {
    const above = this.table.parent[row]!
    return !!this.table.listed[row] && (above === noRow || this.column.a[above] != null)
  }

  /** Numbers what is directly inside a row, and what is inside that where its number is another. */
  #number(from: number, now: number): void {
    const left = [from]
    for (let parent = left.pop(); parent !== undefined; parent = left.pop()) {
      const own = parent === noRow ? '' : (this.column.a[parent] ?? null)
      const inside = [...this.#children(parent)]
      const shown = own === null ? [] : inside.filter((row) => this.table.listed[row]).sort(this.#bySiblings)
      for (const row of inside) {
        const isOut = own === null || !this.table.listed[row]
        if (isOut && this.#set(row, null, now)) left.push(row)
      }
      shown.forEach((row, i) => {
        if (this.#set(row, own ? `${own}.${i + 1}` : String(i + 1), now)) left.push(row)
      })
    }
  }
  *#children(parent: number): Iterable<number> {
    if (parent !== noRow) return yield* this.table.childrenOf(parent)
    for (const row of this.table.rows()) if (this.table.parent[row] === noRow) yield row
  }
  #bySiblings = (a: number, b: number): number => this.table.siblingRank.ordering.compare(a, b)
  /** False where it was that already. */
  #set(row: number, number: string | null, now: number): boolean {
    if ((this.column.a[row] ?? null) === number) return false
    this.column.set(row, number)
    this.changed.add(row, now)
    return true
  }
}

const known = new WeakMap<ItemTable, Outline>()

/** Where the item stands in the outline: `2.1.4`; none where it, or what it is inside of, is archived. */
export const outline: AutomaticFact = {
  name: 'outline',
  label: 'outline number',
  kind: 'text',
  source({ table }) {
    const its = known.get(table) ?? new Outline(table)
    known.set(table, its)
    its.refresh()
    return { kind: 'text', column: its.column }
  },
  changedSince({ table }, moment) {
    const its = known.get(table)
    if (!its) return []
    its.refresh()
    return its.changed.since(moment) ?? table.rows()
  },
}
