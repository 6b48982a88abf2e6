import type { Column } from '../fields/columns/column'
import type { FieldType } from '../fields/contract'
import type { Source } from '../fields/source'
import type { Fact } from '../facts/contract'

/** A fact, ready to be read row by row. */
export interface Readable {
  readonly fact: Fact
  /** Of a field: as what it is read, and where its values are. */
  readonly type?: FieldType
  readonly column?: Column
  readonly source: Source
  /** Has a row worked out, where the fact is a worked-out field. */
  readonly ready?: (row: number) => void
}
/** Finds what a worked-out field names by its key; undefined where there is no such thing (any more). */
export type Read = (key: string) => Readable | undefined
