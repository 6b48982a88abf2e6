import { TextIndex } from '../base/collation'
import { usualWeek } from '../base/week'
import type { NewId } from '../base/ids'
import { rankAfter } from '../base/ranks'
import { problem, type Problem } from '../base/result'
import { isVisible, oneLine } from '../base/text'
import {
  longestLongText,
  longestShortText,
  optionColours,
  splitSeveral,
  type FieldTypeName,
  type FieldType,
  type Value,
} from '../fields/contract'
import { fieldTypes } from '../fields/registry'
import type { FieldSettings } from '../fields/settings'
import type { CsvRecord, CsvTable } from './csv'
import { fieldContext, fieldsOf, itemKey, kindsOf, statusesOf, type Reader } from '../model/reader'
import {
  paletteColours,
  type Field,
  type FieldId,
  type ItemId,
  type Kind,
  type OptionId,
  type OptionOfField,
  type Person,
  type PersonId,
  type Project,
  type StatusId,
} from '../model/records'
import { kindOfPattern } from '../projects/starter-pattern'
import type { NewItem } from '../items/add'
import { fallbackOf, requiredIn } from '../items/fallbacks'
import { isShownBy } from '../model/shown-fields'
import type { ColumnPlan } from './columns'
import type { Written } from './guess'
import type { BringInBody } from './command'

/** What the person decided besides the columns. */
export interface Choices {
  /** Status texts of the file that the workflow does not have, by text, to a status. */
  readonly statuses: Readonly<Record<string, StatusId>>
  /** Corrected cells, by line, then by column. */
  readonly mends: Readonly<Record<number, Readonly<Record<number, string>>>>
}

/** Why a row is left out, and in which column. */
export interface Fault {
  readonly line: number
  readonly column: number
  readonly problem: Problem
}

/** A row as it will be. */
export interface PlannedRow {
  readonly line: number
  readonly cells: readonly string[]
  /** Undefined: it is left out, with the fault of its line. */
  readonly item: NewItem | undefined
  readonly level: number
}

/** All rows, and what comes with them. */
export interface Plan {
  readonly rows: readonly PlannedRow[]
  readonly faults: readonly Fault[]
  /** Lines whose parent is left out, so that they go under its nearest kept ancestor. */
  readonly movedUp: readonly { readonly line: number; readonly from: string }[]
  readonly unknownStatuses: readonly string[]
  /** Everyone that the file names. */
  readonly peopleNamed: number
  readonly levels: number
  readonly body: BringInBody
}

/** Works out what every row will be. Nothing is changed by it. */
export function planRows(
  table: CsvTable,
  columns: readonly ColumnPlan[],
  choices: Choices,
  reader: Reader,
  project: Project,
  newId: NewId,
): Plan {
  return new Planning(table, columns, choices, reader, project, newId).plan()
}

interface Draft {
  readonly record: CsvRecord
  readonly cells: readonly string[]
  readonly key: string
  readonly parentKey: string
  readonly id: ItemId
  title: string
  kind: Kind
  status: StatusId
  values: Record<string, Value>
  texts: { field: FieldId; text: string }[]
  fault?: Fault
}

class Planning {
  readonly #people: Person[] = []
  readonly #kinds: Kind[] = []
  readonly #fields: Field[] = []
  /** New ones, by field. */
  readonly #options = new Map<string, OptionOfField[]>()
  /** What cells of chosen values were read as, by field and text: few texts are read often. */
  readonly #read = new Map<string, { value: Value } | Problem>()
  readonly #personByName: TextIndex<string>
  readonly #kindByName: TextIndex<Kind>
  readonly #statusByName: TextIndex<StatusId>
  readonly #optionByLabel = new Map<string, TextIndex<string>>()
  readonly #fieldByColumn = new Map<number, Field>()
  readonly #unknownStatuses = new Set<string>()
  readonly #named = new Set<string>()
  readonly #unique = new Map<string, Set<unknown>>()
  readonly #columnOf: (to: string) => number
  /** What every row must have, and gets from nowhere else. */
  readonly #required: readonly Field[]

