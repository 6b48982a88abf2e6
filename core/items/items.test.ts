import { inOnePiece } from '../base/pieces'
import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import type { CommandId, PersonId } from '../base/ids'
import type { Entry } from '../change/command'
import { judge, type Command } from '../commands/registry'
import { revertOf } from '../commands/revert'
import { compareSiblings, fieldsOf, kindsOf, statusesOf } from '../model/reader'
import type { Item, ItemId } from '../model/records'
import { command, contextOf, entryOf, PlainRoom, run, smallWorkspace, type Small } from '../test-kit/workspace'
import { nameOf } from './history'
import { sentencesOf } from './told'

type Bare<C> = C extends Command ? Omit<C, 'id' | 'v'> : never
class Table {
  readonly small: Small = smallWorkspace()
  readonly room = new PlainRoom(this.small.state)
  readonly me = this.small.people.owner.id
  readonly statuses = statusesOf(this.small.state, this.small.project.id)
  try(bare: Bare<Command>, by: PersonId = this.me) {
    return this.room.do({ id: this.small.ids.command(), v: 1, ...bare } as Command, by)
  }
  do(bare: Bare<Command>, by: PersonId = this.me): Entry {
    const done = this.try(bare, by)
    if (!done.ok) throw new Error(JSON.stringify(done.problem))
    return done.value
  }
  add(
    title: string,
    more: Partial<{ parent: ItemId; place: { before: ItemId } | { after: ItemId }; status: number }> = {},
  ): ItemId {
    const { status = 0, parent = null, ...rest } = more
    const { project, state, ids } = this.small
    const item = ids.item()
    this.do({ type: 'items.add', items: [{ item, project: project.id, kind: must(kindsOf(state, project.id)[0], 'kind').id, title, status: must(this.statuses[status], 'status').id, parent, values: {}, ...rest }] }) // prettier-ignore
    return item
  }
  item = (id: ItemId): Item => must(this.small.state.maybe('item', id), 'item')
  field = (name: string) =>
    must(
      fieldsOf(this.small.state, this.small.project.id).find((field) => field.name === name),
      name,
    )
  move = (item: ItemId, to: number, by = this.me) =>
    this.do(
      {
        type: 'items.move',
        items: [{ item, status: { from: this.item(item).status, to: must(this.statuses[to], 'status').id } }],
      },
      by,
    )
  set = (item: ItemId, key: string, from: never, to: never, by = this.me) =>
    this.try({ type: 'items.set', items: [{ item, set: { [key]: { from, to } } }] }, by)
  undo = (of: CommandId, by = this.me) => this.try({ type: 'revert', of }, by)
  order = () =>
    [...this.small.state.itemsOf(this.small.project.id)]
      .sort((a, b) => (a.rank < b.rank ? -1 : 1))
      .map((item) => item.title)
}

describe('adding', () => {
  it('numbers items by project, without gaps', () => {
    const t = new Table()
    const made = [t.add('a'), t.add('b')].map((id) => t.item(id).number)
    expect(made).toEqual([1, 2])
  })
  it('puts an item last, or where it is asked for', () => {
    const t = new Table()
    const a = t.add('a')
    t.add('b')
    t.add('before a', { place: { before: a } })
    t.add('after a', { place: { after: a } })
    expect(t.order()).toEqual(['before a', 'a', 'after a', 'b'])
  })
  it('writes a title on one line', () => {
    const t = new Table()
    expect(t.item(t.add(' two\nlines\u0007 ')).title).toBe('two lines')
  })
  it('starts the clock where it starts active', () => {
    const t = new Table()
    expect(t.item(t.add('a', { status: 2 })).started).toBeTruthy()
    expect(t.item(t.add('b')).started).toBeNull()
  })
  it.each([
    ['   ', 'no-title'],
    ['\u200b\n', 'no-title'],
    ['x'.repeat(501), 'too-long'],
  ])('refuses the title %j', (title, code) => {
    const t = new Table()
    expect(() => t.add(title)).toThrow(code)
  })
})

