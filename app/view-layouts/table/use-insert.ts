import { computed, nextTick, shallowRef } from 'vue'
import type { InGroup } from '#core/entry/in-group'
import { isHead, isOutlined, type GroupHead, type ListLine, type Row, type OutlineRow } from '#core/layouts/rows'
import type { Item, ItemId, Project, View, ViewDefinition } from '#core/model/records'
import { useDirectory } from '../../data/directory'
import { useAddItem, type Here } from '../use-add-item'
import { groups } from './beside'

interface Lines {
  readonly project: () => Project
  readonly definition: () => ViewDefinition
  readonly view: () => View
  lineAt(index: number): ListLine | undefined
  /** The line of an item, if it is here. */
  lineOf(item: string): number | undefined
}
/** Where a new item is typed: after a line, or inside the item on it. */
interface Place {
  readonly line: number
  readonly row?: Row | OutlineRow | undefined
  readonly head?: GroupHead | undefined
  readonly isInside: boolean
  /** What its group asks for. */
  readonly group: InGroup
}

/** A line between two others in which items are typed, one after another: they get what their place asks for. */
export function useInsert({ project, definition, view, lineAt, lineOf }: Lines) {
  const directory = useDirectory()
  const place = shallowRef<Place>()

  /** The head of the group that a line is in, as far up as lines are here. */
  function headAbove(line: number): GroupHead | undefined {
    for (let at = line; at >= 0; at--) {
      const found = lineAt(at)
      if (!found) return undefined
      if (isHead(found)) return found
    }
    return undefined
  }
  function here(): Here | undefined {
    const { value } = place
    if (!value) return undefined
    const { row, group } = value
    if (!row) return group
    if (value.isInside) return { ...group, parent: row.item.id }
    const after = { after: row.item.id }
    return { ...group, place: after, ...(isOutlined(row) && { parent: row.item.parent, beside: after }) }
  }
  const adding = useAddItem({ project, definition, view, here })

  /** False where there is no line to stand after. */
  function open(line: number, isInside = false): boolean {
    const found = lineAt(line)
    if (found) void begin(found, line, isInside)
    return !!found
  }
  async function begin(found: ListLine, line: number, isInside: boolean): Promise<void> {
    const head = isHead(found) ? found : headAbove(line)
    const { inGroup } = await groups()
    const group = head ? inGroup(directory.reader, definition().group, head.path, directory.today) : { values: {} }
    const row = isHead(found) ? undefined : found
    place.value = { line, row, head, isInside: isInside && !!row, group }
  }
  const close = (): void => void (place.value = undefined)
  /** The next one comes after the last. */
  async function add(title: string, said: Item['values']): Promise<ItemId | undefined> {
    const item = await adding.add(title, said)
    if (item) await follow(item)
    return item
  }
  async function follow(item: ItemId, frames = 60): Promise<void> {
    await nextTick()
    const line = lineOf(item)
    if (line !== undefined) open(line)
    else if (frames) requestAnimationFrame(() => void follow(item, frames - 1))
  }
  /** The line after which it stands, wherever that has gone. */
  const line = computed(() => {
    const { value } = place
    if (!value) return undefined
    return value.row ? (lineOf(value.row.item.id) ?? value.line) : value.line
  })
  /** How deep it stands. */
  const level = computed(() => {
    const row = place.value?.row
    return row && isOutlined(row) ? row.level + Number(!!place.value?.isInside) : 0
  })
  return { line, level, open, close, add, asks: adding.asks, begin: () => adding.begin() }
}
