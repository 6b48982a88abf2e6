import { listed } from '#core/language/wording'
import { maybeFact } from '#core/facts/registry'
import type { Reader } from '#core/model/reader'
import type { Allows, View } from '#core/model/records'
import { heldWords } from './view-words'

/** The facts that a view lets be changed, by name; what has been removed is none of them. */
export const namesAllowed = (
  reader: Reader,
  { project }: Pick<View, 'project'>,
  change: NonNullable<Allows['change']>,
) => change.flatMap((ref) => maybeFact(reader, project, ref)?.name ?? [])

/** What a view forbids, in words. */
export function heldSaid(reader: Reader, view: Pick<View, 'project' | 'allows'>): string {
  const { allows } = view
  if (!allows) return ''
  const names = allows.change && namesAllowed(reader, view, allows.change)
  const said = [
    ...(names ? [names.length ? heldWords.only(listed(names, 'and')) : heldWords.noChange] : []),
    ...(allows.add ? [] : [heldWords.noAdding]),
    ...(allows.remove ? [] : [heldWords.noRemoving]),
  ]
  return `${heldWords.here} ${said.join(', ')}.`
}
