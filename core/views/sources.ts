/** A fact of a project's items, ready to be read from the columns. */
import { compareText } from '../base/collation'
import { dayNumber, fromDayNumber, workingDaysAfter } from '../base/dates'
import type { CodeColumn, CodesColumn } from '../fields/columns/codes'
import { noDay, noNumber, type DayColumn, type InstantColumn, type NumberColumn } from '../fields/columns/column'
import type { TextColumn } from '../fields/columns/texts'
import { noRow, type ItemTable } from '../model/item-table'
import { phases } from '../model/names'
import { kindsOf, statusesOf, type Reader } from '../model/reader'
import type { ProjectId } from '../model/records'
import { isOver } from '../model/turn'
import { maybeFact, type Fact } from './facts'
import { daysOf, type Viewer } from './viewer'

/** What a view is worked out from. */
export interface ViewContext {
  readonly reader: Reader
  readonly project: ProjectId
  readonly table: ItemTable
  readonly viewer: Viewer
}
export const viewContext = (reader: Reader, project: ProjectId, viewer: Viewer): ViewContext => ({
  reader, project, viewer, table: reader.table(project),
}) // prettier-ignore

export interface ChoiceSource {
  readonly kind: 'choice'
  readonly column: CodeColumn
  /** What a code of the column means; '' means none. */
  valueOf(code: number): string
  /** The order of values. */
  place(value: string): number
}
export interface ChoicesSource {
  readonly kind: 'choices'
  /** None: the values are worked out. */
  readonly column?: CodesColumn
  valuesAt(row: number): readonly string[]
  place(value: string): number
}
export interface NumberSource {
  readonly kind: 'number'
  /** None: the values are worked out. */
  readonly column?: NumberColumn
  /** NaN: none. */
  at(row: number): number
}
export interface DaySource {
  readonly kind: 'day'
  readonly column: DayColumn
}
export interface InstantSource {
  readonly kind: 'instant'
  readonly column: InstantColumn
}
export interface TextSource {
  readonly kind: 'text'
  readonly column: TextColumn
}
export interface FlagSource {
  readonly kind: 'flag'
  isSet(row: number): boolean
}
export type Source = ChoiceSource | ChoicesSource | NumberSource | DaySource | InstantSource | TextSource | FlagSource

/** The order that a list stands in; what is not in it comes after. Worked out when it is first asked for. */
function places(ids: () => Iterable<string>): (value: string) => number {
  let known: Map<string, number> | undefined
  return (value) => {
    known ??= new Map([...ids()].map((id, i) => [id, i]))
    return known.get(value) ?? known.size
  }
}
function peoplesPlace(reader: Reader, first?: string) {
  return places(() => {
    const people = [...reader.all('person')].sort((a, b) => compareText(a.name, b.name)).map((one) => one.id as string)
    return first ? [first, ...people] : people
  })
}

/** Undefined: there is no such fact (any more). */
export function sourceOf(context: ViewContext, by: string): Source | undefined {
  const fact = maybeFact(context.reader, context.project, by)
  return fact && (fact.field ? ofField(context, fact) : automatic(context, by))
}

function ofField({ reader, table }: ViewContext, { field, by }: Fact): Source | undefined {
  if (!field) return undefined
  const column = table.column(by)
  const options = () => places(() => (field.settings.options ?? []).map((option) => option.id as string))
  switch (field.type) {
    case 'shortText':
      return { kind: 'text', column: column as TextColumn }
    case 'number':
      return { kind: 'number', column: column as NumberColumn, at: (row) => (column as NumberColumn).a[row]! }
    case 'date':
      return { kind: 'day', column: column as DayColumn }
    case 'oneOption':
      return choice(column as CodeColumn, options())
    case 'severalOptions':
    case 'people':
      return choices(column as CodesColumn, field.type === 'people' ? peoplesPlace(reader) : options())
    case 'checkbox':
    case 'longText':
      return { kind: 'flag', isSet: (row) => !column.isEmpty(row) }
  }
}

const choice = (column: CodeColumn, place: ChoiceSource['place']): ChoiceSource => ({
  kind: 'choice', column, place, valueOf: (code) => column.codes.ids[code]!,
}) // prettier-ignore

const choices = (column: CodesColumn, place: ChoicesSource['place']): ChoicesSource => ({
  kind: 'choices',
  column,
  place,
  valuesAt: (row) => column.codesAt(row).map((code) => column.codes.ids[code]!),
})

