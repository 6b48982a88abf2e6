/** Random items, views and changes, and a view worked out the plain way, to hold the engine against. */
import fc from 'fast-check'
import { compareText, foldText } from '../base/collation'
import { dateIn, dayNumber, fromDayNumber, startOf, weekday } from '../base/dates'
import { workingDaysAfter } from '../base/working-time'
import { must } from '../base/result'
import { compareRanked } from '../base/ranked'
import { isEmptyValue, type Value } from '../fields/contract'
import { compareSiblings, fieldContext, fieldsOf, kindsOf, statusesOf, type Reader } from '../model/reader'
import type {
  Condition,
  Day,
  FactRef,
  FactTest,
  Field,
  Grain,
  GroupKey,
  Item,
  ItemId,
  Link,
  ProjectId,
  SortKey,
  Total,
} from '../model/records'
import { lateDays, turnOf } from '../model/turn'
import { healths } from '../fields/health'
import { kindsOfFacts } from '../fields/kinds'
import { fieldTypeNames } from '../fields/names'
import { fieldTypes, isInItem, isWorkedOut, shownType } from '../fields/registry'
import { factKey, factsOf, maybeFact } from '../facts/registry'
import { craftOf, type Viewer } from '../facts/viewer'
import type { GroupValue } from '../views/axes'
import type { ViewQuestion } from '../views/evaluate'
import { plainWorked, withWorked } from './worked'
import { linkBetween } from '../model/links'
import type { State } from '../model/state'
import { plainLinks } from './links'
import type { Small } from './workspace'

type Plain = string | number | readonly string[] | null

const parentOf = (reader: Reader, { parent }: Item): Item | undefined =>
  parent ? reader.maybe('item', parent) : undefined

/** What a fact holds of an item: text, number, day number, milliseconds, id, ids, or 1; null where it is empty. */
export function plainly(reader: Reader, item: Item, ref: FactRef, viewer: Viewer): Plain {
  const by = factKey(ref)
  const field = reader.maybe('field', by)
  const parents = (): Item[] => {
    const parent = item.parent && reader.maybe('item', item.parent)
    return parent ? [parent] : []
  }
  const { timeZone } = reader.workspace()
  const day = (instant: string) => dayNumber(dateIn(timeZone, instant))
  switch (by) {
    case 'key':
      return item.number || null
    case 'title':
    case 'rank':
      return item[by]
    case 'place':
      return item.siblingRank
    case 'kind':
    case 'status':
    case 'createdBy':
    case 'changedBy':
      return item[by]
    case 'phase':
      return reader.maybe('status', item.status)?.phase ?? null
    case 'turn': {
      const turn = turnOf(reader, item)
      return turn.people.length ? turn.people : turn.open ? ['nobody'] : null
    }
    case 'people': {
      const found = new Set<string>()
      for (const [id, value] of Object.entries(item.values))
        if (reader.maybe('field', id)?.type === 'people') for (const one of value as string[]) found.add(one)
      return found.size ? [...found] : null
    }
    case 'late':
      return lateDays(reader, item, viewer.today) || null
    case 'overEffort': {
      const { effort } = must(reader.maybe('project', item.project), 'project').uses
      const value = effort ? item.values[effort] : undefined
      if (typeof value !== 'number' || item.archived) return null
      const of = must(reader.maybe('field', effort!), 'effort')
      const minutes = of.type === 'duration' ? value : (value / 10 ** (of.settings.decimals ?? 0)) * 60
      const [since, today] = [fromDayNumber(day(item.phaseSince)), viewer.today]
      const isActive = reader.maybe('status', item.status)?.phase === 'active'
      const days = item.activeDays + (isActive ? workingDaysAfter(since, today, reader.workingTime()) : 0)
      const over = days * (of.settings.dayMinutes ?? 480) - minutes
      return over > 0 ? Math.ceil(over / 60) : null
    }
    case 'age':
      return Math.max(0, (item.finished ? day(item.finished) : dayNumber(viewer.today)) - day(item.created))
    case 'inPhase':
      return Math.max(0, dayNumber(viewer.today) - day(item.phaseSince))
    case 'outline': {
      const above = parents()[0]
      const own = above ? plainly(reader, above, ref, viewer) : ''
      if (item.archived || own === null) return null
      const isSibling = (one: Item) => !one.archived && (parentOf(reader, one)?.id ?? null) === (above?.id ?? null)
      const siblings = [...reader.itemsOf(item.project)].filter(isSibling).sort(compareSiblings) // prettier-ignore
      const at = String(siblings.findIndex(({ id }) => id === item.id) + 1)
      return own ? `${own as string}.${at}` : at
    }
    case 'untouched':
      return Math.max(0, dayNumber(viewer.today) - day(item.changed))
    case 'level': {
      let level = 0
      for (let at = parents()[0]; at; at = at.parent ? reader.maybe('item', at.parent) : undefined) level++
      return level
    }
    case 'parent':
      return parents()[0]?.id ?? null
    case 'statusSince':
    case 'started':
    case 'finished':
    case 'created':
    case 'changed':
      return item[by] === null ? null : Date.parse(item[by])
  }
  if (!field) return null
  const value = isWorkedOut(field) ? plainWorked(reader, item, field, viewer) : fieldTypes[field.type].isLinked ? plainLinks(reader, item, field) : item.values[by] // prettier-ignore
  if (isEmptyValue(value)) return null
  const type = shownType(field)
  if (type === 'date') return dayNumber(String(value))
  if (type === 'checkbox' || type === 'longText') return 1
  if (type === 'dateTime') return Date.parse(String(value))
  if (field.type === 'votes') return (value as readonly string[]).length
  return value as Plain
}

