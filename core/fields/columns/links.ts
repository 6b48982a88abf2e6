import { idsOf, type Value } from '../value'
import type { Column } from './column'

const none: readonly string[] = []

/** Ids of other items by row, of which most rows have none. Nobody sets them but whoever keeps the links (`model/state.ts`). */
export class LinksColumn implements Column {
  readonly #ids = new Map<number, readonly string[]>()

  /** `place`: where a linked item stands among those that can be. */
  constructor(readonly place: (id: string) => number = () => 0) {}

  get = (row: number): Value => this.#ids.get(row) ?? null
  idsAt = (row: number): readonly string[] => this.#ids.get(row) ?? none
  set(row: number, value: Value): void {
    const ids = idsOf(value)
    if (ids.length) this.#ids.set(row, ids)
    else this.#ids.delete(row)
  }
  isEmpty(row: number): boolean {
    return !this.#ids.has(row)
  }
  takes(value: Value): boolean {
    return Array.isArray(value)
  }
  grow(): void {
    // Rows that hold nothing take no room.
  }
}
