/** Patches that an earlier version of the model wrote, made today's, so that history stays readable and can be undone. */
import { tieId } from '../base/ids'
import { rankOfPlace } from '../base/ranks'
import { evenWeek } from '../base/week'
import { limitId, type Reader } from '../model/reader'
import type { BoardColumn, EntityName, Field, OptionOfField, Project, Records, Status, View } from '../model/records'
import { upgradeContextOf, upgradeDefinition, type UpgradeContext } from '../model/upgrade'
import type { Entry } from './command'
import { isSetChange, type Change, type Patch } from './patch'

/**
 * The version of the model that today's patches speak of. 1: statuses belonged to workflows, options to their field's
 * settings, columns and limits to their board's definition; records had a whole number for their order, views an owner.
 * 2: a person had hours for the whole week. 3: an item did not say since when it is in its phase. 4: nor how long it
 * had been in the active one before.
 */
export const modelVersion = 5

type FieldChange = Exclude<Change, { added: readonly string[] }>
type Old = Record<string, unknown>

/** The entry as today's model would have written it. */
export function upgradeEntry(reader: Reader, entry: Entry): Entry {
  if (entry.model === modelVersion) return entry
  const patch = entry.model < 2 ? new Upgrade(reader, entry).patch() : entry.patch
  return { ...entry, model: modelVersion, patch: patch.map((change) => sincePhase(byWeekday(reader, change))) }
}

/** Of version 2: the hours of a week, spread over the days that the workspace works. */
function byWeekday(reader: Reader, change: Change): Change {
  if (change.entity !== 'person' || isSetChange(change)) return change
  const week = (hours: unknown) => evenWeek(Number(hours) * 60, reader.workspace().workingWeek)
  if (change.field === 'hoursPerWeek')
    return { ...change, field: 'hours', before: week(change.before), after: week(change.after) }
  if (change.field !== '*') return change
  const person = (record: unknown) => {
    if (!record) return null
    const { hoursPerWeek, ...rest } = record as Old
    return { ...rest, hours: week(hoursPerWeek) }
  }
  return { ...change, before: person(change.before), after: person(change.after) }
}

/** Of versions 3 and 4: as far as it is known, an item is in its phase for as long as in its status, and was in no active one before. */
function sincePhase(change: Change): Change {
  if (change.entity !== 'item' || isSetChange(change) || change.field !== '*') return change
  const item = (record: unknown) =>
    record && { phaseSince: (record as Old).statusSince, activeDays: 0, ...(record as Old) }
  return { ...change, before: item(change.before), after: item(change.after) }
}

interface ColumnV1 {
  readonly id: string
  readonly name: string
  readonly statuses: readonly string[]
  readonly limit: number | null
}
interface OptionV1 {
  readonly id: string
  readonly label: string
  readonly colour: string
}

class Upgrade {
  constructor(
    readonly reader: Reader,
    readonly entry: Entry,
  ) {}

  patch(): Patch {
    return this.entry.patch.flatMap((change) => (isSetChange(change) ? [change] : this.#change(change)))
  }

  #change(change: FieldChange): Change[] {
    switch (change.entity) {
      case 'project':
        return [this.#whole(change, (old) => ranked(old))]
      case 'kind':
        return [this.#whole(change, (old) => ({ ...ranked(old), archived: false }))]
      case 'workflow':
        return [this.#whole(change, (old) => ({ ...old, start: this.#startOf(String(old.id)) }))]
      case 'status':
        return this.#status(change)
      case 'field':
        return this.#field(change)
      case 'board':
        return this.#board(change)
      case 'view':
        return [this.#view(change)]
      default:
        return [change]
    }
  }

  /** A change of a whole record; one of a field stays as it is. */
  #whole(change: FieldChange, upgrade: (old: Old) => object): FieldChange {
    if (change.field !== '*') return change
    const made = (record: unknown) => (record ? upgrade(record as Old) : null)
    return { ...change, before: made(change.before), after: made(change.after) }
  }

  #made<T>(entity: string): T[] {
    return this.entry.patch.flatMap((change) =>
      change.entity === entity && change.field === '*' && !isSetChange(change)
        ? [(change.after ?? change.before) as T]
        : [],
    )
  }

  #startOf(workflow: string): string | undefined {
    const statuses = this.#made<Old>('status').filter((one) => one.workflow === workflow)
    const [first] = statuses.sort((a, b) => Number(a.order) - Number(b.order))
    return (first?.id as string | undefined) ?? this.reader.maybe('workflow', workflow)?.start
  }

  #projectOf(workflow: string): string | undefined {
    const made = this.#made<{ id: string; project: string }>('workflow').find((one) => one.id === workflow)
    return made?.project ?? this.reader.maybe('workflow', workflow)?.project
  }

  #status(change: FieldChange): Change[] {
    if (change.field !== '*') return [change]
    const record = (change.after ?? change.before) as Old
    const status: Omit<Status, 'id'> & { id: string } = {
      ...(ranked(without(record, 'workflow', 'turn')) as unknown as Status),
      project: this.#projectOf(String(record.workflow)) as Status['project'],
      archived: false,
    }
    const step = {
      id: tieId<'step'>(String(record.workflow), status.id),
      workflow: record.workflow,
      status: status.id,
      rank: status.rank,
      turn: record.turn ? { of: 'field', field: record.turn } : { of: 'assignees' },
    }
    return [whole('status', status.id, status, change), whole('step', step.id, step, change)]
  }