function plainDay(reader: Reader, day: Day, { today }: Viewer): number {
  if (typeof day === 'string') return dayNumber(day)
  const now = dayNumber(today)
  if (day.of === 'day') return now + day.n
  if (day.of !== 'workingDay') return day.end ? startOf(day.of, now, day.n + 1) - 1 : startOf(day.of, now, day.n)
  const free = [...reader.all('dayOff')].filter(({ person }) => person === null)
  const isWorked = (one: string) =>
    reader.workspace().workingWeek.includes(weekday(one)) && !free.some(({ from, to }) => one >= from && one <= to)
  let at = now
  for (let left = Math.abs(day.n); left; left -= Number(isWorked(fromDayNumber(at)))) at += Math.sign(day.n)
  return at
}

function passes(reader: Reader, item: Item, by: FactRef, test: FactTest, viewer: Viewer): boolean {
  const held = plainly(reader, item, by, viewer)
  const kind = maybeFact(reader, item.project, by)?.kind
  switch (test.is) {
    case 'empty':
      return held === null
    case 'filled':
      return held !== null
    case 'anyOf':
    case 'allOf': {
      const ids = Array.isArray(held) ? held : held === null ? [] : [String(held)]
      const meant = test.values.flatMap((value) => (value === 'me' ? [viewer.me as string] : value === 'craft' ? craftOf(reader, viewer.me) : [value])) // prettier-ignore
      return test.is === 'anyOf' ? meant.some((one) => ids.includes(one)) : meant.every((one) => ids.includes(one))
    }
    case 'has':
      return foldText(test.words).split(/\s+/).filter(Boolean).every((word) => foldText(String(held ?? '')).includes(word)) // prettier-ignore
    case 'between':
      return typeof held === 'number' && held >= (test.from ?? -Infinity) && held <= (test.to ?? Infinity)
    case 'days': {
      if (held === null) return false
      const day = kind === 'instant' ? dayNumber(dateIn(reader.workspace().timeZone, new Date(Number(held)).toISOString())) : Number(held) // prettier-ignore
      const from = test.from === null ? -Infinity : plainDay(reader, test.from, viewer)
      const to = test.to === null ? Infinity : plainDay(reader, test.to, viewer)
      return day >= from && day <= to
    }
  }
}

