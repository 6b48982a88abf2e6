import { onBeforeUnmount, watch } from 'vue'
import type { LinesInput } from '#core/queries/view'
import type { Folds, View } from '#core/model/records'
import { useAsk } from '../../data/use-ask'
import { useSelection } from '../../data/selection'
import { useViews } from '../../data/views'

interface Lines {
  /** What is on a line; undefined where it has not been fetched, or is no item. */
  itemAt(index: number): string | undefined
  /** Whether all lines of a range are here. */
  isHere(from: number, to: number): boolean
  folds(): Folds
}

/** Selecting lines of a view: one by one, a range from where one began, or all that the view holds. */
export function useSelect(view: () => View, lines: Lines) {
  const ask = useAsk()
  const views = useViews()
  const selection = useSelection()
  /** Where a range begins, and the line up to which it goes. */
  let [anchor, end]: (number | undefined)[] = []
  watch(() => view().id, selection.clear)
  onBeforeUnmount(selection.clear)

  const asked = (range: Partial<LinesInput>) =>
    ask('itemsInView', { ...views.inputOf(view()), folds: lines.folds(), ...range })
  function toggle(index: number): void {
    const item = lines.itemAt(index)
    if (!item) return
    anchor = end = index
    selection.toggle(item)
  }
  /** The range from where it began to a line, in place of what was selected before. */
  async function extend(from: number, to: number): Promise<void> {
    // Whoever has gone elsewhere meanwhile begins another.
    if (anchor === undefined || from !== end) anchor = from
    end = to
    const [first, last] = [Math.min(anchor, to), Math.max(anchor, to)]
    if (lines.isHere(first, last)) {
      const ids = Array.from({ length: last - first + 1 }, (_, i) => lines.itemAt(first + i))
      return selection.choose(ids.filter((id) => id !== undefined))
    }
    const ids = await asked({ from: first, to: last + 1 })
    if (ids) selection.choose(ids)
  }
  async function all(): Promise<void> {
    const ids = await ask('itemsInView', views.inputOf(view()))
    if (ids) selection.choose(ids)
  }
  function clear(): void {
    anchor = end = undefined
    selection.clear()
  }
  /**
   * A press on a line: with Ctrl, or by touch once something is selected, one more; else nothing stays selected. A range is
   * begun as it is pressed. Whether it selects.
   */
  function press(event: MouseEvent, index: number): boolean {
    if (event.shiftKey) return true
    const isTouch = 'pointerType' in event && event.pointerType === 'touch'
    if (event.ctrlKey || event.metaKey || (isTouch && selection.count)) toggle(index)
    else {
      clear()
      return false
    }
    return true
  }
  return { toggle, extend, all, clear, press }
}
