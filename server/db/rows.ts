import { getTableColumns, getTableName, sql, type SQL, type Table } from 'drizzle-orm'
import type { PgTable } from 'drizzle-orm/pg-core'
import type { Db, Tx } from './open'

/** A row by the property names of its table. */
export type Row = Readonly<Record<string, unknown>>

interface ColumnShape {
  readonly property: string
  readonly name: string
  readonly type: string
}
const shapes = new Map<Table, ColumnShape[]>()

function shapeOf(table: PgTable): ColumnShape[] {
  let shape = shapes.get(table)
  if (!shape) {
    shape = Object.entries(getTableColumns(table)).map(([property, column]) => ({
      property,
      name: column.name,
      type: column.getSQLType(),
    }))
    shapes.set(table, shape)
  }
  return shape
}

const named = (name: string): SQL => sql.identifier(name) as unknown as SQL

/** Of so many rows a statement is made within some ms; others have their turn before the next is. */
const mostAtOnce = 1000

/**
 * Writes rows by set statements (`insert … select from unnest`), some at a time however many there are. With `replacing`,
 * rows of the same key are replaced. Throws where the database wrote another number of rows than were given.
 */
export async function writeRows(
  tx: Tx | Db,
  table: PgTable,
  rows: Iterable<Row>,
  { replacing, atOnce = mostAtOnce }: { readonly replacing?: readonly string[]; readonly atOnce?: number } = {},
): Promise<void> {
  let some: Row[] = []
  for (const row of rows) {
    if (some.length === atOnce) {
      await writeSome(tx, table, some, replacing)
      some = []
    }
    some.push(row)
  }
  if (some.length) await writeSome(tx, table, some, replacing)
}

async function writeSome(
  tx: Tx | Db,
  table: PgTable,
  rows: readonly Row[],
  replacing: readonly string[] | undefined,
): Promise<void> {
  const shape = shapeOf(table)
  const columns = sql.join(shape.map(({ name }) => named(name)), sql`, `) // prettier-ignore
  const others = shape.filter(({ name }) => !replacing?.includes(name))
  const conflict = replacing
    ? sql` on conflict (${sql.join(replacing.map(named), sql`, `)}) do update set ${sql.join(
        others.map(({ name }) => sql`${named(name)} = excluded.${named(name)}`), sql`, `)}` // prettier-ignore
    : sql``
  const [first] = rows
  const given = rows.length === 1 && first ? oneRow(shape, first) : manyRows(shape, rows, columns)
  const result = await tx.execute(sql`insert into ${table} (${columns}) ${given}${conflict}`)
  mustTouch(result.rowCount, rows.length, table)
}

const parameter = ({ property, type }: ColumnShape, row: Row): unknown =>
  type === 'jsonb' ? JSON.stringify(row[property] ?? null) : (row[property] ?? null)

/** Without the lists, in which every quotation mark of a large JSON would be written twice more. */
const oneRow = (shape: readonly ColumnShape[], row: Row): SQL =>
  sql`values (${sql.join(shape.map((column) => sql`${parameter(column, row)}::${sql.raw(column.type)}`), sql`, `)})` // prettier-ignore

function manyRows(shape: readonly ColumnShape[], rows: readonly Row[], columns: SQL): SQL {
  const lists = shape.map((column) => {
    const values = rows.map((row) => parameter(column, row))
    const arrayType = column.type === 'jsonb' ? 'text' : column.type.replace(/\(\d+\)/, '')
    return sql`${sql.param(values)}::${sql.raw(arrayType)}[]`
  })
  const picked = shape.map(({ name, type }) => (type === 'jsonb' ? sql`${named(name)}::jsonb` : sql`${named(name)}`))
  return sql`select ${sql.join(picked, sql`, `)} from unnest(${sql.join(lists, sql`, `)}) as given(${columns})`
}

/** Deletes the rows of these ids, some at a time. Throws where there were fewer, unless some may be gone. */
export async function deleteRows(
  tx: Tx,
  table: PgTable,
  workspace: string,
  ids: readonly string[],
  mayBeGone: boolean,
): Promise<void> {
  for (let at = 0; at < ids.length; at += mostAtOnce) {
    const some = ids.slice(at, at + mostAtOnce)
    const deleted = await deleteSome(tx, table, workspace, some)
    if (!mayBeGone) mustTouch(deleted, some.length, table)
  }
}

async function deleteSome(tx: Tx, table: PgTable, workspace: string, ids: readonly string[]): Promise<number | null> {
  const type = shapeOf(table).find(({ name }) => name === 'id')?.type ?? 'uuid'
  const result = await tx.execute(
    sql`delete from ${table} where workspace_id = ${workspace}::uuid and id = any(${sql.param([...ids])}::${sql.raw(type)}[])`,
  )
  return result.rowCount
}

/** Sets single fields of rows, by field, then by id. A row that is not there is passed over. */
export async function setFields(
  tx: Tx,
  table: PgTable,
  workspace: string,
  set: ReadonlyMap<string, ReadonlyMap<string, unknown>>,
): Promise<void> {
  const shape = shapeOf(table)
  const idType = shape.find(({ name }) => name === 'id')?.type ?? 'uuid'
  for (const [field, values] of set) {
    const column = shape.find(({ property }) => property === field)
    if (!column) throw new TypeError(`${getTableName(table)} has no ${field}`)
    const type = column.type.replace(/\(\d+\)/, '')
    await tx.execute(
      sql`update ${table} set ${named(column.name)} = given.value
        from unnest(${sql.param([...values.keys()])}::${sql.raw(idType)}[], ${sql.param([...values.values()])}::${sql.raw(type)}[]) as given(id, value)
        where ${table}.workspace_id = ${workspace}::uuid and ${table}.id = given.id`,
    )
  }
}

function mustTouch(touched: number | null, meant: number, table: PgTable): void {
  if (touched !== meant) throw new Error(`${getTableName(table)}: ${String(touched)} rows instead of ${meant}`)
}

/** The record as core knows it: instants in ISO form, the workspace's id left out. */
export function recordOf(table: PgTable, row: Row): Record<string, unknown> {
  const record: Record<string, unknown> = {}
  for (const { property, type } of shapeOf(table)) {
    if (property === 'workspaceId') continue
    const value = row[property]
    record[property] = type.startsWith('timestamp') && value ? isoOf(value) : value
  }
  return record
}

/** `2026-11-24 13:40:02.118+00`, as PostgreSQL writes it, in ISO form. */
export const isoOf = (value: unknown): string => new Date(String(value)).toISOString()
