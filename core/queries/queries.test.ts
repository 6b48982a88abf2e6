import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { isSameValue } from '#core/base/sorted-ids'
import { fieldRef } from '#core/facts/registry'
import type { BoardAnswer } from '#core/layouts/board'
import { mapLists } from '#core/layouts/said'
import { isHead, lineId, type ListLine, type Row } from '#core/layouts/rows'
import type { TableAnswer } from '#core/layouts/table'
import { boardsOf, columnsOf, fieldsOf, kindsOf, statusesOf } from '#core/model/reader'
import type { Condition, FactRef, Item, ItemId, View, ViewDefinition } from '#core/model/records'
import { applyPatch } from '#core/change/patch'
import { judge } from '#core/commands/registry'
import { runs } from '#core/test-kit/runs'
import {
  command,
  contextOf,
  randomCommand,
  run,
  smallWorkspace,
  today,
  type Dice,
  type Small,
} from '#core/test-kit/workspace'
import { ChangeSet } from './change-set'
import type { QueryContext, Watch } from './contract'
import { findItem } from './find'
import {
  ask,
  watch as watchFor,
  type WatchAnswer,
  type WatchedName,
  type WatchInput,
  type WatchRequest,
} from './registry'

let small: Small
let context: QueryContext
let table: View
let board: View
const statusId = (name: string) => statusesOf(small.state, small.project.id).find((status) => status.name === name)!.id
const first = () => statusesOf(small.state, small.project.id)[0]!

/** Adds items with these titles to the end of the project; gives their ids. */
function add(
  titles: readonly string[],
  more: Partial<{ status: string; parent: ItemId; values: object }> = {},
): ItemId[] {
  const { project, state, ids, people } = small
  const items = titles.map((title) => ({
    item: ids.item(), project: project.id, kind: kindsOf(state, project.id)[0]!.id, title,
    status: (more.status ?? first().id) as never, parent: more.parent ?? null, values: (more.values ?? {}) as never,
  })) // prettier-ignore
  for (let i = 0; i < items.length; i += 1000)
    run(state, { id: ids.command(), type: 'items.add', v: 1, items: items.slice(i, i + 1000) }, people.owner.id)
  return items.map((item) => item.item)
}
function changed(...items: string[]): ChangeSet {
  const changes = new ChangeSet()
  for (const item of items) changes.items.add(item)
  return changes
}
const everything = () => Object.assign(new ChangeSet(), { all: true })
const watch = <N extends WatchedName>(query: N, input: WatchInput<N>, by = context) =>
  watchFor(by, { query, input } as WatchRequest) as Watch<WatchAnswer<N>>
const watchOf = (view: View, draft?: ViewDefinition) => watch('view', { view: view.id, draft })
const isRow = (line: ListLine): line is Row => !isHead(line)
const titlesOf = (answer: unknown) => (answer as TableAnswer).stretch.rows.filter(isRow).map((row) => row.item.title)

beforeEach(() => {
  small = smallWorkspace()
  context = { state: small.state, me: small.people.owner.id, today: () => today }
  const views = [...small.state.all('view')]
  table = views.find((view) => view.definition.layout === 'table')!
  board = views.find((view) => view.definition.layout === 'board')!
})

