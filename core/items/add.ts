import * as z from 'zod/mini'
import { list, text } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { rankBetween } from '../base/ranks'
import { firstProblem, must, problem, type Problem } from '../base/result'
import { isVisible, oneLine } from '../base/text'
import { refusal } from '../access/access'
import { applied, defineCommand, personIn, type Context } from '../change/command'
import { makes, type Change } from '../change/patch'
import { isEmptyValue, longestShortText } from '../fields/contract'
import { idsOf } from '../fields/value'
import { fieldTypes } from '../fields/registry'
import { isOver } from '../model/turn'
import type { Reader } from '../model/reader'
import type { Field, Item } from '../model/records'
import { firstNumber, StayIds } from './changes'
import { lastSiblingRank, ranksAt, siblingRanksAt, type Placed } from './ranks'
import { placeRecord } from './place'
import { Fallbacks, requiredIn, requiredRefusal } from './fallbacks'
import { checkUnique, checkValue, linkChanges, normalised } from './values'
import { valueRecord } from '../fields/value-record'

/** An item as it is sent to be made. */
export const newItem = z.object({
  item: ids.itemId,
  project: ids.projectId,
  kind: ids.kindId,
  title: text(100_000),
  status: ids.statusId,
  parent: z.nullable(ids.itemId),
  values: z.record(text(64), valueRecord),
  place: z.optional(placeRecord),
  /** Beside which of its siblings it stands; after them, where it is not said. */
  beside: z.optional(placeRecord),
})
/** An item as it is sent to be made. */
export type NewItem = Readonly<z.infer<typeof newItem>>

/** Adds items, each at a place in the project's order and among its siblings, or at the end. */
export const addItems = defineCommand({
  type: 'items.add',
  v: 1,
  body: z.object({ items: list(newItem, 1000, 1) }),
  projects: (_reader, body) => projectsIn(body.items),
  check: (reader, body, context) =>
    firstProblem(body.items, (item) => checkNewItem(reader, item, context)) ??
    firstProblem(projectsIn(body.items), (project) => {
      const fallbacks = new Fallbacks(reader, context, project)
      const made = body.items.filter((one) => one.project === project)
      return requiredRefusal(requiredIn(reader, project), made.map(({ item, kind, values }) => ({ item, kind: reader.maybe('kind', kind), values: fallbacks.over(values, kind) }))) // prettier-ignore
    }),
  apply(reader, body, context) {
    const stays = new StayIds(context.command)
    const numbers = new Map<string, number>()
    const changes: Change[] = []
    const lastRank = new Map<string, string>()
    const known = new Map<string, Fallbacks>()
    const { placed, placedBeside } = placing(reader, body.items, changes)
    for (const one of body.items) {
      const project = must(reader.maybe('project', one.project), 'project')
      const number = context.isRoom ? (numbers.get(project.id) ?? firstNumber(reader, project.id, 1, context)) : 0
      numbers.set(project.id, number + 1)
      const follows = lastRank.get(project.id)
      const rank = placed(one) ?? (follows ? rankBetween(follows, undefined) : must(ranksAt(reader, one.project, undefined, 1, new Set()).ranks[0], 'rank')) // prettier-ignore
      if (!one.place) lastRank.set(project.id, rank)
      const siblings = `${one.project} ${one.parent}`
      const lastSibling = lastRank.get(siblings) ?? lastSiblingRank(reader, one.project, one.parent)
      const siblingRank = placedBeside(one) ?? rankBetween(lastSibling, undefined)
      if (!one.beside) lastRank.set(siblings, siblingRank)
      const fallbacks = known.get(one.project) ?? new Fallbacks(reader, context, one.project)
      known.set(one.project, fallbacks)
      changes.push(...itemMade(reader, one, { number, rank, siblingRank }, context, stays, fallbacks))
    }
    if (context.isRoom)
      for (const [id, next] of numbers) {
        const before = must(reader.maybe('project', id), 'project').nextNumber
        changes.push({ entity: 'project', id, field: 'nextNumber', before, after: next })
      }
    return applied(changes)
  },
})

/**
 * Keys for new items that are to stand at a place in the team's order, or beside one of their siblings: those for the same
 * place one after another. Undefined for one that says none. What makes room there is put to `changes`.
 */
