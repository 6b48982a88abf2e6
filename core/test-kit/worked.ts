/** Worked-out fields of many sorts, and each worked out the plain way, to hold the columns against. */
import { dayNumber, fromDayNumber } from '../base/dates'
import type { FieldId } from '../base/ids'
import { storedFormula } from '../fields/formulas'
import { healths } from '../fields/health'
import type { FieldTypeName } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import type { Value } from '../fields/value'
import { useWorkings } from '../worked-out/workings'
import { nameables } from '../worked-out/names'
import { fieldsOf, type Reader } from '../model/reader'
import type { Field, Item } from '../model/records'
import type { Viewer } from '../facts/viewer'
import { plainLinks } from './links'
import type { Small } from './workspace'

useWorkings()

/** What a plain one is worked out from. */
interface Plainly {
  readonly reader: Reader
  readonly item: Item
  readonly viewer: Viewer
  readonly children: readonly Item[]
  readonly inside: readonly Item[]
  readonly parent: Item | undefined
  /** What it is linked to by a relation, archived ones aside, by number. */
  linked(name: string): Item[]
  /** What an item has in a field, by its name; what is worked out too. */
  of(item: Item, name: string): Value
}
interface Worked {
  readonly name: string
  readonly type: FieldTypeName
  readonly settings: (id: (name: string) => FieldId) => FieldSettings
  /** Of a computed one: as it is written. */
  readonly written?: string
  plain(found: Plainly): Value
}

const filled = (values: readonly Value[]): number[] => values.filter((one) => typeof one === 'number')
const sum = (all: readonly number[]): number => all.reduce((so, x) => so + x, 0)
const sumOrNone = (all: readonly number[]): number | null => (all.length ? sum(all) : null)
const phaseOf = (reader: Reader, item: Item) => reader.maybe('status', item.status)!.phase

const all: readonly Worked[] = [
  {
    name: 'own computed',
    type: 'computed',
    written: 'otherwise(effort, 0) * 2 + size(children)',
    settings: () => ({ gives: 'number', decimals: 1 }),
    plain: ({ item, children, of }) => Math.round(((of(item, 'effort') as number) ?? 0) / 5) + children.length * 10,
  },
  {
    name: 'day after',
    type: 'computed',
    written: 'due + 1',
    settings: () => ({ gives: 'date' }),
    plain: ({ item, of }) => (of(item, 'due') ? fromDayNumber(dayNumber(String(of(item, 'due'))) + 1) : null),
  },
  {
    name: 'was due',
    type: 'computed',
    written: '`day after` <= today',
    settings: () => ({ gives: 'checkbox' }),
    plain: ({ item, of, viewer }) => (of(item, 'due') && String(of(item, 'due')) < viewer.today ? true : null),
  },
  {
    name: 'where it is',
    type: 'computed',
    written: 'parent.title + "/" + status',
    settings: () => ({ gives: 'shortText' }),
    plain: ({ reader, item, parent }) => `${parent?.title ?? ''}/${reader.maybe('status', item.status)!.name}`.trim(),
  },
  {
    name: 'own rollUp',
    type: 'rollUp',
    settings: (id) => ({ over: 'inside', how: 'sum', of: id('effort'), gives: 'number', decimals: 2 }),
    plain: ({ inside, of }) => sumOrNone(filled(inside.map((one) => of(one, 'effort')))),
  },
  {
    name: 'sum of computed',
    type: 'rollUp',
    settings: (id) => ({ over: 'children', how: 'sum', of: id('own computed'), gives: 'number', decimals: 1 }),
    plain: ({ children, of }) => sumOrNone(filled(children.map((one) => of(one, 'own computed')))),
  },
  {
    name: 'average effort',
    type: 'rollUp',
    settings: (id) => ({ over: 'children', how: 'average', of: id('effort'), gives: 'number', decimals: 2 }),
    plain({ children, of }) {
      const found = filled(children.map((one) => of(one, 'effort')))
      return found.length ? Math.round(sum(found) / found.length) : null
    },
  },
  {
    name: 'last due',
    type: 'rollUp',
    settings: (id) => ({ over: 'inside', how: 'latest', of: id('due'), gives: 'date' }),
    plain: ({ inside, of }) => inside.flatMap((one) => of(one, 'due') ?? []).sort().at(-1) ?? null, // prettier-ignore
  },
  {
    name: 'worst health',
    type: 'rollUp',
    settings: (id) => ({ over: 'inside', how: 'worst', of: id('own health'), gives: 'health' }),
    plain({ inside, of }) {
      const places = inside.map((one) => healths.findIndex(({ id }) => id === of(one, 'own health')))
      return healths[Math.max(-1, ...places)]?.id ?? null
    },
  },
  {
    name: 'share finished',
    type: 'rollUp',
    settings: (id) => ({ over: 'inside', how: 'finished', weight: id('own money'), gives: 'number', unit: '%' }),
    plain({ reader, inside, of }) {
      const counted = inside.filter((one) => phaseOf(reader, one) !== 'dropped')
      const every = sum(filled(counted.map((one) => of(one, 'own money'))))
      const done = counted.filter((one) => phaseOf(reader, one) === 'finished')
      return every > 0 ? Math.round((sum(filled(done.map((one) => of(one, 'own money')))) / every) * 100) : null
    },
  },
  {
    name: 'how many inside',
    type: 'rollUp',
    settings: () => ({ over: 'inside', how: 'count', gives: 'number' }),
    plain: ({ inside }) => inside.length,
  },
  {
    name: 'own lookUp',
    type: 'lookUp',
    settings: (id) => ({ over: 'parent', of: id('due'), gives: 'date' }),
    plain: ({ parent, of }) => (parent ? of(parent, 'due') : null),
  },
  {
    name: 'effort needed',
    type: 'rollUp',
    settings: (id) => ({ over: 'relation', through: id('needs'), how: 'sum', of: id('effort'), gives: 'number', decimals: 2 }), // prettier-ignore
    plain: ({ linked, of }) => sumOrNone(filled(linked('needs').map((one) => of(one, 'effort')))),
  },
  {
    name: 'most inside needed',
    type: 'rollUp',
    settings: (id) => ({ over: 'relation', through: id('needs'), how: 'most', of: id('own rollUp'), gives: 'number', decimals: 2 }), // prettier-ignore
    plain({ linked, of }) {
      const found = filled(linked('needs').map((one) => of(one, 'own rollUp')))
      return found.length ? Math.max(...found) : null
    },
  },
  {
    name: 'deadline afar',
    type: 'lookUp',
    settings: (id) => ({ over: 'relation', through: id('needed for'), of: id('due'), gives: 'date' }),
    plain: ({ linked, of }) => linked('needed for').flatMap((one) => of(one, 'due') ?? [])[0] ?? null,
  },
  {
    name: 'tags needed',
    type: 'lookUp',
    settings: (id) => ({ over: 'relation', through: id('needs'), of: id('tags'), gives: 'severalOptions' }),
    plain({ linked, of }) {
      const found = new Set(linked('needs').flatMap((one) => (of(one, 'tags') as string[] | null) ?? []))
      return found.size ? [...found].sort() : null
    },
  },
  {
    name: 'needs twice',
    type: 'computed',
    written: 'sum(needs.map(n, otherwise(n.effort, 1.0))) * 2 + size(`needed for`)',
    settings: () => ({ gives: 'number', decimals: 1 }),
    plain({ linked, of }) {
      const efforts = linked('needs').map((one) => ((of(one, 'effort') as number | null) ?? 100) / 100)
      return Math.round((sum(efforts) * 2 + linked('needed for').length) * 10)
    },
  },
  {
    name: 'need above',
    type: 'lookUp',
    settings: (id) => ({ over: 'parent', of: id('need'), gives: 'oneOption' }),
    plain: ({ parent, of }) => (parent ? of(parent, 'need') : null),
  },
  {
    name: 'who is above',
    type: 'lookUp',
    settings: (id) => ({ over: 'parent', of: id('assignees'), gives: 'people' }),
    plain: ({ parent, of }) => (parent ? of(parent, 'assignees') : null),
  },
]