describe('setting', () => {
  it('is refused where the stored value is another than it was made from, with both', () => {
    const t = new Table()
    const id = t.add('a')
    t.set(id, 'title', 'a' as never, 'b' as never)
    expect(t.set(id, 'title', 'a' as never, 'c' as never)).toMatchObject({
      problem: { code: 'changed-meanwhile', at: [{ item: id, field: 'title', yours: 'c', stored: 'b', by: t.me }] },
    })
  })
  it('to what is there already is no conflict, and changes nothing', () => {
    const t = new Table()
    const id = t.add('a')
    t.set(id, 'title', 'a' as never, 'b' as never)
    expect(t.set(id, 'title', 'a' as never, 'b' as never)).toMatchObject({ ok: true, value: { patch: [] } })
  })
  it('a parent inside the item itself is refused', () => {
    const t = new Table()
    const a = t.add('a')
    const b = t.add('b', { parent: a })
    const c = t.add('c', { parent: b })
    expect(t.set(a, 'parent', null as never, c as never)).toMatchObject({ problem: { code: 'loop' } })
    expect(t.set(a, 'parent', null as never, a as never)).toMatchObject({ problem: { code: 'loop' } })
  })
  it('people come and go without being in each other’s way', () => {
    const t = new Table()
    const id = t.add('a')
    const who = t.field('assignees').id
    const { owner, lead } = t.small.people
    t.do({ type: 'items.set', items: [{ item: id, set: { [who]: { add: [owner.id], remove: [] } } }] })
    t.do({ type: 'items.set', items: [{ item: id, set: { [who]: { add: [lead.id], remove: [] } } }] }, lead.id)
    expect(t.item(id).values[who]).toEqual([owner.id, lead.id].sort())
  })
  it('a unique value stands once in a project', () => {
    const t = new Table()
    const ref = t.field('outside reference').id
    const [a, b] = [t.add('a'), t.add('b')]
    t.set(a, ref, null as never, 'R1' as never)
    expect(t.set(b, ref, null as never, 'R1' as never)).toMatchObject({ problem: { code: 'not-unique' } })
    expect(t.set(a, ref, 'R1' as never, 'R1' as never)).toMatchObject({ ok: true })
  })
  it('is for contributors and above', () => {
    const t = new Table()
    const id = t.add('a')
    expect(t.set(id, 'title', 'a' as never, 'b' as never, t.small.people.reader.id)).toMatchObject({
      problem: { code: 'not-allowed' },
    })
    expect(t.set(id, 'title', 'a' as never, 'b' as never, t.small.people.stranger.id)).toMatchObject({
      problem: { code: 'not-allowed' },
    })
    expect(t.set(id, 'title', 'a' as never, 'b' as never, t.small.people.contributor.id)).toMatchObject({ ok: true })
  })
})

describe('moving', () => {
  it('ends one stay and begins the next, named by the command', () => {
    const t = new Table()
    const id = t.add('a')
    const first = t.item(id).stay
    const entry = t.move(id, 2)
    expect(t.item(id).stay).toBe(`${entry.command}/1`)
    expect(entry.patch).toContainEqual({ entity: 'stay', id: first, field: 'until', before: null, after: entry.at })
  })
  it('the later of two hears who moved it where', () => {
    const t = new Table()
    const id = t.add('a')
    const from = t.item(id).status
    t.move(id, 3, t.small.people.lead.id)
    const late = t.try({ type: 'items.move', items: [{ item: id, status: { from, to: must(t.statuses[2], 's').id } }] })
    expect(late).toMatchObject({
      problem: {
        code: 'changed-meanwhile',
        at: [{ field: 'status', stored: t.statuses[3]?.id, by: t.small.people.lead.id }],
      },
    })
  })
  it('finished is kept while it is, and taken away when it goes on', () => {
    const t = new Table()
    const id = t.add('a')
    t.move(id, 4)
    expect(t.item(id).finished).toBeTruthy()
    t.move(id, 2)
    expect(t.item(id).finished).toBeNull()
  })
  it('between the same two, over and over, keys stay short and the order right', () => {
    const t = new Table()
    const first = t.add('first')
    t.add('last')
    const titles: string[] = []
    for (let i = 0; i < 400; i++) {
      t.add(`m${i}`, { place: { after: first } })
      titles.unshift(`m${i}`)
    }
    expect(t.order()).toEqual(['first', ...titles, 'last'])
    for (const item of t.small.state.itemsOf(t.small.project.id)) expect(item.rank.length).toBeLessThanOrEqual(41)
  })
})