describe('a view that is watched', () => {
  it('says the rows in their order, with key, children and sums', () => {
    const [parent] = add(['Reseat the ridge'], { values: { [small.project.uses.effort!]: 150 } })
    add(['Oil the winders'], { parent: parent!, values: { [small.project.uses.due!]: '2026-11-20' } })
    const answer = watchOf(table).answer() as TableAnswer
    expect(titlesOf(answer)).toEqual(['Reseat the ridge', 'Oil the winders'])
    expect(answer.stretch.rows[0]).toMatchObject({ key: 'GLH-1', address: 'GLH-1', children: 1, late: 0 })
    expect(answer.sums).toEqual({ items: 2, late: 1, effort: 150 })
  })

  it('hands out the first rows, then what is looked at with a margin on both sides', () => {
    add(Array.from({ length: 2000 }, (_, i) => `row ${i}`))
    const watched = watchOf(table)
    expect((watched.answer() as TableAnswer).stretch).toMatchObject({ from: 0, rows: { length: 80 } })
    watched.lists!.look('', 1000, 1020)
    const { from, rows } = (watched.answer() as TableAnswer).stretch
    expect([from, rows.length]).toEqual([600, 820])
    watched.lists!.look('', 5000, 5020)
    expect((watched.answer() as TableAnswer).stretch.from).toBe(1600)
  })

  it('hands out what is in sight alone where much has changed, and what is around it when that is asked for', () => {
    const items = add(Array.from({ length: 2000 }, (_, i) => `row ${i}`))
    const watched = watchOf(table)
    watched.lists!.look('', 1000, 1020)
    const handed = () => {
      const { from, rows } = (watched.answer() as TableAnswer).stretch
      return [from, rows.length]
    }
    watched.update(changed(...items.slice(0, 199)))
    expect(handed()).toEqual([600, 820])
    watched.update(changed(...items.slice(0, 200)))
    expect(handed()).toEqual([968, 84])
    watched.lists!.look('', 1000, 1020)
    expect(handed()).toEqual([600, 820])
  })

  it('follows what is changed, and keeps what is held in its place', () => {
    const [a, b] = add(['b', 'c'])
    const draft: ViewDefinition = { ...table.definition, sort: [{ by: { fact: 'title' }, down: false }] }
    const watched = watchOf(table, draft)
    watched.lists!.hold([a!])
    const rename = (item: ItemId, from: string, to: string) =>
      run(small.state, { id: small.ids.command(), type: 'items.set', v: 1, items: [{ item, set: { title: { from, to } } }] }, context.me) // prettier-ignore
    rename(a!, 'b', 'z')
    watched.update(changed(a!))
    expect(titlesOf(watched.answer())).toEqual(['z', 'c'])
    watched.lists!.hold([])
    expect(titlesOf(watched.answer())).toEqual(['c', 'z'])
    rename(b!, 'c', 'zz')
    watched.update(changed(b!))
    expect(titlesOf(watched.answer())).toEqual(['z', 'zz'])
  })

  it('kept right change by change, says what it would say if it were asked again', () => {
    const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
    fc.assert(
      fc.property(
        fc.array(fc.array(dice, { minLength: 1, maxLength: 2 }), { minLength: 30, maxLength: 60 }),
        fc.boolean(),
        (steps, isMine) => {
          const { state, project, ids, people } = smallWorkspace()
          const context: QueryContext = { state, me: people.owner.id, today: () => today }
          const requests = [...state.all('view')].map((view): WatchRequest => {
            const draft: ViewDefinition = {
              ...view.definition,
              where: isMine ? [{ about: 'fact', fact: { fact: 'turn' }, test: { is: 'anyOf', values: ['me'] } }] : [],
            }
            return { query: 'view', input: { view: view.id, draft } }
          })
          const all: WatchRequest[] = [
            ...requests,
            { query: 'inTurn', input: undefined },
            { query: 'turns', input: undefined },
            { query: 'openWork', input: { person: people.contributor.id } },
          ]
          const watches = all.map((request) => ({ request, watched: watchFor(context, request) }))
          const said = new Map<string, ListLine>()
          for (const rolls of steps) {
            const gathered = new ChangeSet()
            for (const roll of rolls) {
              const command = randomCommand(state, project, roll, ids, [], people.owner.id)
              const patch = command && judge(state, command, contextOf(command, people.owner.id))
              if (!patch?.ok) continue
              applyPatch(state, patch.value.patch)
              gathered.add(patch.value.patch)
            }
            for (const { request, watched } of watches) {
              watched.update(gathered)
              const answer = watched.answer()
              expect(answer).toEqual(watchFor(context, request).answer())
              // What has the same version says the same: a page keeps the line that it has.
              if (!answer || typeof answer !== 'object' || !('layout' in answer)) continue
              mapLists(answer, (list, stretch) => {
                for (const line of stretch.rows) {
                  const version = `${JSON.stringify(request.input)} ${list} ${lineId(line)} ${line.v}`
                  const before = said.get(version)
                  if (before && !isSameValue(before, line)) expect(line).toEqual(before)
                  said.set(version, line)
                }
                return stretch
              })
            }
          }
        },
      ),
      runs(100, 1500),
    )
  })

  it('reads the state that stands, when everything was fetched again under a change that was not kept', () => {
    const draft: ViewDefinition = { ...table.definition, sort: [{ by: { fact: 'title' }, down: false }] }
    add(['one'])
    const watched = watchOf(table, draft)
    expect(titlesOf(watched.answer())).toEqual(['one'])
    const anew = smallWorkspace()
    small = anew
    add(['two', 'three'])
    Object.assign(context, { state: anew.state })
    watched.update(everything())
    expect(titlesOf(watched.answer())).toEqual(['three', 'two'])
  })

  it('is recomputed for what is no item, and not for an item that moves on', () => {
    const [one] = add(['one'])
    const { state, project, ids, people } = small
    const [from, to] = statusesOf(state, project.id).map(({ id }) => id)
    const moved = new ChangeSet()
    moved.add(run(state, { id: ids.command(), type: 'items.move', v: 1, items: [{ item: one!, status: { from: from!, to: to! } }] }, people.owner.id)) // prettier-ignore
    expect(moved).toMatchObject({ all: false, items: new Set([one]) })
    const removed = new ChangeSet()
    removed.add(run(state, command(ids, { type: 'view.remove', target: table.id, how: {} }), people.owner.id))
    expect(removed.all).toBe(true)
  })

  it('says groups with heads before their items, their totals in turn, and folded ones by their heads alone', () => {
    const { need, effort } = small.project.uses
    const [must, should] = small.state.optionsOf(need!).map((option) => option.id)
    add(['a', 'b'], { values: { [need!]: must, [effort!]: 150 } })
    add(['c'], { values: { [need!]: should, [effort!]: 50 } })
    add(['d'])
    const watched = watchOf(table, { ...table.definition, group: [{ by: fieldRef(need!) }], totals: [{ name: 'sum', of: fieldRef(effort!) }, { name: 'count' }] }) // prettier-ignore
    const said = () => {
      const answer = watched.answer() as TableAnswer
      const lines = answer.stretch.rows.map((line) => (isHead(line) ? [line.path[0], ...line.totals] : line.item.title))
      return { totals: answer.totals, count: answer.lines, lines }
    }
    const heads = [[must, 300, 2], [should, 50, 1], [null, null, 1]] // prettier-ignore
    expect(said()).toEqual({ totals: [350, 4], count: 7, lines: [heads[0], 'a', 'b', heads[1], 'c', heads[2], 'd'] })
    watched.lists!.fold({ turned: [JSON.stringify([must])] })
    expect(said()).toEqual({ totals: [350, 4], count: 5, lines: [heads[0], heads[1], 'c', heads[2], 'd'] })
  })

  it('shows an item in each of its groups, and counts it once', () => {
    const tags = fieldsOf(small.state, small.project.id).find((field) => field.name === 'tags')!
    const [one, two] = small.state.optionsOf(tags.id).map((option) => option.id as string)
    add(['both'], { values: { [tags.id]: [one!, two!].sort() } })
    const watched = watchOf(table, { ...table.definition, group: [{ by: fieldRef(tags.id) }] })
    expect(titlesOf(watched.answer())).toEqual(['both', 'both'])
    expect(watched.answer()).toMatchObject({ sums: { items: 1 }, lines: 4 })
  })

  it('takes up the view as it is kept by somebody, from table to board', () => {
    add(['one'])
    const watched = watchOf(table)
    const kept: ViewDefinition = {
      ...table.definition,
      layout: 'board',
      board: boardsOf(small.state, small.project.id)[0]!.id,
    }
    run(small.state, command(small.ids, { type: 'view.set', target: table.id, set: { definition: { from: table.definition, to: kept } } }), context.me) // prettier-ignore
    watched.update(everything())
    expect(watched.answer()).toMatchObject({ layout: 'board', sums: { items: 1 } })
  })

  it('is nothing where there is no such view, and where it was removed', () => {
    expect(watch('view', { view: 'gone' }).answer()).toBeUndefined()
    const watched = watchOf(table)
    run(small.state, command(small.ids, { type: 'view.remove', target: table.id, how: {} }), context.me)
    watched.update(everything())
    expect(watched.answer()).toBeUndefined()
  })

  it('counts on a board every item of a column, whatever the view leaves out', () => {
    const columns = columnsOf(small.state, boardsOf(small.state, small.project.id)[0]!.id)
    const column = columns[0]!
    add(['mine', 'also mine'], { values: { [small.project.uses.assignees!]: [context.me] } })
    add(['another’s'])
    const draft: ViewDefinition = {
      ...board.definition,
      where: [{ about: 'fact', fact: { fact: 'people' }, test: { is: 'anyOf', values: ['me'] } }],
    }
    const answer = watchOf(board, draft).answer() as BoardAnswer
    expect(answer.columns.find((one) => one.column === column.id)).toMatchObject({ held: 3, shown: 2 })
    expect(answer.columns).toHaveLength(columns.length)
  })
})

