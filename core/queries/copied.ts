import type { ItemId } from '../model/records'
import { askedQuery } from './contract'

/** Items as lines of a list, each under the nearest around it that is among them: pasted where items are typed, they are the same again. */
export const copied = askedQuery<{ readonly items: readonly ItemId[] }, string>(async ({ state }, { items }) => {
  const chosen = new Set<string>(items)
  const inside = new Map<string, ItemId[]>()
  for (const id of items) {
    const above = nearest(id)
    inside.set(above, [...(inside.get(above) ?? []), id])
  }
  const lines: { level: number; title: string }[] = []
  const walk = (of: string, level: number): void => {
    for (const id of inside.get(of) ?? []) {
      lines.push({ level, title: String(state.read('item', id, 'title') ?? '') })
      walk(id, level + 1)
    }
  }
  walk('', 0)
  // Reading what is pasted is no part of what a worker begins with.
  return (await import('../entry/pasted')).printLines(lines)

  function nearest(id: string): string {
    let at = state.read('item', id, 'parent')
    while (typeof at === 'string' && !chosen.has(at)) at = state.read('item', at, 'parent')
    return typeof at === 'string' ? at : ''
  }
})