describe('the phase', () => {
  it('is the same for as long as an item goes through statuses of it, and by undo what it was', () => {
    const t = new Table()
    const id = t.add('a')
    const { state, ids, people } = t.small
    const made = t.item(id).phaseSince
    expect(t.statuses.map(({ phase }) => phase).slice(0, 4)).toEqual(['waiting', 'waiting', 'active', 'active'])
    const moveAt = (now: string, to: number) => {
      const move = command(ids, { type: 'items.move', items: [{ item: id, status: { from: t.item(id).status, to: t.statuses[to]!.id } }] }) // prettier-ignore
      return { move, patch: run(state, move, people.lead.id, { now, today: now.slice(0, 10) }) }
    }
    const [began, back] = ['2026-11-26T09:00:00.000Z', '2026-11-28T09:00:00.000Z']
    moveAt('2026-11-25T10:00:00.000Z', 1)
    expect(t.item(id).phaseSince).toBe(made)
    moveAt(began, 2)
    expect(t.item(id).phaseSince).toBe(began)
    moveAt('2026-11-27T09:00:00.000Z', 3)
    expect(t.item(id).phaseSince).toBe(began)
    expect(t.item(id).activeDays).toBe(0)
    const { move, patch } = moveAt(back, 0)
    expect(t.item(id).phaseSince).toBe(back)
    // From Thursday to Saturday: Friday.
    expect(t.item(id).activeDays).toBe(1)
    const entry = entryOf(move, people.lead.id, patch)
    run(state, command(ids, { type: 'revert', of: move.id }), people.lead.id, { now: back, entryOf: () => entry })
    expect(t.item(id).phaseSince).toBe(began)
    expect(t.item(id).activeDays).toBe(0)
  })
})

describe('setting the same of many', () => {
  it('takes the last word, whatever they held, and leaves alone what holds it already', () => {
    const t = new Table()
    const [a, b, c] = ['a', 'b', 'c'].map((title) => t.add(title))
    const due = t.field('due').id
    t.set(a!, due, null as never, '2026-11-27' as never)
    t.set(b!, due, null as never, '2026-12-01' as never)
    const entry = t.do({ type: 'items.set-all', items: [a!, b!, c!], set: { [due]: { to: '2026-12-01' } } })
    expect([a, b, c].map((id) => t.item(id!).values[due])).toEqual(Array(3).fill('2026-12-01'))
    expect(new Set(entry.patch.map(({ id }) => id))).toEqual(new Set([a, c]))
    t.undo(entry.command)
    expect([a, b, c].map((id) => t.item(id!).values[due])).toEqual(['2026-11-27', '2026-12-01', undefined])
  })

  it('shifts dates by working days or days, and leaves what has none', () => {
    const t = new Table()
    const [a, b] = ['a', 'b'].map((title) => t.add(title))
    const due = t.field('due').id
    t.set(a!, due, null as never, '2026-11-27' as never)
    const shift = (of: 'day' | 'workingDay', n: number) =>
      t.do({ type: 'items.set-all', items: [a!, b!], set: { [due]: { shift: { of, n } } } })
    const dues = () => [t.item(a!).values[due], t.item(b!).values[due]]
    shift('workingDay', 1)
    expect(dues()).toEqual(['2026-11-30', undefined])
    shift('day', -1)
    expect(dues()).toEqual(['2026-11-29', undefined])
    const title = t.try({ type: 'items.set-all', items: [a!], set: { title: { shift: { of: 'day', n: 1 } } } })
    expect(title).toMatchObject({ problem: { code: 'wrong-value', at: [{ item: a }] } })
  })

  it('adds, removes and replaces people, and moves with all that belongs to a move', () => {
    const t = new Table()
    const [a, b] = ['a', 'b'].map((title) => t.add(title))
    const { lead, contributor } = t.small.people
    const people = t.field('assignees').id
    const all = (set: Record<string, unknown>) => t.do({ type: 'items.set-all', items: [a!, b!], set } as Bare<Command>)
    const held = () => [a, b].map((id) => t.item(id!).values[people] ?? [])
    t.try({ type: 'items.set', items: [{ item: a!, set: { [people]: { add: [lead.id], remove: [] } } }] })
    all({ [people]: { add: [contributor.id], remove: [] } })
    expect(held()).toEqual([[lead.id, contributor.id].sort(), [contributor.id]])
    all({ [people]: { add: [], remove: [contributor.id] } })
    expect(held()).toEqual([[lead.id], []])
    all({ [people]: { to: [contributor.id] } })
    expect(held()).toEqual([[contributor.id], [contributor.id]])
    all({ status: { to: t.statuses[4]!.id } })
    expect([a, b].map((id) => !!t.item(id!).finished)).toEqual([true, true])
  })
})

