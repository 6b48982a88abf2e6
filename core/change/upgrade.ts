import type { Reader } from '../model/reader'
import type { View } from '../model/records'
import { upgradeDefinition, upgradeView } from '../model/upgrade'
import { isSetChange, type Change, type Patch } from './patch'

/** A patch that an earlier version wrote, as today's would have. */
export const upgradePatch = (reader: Reader, patch: Patch): Patch =>
  patch.map((change) => (change.entity === 'view' && !isSetChange(change) ? upgradeViewChange(reader, change) : change))

function upgradeViewChange(reader: Reader, change: Exclude<Change, { added: readonly string[] }>): Change {
  const upgraded = (value: unknown): unknown => {
    if (!value) return value
    if (change.field === '*') return upgradeView(reader, value as View)
    if (change.field !== 'definition') return value
    const project = reader.maybe('view', change.id)?.project
    return upgradeDefinition(value, project && reader.maybe('project', project))
  }
  return { ...change, before: upgraded(change.before), after: upgraded(change.after) }
}
