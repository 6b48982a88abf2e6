/** What a new item has in its fields where nobody says it, and what it must have. */
import { addWorkingDays } from '../base/working-time'
import { isSameValue } from '../base/sorted-ids'
import { firstProblem, problem, type Problem, type ProblemPlace } from '../base/result'
import { personIn, type Context } from '../change/command'
import { isEmptyValue, type Value } from '../fields/contract'
import { fieldTypes } from '../fields/registry'
import { fieldContext, fieldsOf, type Reader } from '../model/reader'
import { isShownBy } from '../model/shown-fields'
import type { Fallback, Field, Item, ItemId, Kind, OptionOfField, ProjectId } from '../model/records'

/** Whether a default is one that a field can have; `more`: options that come with it. */
export function fallbackRefusal(
  reader: Reader,
  field: Field,
  more: readonly OptionOfField[] = [],
): Problem | undefined {
  const { fallback } = field
  const type = fieldTypes[field.type]
  const wrong = problem('wrong-value', { field: 'fallback' })
  const context = fieldContext(reader, field)
  switch (fallback?.is) {
    case undefined:
      return undefined
    case 'today':
      return type.kind === 'day' ? undefined : wrong
    case 'maker':
      return field.type === 'people' ? undefined : wrong
    case 'next':
      return field.type === 'number' ? undefined : wrong
    default:
      return type.isApart || type.isOwn || type.isLinked
        ? wrong
        : type.check(fallback!.value, { ...context, options: [...context.options, ...more] })
  }
}

/** Whether what is said of a project's fields is what they can have; of one that was removed anything may be said. */
export function defaultsRefusal(reader: Reader, project: ProjectId, defaults: Kind['defaults']): Problem | undefined {
  return firstProblem(Object.entries(defaults ?? {}), ([id, fallback]) => {
    const field = reader.maybe('field', id)
    if (field?.project !== project) return problem('other-project')
    return field.archived ? undefined : fallbackRefusal(reader, { ...field, fallback })
  })
}

/** What a new item of a kind has in a field where nobody says it: what its kind says before what the field says. */
export const fallbackOf = (field: Field, kind: Pick<Kind, 'defaults'> | undefined): Fallback | null =>
  kind?.defaults?.[field.id] ?? field.fallback ?? null
interface Begin {
  readonly field: Field
  readonly fallback: Fallback
}

/** The defaults of a project's fields for the items that one command makes; what is said is never overwritten. */
export class Fallbacks {
  readonly #all: readonly Field[]
  readonly #next = new Map<string, number>()
  readonly #byKind = new Map<string, readonly Begin[]>()
  constructor(
    readonly reader: Reader,
    readonly context: Context,
    project: ProjectId,
    fields: readonly Field[] = fieldsOf(reader, project),
  ) {
    this.#all = fields
  }

  /** The values with those that nobody has said. */
  over(values: Item['values'], kind: string): Item['values'] {
    const begins = this.#of(kind)
    const missing = begins.filter(({ field }) => isEmptyValue(values[field.id]))
    if (!missing.length) return values
    const more = missing.map(({ field, fallback }) => [field.id, this.#valueOf(field, fallback)] as const)
    return { ...values, ...Object.fromEntries(more.filter(([, value]) => !isEmptyValue(value))) }
  }

  /** What new items of a kind have: worked out once for each. */
  #of(kind: string): readonly Begin[] {
    const known = this.#byKind.get(kind)
    if (known) return known
    const of = this.reader.maybe('kind', kind)
    const all = this.#all.flatMap((field) => {
      const fallback = isShownBy(of, field.id) ? fallbackOf(field, of) : null
      return fallback ? [{ field, fallback }] : []
    })
    this.#byKind.set(kind, all)
    return all
  }

  #valueOf(field: Field, fallback: Fallback): Value {
    switch (fallback.is) {
      case 'value':
        // It may have been archived, or have left, since then.
        return fieldTypes[field.type].check(fallback.value, fieldContext(this.reader, field)) ? null : fallback.value
      case 'today':
        return addWorkingDays(this.context.today, fallback.days, this.reader.workingTime())
      case 'maker':
        return [personIn(this.context)]
      case 'next':
        return this.#nextOf(field)
    }
  }

  /** One more than the most that any item holds, archived ones among them. */
  #nextOf({ id, project, settings }: Field): number {
    const step = 10 ** (settings.decimals ?? 0)
    let last = this.#next.get(id)
    if (last === undefined) {
      const table = this.reader.table(project)
      const column = table.column(id)
      last = 0
      for (const row of table.rows()) if (!column.isEmpty(row)) last = Math.max(last, Number(column.get(row)))
    }
    const next = (Math.floor(last / step) + 1) * step
    this.#next.set(id, next)
    return next
  }
}

/** The fields that an item of a project has to have something in. */
export const requiredIn = (reader: Reader, project: ProjectId): Field[] =>
  fieldsOf(reader, project).filter(({ required }) => required)

/** The fields that somebody has to fill in for a new item of a kind: required, without a default, and not said. */
export const askedOf = (reader: Reader, kind: Kind, said: Item['values'] = {}): Field[] =>
  requiredIn(reader, kind.project).filter(
    (field) => isShownBy(kind, field.id) && isEmptyValue(said[field.id]) && !fallbackOf(field, kind),
  )

/** What new items lack, all of it at once, so that it can be filled in where one is. */
export function requiredRefusal(
  required: readonly Field[],
  items: Iterable<{ readonly item: ItemId; readonly kind: Kind | undefined; readonly values: Item['values'] }>,
): Problem | undefined {
  const lacking: ProblemPlace[] = []
  const fields = new Set<Field>()
  for (const { item, kind, values } of items)
    for (const field of required) {
      if (!isEmptyValue(values[field.id]) || !isShownBy(kind, field.id)) continue
      fields.add(field)
      lacking.push({ item, field: field.id })
    }
  return fields.size
    ? problem('required', { asks: [...fields].map(({ name }) => name).join(', ') }, lacking)
    : undefined
}

/** Undefined where a change leaves something in a field that has to have it. */
export const emptied = ({ required, name }: Field, before: Value | undefined, after: Value): Problem | undefined =>
  required && !isEmptyValue(before) && isEmptyValue(after) && !isSameValue(before, after)
    ? problem('required', { asks: name })
    : undefined