describe('putting items inside one another', () => {
  const under = (t: Table, parent: ItemId | null): string[] =>
    [...t.small.state.itemsOf(t.small.project.id)].filter((item) => item.parent === parent).sort(compareSiblings).map((item) => item.title) // prettier-ignore
  const nest = (t: Table, items: ItemId[], parent: ItemId | null, place?: { before: ItemId } | { after: ItemId }) =>
    t.try({ type: 'items.nest', items, parent, ...(place && { place }) })

  it('keeps the order given, after those that are there or at a place among them', () => {
    const t = new Table()
    const [a, b, c, d, e] = ['a', 'b', 'c', 'd', 'e'].map((title) => t.add(title))
    nest(t, [c!, b!], a!)
    expect([under(t, null), under(t, a!)]).toEqual([['a', 'd', 'e'], ['c', 'b']]) // prettier-ignore
    nest(t, [e!, d!], a!, { after: c! })
    expect(under(t, a!)).toEqual(['c', 'e', 'd', 'b'])
    nest(t, [b!, d!], a!, { before: c! })
    expect(under(t, a!)).toEqual(['b', 'd', 'c', 'e'])
    nest(t, [d!], null, { before: a! })
    expect([under(t, null), under(t, a!)]).toEqual([['d', 'a'], ['b', 'c', 'e']]) // prettier-ignore
    // What it should stand beside is somewhere else: at the end.
    nest(t, [b!], a!, { before: d! })
    expect(under(t, a!)).toEqual(['c', 'e', 'b'])
  })

  it('puts nothing inside itself, whatever is between, and nothing into what is gone', () => {
    const t = new Table()
    const [a, b, c] = ['a', 'b', 'c'].map((title) => t.add(title))
    nest(t, [b!], a!)
    nest(t, [c!], b!)
    for (const [items, parent] of [[[a!], a!], [[a!], c!], [[c!, a!], b!]] as const)
      expect(nest(t, [...items], parent)).toMatchObject({ problem: { code: 'loop' } }) // prettier-ignore
    expect(nest(t, [a!], t.small.ids.item())).toMatchObject({ problem: { code: 'gone' } })
  })

  it('stays in order between the same two, over and over, and is undone', () => {
    const t = new Table()
    const first = t.add('first')
    t.add('last')
    const made = Array.from({ length: 300 }, (_, i) => t.add(`m${i}`))
    for (const item of made) nest(t, [item], null, { after: first })
    expect(under(t, null)).toEqual(['first', ...made.map((_, i) => `m${i}`).reverse(), 'last'])
    const [one, other] = made
    const moved = t.do({ type: 'items.nest', items: [one!, other!], parent: first })
    expect(under(t, first)).toEqual(['m0', 'm1'])
    t.undo(moved.command)
    expect([under(t, first), under(t, null).length]).toEqual([[], 302])
  })
})