export function meets(reader: Reader, item: Item, condition: Condition, viewer: Viewer): boolean {
  const children = () => [...reader.childrenOf(item.id)].filter((one) => !one.archived)
  switch (condition.about) {
    case 'fact':
      return passes(reader, item, condition.fact, condition.test, viewer)
    case 'all':
      return condition.of.every((one) => meets(reader, item, one, viewer))
    case 'any':
      return !condition.of.length || condition.of.some((one) => meets(reader, item, one, viewer))
    case 'none':
      return !condition.of.some((one) => meets(reader, item, one, viewer))
    case 'anyChild':
      return children().some((one) => meets(reader, one, condition.that, viewer))
    case 'allChildren':
      return children().length > 0 && children().every((one) => meets(reader, one, condition.that, viewer))
    case 'parent': {
      const parent = item.parent && reader.maybe('item', item.parent)
      return !!parent && meets(reader, parent, condition.that, viewer)
    }
    case 'someAncestor':
      for (let at = item.parent; at;) {
        const parent = reader.maybe('item', at)
        if (!parent) return false
        if (meets(reader, parent, condition.that, viewer)) return true
        at = parent.parent
      }
      return false
    case 'was': {
      const end = dayNumber(viewer.today) - condition.daysAgo
      const dayOf = (instant: string) => dayNumber(dateIn(reader.workspace().timeZone, instant))
      if (dayOf(item.created) > end) return false
      const status = dayOf(item.statusSince) <= end ? item.status : viewer.past?.(condition.daysAgo, item.id)
      return condition.statuses.some((one) => one === status)
    }
  }
}

function groupValues(reader: Reader, item: Item, { by, grain = 'day' }: GroupKey, viewer: Viewer): GroupValue[] {
  const held = plainly(reader, item, by, viewer)
  if (held === null) return [null]
  if (Array.isArray(held)) return [...held] as string[]
  const { kind } = maybeFact(reader, item.project, by) ?? {}
  if (kind === 'day') return [startOf(grain, Number(held))]
  if (kind === 'instant')
    return [startOf(grain, dayNumber(dateIn(reader.workspace().timeZone, new Date(Number(held)).toISOString())))]
  return [held as GroupValue]
}

/** The place of an id among those of its fact. */
function placeOf(reader: Reader, project: ProjectId, ref: FactRef, id: string): number {
  const by = factKey(ref)
  const people = () =>
    [...reader.all('person')].sort((a, b) => compareText(a.name, b.name)).map((person) => person.id as string)
  const field = reader.maybe('field', by)
  const lists: Record<string, () => readonly string[]> = {
    status: () => statusesOf(reader, project).map((status) => status.id), kind: () => kindsOf(reader, project).map((kind) => kind.id),
    phase: () => ['waiting', 'active', 'finished', 'dropped'], turn: () => ['nobody', ...people()], people, createdBy: people, changedBy: people,
    parent: () => [...reader.itemsOf(project)].sort(compareRanked).map((item) => item.id),
  } // prettier-ignore
  const type = field && shownType(field)
  const byNumber = () =>
    [...reader.itemsOf(project)].sort((a, b) => a.number - b.number).map((item) => item.id as string)
  const ofType: Record<string, () => readonly string[]> = { health: () => healths.map(({ id }) => id), people, relation: byNumber } // prettier-ignore
  const list = (lists[by] ?? ofType[type ?? ''])?.() ?? (field ? fieldContext(reader, field).options.map((option) => option.id as string) : []) // prettier-ignore
  const at = list.indexOf(id)
  return at < 0 ? list.length : at
}

function compareHeld(reader: Reader, project: ProjectId, by: FactRef, a: Plain, b: Plain): number {
  const { kind } = maybeFact(reader, project, by) ?? {}
  if (kind === 'text') return compareText(String(a), String(b))
  if (kind !== 'choice' && kind !== 'choices') return Number(a) - Number(b)
  const least = (held: Plain) => Math.min(...(Array.isArray(held) ? held : [String(held)]).map((id) => placeOf(reader, project, by, id))) // prettier-ignore
  return least(a) - least(b)
}