/** The workspace with worked-out fields; their ids are always the same. It needs a field of every other type. */
export function withWorked({ state, project }: Small): void {
  for (const [i, { name, type, settings, written }] of all.entries()) {
    const byName = (of: string): FieldId => fieldsOf(state, project.id).find((field) => field.name === of)!.id
    const formula = written && storedFormula(written, nameables(state, project.id)).text
    const id = `00000000-0000-7000-8f01-${String(i).padStart(12, '0')}` as FieldId
    const field: Field = { id, project: project.id, name, help: '', type, settings: { ...settings(byName), ...(formula && { formula }) }, rank: `d${String(i).padStart(2, '0')}1`, archived: false } // prettier-ignore
    state.put('field', id, field)
  }
}

/** What a worked-out field comes to, item by item. */
export function plainWorked(reader: Reader, item: Item, field: Field, viewer: Viewer): Value {
  const of = (one: Item, name: string): Value => {
    const its = fieldsOf(reader, one.project).find((other) => other.name === name)!
    return all.some((worked) => worked.name === name)
      ? plainWorked(reader, one, its, viewer)
      : (one.values[its.id] ?? null)
  }
  const children = (one: Item): Item[] => [...reader.childrenOf(one.id)].filter(({ archived }) => !archived)
  const inside = (one: Item): Item[] => children(one).flatMap((child) => [child, ...inside(child)])
  const parent = item.parent ? reader.maybe('item', item.parent) : undefined
  const linked = (name: string): Item[] => {
    const by = fieldsOf(reader, item.project).find((other) => other.name === name)!
    const found = plainLinks(reader, item, by).flatMap((id) => reader.maybe('item', id) ?? [])
    return found.filter(({ archived }) => !archived).sort((a, b) => a.number - b.number)
  }
  const value = all.find(({ name }) => name === field.name)!.plain({ reader, linked, item, viewer, of, parent, children: children(item), inside: inside(item) }) // prettier-ignore
  return value === '' ? null : value
}
