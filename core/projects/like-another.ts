import type { NewId } from '../base/ids'
import { entityOf, type MapId } from '../model/entities'
import {
  boardsOf,
  columnsOf,
  fieldsOf,
  heldBy,
  kindsOf,
  limitId,
  statusesOf,
  stepsOf,
  type Reader,
} from '../model/reader'
import { isWorkedOut } from '../fields/registry'
import type { EntityName, Field, Project, Records, Step, View } from '../model/records'
import type { ProjectBody } from './create'
import type { NewProject } from './starter-pattern'

/** Without those that are worked out from something that has gone. */
function wholeFields(all: readonly Field[]): Field[] {
  const there = new Set<string>(all.map(({ id }) => id))
  const kept = all.filter((field) => (JSON.stringify(isWorkedOut(field) ? field.settings : {}).match(uuids) ?? []).every((id) => there.has(id))) // prettier-ignore
  return kept.length === all.length ? kept : wholeFields(kept)
}

const uuids = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g

/** What a project begins with that is set up as another is, and which id takes the place of which. */
export interface Alike {
  readonly body: ProjectBody
  readonly map: MapId
}

/**
 * What a project begins with that is set up as another is: its statuses, workflows, kinds, fields, options, board and the
 * views that everyone sees, all of them with ids of their own; none of its items and people.
 */
export function likeAnother(reader: Reader, other: Project, { maker, ...named }: NewProject, newId: NewId): Alike {
  const statuses = statusesOf(reader, other.id)
  const kinds = kindsOf(reader, other.id)
  const workflows = [...reader.all('workflow')].filter(({ id }) => kinds.some((kind) => kind.workflow === id))
  const fields = wholeFields(fieldsOf(reader, other.id))
  const boards = boardsOf(reader, other.id)
  const columns = boards.flatMap(({ id }) => columnsOf(reader, id))
  const views = [...reader.all('view')].filter(
    (view) => view.project === other.id && view.audience.of === 'project' && !view.archived,
  )
  const parts = {
    statuses, workflows, kinds, fields, boards, columns,
    steps: workflows.flatMap(({ id }) => stepsOf(reader, id)),
    options: fields.flatMap(({ id }) => reader.optionsOf(id).filter((option) => !option.archived)),
    columnStatuses: columns.flatMap(({ id }) => heldBy(reader, id)),
    limits: columns.flatMap(({ id }) => reader.maybe('limit', limitId(id)) ?? []),
    views,
  } // prettier-ignore

  /** Every record of it gets another id; what is of the workspace keeps its own. */
  const ids = new Map<string, string>([[other.id, newId()]])
  for (const record of [
    ...statuses,
    ...workflows,
    ...kinds,
    ...fields,
    ...parts.options,
    ...boards,
    ...columns,
    ...views,
  ])
    ids.set(record.id, newId())
  const map: MapId = (id) => (ids.get(id) ?? id) as typeof id
  const mapped = <E extends EntityName>(entity: E, records: readonly Records[E][]): Records[E][] =>
    records.map((record) => entityOf(entity).mapIds(record, map))
  /** What still speaks of something that has gone is left out. */
  const isWhole = (part: unknown): boolean =>
    (JSON.stringify(part).match(uuids) ?? []).every((id) => ids.has(id) || !!reader.maybe('person', id))
  const whole = <T>(all: readonly T[]): T[] => all.filter(isWhole)
  const known = (step: Step): Step => ({
    ...step,
    ...(step.goesTo && { goesTo: whole(step.goesTo) }),
    ...(step.asks && { asks: whole(step.asks) }),
  })
  const trimmed = (view: View): View => {
    const { where, sort, group, totals, show } = view.definition
    const parts = { where: whole(where), sort: whole(sort), group: whole(group), totals: whole(totals), show: whole(show) } // prettier-ignore
    return { ...view, definition: { ...view.definition, ...parts } }
  }

  const body: ProjectBody = {
    project: {
      ...entityOf('project').mapIds(other, map),
      ...named,
      oldPrefixes: [],
      archived: false,
      pattern: null,
      nextNumber: 1,
    },
    statuses: mapped('status', statuses),
    workflows: mapped('workflow', workflows),
    steps: mapped('step', parts.steps.map(known)),
    kinds: mapped('kind', kinds.map((kind) => ({ ...kind, ...(kind.shows && { shows: whole(kind.shows) }), ...(kind.inside && { inside: whole(kind.inside) }), ...(kind.groups && { groups: whole(kind.groups) }), ...(kind.defaults && { defaults: Object.fromEntries(Object.entries(kind.defaults).filter(isWhole)) }) }))), // prettier-ignore
    fields: mapped('field', fields.map((field) => (field.fallback && !isWhole(field.fallback) ? { ...field, fallback: null } : field))), // prettier-ignore
    options: mapped('option', parts.options),
    boards: mapped('board', boards),
    columns: mapped('column', columns),
    columnStatuses: mapped('columnStatus', parts.columnStatuses),
    limits: mapped('limit', parts.limits),
    views: mapped('view', views.map(trimmed)).map((view) => ({ ...view, maker })),
  }
  return { body, map }
}
