import { tieId } from '../base/ids'
import type { Lookup } from './entities'
import type { LayoutName } from './names'
import type { Folds, Look, PersonId, Preference, View, ViewDefinition } from './records'

/** The id of how a person has a view look. */
export const lookId = (view: string, person: string): Look['id'] => tieId<'look'>(view, person)

const layoutsWithColumns = ['table', 'outline'] as const satisfies readonly LayoutName[]
/** Whether a view's definition says how wide its columns are and what is folded. */
export const hasColumns = (
  definition: ViewDefinition,
): definition is Extract<ViewDefinition, { layout: (typeof layoutsWithColumns)[number] }> =>
  layoutsWithColumns.some((name) => name === definition.layout)

/** The widths that a person sees a view's columns in, where they are not the usual ones: their own before the view's. */
export const widthsOf = (reader: Lookup, view: View, person: string): Readonly<Record<string, number>> => ({
  ...(hasColumns(view.definition) ? view.definition.widths : {}),
  ...reader.maybe('look', lookId(view.id, person))?.widths,
})

const noFolds: Folds = { turned: [] }
/** What a person sees folded in a view: their own before the view's. */
export const foldsOf = (reader: Lookup, view: View, person: string): Folds =>
  reader.maybe('look', lookId(view.id, person))?.folds ??
  (hasColumns(view.definition) ? view.definition.folds : undefined) ??
  noFolds

/** How a person has pages look: as it is for everyone, until they say otherwise. */
export const preferenceOf = (reader: Lookup, person: PersonId): Preference =>
  reader.maybe('preference', person) ?? { id: person, theme: 'system', density: 'usual', weekStart: 1, folded: [] }