describe('other questions', () => {
  it('finds an item by key in any case, by an old prefix, and by id', () => {
    const [id] = add(['Lag the pipes'])
    small.state.put('project', small.project.id, { ...small.state.maybe('project', small.project.id)!, prefix: 'GH', oldPrefixes: ['GLH'] }) // prettier-ignore
    const found = ['gh-1', 'GLH-1', id!].map((key) => findItem(small.state, key)?.id)
    expect(found).toEqual([id, id, id])
    expect(findItem(small.state, 'GLH-2')).toBeUndefined()
    expect(findItem(small.state, 'no key')).toBeUndefined()
  })

  it('tells an item with its parents and what stands inside, archived ones left out', () => {
    const [parent] = add(['House'])
    const [child, gone] = add(['Door', 'Old door'], { parent: parent! })
    run(small.state, { id: small.ids.command(), type: 'items.archive', v: 1, items: [gone!], archived: true }, context.me) // prettier-ignore
    const key = (id: ItemId) => `GLH-${(small.state.maybe('item', id) as Item).number}`
    const answer = watch('item', { key: key(parent!) }).answer()
    expect(answer).toMatchObject({ inside: [{ item: { title: 'Door' } }] })
    expect(watch('item', { key: key(child!) }).answer()).toMatchObject({ row: { path: [{ title: 'House' }] } }) // prettier-ignore
    expect(watch('item', { key: 'GLH-99' }).answer()).toBeUndefined()
  })

  it('asks the queue for leads with what is nobody’s turn, for others without', () => {
    add(['Nobody’s'])
    expect(watch('queue', undefined).answer()).toMatchObject({ nobodys: [{ item: { title: 'Nobody’s' } }] })
    const asContributor = { ...context, me: small.people.contributor.id }
    expect(watch('queue', undefined, asContributor).answer()).toMatchObject({ nobodys: undefined })
  })

  it('counts what each value of a phrase would give', async () => {
    const assignees = small.project.uses.assignees!
    add(['a', 'b'], { values: { [assignees]: [context.me] } })
    add(['c'])
    expect(fieldsOf(small.state, small.project.id).some((field) => field.id === assignees)).toBe(true)
    const counts = async (fact: FactRef) =>
      ask(context, 'valueCounts', { project: small.project.id, others: table.definition.where, fact })
    expect(await counts({ fact: 'status' })).toEqual({ total: 3, empty: 0, values: { [statusId(first().name)]: 3 } })
    expect(await counts(fieldRef(assignees))).toEqual({ total: 3, empty: 1, values: { [context.me]: 2 } })
    const isMine: Condition = { about: 'fact', fact: fieldRef(assignees), test: { is: 'anyOf', values: ['me'] } }
    const conditions: Condition[] = [isMine, { about: 'none', of: [isMine] }]
    expect(await ask(context, 'conditionCounts', { project: small.project.id, others: [], conditions })).toEqual([2, 1])
  })

  it('counts what is in turn', () => {
    add(['mine'], { values: { [small.project.uses.assignees!]: [context.me] } })
    expect(watch('inTurn', undefined).answer()).toBe(1)
  })
})

