import * as z from 'zod/mini'
import { list, text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { firstInPieces, inPieces, type Pieces } from '../base/pieces'
import { rankBetween } from '../base/ranks'
import { firstProblem, must, problem, type Problem, type Result } from '../base/result'
import { refusal } from '../access/access'
import { applied, defineCommand, type Applied, type Context } from '../change/command'
import { makes, type Change } from '../change/patch'
import { isEmptyValue, longestLongText, type FieldContext, type Value } from '../fields/contract'
import { isLongTextMark } from '../fields/long-text'
import { fieldTypes } from '../fields/registry'
import { mostRecords } from './limits'
import { checkTitle, itemMade, newItem, placing, type NewItem } from '../items/add'
import { Fallbacks, requiredIn, requiredRefusal } from '../items/fallbacks'
import { changesNowhere, firstNumber, StayIds } from '../items/changes'
import { fieldsRefusal } from '../projects/set-up/most-fields'
import { fieldContext, type Reader } from '../model/reader'
import { longTextId, type Field, type Item } from '../model/records'
import { fieldRecord, kindRecord, optionRecord, personRecord } from '../model/schemas'

/** Everything that a file becomes, with the ids of all that is new. */
export const bringInBody = z.object({
  project: ids.projectId,
  people: list(personRecord, 2000),
  kinds: list(kindRecord, 60),
  fields: list(fieldRecord, 200),
  /** Of new fields and of those that are there already. */
  options: list(optionRecord, 20_000),
  items: list(newItem, mostRecords, 1),
  texts: list(z.object({ item: ids.itemId, field: ids.fieldId, text: text(longestLongText) }), 4 * mostRecords),
})
/** What bringing a file in carries. */
export type BringInBody = z.infer<typeof bringInBody>

/** Brings a file in, whole or not at all; one undo takes all of it back. */
export const bringIn = defineCommand({
  type: 'bring-in',
  v: 2,
  body: bringInBody,
  mostBytes: 40 << 20,
  refusedAnywhere: changesNowhere,
  projects: (_reader, body) => [body.project],
  *check(reader, body, context): Pieces<Problem | undefined> {
    return checkFrame(reader, body, context) ?? (yield* new Rows(reader, body, context).check())
  },
  *apply(reader, body, context): Pieces<Result<Applied>> {
    const stays = new StayIds(context.command)
    const { nextNumber } = must(reader.maybe('project', body.project), 'project')
    const first = firstNumber(reader, body.project, body.items.length, context)
    const lastSiblings = lastSiblingRanks(reader, body.project)
    let rank = lastRank(reader, body.project)
    const fallbacks = new Fallbacks(reader, context, body.project)
    const changes: Change[] = [
      ...body.people.map((person) => makes('person', person)),
      ...body.kinds.map((kind) => makes('kind', kind)),
      ...body.fields.map((field) => makes('field', field)),
      ...body.options.map((option) => makes('option', option)),
    ]
    const { placed, placedBeside } = placing(reader, body.items, changes)
    yield* inPieces(body.items, (item, i) => {
      const [place, beside] = [placed(item), placedBeside(item)]
      const own = place ?? rankBetween(rank, undefined)
      if (!place) rank = own
      const siblingRank = beside ?? rankBetween(lastSiblings.get(item.parent), undefined)
      if (!beside) lastSiblings.set(item.parent, siblingRank)
      const number = context.isRoom ? first + i : 0
      changes.push(...itemMade(reader, item, { number, rank: own, siblingRank }, context, stays, fallbacks))
    })
    yield* inPieces(body.texts, ({ item, field, text }) => {
      changes.push(makes('longText', { id: longTextId(item, field), item, field, revision: 1, text }))
    })
    if (context.isRoom)
      changes.push({
        entity: 'project',
        id: body.project,
        field: 'nextNumber',
        before: nextNumber,
        after: first + body.items.length,
      })
    return applied(changes)
  },
})

function lastRank(reader: Reader, project: Item['project']): string | undefined {
  const { rank } = reader.table(project)
  const { order, n } = rank.ordering
  return n ? (rank.a[order[n - 1]!] ?? undefined) : undefined
}

/** By parent, null for none. */
function lastSiblingRanks(reader: Reader, project: Item['project']): Map<string | null, string> {
  const last = new Map<string | null, string>()
  const table = reader.table(project)
  for (const row of table.rows()) {
    const [parent, rank] = [table.parentOf(row), table.siblingRank.a[row] ?? '']
    if (rank > (last.get(parent) ?? '')) last.set(parent, rank)
  }
  return last
}

/** What comes besides the items: who may bring it, and that it is the project's. */
function checkFrame(reader: Reader, body: BringInBody, context: Context): Problem | undefined {
  if (!reader.maybe('project', body.project)) return problem('gone')
  const setsUp = body.people.length || body.kinds.length || body.fields.length || body.options.length
  const refused =
    refusal(reader, context.by, setsUp ? 'set up project' : 'change items', body.project) ??
    (body.people.length ? refusal(reader, context.by, 'name people') : undefined)
  if (refused) return refused
  const fields = new Set<string>(body.fields.map((field) => field.id))
  const isOurs = (one: { readonly project: string }) =>
    one.project === body.project ? undefined : problem('other-project')
  const isWorkflowOurs = ({ workflow }: { readonly workflow: string }) =>
    reader.maybe('workflow', workflow)?.project === body.project ? undefined : problem('other-project')
  return (
    firstProblem(body.people, (person) =>
      person.role || person.email ? problem('not-allowed', { act: 'manage people' }) : undefined,
    ) ??
    firstProblem(body.kinds, (kind) => isOurs(kind) ?? isWorkflowOurs(kind)) ??
    firstProblem(
      body.fields,
      (field) =>
        isOurs(field) ?? (field.required || field.fallback ? problem('wrong-value', { field: field.name }) : undefined),
    ) ?? // prettier-ignore
    fieldsRefusal(reader, body.project, body.fields.length) ??
    firstProblem(body.options, ({ field }) =>
      fields.has(field) || reader.maybe('field', field)?.project === body.project
        ? undefined
        : problem('unknown-field'),
    )
  )
}

/** The rows of a file, each against what is there and what comes with it. */
class Rows {
  readonly #fields: ReadonlyMap<string, { readonly field: Field; readonly context: FieldContext }>
  readonly #texts: ReadonlySet<string>
  readonly #fallbacks: Fallbacks
  readonly #required: readonly Field[]
  /** Values of fields that must be unique, as far as they are known. */
  readonly #unique: ReadonlyMap<string, Set<unknown>>

  constructor(
    readonly reader: Reader,
    readonly body: BringInBody,
    context: Context,
  ) {
    this.#fallbacks = new Fallbacks(reader, context, body.project)
    this.#required = requiredIn(reader, body.project)
    const held = [...reader.all('field')].filter((field) => field.project === body.project)
    const names = new Map(body.people.map((person) => [person.id as string, person.name]))
    const all: Field[] = [...held, ...body.fields]
    this.#fields = new Map(
      all.map((field) => {
        const context = fieldContext(reader, field)
        const options = body.options.filter((option) => option.field === field.id)
        const person = (id: string) => names.get(id) ?? reader.names.person(id)
        return [
          field.id,
          {
            field,
            context: { ...context, options: [...context.options, ...options], names: { ...context.names, person } },
          },
        ]
      }),
    )
    this.#texts = new Set(body.texts.map((text) => longTextId(text.item, text.field)))
    this.#unique = uniqueValues(reader, body.project, all)
  }

  *check(): Pieces<Problem | undefined> {
    const items = new Set<string>(this.body.items.map((item) => item.item))
    if (this.body.texts.some((text) => !items.has(text.item))) return problem('gone')
    return yield* firstInPieces(this.body.items, (item) => this.#checkItem(item))
  }

  #checkItem(one: NewItem): Problem | undefined {
    if (one.project !== this.body.project) return problem('other-project')
    if (!this.reader.maybe('status', one.status)) return problem('wrong-value', { field: 'status' })
    return (
      checkTitle(one.title) ??
      firstProblem(Object.entries(one.values), ([id, value]) => this.#checkValue(one, id, value)) ??
      (this.#required.length ? requiredRefusal(this.#required, [{ item: one.item, kind: this.reader.maybe('kind', one.kind), values: this.#fallbacks.over(one.values, one.kind) }]) : undefined) // prettier-ignore
    )
  }

  #checkValue(item: NewItem, id: string, value: Value): Problem | undefined {
    const known = this.#fields.get(id)
    if (!known) return problem('unknown-field')
    if (isEmptyValue(value)) return undefined
    const { field, context } = known
    const type = fieldTypes[field.type]
    if (type.isApart) {
      const isFirst = isLongTextMark(value) && value.revision === 1 && this.#texts.has(longTextId(item.item, id))
      return isFirst ? undefined : problem('wrong-value', { field: field.name })
    }
    const wrong = type.check(value, context)
    if (wrong) return { ...wrong, said: { ...wrong.said, field: field.name } }
    const held = this.#unique.get(id)
    if (held?.has(value)) return problem('not-unique', { field: field.name, value: String(value) })
    held?.add(value)
    return undefined
  }
}

function uniqueValues(reader: Reader, project: Item['project'], fields: readonly Field[]): Map<string, Set<unknown>> {
  const unique = new Map(
    fields.filter((field) => field.settings.unique).map((field) => [field.id as string, new Set<unknown>()]),
  )
  const table = reader.table(project)
  if (unique.size)
    for (const row of table.rows())
      for (const [id, held] of unique) if (!table.column(id).isEmpty(row)) held.add(table.column(id).get(row))
  return unique
}
