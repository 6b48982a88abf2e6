import { together } from '#core/commands/bare'
import type { View } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'

/** Puts a view at another place in the index. */
export function useViewOrder() {
  const changes = useChanges()
  const directory = useDirectory()

  /** Before another of its fellows, null: after all of them; it comes under the heading of what it then stands by. */
  function put(view: View, before: View | null, fellows: readonly View[], under?: string | null): void {
    const last = fellows.filter(({ id }) => id !== view.id).at(-1)
    const by = before ?? last
    const heading = under === undefined ? (by?.heading ?? null) : under
    const order = { type: 'view.order' as const, target: view.id, before: before?.id ?? null }
    if (heading === (view.heading ?? null)) return void changes.send(order)
    const set = { heading: { from: view.heading ?? null, to: heading } }
    void changes.send(together([order, { type: 'view.set', target: view.id, set }]))
  }
  /** Up or down by one among its fellows; past the end of a heading it comes under the next. */
  function move(view: View, by: -1 | 1, fellows: readonly View[]): void {
    const at = fellows.findIndex(({ id }) => id === view.id)
    const next = fellows[at + by]
    if (!next || !directory.mayKeep(view)) return
    const isSame = (next.heading ?? null) === (view.heading ?? null)
    if (by > 0) put(view, isSame ? (fellows[at + 2] ?? null) : next, fellows, next.heading ?? null)
    else put(view, isSame ? next : null, fellows, next.heading ?? null)
  }
  return { put, move }
}