describe('the items that are selected', () => {
  it('are those on the lines of a range, as they are seen, or all that a view holds', async () => {
    const made = add(['a', 'b', 'c', 'd', 'e'])
    add(['f'], { status: statusId('Ready') })
    const input = { view: table.id, draft: { ...table.definition, group: [{ by: { fact: 'status' as const } }] } }
    // The first line is the head of a group.
    expect(await ask(context, 'itemsInView', { ...input, from: 0, to: 3 })).toEqual([made[0], made[1]])
    const head = JSON.stringify([first().id])
    expect(await ask(context, 'itemsInView', { ...input, folds: { turned: [head] }, from: 0, to: 9 })).toHaveLength(1)
    expect(await ask(context, 'itemsInView', { ...input, folds: { turned: [head] } })).toHaveLength(6)
  })

  it('are copied as lines, each under the nearest around it that is among them', async () => {
    const [beds] = add(['Beds'])
    const [north] = add(['North'], { parent: beds! })
    const [dig] = add(['- Dig'], { parent: north! })
    const [paths] = add(['Paths'])
    const copied = (...items: (ItemId | undefined)[]) => ask(context, 'copied', { items: items as ItemId[] })
    expect(await copied(beds, dig, paths)).toBe('- Beds\n  - [ ] - Dig\n- Paths')
    expect(await copied(dig, north)).toBe('- North\n  - [ ] - Dig')
  })

  it('are told apart by which a change would be refused for', async () => {
    const [beds] = add(['Beds'])
    const [north] = add(['North'], { parent: beds! })
    const [paths] = add(['Paths'])
    const answer = await ask(context, 'refusals', { type: 'items.nest', items: [beds!, paths!], parent: north! })
    expect(answer).toMatchObject({ fine: [paths], refused: [{ item: beds, title: 'Beds', problem: { code: 'loop' } }] })
    const all = await ask(context, 'refusals', {
      type: 'items.set-all',
      items: [beds!, north!],
      set: { title: { to: '' } },
    })
    expect([all.fine, all.refused.map(({ problem }) => problem.code)]).toEqual([[], ['no-title', 'no-title']])
  })

  it('are made again with the words of their long texts', async () => {
    const notes = fieldsOf(small.state, small.project.id).find(({ type }) => type === 'longText')!
    const [beds] = add(['Beds'], { values: {} })
    small.state.set('item', beds!, notes.id, { revision: 1 })
    const server = { longText: () => Promise.resolve({ revision: 1, text: 'Dig deep' }) } as never
    const made = await ask({ ...context, server }, 'duplicate', { item: beds!, withInside: true, again: ' again' })
    expect(made).toMatchObject({ items: [{ title: 'Beds again' }], texts: [{ field: notes.id, text: 'Dig deep' }] })
    expect(await ask(context, 'duplicate', { item: 'gone', withInside: false, again: '' })).toBeUndefined()
  })
})