  #field(change: FieldChange): Change[] {
    if (change.field === 'settings') return this.#settings(change)
    if (change.field !== '*') return [change]
    const record = (change.after ?? change.before) as Old
    const settings = record.settings as { options?: readonly OptionV1[] }
    const field = { ...ranked(record), settings: without(settings, 'options') } as unknown as Field
    const options = (settings.options ?? []).map((option, at) => optionOf(option, field.id, at))
    return [
      whole('field', field.id, field, change),
      ...options.map((option) => whole('option', option.id, option, change)),
    ]
  }

  #settings(change: FieldChange): Change[] {
    const [before, after] = [change.before, change.after] as { options?: readonly OptionV1[] }[]
    const rest = { ...change, before: without(before ?? {}, 'options'), after: without(after ?? {}, 'options') }
    const changed = JSON.stringify(rest.before) === JSON.stringify(rest.after) ? [] : [rest]
    return [...changed, ...this.#options(change.id, before?.options ?? [], after?.options ?? [])]
  }

  #options(field: string, before: readonly OptionV1[], after: readonly OptionV1[]): Change[] {
    const kept = new Set(before.map((option) => option.id))
    const came = after.flatMap((option, at) => (kept.has(option.id) ? [] : [optionOf(option, field, at)]))
    const held = new Set(after.map((option) => option.id))
    const left = before.flatMap((option, at) => (held.has(option.id) ? [] : [optionOf(option, field, at)]))
    return [
      ...came.map((one): Change => ({ entity: 'option', id: one.id, field: '*', before: null, after: one })),
      ...left.map((one): Change => ({ entity: 'option', id: one.id, field: '*', before: one, after: null })),
    ]
  }

  #board(change: FieldChange): Change[] {
    const columnsIn = (definition: unknown) => (definition as { columns: ColumnV1[] } | null)?.columns ?? []
    if (change.field === 'definition') return limitsChanged(columnsIn(change.before), columnsIn(change.after))
    if (change.field !== '*') return [change]
    const record = (change.after ?? change.before) as Old
    const board = { ...ranked(without(record, 'definition', 'v')), archived: false } as unknown as Records['board']
    const columns = columnsIn(record.definition).flatMap((column, at) => columnOf(column, board.id, at))
    return [whole('board', board.id, board, change), ...columns.map(([entity, one]) => whole(entity, one.id, one, change))] // prettier-ignore
  }

  #view(change: FieldChange): FieldChange {
    if (change.field === 'definition') {
      const project = this.reader.maybe('view', change.id)?.project
      const around = project ? upgradeContextOf(this.reader, project) : { due: null, board: undefined }
      return {
        ...change,
        before: change.before && upgradeDefinition(change.before, around),
        after: change.after && upgradeDefinition(change.after, around),
      }
    }
    return this.#whole(change, (old) => this.#viewOf(old))
  }

  #viewOf(old: Old): View {
    const { owner, ...rest } = ranked(old) as Old & { owner?: View['maker'] | null }
    const view = rest as unknown as View
    const maker = owner ?? this.reader.maybe('view', view.id)?.maker ?? this.entry.by.person
    const audience: View['audience'] = owner ? { of: 'maker' } : { of: 'project' }
    return { ...view, maker, audience, definition: upgradeDefinition(view.definition, this.#around(view)) }
  }

  /** A view may come with its project and board in one patch. */
  #around({ project }: View): UpgradeContext {
    const made = this.#made<Project>('project').find((one) => one.id === project)
    const [board] = this.#made<{ id: string; project: string }>('board').filter((one) => one.project === project)
    const held = upgradeContextOf(this.reader, project)
    return { due: made?.uses.due ?? held.due, board: (board?.id as UpgradeContext['board']) ?? held.board }
  }
}

const ranked = (old: Old): Old => {
  const { order, ...rest } = old
  return { ...rest, rank: rankOfPlace(Number(order)) }
}
const without = (old: object, ...fields: readonly string[]): Old =>
  Object.fromEntries(Object.entries(old).filter(([field]) => !fields.includes(field)))

/** A record made or unmade, as the old change made or unmade what it is a part of. */
const whole = (entity: EntityName, id: string, record: object, { before, after }: FieldChange): Change => ({
  entity, id, field: '*', before: before ? record : null, after: after ? record : null,
}) // prettier-ignore

const optionOf = (option: OptionV1, field: string, at: number): OptionOfField =>
  ({ ...option, field, rank: rankOfPlace(at), archived: false }) as unknown as OptionOfField

function columnOf(column: ColumnV1, board: string, at: number): [EntityName, { id: string }][] {
  const { id, name, statuses, limit } = column
  const record = { id, board, name, rank: rankOfPlace(at), archived: false } as unknown as BoardColumn
  return [
    ['column', record],
    ...statuses.map((status): [EntityName, { id: string }] => {
      const held = { id: tieId<'columnStatus'>(id, status), column: id, status, kind: null }
      return ['columnStatus', held]
    }),
    ...(limit === null ? [] : [['limit', limitOf(id, limit)] as [EntityName, { id: string }]]),
  ]
}
const limitOf = (column: string, most: number) => ({ id: limitId(column), column, most })

/** The only change that version 1 made of a board: the limit of a column. */
function limitsChanged(before: readonly ColumnV1[], after: readonly ColumnV1[]): Change[] {
  return after.flatMap(({ id, limit }): Change[] => {
    const last = before.find((column) => column.id === id)?.limit ?? null
    if (last === limit) return []
    const of = { entity: 'limit' as const, id: limitId(id) }
    if (last !== null && limit !== null) return [{ ...of, field: 'most', before: last, after: limit }]
    const record = (most: number | null) => (most === null ? null : limitOf(id, most))
    return [{ ...of, field: '*', before: record(last), after: record(limit) }]
  })
}
