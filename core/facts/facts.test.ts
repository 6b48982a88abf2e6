import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import type { Source } from '../fields/source'
import { momentNow } from '../model/item-table'
import { automaticFactNames } from '../model/names'
import type { FactRef, Item, ItemId } from '../model/records'
import { runs } from '../test-kit/runs'
import { grown, smallWorkspace, today, type Dice, type Small } from '../test-kit/workspace'
import { viewContext } from './contract'
import { automaticFacts, changedAround, factsOf, maybeFact } from './registry'

const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>

const adding = Array.from({ length: 8 }, (_, i): Dice => [0, i, i])

/** What a source says of a row. */
function heldBy(source: Source, row: number): unknown {
  switch (source.kind) {
    case 'number':
      return source.at(row)
    case 'day':
    case 'instant':
    case 'text':
      return source.column.a[row]
    case 'choice':
      return source.valueOf(source.column.a[row] ?? 0)
    case 'choices':
      return source.valuesAt(row)
    case 'flag':
      return source.isSet(row)
  }
}
function readAt(small: Small, ref: FactRef, item: ItemId): unknown {
  const { state, project, people } = small
  const context = viewContext(state, project.id, { me: people.lead.id, today })
  const fact = must(maybeFact(state, project.id, ref), 'fact')
  return heldBy(fact.source(context), must(context.table.maybeRow(item), 'row'))
}
const isAbove = (small: Small, one: string, other: string): boolean => {
  for (let at = small.state.maybe('item', other)?.parent; at; at = small.state.maybe('item', at)?.parent)
    if (at === one) return true
  return false
}

describe('every fact', () => {
  it('has a file, a name of its own and the label that the table of facts says', () => {
    expect(Object.keys(automaticFacts).sort()).toEqual([...automaticFactNames].sort())
    const { state, project } = smallWorkspace()
    const names = factsOf(state, project).map((fact) => fact.name)
    expect(names).toEqual([...new Set(names)])
  })

  it('changes with the item alone, or with those that it says', () => {
    fc.assert(
      fc.property(fc.array(dice, { maxLength: 20 }), fc.nat(500), fc.nat(500), dice, (steps, i, j, then) => {
        const small = smallWorkspace()
        grown(small, [...adding, ...steps])
        const { state, project } = small
        const items = [...state.itemsOf(project.id)]
        nest(small, items)
        const [one, other] = [items[i % items.length], items[j % items.length]] as [Item, Item]
        if (!one || one.id === other.id) return
        const facts = factsOf(state, project)
        const before = facts.map((fact) => readAt(small, fact.ref, one.id))
        const [above, inside] = [isAbove(small, other.id, one.id), isAbove(small, one.id, other.id)]
        const moment = momentNow()
        change(small, other, items, then)
        const context = viewContext(state, project.id, { me: small.people.owner.id, today })
        const told = [...changedAround(context, moment)].map((row) => context.table.ids[row])
        facts.forEach((fact, f) => {
          const isToldOf = (above && fact.kin?.above) || (inside && fact.kin?.inside) || (fact.automatic?.changedSince && told.includes(one.id)) // prettier-ignore
          if (!isToldOf) expect([fact.key, readAt(small, fact.ref, one.id)]).toEqual([fact.key, before[f]])
        })
      }),
      runs(200, 5000),
    )
  })
})

/** Half of the items are inside one another in a chain, so that many have some above and below. */
function nest({ state }: Small, items: readonly Item[]): void {
  items.slice(0, items.length / 2).forEach(({ id }, i) => state.set('item', id, 'parent', items[i - 1]?.id ?? null))
}

/** Changes something of one item, of nothing else. */
function change({ state, project, people }: Small, item: Item, items: readonly Item[], [what, a, b]: Dice): void {
  const { uses } = project
  const pick = <T>(list: readonly T[], by: number): T => must(list[by % list.length], 'one')
  const statuses = [...state.all('status')].filter((one) => one.project === project.id)
  const parent = pick(items, b)
  const isLoop = parent.id === item.id || isAbove({ state } as Small, item.id, parent.id)
  const changes: readonly (readonly [string, unknown])[] = [
    ['status', pick(statuses, a).id],
    ['title', `changed ${a}`],
    ['parent', isLoop ? null : parent.id],
    ['archived', item.archived ? null : '2026-11-20T08:00:00.000Z'],
    [uses.due!, `2026-11-${String(10 + (a % 20))}`],
    [uses.effort!, a * 25],
    [uses.assignees!, [pick([people.lead, people.contributor], b).id]],
    ['finished', a % 2 ? '2026-11-21T08:00:00.000Z' : null],
  ]
  const [field, value] = pick(changes, what)
  state.set('item', item.id, field, value)
}

it('title and status are called as the project calls them, and as everyone does without a name of their own', () => {
  const { state, project } = smallWorkspace()
  const names = () => ['title', 'status'].map((of) => maybeFact(state, project.id, { fact: of as 'title' })?.name)
  const listed = () => factsOf(state, state.maybe('project', project.id)!).map(({ name }) => name)
  expect(names()).toEqual(['title', 'status'])
  state.set('project', project.id, 'called', { status: { name: 'stage', help: 'how far it is' }, title: { name: null, help: '' } }) // prettier-ignore
  expect(names()).toEqual(['title', 'stage'])
  expect(listed()).toEqual(expect.arrayContaining(['title', 'stage']))
  expect(listed()).not.toContain('status')
})