  constructor(
    readonly table: CsvTable,
    readonly columns: readonly ColumnPlan[],
    readonly choices: Choices,
    readonly reader: Reader,
    readonly project: Project,
    readonly newId: NewId,
  ) {
    const kinds = kindsOf(reader, project.id)
    this.#personByName = new TextIndex([...reader.all('person')].map((person) => [person.name, person.id]))
    this.#kindByName = new TextIndex(kinds.map((kind) => [kind.name, kind]))
    this.#statusByName = new TextIndex(statusesOf(reader, project.id).map((status) => [status.name, status.id]))
    this.#columnOf = (to) => columns.findIndex((column) => column.target.to === to)
    this.#required = requiredIn(reader, project.id)
    columns.forEach((column, i) => this.#prepareField(column, i))
  }

  plan(): Plan {
    const drafts = this.table.records.map((record) => this.#draft(record))
    const byKey = new Map<string, Draft>()
    for (const draft of drafts) {
      if (!draft.key) continue
      if (byKey.has(draft.key))
        this.#blame(draft, this.#referenceColumn(), problem('not-unique', { value: draft.key, field: 'reference' }))
      else byKey.set(draft.key, draft)
    }
    const parentOf = (draft: Draft) => (draft.parentKey ? byKey.get(draft.parentKey) : undefined)
    const outside = this.#existingParents()
    for (const draft of drafts) this.#checkParent(draft, parentOf, outside)
    return this.#finish(drafts, parentOf, outside)
  }

  #finish(drafts: Draft[], parentOf: (draft: Draft) => Draft | undefined, outside: ReadonlyMap<string, ItemId>): Plan {
    const movedUp: { line: number; from: string }[] = []
    const levels = new Map<Draft, number>()
    const items = new Map<Draft, NewItem>()
    for (const draft of drafts) {
      if (draft.fault) continue
      let parent = parentOf(draft)
      if (parent?.fault) {
        movedUp.push({ line: draft.record.line, from: draft.parentKey })
        const seen = new Set<Draft>()
        while (parent?.fault && !seen.has(parent)) {
          seen.add(parent)
          parent = parentOf(parent)
        }
        if (parent?.fault) parent = undefined
      }
      items.set(draft, {
        item: draft.id, project: this.project.id, kind: draft.kind.id, title: draft.title, status: draft.status,
        parent: parent?.id ?? outside.get(draft.parentKey) ?? null, values: draft.values,
      }) // prettier-ignore
    }
    const byId = new Map(drafts.map((draft) => [draft.id, draft]))
    const levelOf = (draft: Draft): number => {
      const known = levels.get(draft)
      if (known !== undefined) return known
      const parent = items.get(draft)?.parent
      const above = parent ? byId.get(parent) : undefined
      const level = above && items.has(above) ? levelOf(above) + 1 : parent ? 1 : 0
      levels.set(draft, level)
      return level
    }
    const rows = drafts.map((draft) => ({
      line: draft.record.line,
      cells: draft.cells,
      item: items.get(draft),
      level: items.has(draft) ? levelOf(draft) : 0,
    }))
    const body: BringInBody = {
      project: this.project.id,
      people: this.#people,
      kinds: this.#kinds,
      fields: this.#fields,
      options: [...this.#options.values()].flat(),
      items: [...items.values()],
      texts: drafts.flatMap((draft) => (draft.fault ? [] : draft.texts.map((text) => ({ item: draft.id, ...text })))),
    } as BringInBody
    return {
      rows,
      faults: drafts.flatMap((draft) => draft.fault ?? []),
      movedUp,
      unknownStatuses: [...this.#unknownStatuses],
      peopleNamed: this.#named.size,
      levels: rows.reduce((most, row) => Math.max(most, row.item ? row.level + 1 : 0), 0),
      body,
    }
  }

  #prepareField({ target, header }: ColumnPlan, column: number): void {
    if (target.to === 'field') {
      const field = this.reader.maybe('field', target.field)
      if (field) this.#fieldByColumn.set(column, field)
    } else if (target.to === 'new') {
      const field = this.#newField(target.name || header, target.type, target.settings)
      this.#fields.push(field)
      this.#fieldByColumn.set(column, field)
    }
    const field = this.#fieldByColumn.get(column)
    if (field)
      this.#optionByLabel.set(
        field.id,
        new TextIndex(
          this.reader
            .optionsOf(field.id)
            .flatMap((option) => (option.archived ? [] : [[option.label, option.id] as const])),
        ),
      )
    if (field?.settings.unique) this.#unique.set(field.id, new Set(this.#held(field.id)))
  }

  #held(field: string): Value[] {
    const table = this.reader.table(this.project.id)
    const column = table.column(field)
    return [...table.rows()].filter((row) => !column.isEmpty(row)).map(column.get)
  }

