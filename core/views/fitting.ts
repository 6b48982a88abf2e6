/** What an item must have so that it belongs where it is typed: the values that a view's phrases ask for. */
import { maybeFact } from '../facts/registry'
import { meaningTo, type Viewer } from '../facts/viewer'
import { fieldTypes } from '../fields/registry'
import type { Value } from '../fields/contract'
import { kindsOf, startOfKind, statusesOfKind, type Reader } from '../model/reader'
import type { Condition, ItemId, Kind, Project, Status } from '../model/records'

/** What an item gets where it is typed. */
export interface Fitting {
  /** The first of the project; undefined where it has none. */
  readonly kind: Kind | undefined
  /** Where items of the kind begin, if all conditions allow it, else the first that they do. */
  readonly status: Status | undefined
  readonly parent: ItemId | null
  /** By field id. */
  readonly values: Readonly<Record<string, Value>>
}

/** `where`: the conditions of a view, all of which an item must meet. */
export function fitting(reader: Reader, project: Project, where: readonly Condition[], viewer: Viewer): Fitting {
  const conditions = where.flatMap(parts)
  const [kind] = kindsOf(reader, project.id)
  const start = startOfKind(reader, kind?.id ?? '')
  const statuses = [...(start ? [start] : []), ...statusesOfKind(reader, kind?.id ?? '')]
  const status =
    statuses.find((one) => conditions.every((condition) => allows(reader, project, condition, one))) ?? start
  const meaning = meaningTo(reader, viewer)
  const values: Record<string, Value> = {}
  let parent: ItemId | null = null
  const people = new Set<string>()
  for (const condition of conditions) {
    const fact = condition.about === 'fact' ? maybeFact(reader, project.id, condition.fact) : undefined
    if (condition.about !== 'fact' || !fact) continue
    const fit = fact.automatic?.fit?.(condition.test)
    parent = fit?.parent ?? parent
    for (const one of fit?.people ?? []) people.add(one)
    const value = fact.field && fieldTypes[fact.field.type].fit(condition.test, meaning)
    if (value !== undefined) values[fact.key] = value
  }
  const { assignees } = project.uses
  const who = meaning.ids([...people])
  if (assignees && who.length && !values[assignees]) values[assignees] = who.sort()
  return { kind, status, parent, values }
}

/** What must hold in any case. */
const parts = (condition: Condition): readonly Condition[] =>
  condition.about === 'all' ? condition.of.flatMap(parts) : [condition]

/** Whether an item in the status can meet the condition, as far as it is about what follows from the status. */
function allows(reader: Reader, project: Project, condition: Condition, status: Status): boolean {
  const allowed = (one: Condition) => allows(reader, project, one, status)
  switch (condition.about) {
    case 'fact':
      return maybeFact(reader, project.id, condition.fact)?.automatic?.allows?.(condition.test, status) ?? true
    case 'all':
      return condition.of.every(allowed)
    case 'any':
      return condition.of.some(allowed)
    case 'none':
      return !condition.of.some((one) => isAboutStatus(reader, project, one) && allowed(one))
    default:
      return true
  }
}
const isAboutStatus = (reader: Reader, project: Project, condition: Condition): boolean =>
  condition.about === 'fact'
    ? !!maybeFact(reader, project.id, condition.fact)?.automatic?.allows
    : 'of' in condition && condition.of.every((inner) => isAboutStatus(reader, project, inner))