/** The view's order, for two items. */
export function plainOrder(reader: Reader, project: ProjectId, sort: readonly SortKey[], viewer: Viewer) {
  return (a: Item, b: Item): number => {
    for (const { by, down, emptyFirst } of sort) {
      if (by.fact === 'rank') return down ? compareRanked(b, a) : compareRanked(a, b)
      if (by.fact === 'place') return down ? compareSiblings(b, a) : compareSiblings(a, b)
      const [x, y] = [plainly(reader, a, by, viewer), plainly(reader, b, by, viewer)]
      if (x === null || y === null) {
        if (x === y) continue
        return (x === null) === !!emptyFirst ? -1 : 1
      }
      const order = compareHeld(reader, project, by, x, y)
      if (order) return down ? -order : order
    }
    return compareRanked(a, b)
  }
}

export interface PlainGroup {
  readonly path: readonly GroupValue[]
  readonly count: number
  readonly totals: readonly (number | null)[]
  readonly groups: readonly PlainGroup[]
  readonly items: readonly string[]
}

/** A view worked out item by item, as one would say it. */
export function plainView(
  reader: Reader,
  project: ProjectId,
  question: ViewQuestion,
  viewer: Viewer,
): { items: Item[]; totals: readonly (number | null)[]; groups: PlainGroup[] } {
  const { where, group, sort, totals } = question
  const hidden = group.filter((key) => key.hideNone)
  const items = [...reader.itemsOf(project)]
    .filter(
      (item) =>
        !item.archived &&
        where.every((condition) => meets(reader, item, condition, viewer)) &&
        hidden.every((key) => plainly(reader, item, key.by, viewer) !== null),
    )
    .sort(plainOrder(reader, project, sort, viewer))
  const total = ({ name, of }: Total, its: readonly Item[]): number | null => {
    const held =
      of === undefined ? [] : its.map((item) => plainly(reader, item, of, viewer)).filter((plain) => plain !== null)
    const kind = of === undefined ? undefined : maybeFact(reader, project, of)?.kind
    const summed = ['number', 'money', 'duration', 'rating']
    const field = of?.fact === 'field' ? reader.maybe('field', of.field) : undefined
    const isSummed = !!field && summed.includes(shownType(field))
    const numbers = held.map((one) => (typeof one === 'number' ? one : 1)).sort((a, b) => a - b)
    const sum = (list: readonly number[]) => list.reduce((x, y) => x + y, 0)
    const all = of === undefined ? [] : items.map((item) => plainly(reader, item, of, viewer)).filter((plain) => typeof plain === 'number') // prettier-ignore
    switch (name) {
      case 'count':
        return its.length
      case 'filled':
        return held.length
      case 'empty':
        return its.length - held.length
      case 'sum':
        return numbers.length ? sum(numbers) : null
      case 'average':
        return numbers.length ? sum(numbers) / numbers.length : null
      case 'median':
        return numbers.length ? (numbers[(numbers.length - 1) >> 1]! + numbers[numbers.length >> 1]!) / 2 : null
      case 'least':
        return numbers[0] ?? null
      case 'most':
        return numbers.at(-1) ?? null
      case 'distinct':
        return new Set(held.flatMap((one) => (Array.isArray(one) ? [...one] : [one]))).size
      case 'share':
        if (of === undefined) return items.length ? its.length / items.length : null
        if (isSummed) return sum(all as number[]) ? sum(numbers) / sum(all as number[]) : null
        return its.length && kind ? held.length / its.length : null
    }
  }
  const order = (key: GroupKey) => (a: GroupValue, b: GroupValue) => {
    if (a === null || b === null) return Number(a === null) - Number(b === null)
    const kind = maybeFact(reader, project, key.by)?.kind
    const isId = kind === 'choice' || kind === 'choices'
    const by = isId ? placeOf(reader, project, key.by, String(a)) - placeOf(reader, project, key.by, String(b)) : kind === 'text' ? compareText(String(a), String(b)) : Number(a) - Number(b) // prettier-ignore
    return (by || (a < b ? -1 : a > b ? 1 : 0)) * (key.down ? -1 : 1)
  }
  const level = (depth: number, path: readonly GroupValue[], its: readonly Item[]): PlainGroup[] => {
    const key = group[depth]
    if (!key) return []
    const parts = new Map<GroupValue, Item[]>()
    for (const item of its)
      for (const value of groupValues(reader, item, key, viewer)) parts.set(value, [...(parts.get(value) ?? []), item])
    const groups = [...parts]
      .sort(([a], [b]) => order(key)(a, b))
      .map(([value, part]) => ({
        path: [...path, value],
        count: part.length,
        totals: totals.map((one) => total(one, part)),
        groups: level(depth + 1, [...path, value], part),
        items: depth === group.length - 1 ? part.map((item) => item.id as string) : [],
        by: key.byTotal ? total(key.byTotal, part) : null,
      }))
    if (key.byTotal)
      groups.sort((a, b) => (a.by === null || b.by === null ? Number(a.by === null) - Number(b.by === null) : (a.by - b.by) * (key.down ? -1 : 1))) // prettier-ignore
    return groups.map(({ by: _by, ...one }) => one)
  }
  return { items, totals: totals.map((one) => total(one, items)), groups: level(0, [], items) }
}