  #newField(name: string, type: FieldTypeName, settings: FieldSettings): Field {
    const rank = rankAfter([...fieldsOf(this.reader, this.project.id), ...this.#fields])
    return {
      id: this.newId() as FieldId,
      project: this.project.id,
      name,
      help: '',
      type,
      settings,
      rank,
      archived: false,
    }
  }

  #draft(record: CsvRecord): Draft {
    const mends = this.choices.mends[record.line]
    const cells = mends ? this.columns.map((_, i) => mends[i] ?? record.cells[i] ?? '') : record.cells
    const cell = (to: string) => (this.#columnOf(to) < 0 ? '' : (cells[this.#columnOf(to)] ?? '').trim())
    const reference = this.#referenceColumn()
    const draft: Draft = {
      record, cells, id: this.newId() as ItemId,
      key: reference < 0 ? '' : (cells[reference] ?? '').trim(), parentKey: cell('parent'), title: oneLine(cell('title')),
      kind: this.#kind(cell('kind')), status: this.#status(cell('status')), values: {}, texts: [],
    } // prettier-ignore
    if (!isVisible(draft.title)) this.#blame(draft, this.#columnOf('title'), problem('no-title'))
    if (draft.title.length > longestShortText)
      this.#blame(
        draft,
        this.#columnOf('title'),
        problem('too-long', { length: draft.title.length, most: longestShortText }),
      )
    for (const [column, field] of this.#fieldByColumn)
      this.#readCell(draft, column, field, (cells[column] ?? '').trim())
    for (const field of this.#required)
      if (draft.values[field.id] === undefined && isShownBy(draft.kind, field.id) && !fallbackOf(field, draft.kind)) this.#blame(draft, this.#columnOfField(field), problem('required', { asks: field.name })) // prettier-ignore
    return draft
  }

  #columnOfField({ id }: Field): number {
    for (const [column, field] of this.#fieldByColumn) if (field.id === id) return column
    return -1
  }

  #readCell(draft: Draft, column: number, field: Field, text: string): void {
    if (!text) return
    if (fieldTypes[field.type].isApart) {
      if (text.length > longestLongText)
        this.#blame(draft, column, problem('too-long', { length: text.length, most: longestLongText }))
      else {
        draft.values[field.id] = { revision: 1 }
        draft.texts.push({ field: field.id, text })
      }
      return
    }
    const value = this.#value(field, text, this.columns[column]?.written)
    if ('code' in value) return this.#blame(draft, column, value)
    const unique = this.#unique.get(field.id)
    if (unique?.has(value.value) && column !== this.#referenceColumn())
      return this.#blame(draft, column, problem('not-unique', { value: text, field: field.name }))
    if (
      unique &&
      column === this.#referenceColumn() &&
      this.reader.table(this.project.id).size &&
      unique.has(value.value)
    )
      return this.#blame(draft, column, problem('not-unique', { value: text, field: field.name }))
    if (column !== this.#referenceColumn()) unique?.add(value.value)
    if (value.value !== null) draft.values[field.id] = value.value
  }

  #value(field: Field, text: string, written: Written | undefined): { value: Value } | Problem {
    const type = fieldTypes[field.type]
    if (!type.choices) return this.#parse(type, field, text, written)
    const key = `${field.id} ${text}`
    const known = this.#read.get(key) ?? this.#parse(type, field, text)
    this.#read.set(key, known)
    return known
  }

  /** People and options that a cell names and that there are none of come with the file. */
  #parse(type: FieldType, field: Field, text: string, written?: Written): { value: Value } | Problem {
    if (type.choices === 'options')
      for (const label of type.several ? splitSeveral(text) : [text]) this.#option(field, label)
    const held = fieldContext(this.reader, field)
    const context = {
      ...held,
      speech: { ...held.speech, ...written },
      options: [...held.options, ...(this.#options.get(field.id) ?? [])],
      names: {
        ...held.names,
        person: (id: string) => this.#nameOf(id),
        personNamed: (name: string) => this.#person(name),
      },
    }
    const value = type.parse(text, context)
    if (!value.ok) return value.problem
    return (value.value !== null && type.check(value.value, context)) || { value: value.value }
  }

  #nameOf = (id: string): string | undefined =>
    this.reader.names.person(id) ?? this.#people.find((person) => person.id === id)?.name

  #person(name: string): string {
    const known = this.#personByName.find(name)
    const id = known ?? this.newId()
    this.#named.add(id)
    if (known) return known
    const colour = paletteColours[(this.#people.length * 5) % paletteColours.length] ?? 'pool'
    this.#people.push({ id: id as PersonId, name, email: null, role: null, colour, hours: usualWeek, active: true })
    this.#personByName.add(name, id)
    return id
  }

  #option(field: Field, label: string): string {
    const index = this.#optionByLabel.get(field.id)
    const known = index?.find(label)
    if (known) return known
    const added = this.#options.get(field.id) ?? []
    const all = [...this.reader.optionsOf(field.id), ...added]
    const colour = optionColours[all.length % optionColours.length] ?? 'slate'
    const option: OptionOfField = {
      id: this.newId() as OptionId, field: field.id, label: label.trim(), colour, rank: rankAfter(all), archived: false,
    } // prettier-ignore
    this.#options.set(field.id, [...added, option])
    index?.add(label, option.id)
    return option.id
  }

  #kind(name: string): Kind {
    const first = kindsOf(this.reader, this.project.id)[0]
    if (!first) throw new RangeError('a project has at least one kind')
    if (!name) return first
    const known = this.#kindByName.find(name)
    if (known) return known
    const icons = ['deliverable', 'task', 'inspection', 'defect', 'request'] as const
    const icon = icons.find((one) => one === name.trim().toLowerCase()) ?? 'plain'
    const rank = rankAfter([...kindsOf(this.reader, this.project.id), ...this.#kinds])
    const kind = kindOfPattern(
      { name: name.trim().toLowerCase(), icon, project: this.project.id, workflow: first.workflow, rank },
      this.newId,
    )
    this.#kinds.push(kind)
    this.#kindByName.add(name, kind)
    return kind
  }

  #status(text: string): StatusId {
    const first = statusesOf(this.reader, this.project.id)[0]?.id as StatusId
    if (!text) return first
    const known = this.#statusByName.find(text) ?? this.choices.statuses[text]
    if (!known) this.#unknownStatuses.add(text)
    return known ?? first
  }

  #referenceColumn(): number {
    return this.columns.findIndex(
      ({ target }, i) =>
        (target.to === 'new' && target.settings.unique) ||
        (target.to === 'field' && this.#fieldByColumn.get(i)?.settings.unique),
    )
  }

  /** Items of the project that a row may name as its parent: by key or by outside reference. */
  #existingParents(): ReadonlyMap<string, ItemId> {
    const found = new Map<string, ItemId>()
    const reference = this.#fieldByColumn.get(this.#referenceColumn())
    for (const item of this.reader.itemsOf(this.project.id)) {
      found.set(itemKey(this.reader, item), item.id)
      const value = reference && item.values[reference.id]
      if (typeof value === 'string') found.set(value, item.id)
    }
    return found
  }

  #checkParent(
    draft: Draft,
    parentOf: (draft: Draft) => Draft | undefined,
    outside: ReadonlyMap<string, ItemId>,
  ): void {
    if (!draft.parentKey) return
    const column = this.#columnOf('parent')
    const parent = parentOf(draft)
    if (!parent) {
      if (!outside.has(draft.parentKey)) this.#blame(draft, column, problem('gone', { what: draft.parentKey }))
      return
    }
    const seen = new Set<Draft>()
    for (let at: Draft | undefined = parent; at && !seen.has(at); at = parentOf(at)) {
      if (at === draft)
        return this.#blame(
          draft,
          column,
          problem('loop', parent === draft ? { what: draft.key } : { what: draft.key, other: parent.key }),
        )
      seen.add(at)
    }
  }

  #blame(draft: Draft, column: number, what: Problem): void {
    draft.fault ??= { line: draft.record.line, column, problem: what }
  }
}
