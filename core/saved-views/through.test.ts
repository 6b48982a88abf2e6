import { beforeEach, describe, expect, it } from 'vitest'
import type { BareCommand } from '../commands/registry'
import type { Allows, FieldId, ItemId, PersonId, View, ViewId } from '../model/records'
import { must } from '../base/result'
import { personActor } from '../change/actor'
import { view as viewQuery } from '../queries/view'
import { Acting } from '../test-kit/acting'
import { garden } from '../test-kit/garden'
import { elsewhere } from './elsewhere'
import { allowsChange, isHolding, seesView } from './through'

let acting: Acting
let view: View
let roof: ItemId
const held = (): View => must(acting.small.state.maybe('view', view.id), 'view')
const allow = (allows: Allows | null): string =>
  acting.leadDoes({ type: 'view.set', target: view.id, set: { allows: { from: held().allows ?? null, to: allows } } })
const through = (bare: BareCommand): string => acting.does({ ...bare, through: view.id })
const titled = (title: string) => acting.setting(roof, { title: { from: acting.item(roof).title, to: title } })
const nothing: Allows = { add: false, remove: false, change: [] }

beforeEach(() => {
  acting = new Acting()
  view = must([...acting.small.state.all('view')].find(({ audience }) => audience.of === 'project'), 'view') // prettier-ignore
  roof = acting.add(0)
})

describe('a view that forbids', () => {
  it('is held to for what is sent through it, and for nothing else', () => {
    expect(allow(nothing)).toBe('done')
    const other = acting.small.ids.item()
    const refused: BareCommand[] = [
      titled('Roof'),
      acting.moving(roof, 0, 1),
      acting.adding(other, 0),
      { type: 'items.archive', items: [roof], archived: true },
      { type: 'items.nest', items: [roof], parent: null },
      { type: 'items.set-all', items: [roof], set: { title: { to: 'Roof' } } } as BareCommand,
      { type: 'together', commands: [{ ...titled('Roof') }] } as BareCommand,
    ]
    const codes = refused.map(through)
    // Where it stands at the top already, nothing changes that could be refused.
    expect(codes.filter((code) => code !== 'not-through-view' && code !== 'done')).toEqual([])
    expect(codes.slice(0, 4)).toEqual(Array(4).fill('not-through-view'))
    expect(codes.at(-1)).toBe('not-through-view')
    expect(acting.item(roof).title).toBe('Sow')
    expect(acting.does(titled('Roof'))).toBe('done')
    expect(acting.does(acting.adding(other, 0))).toBe('done')
  })

  it('lets the facts be changed that it names, with what comes along', () => {
    const kind = must(acting.small.state.maybe('kind', acting.item(roof).kind), 'kind')
    allow({ add: true, remove: false, change: [{ fact: 'status' }] })
    expect(through(acting.moving(roof, 0, 1))).toBe('done')
    expect(through(titled('Roof'))).toBe('not-through-view')
    // What is added has its title and its values, whatever may be changed of others.
    expect(through(acting.adding(acting.small.ids.item(), 0))).toBe('done')
    expect(allowsChange(held().allows, 'status')).toBe(true)
    expect(allowsChange(held().allows, 'kind')).toBe(false)
    expect(kind.name).not.toBe('')
  })

  it('says what it is that is not changed, and where', () => {
    allow({ ...nothing, add: true })
    const done = acting.room.do({ id: acting.small.ids.next() as never, v: 1, ...titled('Roof'), through: view.id } as never, acting.small.people.contributor.id) // prettier-ignore
    expect(done.ok ? undefined : done.problem).toEqual({
      code: 'not-through-view',
      said: { view: view.name, act: 'change', what: 'title' },
      at: [{ item: roof, field: 'title' }],
    })
  })

  it('takes a field or a text by its own name', () => {
    const [signed, notes, needs] = ['signed off', 'notes', 'needs'].map((name) => acting.field(name).id)
    const glass = acting.add(0)
    const sent: [string, BareCommand][] = [
      [signed!, acting.setting(roof, { [signed!]: { from: null, to: true } })],
      [notes!, { type: 'items.text', item: roof, field: notes!, revision: 0, text: 'Frost' } as BareCommand],
      [needs!, { type: 'items.set', items: [{ item: roof, set: { [needs!]: { add: [glass], remove: [] } } }] } as BareCommand],
    ] // prettier-ignore
    for (const [field, bare] of sent) {
      allow({ ...nothing, change: [{ fact: 'title' }] })
      expect([bare.type, through(bare)]).toEqual([bare.type, 'not-through-view'])
      allow({ ...nothing, change: [{ fact: 'field', field: field as FieldId }] })
      expect([bare.type, through(bare)]).toEqual([bare.type, 'done'])
    }
  })

  it('holds nobody once it is in the bin, and nobody who doesn’t see it', () => {
    allow(nothing)
    expect(through(titled('Roof'))).toBe('not-through-view')
    expect(acting.leadDoes({ type: 'view.set', target: view.id, set: { audience: { from: held().audience, to: { of: 'people', people: [acting.small.people.reader.id] } } } })).toBe('done') // prettier-ignore
    expect(seesView(acting.small.state, acting.small.people.contributor.id, held())).toBe(false)
    expect(through(titled('Roof'))).toBe('done')
    expect(acting.leadDoes({ type: 'view.remove', target: view.id, how: {} })).toBe('done')
    expect(acting.does({ ...titled('Ridge'), through: view.id }, acting.small.people.lead)).toBe('done')
    expect(acting.does({ ...titled('Beam'), through: acting.small.ids.next() as ViewId })).toBe('done')
  })

  it('can be undone past: undo is sent through no view', () => {
    expect(acting.does(titled('Roof'))).toBe('done')
    const done = must(acting.room.entries.at(-1), 'entry').command
    allow(nothing)
    expect(acting.does({ type: 'revert', of: done })).toBe('done')
  })
})