describe('how far fields are filled', () => {
  it('counts what each holds, and the numbers from before there were bounds', () => {
    const effort = fieldsOf(small.state, small.project.id).find(({ name }) => name === 'effort')!
    for (const hours of [100, 250, 900]) add(['Sow'], { values: { [effort.id]: hours } })
    add(['Sow'])
    const filled = watchFor(context, { query: 'filled', input: { project: small.project.id } })
    const answer = () => filled.answer() as WatchAnswer<'filled'>
    expect([answer().items, answer().fields[effort.id], answer().out]).toEqual([4, 3, {}])
    small.state.set('field', effort.id, 'settings', { ...effort.settings, least: 200, most: 800 })
    expect(filled.update(changed())).toBe(true)
    expect(answer().out).toEqual({ [effort.id]: 2 })
  })

  it('counts what would not be taken today, by whichever rule, and says which items hold it', async () => {
    const { state, project, people } = small
    const named = (name: string) => fieldsOf(state, project.id).find((one) => one.name === name)!
    const [reference, assignees] = [named('outside reference'), named('assignees')]
    state.set('field', reference.id, 'settings', {})
    const two = [people.lead.id, people.contributor.id].sort()
    for (const text of ['A', 'B', 'A', 'C']) add(['Sow'], { values: { [reference.id]: text } })
    add(['Sow'], { values: { [assignees.id]: two } })
    const filled = watchFor(context, { query: 'filled', input: { project: project.id } })
    state.set('field', reference.id, 'settings', { unique: true })
    state.set('field', assignees.id, 'settings', { single: true })
    filled.update(changed())
    expect((filled.answer() as WatchAnswer<'filled'>).out).toEqual({ [reference.id]: 2, [assignees.id]: 1 })
    const [first, , third] = [...state.itemsOf(project.id)].filter((one) => one.values[reference.id]).map((one) => one.number) // prettier-ignore
    const keyIs = (n: number) => ({ about: 'fact', fact: { fact: 'key' }, test: { is: 'between', from: n, to: n } })
    expect(await ask(context, 'misfits', { field: reference.id })).toEqual({ about: 'any', of: [first!, third!].map(keyIs) }) // prettier-ignore
    expect(await ask(context, 'misfits', { field: 'gone' as never })).toBeNull()
    state.set('field', assignees.id, 'settings', { among: [people.lead.id] })
    const test = { is: 'anyOf', values: [people.contributor.id] }
    expect(await ask(context, 'misfits', { field: assignees.id })).toMatchObject({ about: 'fact', test })
  })
})