describe('undo', () => {
  it('of a move takes the stay back, and reopens the one before', () => {
    const t = new Table()
    const id = t.add('a')
    const before = t.item(id)
    const entry = t.move(id, 2)
    const back = t.undo(entry.command)
    expect(t.item(id)).toMatchObject({
      status: before.status,
      stay: before.stay,
      statusSince: before.statusSince,
      started: null,
    })
    expect(back.ok && back.value.patch).toContainEqual({
      entity: 'stay',
      id: before.stay,
      field: 'until',
      before: entry.at,
      after: null,
    })
  })
  it('of a move after which another came and went is an ordinary move', () => {
    const t = new Table()
    const id = t.add('a')
    const entry = t.move(id, 2)
    t.move(id, 3)
    t.move(id, 2)
    t.undo(entry.command)
    expect(t.item(id).status).toBe(t.statuses[0]?.id)
    expect(t.item(id).started).toBeTruthy()
  })
  it('leaves alone what someone changed since, and names it', () => {
    const t = new Table()
    const id = t.add('a')
    const due = t.field('due').id
    const entry = t.do({
      type: 'items.set',
      items: [{ item: id, set: { title: { from: 'a', to: 'b' }, [due]: { from: null, to: '2026-12-01' } } }],
    })
    t.set(id, 'title', 'b' as never, 'c' as never, t.small.people.lead.id)
    expect(
      inOnePiece(revertOf(t.small.state, entry, contextOf({ id: t.small.ids.command() }, t.me))).leftAlone,
    ).toEqual([{ entity: 'item', id, field: 'title' }])
    expect(t.undo(entry.command).ok).toBe(true)
    expect(t.item(id)).toMatchObject({ title: 'c', values: {} })
  })
  it('of an undo does it again, with the same key', () => {
    const t = new Table()
    const id = t.small.ids.item()
    const entry = t.do({ type: 'items.add', items: [{ item: id, project: t.small.project.id, kind: must(kindsOf(t.small.state, t.small.project.id)[0], 'k').id, title: 'a', status: must(t.statuses[0], 's').id, parent: null, values: {} }] }) // prettier-ignore
    const back = t.undo(entry.command)
    expect(t.small.state.maybe('item', id)).toBeUndefined()
    if (back.ok) t.undo(back.value.command)
    expect(t.item(id).number).toBe(1)
    expect(t.item(t.add('b')).number).toBe(2)
  })
  it('of a new item is refused once something stands inside it', () => {
    const t = new Table()
    const id = t.small.ids.item()
    const entry = t.do({ type: 'items.add', items: [{ item: id, project: t.small.project.id, kind: must(kindsOf(t.small.state, t.small.project.id)[0], 'k').id, title: 'a', status: must(t.statuses[0], 's').id, parent: null, values: {} }] }) // prettier-ignore
    t.add('inside', { parent: id })
    expect(t.undo(entry.command)).toMatchObject({ problem: { code: 'nothing-to-undo' } })
  })
  it('of a text brings the old words back under a new revision', () => {
    const t = new Table()
    const id = t.add('a')
    const notes = t.field('notes').id
    t.do({ type: 'items.text', item: id, field: notes, revision: 0, text: 'one' })
    const second = t.do({ type: 'items.text', item: id, field: notes, revision: 1, text: 'two' })
    expect(t.try({ type: 'items.text', item: id, field: notes, revision: 1, text: 'late' })).toMatchObject({
      problem: { code: 'text-changed-meanwhile' },
    })
    t.undo(second.command)
    expect(t.item(id).values[notes]).toEqual({ revision: 3 })
    expect(t.room.texts.get(`${id}/${notes}`)).toMatchObject({ text: 'one', revision: 3 })
  })
  it('of a project takes all of it out, unless it is used', () => {
    const t = new Table()
    const { small } = t
    expect(
      judge(
        small.state,
        { id: small.ids.command(), type: 'revert', v: 1, of: small.ids.command() },
        contextOf({ id: small.ids.command() }, t.me),
      ),
    ).toMatchObject({ problem: { code: 'nothing-to-undo' } })
  })
})

describe('said in words', () => {
  it('what happened, and what undo would undo', () => {
    const t = new Table()
    const id = t.add('a')
    const day = (date: string) => `day ${date}`
    const said = (entry: Entry) => [
      sentencesOf(t.small.state, entry, id, day).join('; '),
      nameOf(t.small.state, entry.type, entry.patch),
    ]
    expect(said(t.move(id, 2))).toEqual(['moved it from Noted to In hand', 'moving GLH-1 to In hand'])
    const set = (name: string, to: unknown) =>
      t.do({ type: 'items.set', items: [{ item: id, set: { [t.field(name).id]: { from: null, to: to as never } } }] })
    expect(said(set('effort', 250))).toEqual(['set effort to 2.5 h', 'changing effort of GLH-1'])
    expect(said(set('due', '2026-12-01'))).toEqual(['set due to day 2026-12-01', 'changing due of GLH-1'])
    expect(said(set('signed off', true))).toEqual(['ticked signed off', 'changing signed off of GLH-1'])
    const who = t.do({
      type: 'items.set',
      items: [{ item: id, set: { [t.field('assignees').id]: { add: [t.small.people.lead.id], remove: [] } } }],
    })
    expect(said(who)).toEqual(['added Imke to assignees', 'changing assignees of GLH-1'])
    const inside = t.do({ type: 'items.set', items: [{ item: id, set: { parent: { from: null, to: t.add('b') } } }] })
    expect(said(inside)).toEqual(['moved it into GLH-2', 'moving GLH-1 into GLH-2'])
    expect(said(t.do({ type: 'items.archive', items: [id], archived: true }))).toEqual([
      'archived it',
      'archiving GLH-1',
    ])
  })
})
