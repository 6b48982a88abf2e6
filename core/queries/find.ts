import type { Item } from '../model/records'
import type { State } from '../model/state'

/** By key (`GLH-142`, also with an old prefix) or by id, for an item that has no number yet. */
export function findItem(state: State, key: string): Item | undefined {
  const byId = state.maybe('item', key)
  if (byId) return byId
  const match = /^([A-Z][A-Z0-9]*)-(\d+)$/i.exec(key)
  const prefix = match?.[1]?.toUpperCase() ?? ''
  for (const project of state.all('project')) {
    if (project.prefix !== prefix && !project.oldPrefixes.includes(prefix)) continue
    const table = state.table(project.id)
    const row = table.number.a.indexOf(Number(match?.[2]))
    if (row >= 0) return table.at(row)
  }
  return undefined
}
