import { misfitCondition, misfitsOf } from '../items/misfits'
import type { Condition, FieldId, ProjectId } from '../model/records'
import { fieldsOf, type Reader } from '../model/reader'
import { askedQuery, compared, watchedQuery } from './contract'

/** How many items of a project hold something in each of its fields, archived ones aside. */
export interface FilledAnswer {
  readonly items: number
  /** By field. */
  readonly fields: Readonly<Record<string, number>>
  /** How many hold something that a field would not take today, by field: only those of which there are some. */
  readonly out: Readonly<Record<string, number>>
  /** How many items are of each kind. */
  readonly kinds: Readonly<Record<string, number>>
}

/** How far the fields of a project are filled. */
export const filled = watchedQuery<{ readonly project: ProjectId }, FilledAnswer>(({ state }, { project }) =>
  compared(() => filledIn(state, project)),
)

/** What asks for the items that hold something in a field which it would not take today; null where none does. */
export const misfits = askedQuery<{ readonly field: FieldId }, Condition | null>(({ state }, { field }) => {
  const found = state.maybe('field', field)
  return (found && misfitCondition(state, found)) ?? null
})

function filledIn(reader: Reader, project: ProjectId): FilledAnswer {
  const table = reader.table(project)
  const { listed, n } = table
  const counts = fieldsOf(reader, project).map(({ id }): [string, number] => {
    const column = table.linked.get(id) ?? table.values.get(id)
    let held = 0
    if (column) for (let row = 0; row < n; row++) if (listed[row] && !column.isEmpty(row)) held++
    return [id, held]
  })
  const out = fieldsOf(reader, project).flatMap((field): [string, number][] => {
    const held = misfitsOf(reader, field).length
    return held ? [[field.id, held]] : []
  })
  const kinds = new Int32Array(table.kind.codes.ids.length)
  for (let row = 0; row < n; row++) kinds[table.kind.a[row]!]! += listed[row]!
  const byKind = table.kind.codes.ids.map((id, code): [string, number] => [id, kinds[code] ?? 0])
  return {
    items: table.listedCount,
    fields: Object.fromEntries(counts),
    out: Object.fromEntries(out),
    kinds: Object.fromEntries(byKind),
  }
}
