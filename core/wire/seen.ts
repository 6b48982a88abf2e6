import type { Entry } from '../change/command'
import { isSetChange, type Change } from '../change/patch'
import { mayRead } from '../access/access'
import { projectsOf } from '../commands/revert'
import type { Reader } from '../model/reader'
import type { PersonId } from '../base/ids'

/**
 * An entry as one person may see it: without words of long texts and stays, and without what happened in projects
 * they may not read or in other people's own views. Undefined: nothing of it.
 */
export function seenBy(reader: Reader, entry: Entry, person: PersonId): Entry | undefined {
  const hidden = [...projectsOf(reader, entry.patch)].some((project) => !mayRead(reader, person, project))
  const patch = entry.patch.filter(
    (change) =>
      isForReplicas(change) && !isOthersView(reader, change, person) && (!hidden || isReadable(reader, change, person)),
  )
  return patch.length || entry.by === person ? { ...entry, patch } : undefined
}

const isForReplicas = (change: Change): boolean => change.entity !== 'longText' && change.entity !== 'stay'

function isReadable(reader: Reader, change: Change, person: PersonId): boolean {
  return [...projectsOf(reader, [change])].every((project) => mayRead(reader, person, project))
}

function isOthersView(reader: Reader, change: Change, person: PersonId): boolean {
  if (change.entity !== 'view') return false
  const made = isSetChange(change) || change.field !== '*' ? undefined : (change.after ?? change.before)
  const owner = ((made ?? reader.maybe('view', change.id)) as { owner: string | null } | undefined)?.owner
  return !!owner && owner !== person
}