export function placing(reader: Reader, items: readonly NewItem[], changes: Change[]) {
  const none: ReadonlySet<string> = new Set()
  const inTurn = (keyOf: (one: NewItem) => string | undefined, ranksFor: (one: NewItem, n: number) => Placed) => {
    const left = new Map<string, string[]>()
    return (one: NewItem): string | undefined => {
      const key = keyOf(one)
      if (key === undefined) return undefined
      if (!left.has(key)) {
        const { ranks, spread } = ranksFor(one, items.filter((other) => keyOf(other) === key).length)
        changes.push(...spread)
        left.set(key, [...ranks])
      }
      return left.get(key)!.shift()
    }
  }
  return {
    placed: inTurn(
      ({ project, place }) => place && JSON.stringify([project, place]),
      ({ project, place }, n) => ranksAt(reader, project, place, n, none),
    ),
    placedBeside: inTurn(
      ({ parent, beside }) => beside && JSON.stringify([parent, beside]),
      ({ project, parent, beside }, n) => siblingRanksAt(reader, project, parent, beside, n, none),
    ),
  }
}

const projectsIn = (items: readonly NewItem[]) => [...new Set(items.map(({ project }) => project))]

/** The item's record and its first stay. */
export function itemMade(
  reader: Reader,
  one: NewItem,
  given: { number: number; rank: string; siblingRank: string },
  context: Context,
  stays: StayIds,
  fallbacks: Fallbacks,
): Change[] {
  const phase = must(reader.maybe('status', one.status), 'status').phase
  const stay = stays.next()
  const said = Object.fromEntries(
    Object.entries(one.values)
      .map(([field, value]) => [field, normalised(value)])
      .filter(([, value]) => value !== null),
  ) as Item['values']
  const linked = Object.keys(said).flatMap((id) => {
    const field = reader.maybe('field', id)
    return field && fieldTypes[field.type].isLinked ? [field] : []
  })
  const links = linked.flatMap((field) => linkChanges(field, one.item, idsOf(said[field.id])))
  const own = linked.length ? withoutFields(said, linked) : said
  const values = fallbacks.over(own, one.kind)
  const item: Item = {
    id: one.item,
    project: one.project,
    ...given,
    kind: one.kind,
    title: oneLine(one.title),
    status: one.status,
    parent: one.parent,
    values,
    stay,
    statusSince: context.now,
    phaseSince: context.now,
    activeDays: 0,
    started: phase === 'active' ? context.now : null,
    finished: isOver(phase) ? context.now : null,
    archived: null,
    created: context.now,
    createdBy: personIn(context),
    changed: context.now,
    changedBy: personIn(context),
  }
  return [
    makes('item', item),
    makes('stay', { id: stay, item: one.item, status: one.status, from: context.now, until: null }),
    ...links,
  ]
}

const withoutFields = (values: Item['values'], fields: readonly Field[]): Item['values'] =>
  Object.fromEntries(Object.entries(values).filter(([id]) => !fields.some((field) => field.id === id)))

/** A title of which nothing can be seen is none; of a long one it says how long. */
export function checkTitle(title: string): Problem | undefined {
  const { length } = oneLine(title)
  if (!isVisible(title)) return problem('no-title')
  return length > longestShortText ? problem('too-long', { length, most: longestShortText, field: 'title' }) : undefined
}

function checkNewItem(reader: Reader, one: NewItem, context: Context): Problem | undefined {
  const project = reader.maybe('project', one.project)
  if (!project) return problem('gone')
  const refused = refusal(reader, context.by, 'change items', one.project)
  if (refused) return refused
  if (!reader.maybe('status', one.status)) return problem('wrong-value', { field: 'status' })
  return (
    checkTitle(one.title) ??
    firstProblem(Object.entries(one.values), ([id, value]) => {
      const field = reader.maybe('field', id)
      const type = field && fieldTypes[field.type]
      if (type?.isApart && !isEmptyValue(value)) return problem('wrong-value', { field: field?.name ?? '' })
      if (type?.isOwn && idsOf(value).some((person) => person !== personIn(context)))
        return problem('not-allowed', { needs: 'own' })
      if (type?.isLinked && idsOf(value).includes(one.item))
        return problem('linked-itself', { field: field?.name ?? '' })
      return checkValue(reader, field, value, one.project) ?? checkUnique(reader, must(field, 'field'), value, one.item)
    })
  )
}