export const testToday = '2026-11-25'
const day = (from: number, to: number) => fc.integer({ min: from, max: to }).map((n) => fromDayNumber(dayNumber(testToday) + n)) // prettier-ignore
const titles = fc.constantFrom(
  'Reseat the ridge', 'reseat the Ridge', 'Ridge 2', 'Ridge 10', 'Öl the winders', 'Oil the winders', 'Pane 7', 'pané 7', 'Łagging', 'план', 'Zinc', 'a', 'b c',
) // prettier-ignore

/** The workspace with a field of every type that there is none of yet, and many that are worked out from them. */
export function withEveryType(small: Small): Small {
  const { state, project } = small
  const held = fieldsOf(state, project.id).map(({ type }) => type)
  for (const [i, type] of fieldTypeNames.entries()) {
    const id = `00000000-0000-7000-8f00-${String(i).padStart(12, '0')}` as Field['id']
    if (!held.includes(type) && !fieldTypes[type].isWorkedOut)
      state.put('field', id, { id, project: project.id, name: `own ${type}`, help: '', type, settings: {}, rank: `c${String(i).padStart(2, '0')}1`, archived: false }) // prettier-ignore
  }
  withWorked(small)
  return small
}

/** Everything that random views and items are made of, for a workspace whose ids are always the same. */
export function randomOf(small: Small) {
  const { state, project, people } = small
  const all = fieldsOf(state, project.id)
  const fields = all.filter(isInItem)
  const statuses = statusesOf(state, project.id)
  const everyone = [...Object.values(people).map((one) => one.id as string)]
  const ids = (field: Field): string[] => (field.type === 'relation' ? Array.from({ length: 6 }, (_, i) => itemId(i)) : shownType(field) === 'health' ? healths.map(({ id }) => id) : shownType(field) === 'people' || field.type === 'votes' ? everyone : fieldContext(state, field).options.map((option) => option.id as string)) // prettier-ignore
  const instant = fc.integer({ min: -60 * 24, max: 12 }).map((hours) => new Date(Date.parse(`${testToday}T09:00:00Z`) + hours * 3_600_000 + 1234).toISOString()) // prettier-ignore
  const value = (field: Field): fc.Arbitrary<Value> => {
    switch (field.type) {
      case 'shortText':
        return titles
      case 'longText':
        return fc.constant({ revision: 1 })
      case 'money':
      case 'duration':
      case 'number':
        return fc.integer({ min: -300, max: 900 })
      case 'rating':
        return fc.integer({ min: 1, max: 5 })
      case 'dateTime':
        return instant.map((at) => `${at.slice(0, 16)}:00.000Z`)
      case 'webLink':
      case 'email':
      case 'phone':
        return fc.constantFrom('7', 'ridge', 'Ridge 10', 'oil@glasshouse.example')
      case 'health':
      case 'oneOption':
        return fc.constantFrom(...ids(field))
      case 'severalOptions':
      case 'votes':
      case 'people':
        return fc.subarray(ids(field), { minLength: 1 }).map((list) => [...list].sort())
      case 'date':
        return day(-40, 60)
      case 'checkbox':
        return fc.constant(true)
      default:
        throw new RangeError(`nobody fills in what is ${field.type}`)
    }
  }
  const values = fc.record(Object.fromEntries(fields.map((field) => [field.id, fc.option(value(field), { freq: 2 })])))
    .map((held) => Object.fromEntries(Object.entries(held).filter(([, one]) => one !== null)) as Item['values']) // prettier-ignore
  const facts = factsOf(state, project).filter((fact) => !fact.automatic?.isForSortingOnly)
  const listed = (by: string): string[] => {
    const field = all.find((one) => one.id === by)
    if (field) return shownType(field) === 'people' ? [...everyone, 'me', 'craft'] : ids(field)
    if (by === 'status') return statuses.map((status) => status.id)
    if (by === 'kind') return kindsOf(state, project.id).map((kind) => kind.id)
    if (by === 'phase') return ['waiting', 'active', 'finished', 'dropped']
    if (by === 'turn') return [...everyone, 'me', 'craft', 'nobody']
    if (by === 'parent') return Array.from({ length: 6 }, (_, i) => itemId(i))
    return [...everyone, 'me', 'craft']
  }
  const someDay: fc.Arbitrary<Day> = fc.oneof(
    day(-40, 40),
    fc.record({ of: fc.constantFrom('day', 'workingDay', 'week', 'month', 'quarter', 'year'), n: fc.integer({ min: -12, max: 12 }) }), // prettier-ignore
    fc.record({ of: fc.constantFrom('week', 'month', 'quarter', 'year'), n: fc.integer({ min: -2, max: 2 }), end: fc.constant(true) }), // prettier-ignore
  ) as fc.Arbitrary<Day>
  const test = (by: string): fc.Arbitrary<FactTest> => {
    const fact = facts.find((one) => one.key === by)!
    const of: Record<string, () => fc.Arbitrary<FactTest>> = {
      empty: () => fc.constant({ is: 'empty' }),
      filled: () => fc.constant({ is: 'filled' }),
      anyOf: () => fc.record({ is: fc.constant('anyOf' as const), values: fc.uniqueArray(fc.constantFrom(...listed(by)), { minLength: 1, maxLength: 4 }) }), // prettier-ignore
      allOf: () => fc.record({ is: fc.constant('allOf' as const), values: fc.uniqueArray(fc.constantFrom(...listed(by)), { minLength: 1, maxLength: 2 }) }), // prettier-ignore
      has: () => fc.record({ is: fc.constant('has' as const), words: fc.constantFrom('ridge', 'OIL', 'pane', 'the w', 'wind the', '7', 'lag', 'план') }), // prettier-ignore
      between: () => fc.record({ is: fc.constant('between' as const), from: fc.option(fc.integer({ min: -100, max: 400 })), to: fc.option(fc.integer({ min: -100, max: 400 })) }) as fc.Arbitrary<FactTest>, // prettier-ignore
      days: () =>
        fc.record({
          is: fc.constant('days' as const),
          from: fc.option(someDay),
          to: fc.option(someDay),
        }) as fc.Arbitrary<FactTest>,
    }
    return fc.oneof(...kindsOfFacts[fact.kind].tests.map((name) => of[name]!()))
  }
  const factCondition = fc.constantFrom(...facts).chain((fact) => test(fact.key).map((factTest): Condition => ({ about: 'fact', fact: fact.ref, test: factTest }))) // prettier-ignore
  const was = fc.record({ about: fc.constant('was' as const), daysAgo: fc.integer({ min: 1, max: 40 }), statuses: fc.subarray(statuses.map((status) => status.id), { minLength: 1 }) }) // prettier-ignore
  const condition: fc.Arbitrary<Condition> = fc.letrec<{ any: Condition }>((tie) => ({
    any: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      { weight: 6, arbitrary: factCondition },
      { weight: 1, arbitrary: was as fc.Arbitrary<Condition> },
      { weight: 3, arbitrary: fc.record({ about: fc.constantFrom('all', 'any', 'none'), of: fc.array(tie('any'), { minLength: 1, maxLength: 3 }) }) as fc.Arbitrary<Condition> },
      { weight: 2, arbitrary: fc.record({ about: fc.constantFrom('anyChild', 'allChildren', 'parent', 'someAncestor'), that: tie('any') }) as fc.Arbitrary<Condition> },
    ), // prettier-ignore
  })).any
  const totalOf: fc.Arbitrary<Total> = fc.oneof(
    fc.constantFrom<Total>({ name: 'count' }, { name: 'share' }),
    fc.constantFrom(...facts).chain((fact) => fc.constantFrom(...kindsOfFacts[fact.kind].totals).map((name) => ({ name, of: fact.ref }))), // prettier-ignore
  )
  const sortKey: fc.Arbitrary<SortKey> = fc.record(
    {
      by: fc.constantFrom<FactRef[]>(...facts.map((fact) => fact.ref), { fact: 'rank' }, { fact: 'place' }),
      down: fc.boolean(),
      emptyFirst: fc.constant(true),
    },
    { requiredKeys: ['by', 'down'] },
  )
  const groupKey: fc.Arbitrary<GroupKey> = fc.record(
    { by: fc.constantFrom(...facts.map((fact) => fact.ref)), grain: fc.constantFrom<Grain[]>('week', 'month', 'quarter', 'year'), down: fc.constant(true), byTotal: totalOf, hideNone: fc.constant(true) },
    { requiredKeys: ['by'] },
  ).map((key) => (kindsOfFacts[facts.find((fact) => fact.key === factKey(key.by))!.kind].isDated ? key : { ...key, grain: undefined })) // prettier-ignore
  const view: fc.Arbitrary<ViewQuestion> = fc.record({
    where: fc.array(condition, { maxLength: 3 }),
    group: fc.uniqueArray(groupKey, { maxLength: 3, selector: (one) => factKey(one.by) }),
    sort: fc.array(sortKey, { maxLength: 3 }),
    totals: fc.array(totalOf, { maxLength: 4 }),
  })
  const item = fc.record({
    title: titles, links: fc.array(fc.nat(30), { maxLength: 3 }), status: fc.constantFrom(...statuses.map((status) => status.id)), values, parent: fc.option(fc.nat(30)), created: instant, statusSince: instant, phaseSince: instant, changed: instant,
    finished: fc.option(instant, { freq: 3 }), started: fc.option(instant), archived: fc.option(instant, { freq: 8 }), rank: fc.stringMatching(/^[a-c]{1,3}$/), siblingRank: fc.stringMatching(/^[a-c]{1,2}$/), by: fc.constantFrom(...Object.values(people).map((one) => one.id)),
  }) // prettier-ignore
  const itemId = (i: number): string => `00000000-0000-7000-9000-${i.toString(16).padStart(12, '0')}`
  type Rolled = typeof item extends fc.Arbitrary<infer T> ? T : never
  /** The i-th item; inside an earlier one, so that there are no loops. */
  const itemAt = (i: number, one: Rolled, isThere: (id: string) => boolean): Item => {
    const { by, parent, links: _links, ...rest } = one
    const above = parent !== null && parent < i && isThere(itemId(parent)) ? itemId(parent) : null
    return {
      ...rest, id: itemId(i), project: project.id, number: i + 1, kind: kindsOf(state, project.id)[0]!.id, stay: 'x', createdBy: by, changedBy: by, parent: above, activeDays: i % 5,
    } as Item // prettier-ignore
  }
  const needs = all.find(({ name }) => name === 'needs')!
  const isTaken = (state: State, item: string): boolean => [...state.linksOf(item)].some((link) => link.to === item)
  /** Links the i-th item anew, to those that are there; gives the items whose links are others now. */
  const relink = (state: State, i: number, links: readonly number[]): string[] => {
    const touched: string[] = []
    const put = (link: Link, record: Link | undefined) => {
      state.put('link', link.id, record)
      touched.push(link.from, link.to)
    }
    for (const link of [...state.linksOf(itemId(i))]) put(link, undefined)
    for (const to of new Set(links)) {
      const link = to !== i && state.placeOf(itemId(to)) ? linkBetween(needs, itemId(i) as ItemId, itemId(to) as ItemId) : undefined // prettier-ignore
      // What another needs is not needed by a second: the far end takes one item.
      if (link && !isTaken(state, itemId(to))) put(link, link)
    }
    return touched
  }
  return { view, condition, item, itemAt, itemId, factCondition, relink }
}
