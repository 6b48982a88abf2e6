import { viewContext } from '../facts/contract'
import type { Leaves, Why } from '../language/why'
import type { Condition, ProjectId, ViewDefinition } from '../model/records'
import { planOf } from '../views/evaluate'
import { askedQuery, dayIn, viewerOf } from './contract'
import { findItem } from './find'

/** Reasons are said in the language, which no page begins with. */
const saying = () => import('../language/why')

/** Which item, and which view. */
export interface WhyInput {
  readonly project: ProjectId
  readonly view: ViewDefinition
  /** The item's key or id. */
  readonly key: string
}

/** Why an item is in a view or not; undefined where it is none of the project. */
export const why = askedQuery<WhyInput, Why | undefined>(async (asking, { project: id, view, key }) => {
  const { state } = asking
  const project = state.maybe('project', id)
  const item = findItem(state, key)
  if (!project || item?.project !== id) return undefined
  const context = viewContext(state, id, viewerOf(asking))
  const row = context.table.maybeRow(item.id)
  if (row === undefined) return undefined
  return (await saying()).why(context, view, row, { reader: state, project, day: dayIn(asking) })
})

/** Which items, and which view. */
export interface NotInInput {
  readonly project: ProjectId
  readonly view: ViewDefinition
  readonly items: readonly string[]
}

/** Which of some items, as far as they are of the project, a view leaves out. */
export const notIn = askedQuery<NotInInput, string[]>((asking, { project, view, items }) => {
  const context = viewContext(asking.state, project, viewerOf(asking))
  const { test } = planOf(context, view)
  return items.filter((id) => {
    const row = context.table.maybeRow(id)
    return row !== undefined && !(context.table.listed[row] && test.test(row))
  })
})

/** How many items each phrase of a view leaves. */
export const leaves = askedQuery<{ readonly project: ProjectId; readonly where: readonly Condition[] }, Leaves>(
  async (asking, { project, where }) =>
    (await saying()).leaves(viewContext(asking.state, project, viewerOf(asking)), where),
)
