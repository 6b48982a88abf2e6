import { onBeforeUnmount, watch } from 'vue'
import type { Row } from '#core/layouts/rows'
import type { View } from '#core/model/records'
import { useAsk } from '../../data/use-ask'
import { useSelection } from '../../data/selection'
import { useViews } from '../../data/views'
import { rowsOf, type ShownColumn } from './use-columns'

/** Selecting cards: one by one, a range in a column, or all that the board holds. */
export function useCardSelection(view: () => View, columns: () => readonly ShownColumn[]) {
  const ask = useAsk()
  const views = useViews()
  const selection = useSelection()
  /** Where a range begins. */
  let anchor: string | undefined
  watch(() => view().id, selection.clear)
  onBeforeUnmount(selection.clear)

  function toggle({ item }: Row): void {
    anchor = item.id
    selection.toggle(item.id)
  }
  /** From where a range began to a card of the same column, in place of what was selected before. */
  function extend({ item }: Row): void {
    const rows = columns().map(rowsOf).find((all) => all.some((one) => one.item.id === item.id)) ?? [] // prettier-ignore
    const place = (id: string | undefined) => rows.findIndex((one) => one.item.id === id)
    if (place(anchor) < 0) anchor = item.id
    const [from, to] = [place(anchor), place(item.id)].sort((a, b) => a - b) as [number, number]
    selection.choose(rows.slice(from, to + 1).map((one) => one.item.id))
  }
  async function all(): Promise<void> {
    const ids = await ask('itemsInView', views.inputOf(view()))
    if (ids) selection.choose(ids)
  }
  function clear(): void {
    anchor = undefined
    selection.clear()
  }
  /** Whether a press on a card selects. */
  function press(event: MouseEvent, row: Row): boolean {
    const isTouch = 'pointerType' in event && event.pointerType === 'touch'
    if (event.shiftKey) extend(row)
    else if (event.ctrlKey || event.metaKey || (isTouch && selection.count)) toggle(row)
    else {
      clear()
      return false
    }
    return true
  }
  /** Whether a key selects; `to`: the card that Shift and an arrow go to. */
  function key(event: KeyboardEvent, row: Row, to: Row | undefined): boolean {
    const isControl = event.ctrlKey || event.metaKey
    if (event.altKey) return false
    if (isControl && event.key === 'a') void all()
    else if ((isControl || event.shiftKey) && event.key === ' ') toggle(row)
    else if (event.key === 'Escape' && selection.count) clear()
    else if (event.shiftKey && to) {
      anchor ??= row.item.id
      extend(to)
    } else return false
    return true
  }
  /** What moves along with a card: all that is selected, where it is, as far as it is on the screen. */
  function along(row: Row): readonly Row[] {
    if (!selection.has(row.item.id)) return [row]
    return columns().flatMap(rowsOf).filter((one) => selection.has(one.item.id)) // prettier-ignore
  }
  return { press, key, along, has: selection.has }
}