describe('elsewhere', () => {
  it('names the views in which the same people can do and see the rest', () => {
    const { state, people } = acting.small
    const by = personActor(people.lead.id)
    const others = elsewhere(state, by, view)
    expect(others.doing.map(({ id }) => id)).not.toContain(view.id)
    expect(others.doing.every((one) => !isHolding(one))).toBe(true)
    expect(others.seeing.every(({ definition }) => !definition.where.length)).toBe(true)
    const [other] = others.doing
    if (!other) throw new Error('the small workspace has one view only')
    acting.leadDoes({ type: 'view.set', target: other.id, set: { allows: { from: null, to: nothing } } })
    expect(elsewhere(state, by, view).doing.map(({ id }) => id)).not.toContain(other.id)
    // One's own is seen by nobody else.
    const mine = { ...view, id: acting.small.ids.next() as ViewId, maker: people.lead.id, audience: { of: 'maker' } } as View // prettier-ignore
    acting.leadDoes({ type: 'view.add', record: mine })
    expect(elsewhere(state, by, view).seeing.map(({ id }) => id)).not.toContain(mine.id)
    expect(elsewhere(state, by, { ...view, audience: { of: 'people', people: [people.lead.id] }, maker: people.lead.id }).doing.map(({ id }) => id)).toContain(mine.id) // prettier-ignore
  })
})

it('is looked at as somebody else: what is theirs is what the view holds', () => {
  const { state, project } = garden()
  const saved = must(
    [...state.all('view')].find((one) => one.project === project.id),
    'view',
  )
  const mine = { ...saved.definition, where: [{ about: 'fact', fact: { fact: 'people' }, test: { is: 'anyOf', values: ['me'] } }] } as View['definition'] // prettier-ignore
  const count = (me: PersonId, seenBy?: PersonId) => {
    const watch = viewQuery.kind === 'watched' ? viewQuery.watch({ state, me, today: () => '2026-05-04' }, { view: saved.id, draft: mine, seenBy }) : undefined // prettier-ignore
    return watch?.answer()?.sums.items
  }
  const counts = new Map([...state.all('person')].map(({ id }) => [id, count(id)]))
  const [[one, held], [other]] = [...counts].sort((a, b) => a[1]! - b[1]!).filter((_, i, all) => i === 0 || i === all.length - 1) as [[PersonId, number], [PersonId, number]] // prettier-ignore
  expect(counts.get(other)).not.toBe(held)
  expect(count(one, other)).toBe(counts.get(other))
  expect(count(other, one)).toBe(held)
})