function automatic(context: ViewContext, by: string): Source | undefined {
  const { reader, project, table } = context
  switch (by) {
    case 'key':
      // 0: the server has not given one yet.
      return { kind: 'number', at: (row) => table.number.a[row]! || noNumber }
    case 'title':
      return { kind: 'text', column: table.title }
    case 'rank':
      return { kind: 'text', column: table.rank }
    case 'kind':
      return choice(
        table.kind,
        places(() => kindsOf(reader, project).map((one) => one.id as string)),
      )
    case 'status':
      return choice(
        table.status,
        places(() => statusesOf(reader, project).map((one) => one.id as string)),
      )
    case 'phase':
      return { kind: 'choice', column: table.status, valueOf: phaseOf(context), place: places(() => phases) }
    case 'createdBy':
    case 'changedBy':
      return choice(table[by], peoplesPlace(reader))
    case 'statusSince':
    case 'started':
    case 'finished':
    case 'created':
    case 'changed':
      return { kind: 'instant', column: table[by] }
    case 'turn':
      return { kind: 'choices', valuesAt: turnAt(context), place: peoplesPlace(reader, 'nobody') }
    case 'people':
      return { kind: 'choices', valuesAt: concernedAt(context), place: peoplesPlace(reader) }
    case 'parent':
      return parents(context)
    case 'level':
      return { kind: 'number', at: (row) => levelAt(table, row) }
    case 'late':
      return { kind: 'number', at: lateAt(context) }
    case 'age':
      return { kind: 'number', at: ageAt(context) }
  }
  return undefined
}

/** By code of the status. */
function phaseOf({ reader, table }: ViewContext): (code: number) => string {
  const known: string[] = []
  return (code) => (known[code] ??= reader.maybe('status', table.status.codes.ids[code]!)?.phase ?? '')
}

/** Whether the item at a row waits or is active. */
export function openAt(context: ViewContext): (row: number) => boolean {
  const phase = phaseOf(context)
  const { table } = context
  return (row) => {
    const its = phase(table.status.a[row]!)
    return !!its && !!table.listed[row] && !isOver(its as (typeof phases)[number])
  }
}

/** Whose turn it is by row, `nobody` where it is open and nobody is named (`model/turn.ts` says the rule for one item). */
export function turnAt(context: ViewContext): (row: number) => readonly string[] {
  const { reader, project, table } = context
  const isOpen = openAt(context)
  const assignees = reader.maybe('project', project)?.uses.assignees
  const fields: (string | null | undefined)[][] = []
  const nobody = ['nobody']
  return (row) => {
    if (!isOpen(row)) return []
    const code = table.status.a[row]!
    const order = (fields[code] ??= [reader.maybe('status', table.status.codes.ids[code]!)?.turn, assignees])
    for (const field of order) {
      const column = field ? table.values.get(field) : undefined
      if (column && !column.isEmpty(row)) return column.get(row) as readonly string[]
    }
    return nobody
  }
}

/** The people that some people field of the item names, by row. */
function concernedAt(context: ViewContext): (row: number) => readonly string[] {
  const columns = peopleColumns(context)
  return (row) => {
    const filled = columns.filter((column) => !column.isEmpty(row))
    if (filled.length < 2) return (filled[0]?.get(row) ?? []) as readonly string[]
    return [...new Set(filled.flatMap((column) => column.get(row) as readonly string[]))]
  }
}

/** Of every people field of the project, also where no item has any yet. */
export const peopleColumns = ({ reader, table, project }: ViewContext): CodesColumn[] =>
  [...reader.all('field')].flatMap((field) =>
    field.project === project && field.type === 'people' ? [table.column(field.id) as CodesColumn] : [],
  )

function parents({ table }: ViewContext): ChoicesSource {
  return {
    kind: 'choices',
    valuesAt: (row) => {
      const parent = table.parent[row]!
      return parent === noRow ? [] : [table.ids[parent]!]
    },
    place: (id) => {
      const row = table.maybeRow(id)
      return row === undefined ? Number.MAX_SAFE_INTEGER : table.rank.ordering.labels[row]!
    },
  }
}

/** How many parents are above the row: 0 at the top. Stops at a loop, which stored data does not have. */
export function levelAt({ parent, n }: ItemTable, row: number): number {
  let level = 0
  for (let at = parent[row]!; at !== noRow && level < n; at = parent[at]!) level++
  return level
}

function lateAt(context: ViewContext): (row: number) => number {
  const { reader, project, table, viewer } = context
  const due = reader.maybe('project', project)?.uses.due
  const today = dayNumber(viewer.today)
  const isOpen = openAt(context)
  const workspace = reader.workspace()
  const known = new Map<number, number>()
  return (row) => {
    const day = due ? ((table.values.get(due) as DayColumn | undefined)?.a[row] ?? noDay) : noDay
    if (day >= today || !isOpen(row)) return noNumber
    let late = known.get(day)
    if (late === undefined)
      known.set(day, (late = Math.max(1, workingDaysAfter(fromDayNumber(day), viewer.today, workspace))))
    return late
  }
}

/** Days from the day it was made to the day it was finished, or to today. */
function ageAt({ reader, table, viewer }: ViewContext): (row: number) => number {
  const days = daysOf(reader.workspace())
  const today = dayNumber(viewer.today)
  const { created, finished } = table
  return (row) =>
    Math.max(0, (finished.isEmpty(row) ? today : days.dayOf(finished.a[row]!)) - days.dayOf(created.a[row]!))
}
