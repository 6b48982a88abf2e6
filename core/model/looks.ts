import { tieId } from '../base/ids'
import type { Lookup } from './entities'
import type { Look, View } from './records'

/** The id of how a person has a view look. */
export const lookId = (view: string, person: string): Look['id'] => tieId<'look'>(view, person)

/** The widths that a person sees a view's columns in, where they are not the usual ones: their own before the view's. */
export const widthsOf = (reader: Lookup, view: View, person: string): Readonly<Record<string, number>> => ({
  ...(view.definition.layout === 'table' ? view.definition.widths : {}),
  ...reader.maybe('look', lookId(view.id, person))?.widths,
})
