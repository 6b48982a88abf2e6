import { isOutlined, type Row, type OutlineRow } from '#core/layouts/rows'
import type { ItemId, ViewDefinition } from '#core/model/records'
import { useChanges } from '../../data/changes'
import { nesting } from './beside'
import type { Step } from './steps'

interface Lines {
  definition(): ViewDefinition
  rowAt(index: number): Row | OutlineRow | undefined
  /** The lines that are selected and here. */
  chosen(): readonly number[]
  toggleFold(id: string): void
  /** What keeps its place while the keyboard is on it takes the one that is its own. */
  release(): void
}

/** Moves what is selected, or one line, a step in the hierarchy or among its siblings. */
export function useNesting({ definition, rowAt, chosen, toggleFold, release }: Lines) {
  const changes = useChanges()
  const isOpen = (id: ItemId, near: number): boolean => {
    for (let at = near; at >= 0; at--) {
      const row = rowAt(at)
      if (!row || !isOutlined(row)) return true
      if (row.item.id !== id) continue
      const now = definition()
      return row.isOpen ?? row.level + 1 < (now.layout === 'outline' ? now.open : 0)
    }
    return true
  }
  return async (step: Step, at: number): Promise<void> => {
    const lines = chosen().includes(at) ? chosen() : [at]
    const rows = lines.flatMap((index) => rowAt(index) ?? [])
    const { nestingOf } = await nesting()
    const found = nestingOf(step, rows, rowAt(Math.min(...lines) - 1), definition(), rowAt(Math.max(...lines) + 1))
    if ('said' in found) return changes.say(found.said)
    const { shows } = found
    const opens = shows && !isOpen(shows, lines[0]!)
    release()
    // It opens first: what is seen at no time has not the keyboard any more.
    if (opens) toggleFold(shows)
    if (!(await changes.send(found.bare)) && opens) toggleFold(shows)
  }
}
