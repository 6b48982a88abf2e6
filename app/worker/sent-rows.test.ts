import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoardAnswer } from '#core/layouts/board'
import type { GroupHead, ListLine, Row } from '#core/layouts/rows'
import type { TableAnswer } from '#core/layouts/table'
import { pack, unpack, type Held } from './sent-rows'

const rowOf = (id: string, version: number): Row =>
  ({ item: { id, title: `${id} v${version}` }, key: id, v: String(version) }) as unknown as Row
const sums = { items: 0, late: 0, effort: 0 }
const tableOf = (rows: ListLine[], from = 0): TableAnswer => ({
  layout: 'table', sums, totals: [], lines: rows.length, stretch: { from, rows },
}) // prettier-ignore

/** What a list says at one moment: where the stretch begins, and each row's version. */
const moment = fc.record({
  from: fc.nat(50),
  rows: fc.uniqueArray(fc.tuple(fc.constantFrom(...'abcdefghij'), fc.nat(2)), { selector: ([id]) => id }),
})
const rowsOf = (rows: readonly (readonly [string, number])[]): Row[] => rows.map(([id, v]) => rowOf(id, v))
/** What crosses is copied. */
const cross = <T>(value: T): T => structuredClone(value)

describe('rows that cross once', () => {
  it('a table is the same on the other side, whatever came before', () => {
    fc.assert(
      fc.property(fc.array(moment, { maxLength: 12 }), (moments) => {
        const held: Held = new Map()
        let page: TableAnswer | undefined
        for (const { from, rows } of moments) {
          const answer: TableAnswer = tableOf(rowsOf(rows), from)
          page = unpack(page, cross(pack(held, answer)))
          expect(page).toEqual(answer)
        }
      }),
    )
  })

  it('a board is the same on the other side, column by column', () => {
    const columns = fc.dictionary(fc.constantFrom('x', 'y', 'z'), moment)
    fc.assert(
      fc.property(fc.array(columns, { maxLength: 8 }), (moments) => {
        const held: Held = new Map()
        let page: BoardAnswer | undefined
        for (const lists of moments) {
          const answer: BoardAnswer = {
            layout: 'board', sums, outside: [],
            columns: Object.entries(lists).map(([column, { from, rows }]) => ({
              column, held: rows.length, amount: rows.length, shown: rows.length, stretch: { from, rows: rowsOf(rows) },
            })),
          } // prettier-ignore
          page = unpack(page, cross(pack(held, answer)))
          expect(page).toEqual(answer)
        }
      }),
    )
  })

  it('sends a row again only when it has changed, and keeps the one that is there', () => {
    const held: Held = new Map()
    const say = (rows: Row[]) => cross(pack(held, tableOf(rows)))
    const first = unpack<TableAnswer>(undefined, say([rowOf('a', 1), rowOf('b', 1)]))
    const sent = say([rowOf('b', 1), rowOf('a', 2), rowOf('c', 1)])
    expect((sent.packed as TableAnswer).stretch.rows).toEqual(['b', rowOf('a', 2), rowOf('c', 1)])
    const second = unpack(first, sent)
    expect(second.stretch.rows[0]).toBe(first.stretch.rows[1])
  })

  it('keeps rows of another question that say the same', () => {
    const before = unpack<TableAnswer>(undefined, pack(new Map(), tableOf([rowOf('a', 1)]))) // prettier-ignore
    const after = unpack(before, cross(pack(new Map(), tableOf([rowOf('a', 1)]))))
    expect(after.stretch.rows[0]).toBe(before.stretch.rows[0])
  })

  it('keeps what the server said, row by row and the sums, where the worker says the same', () => {
    const table = (rows: Row[], late = 0): TableAnswer => ({ ...tableOf(rows), sums: { items: 2, late, effort: 5 } })
    const counted = (id: string, title: string, v: string): Row =>
      ({ ...rowOf(id, 0), item: { id, title }, v }) as never
    const server = table([counted('a', 'Air the bay', '7'), counted('b', 'Oil the hinge', '8')])
    const worker = table([counted('a', 'Air the bay', '1'), counted('b', 'Oil both hinges', '2')])
    const page = unpack(server, cross(pack(new Map(), worker)))
    expect(page.stretch.rows[0]).toBe(server.stretch.rows[0])
    expect(page.stretch.rows[1]).toEqual(worker.stretch.rows[1])
    expect(page.sums).toBe(server.sums)
    expect(unpack(server, cross(pack(new Map(), table([], 1)))).sums).toEqual({ items: 2, late: 1, effort: 5 })
  })

  it('heads of groups cross like rows, by what names them', () => {
    const held: Held = new Map()
    const head = (count: number): GroupHead => ({ head: '["x"]', path: ['x'], count, totals: [], folded: false, v: String(count) }) // prettier-ignore
    const first = unpack<TableAnswer>(undefined, cross(pack(held, tableOf([head(1), rowOf('a', 1)]))))
    const sent = cross(pack(held, tableOf([head(2), rowOf('a', 1)])))
    expect((sent.packed as TableAnswer).stretch.rows).toEqual([head(2), 'a'])
    expect(unpack(first, sent)).toEqual(tableOf([head(2), rowOf('a', 1)]))
  })

  it('what has no stretches goes through as it is; an id that is not held is an error', () => {
    expect(unpack(undefined, pack(new Map(), 3))).toBe(3)
    expect(unpack(undefined, pack(new Map(), undefined))).toBeUndefined()
    const strange = {
      packed: { layout: 'table', sums, stretch: { from: 0, rows: ['gone'] } },
    } as unknown as Parameters<typeof unpack>[1]
    expect(() => unpack(undefined, strange)).toThrow(/not held/)
  })
})