describe('a worked-out field while it is made', () => {
  it('is tried on items that are there, those that have a result first', async () => {
    const effort = fieldsOf(small.state, small.project.id).find(({ name }) => name === 'effort')!
    add(['Nothing said', 'Nor here'])
    add(['Sow'], { values: { [effort.id]: 250 } })
    const field = { ...effort, id: small.ids.next() as never, name: 'Twice', type: 'computed' as const, settings: { unit: 'h', decimals: 1 } } // prettier-ignore
    const tried = await ask(context, 'tried', { field, written: 'effort * 2' })
    expect(tried).toMatchObject({ gives: ['number', 'money', 'duration'], formula: `\`${effort.id}\` * 2` })
    expect(tried.results.map(({ title, said }) => [title, said])).toEqual([['Sow', '5 h'], ['Nothing said', ''], ['Nor here', '']]) // prettier-ignore
    const wrong = await ask(context, 'tried', { field, written: 'effort * tilte' })
    expect(wrong.fault).toEqual({ words: 'There is no field called “tilte”.', from: 9, to: 14 })
    const roll = await ask(context, 'tried', { field: { ...field, type: 'rollUp', settings: { over: 'children', how: 'sum', gives: 'number' } } }) // prettier-ignore
    expect(roll.problem?.code).toBe('wrong-value')
  })
})

describe('signals of a view', () => {
  it('mark the rows that they fit, in their order, and follow every change; one that is off marks nothing', () => {
    const [id] = add(['Sow'])
    const named = (words: string): Condition => ({ about: 'fact', fact: { fact: 'title' }, test: { is: 'has', words } })
    const signal = { colour: 'moss' as const, sign: 'flag' as const }
    const signals = [
      { ...signal, name: 'a', when: named('glass') },
      { ...signal, name: 'b', when: named('sow') },
      { ...signal, name: 'c', when: named('sow'), isOff: true },
    ]
    const watched = watchOf(table, { ...table.definition, signals })
    const row = () => (watched.answer() as TableAnswer).stretch.rows.filter(isRow)[0]
    expect(row()?.signals).toEqual([1])
    const [before, v] = [row(), row()?.v]
    expect(row()).toBe(before)
    const patch = run(small.state, { id: small.ids.command(), type: 'items.set', v: 1, items: [{ item: id!, set: { title: { from: 'Sow', to: 'Sow under glass' } } }] }, small.people.lead.id) // prettier-ignore
    const changed = new ChangeSet()
    changed.add(patch)
    watched.update(changed)
    expect(row()?.signals).toEqual([0, 1])
    expect(row()?.v).not.toBe(v)
  })
})
