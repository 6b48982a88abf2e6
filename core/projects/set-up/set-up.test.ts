import { beforeEach, describe, expect, it } from 'vitest'
import { tieId } from '../../base/ids'
import { must } from '../../base/result'
import { effects, type Effects } from '../../commands/effects'
import { judge, type BareCommand } from '../../commands/registry'
import { boardsOf, columnsOf, fieldsOf, heldBy, kindsOf, limitOf, statusesOf, stepsOf } from '../../model/reader'
import type { BoardColumn, Item, Person, Status } from '../../model/records'
import { turnOf } from '../../model/turn'
import { command, contextOf, PlainRoom, smallWorkspace, type Small } from '../../test-kit/workspace'

let small: Small
let room: PlainRoom
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
})

/** Judges what it would touch, does it, and holds one against the other. */
function does(bare: BareCommand, by: Person = small.people.lead): Effects {
  const one = command(small.ids, bare)
  const told = effects(small.state, one, contextOf(one, by.id))
  if (!told.ok) throw new Error(JSON.stringify(told.problem))
  const done = room.do(one, by.id)
  if (!done.ok) throw new Error(JSON.stringify(done.problem))
  const touched = new Set(done.value.patch.map(({ entity, id }) => `${entity} ${id}`))
  expect(Object.values(told.value.touched).reduce((sum, n) => sum + n, 0)).toBe(touched.size)
  return told.value
}
function refused(bare: BareCommand, by: Person = small.people.lead): string | undefined {
  const one = command(small.ids, bare)
  const judged = judge(small.state, one, contextOf(one, by.id))
  return judged.ok ? undefined : judged.problem.code
}
/** Whatever was done last is undone, and everything stands as it stood. */
function isUndone(before: unknown): void {
  const last = must(room.entries.at(-1), 'entry')
  const done = room.do(command(small.ids, { type: 'revert', of: last.command }), small.people.lead.id)
  expect(done.ok && done.value.leftAlone).toBeFalsy()
  expect(standing()).toEqual(before)
}
/** All that is there, but for when and by whom it was changed and which stay is open. */
const standing = () =>
  JSON.parse(
    JSON.stringify(small.state.snapshot(), (key, value: unknown) =>
      ['changed', 'changedBy', 'stay', 'statusSince'].includes(key) ? undefined : value,
    ),
  ) as unknown

function item(values: Item['values'], status = 0, kind = 0): Item {
  const { project, ids, state } = small
  const id = ids.item()
  const one = {
    item: id, project: project.id, kind: kindsOf(state, project.id)[kind]!.id, title: 'Sow leeks', parent: null,
    status: statusesOf(state, project.id)[status]!.id, values,
  } // prettier-ignore
  does({ type: 'items.add', items: [one] })
  return must(state.maybe('item', id), 'item')
}
const now = (one: Item) => must(small.state.maybe('item', one.id), 'item')
const fieldNamed = (name: string) => must(fieldsOf(small.state, small.project.id).find((field) => field.name === name), name) // prettier-ignore
const stored = () => small.state
function twoKinds() {
  const [task] = kindsOf(small.state, small.project.id)
  does({ type: 'kind.add', record: { ...task!, id: small.ids.next() as never, name: 'defect', rank: 'b90' } })
  return kindsOf(small.state, small.project.id)
}

describe('an option that is removed', () => {
  it('stays with what has it, goes from it, or gives way to another; and comes back', () => {
    const [need, tags] = [fieldNamed('need'), fieldNamed('tags')]
    const [must_, should] = small.state.optionsOf(need.id)
    const [heritage, wet] = small.state.optionsOf(tags.id)
    const one = item({ [need.id]: must_!.id, [tags.id]: [heritage!.id] })
    const other = item({ [need.id]: should!.id, [tags.id]: [heritage!.id, wet!.id].sort() })
    const before = standing()

    expect(does({ type: 'option.remove', target: must_!.id, how: {} }).touched).toEqual({ option: 1 })
    expect(now(one).values[need.id]).toBe(must_!.id)
    isUndone(before)

    expect(does({ type: 'option.remove', target: must_!.id, how: { to: null } }).touched).toEqual({
      option: 1,
      item: 1,
    })
    expect(now(one).values[need.id]).toBeUndefined()
    isUndone(before)

    does({ type: 'option.remove', target: must_!.id, how: {} })
    expect(refused({ type: 'option.remove', target: must_!.id, how: {} })).toBe('gone')
    isUndone(before)

    const replacing = { type: 'option.remove', target: heritage!.id, how: { to: wet!.id } } as const
    expect(does(replacing).touched).toEqual({ option: 1, item: 2 })
    expect([now(one), now(other)].map(({ values }) => values[tags.id])).toEqual([[wet!.id], [wet!.id]])
    isUndone(before)
  })

  it('gives way to none of another field, and is no option of a field that has none', () => {
    const [need, tags] = [fieldNamed('need'), fieldNamed('tags')]
    const [option, other] = [small.state.optionsOf(need.id)[0]!, small.state.optionsOf(tags.id)[0]!]
    expect(refused({ type: 'option.remove', target: option.id, how: { to: other.id } })).toBe('wrong-value')
    expect(refused({ type: 'option.remove', target: option.id, how: { to: option.id } })).toBe('wrong-value')
    const record = { ...option, id: small.ids.next() as never, field: fieldNamed('notes').id }
    expect(refused({ type: 'option.add', record })).toBe('wrong-value')
  })
})

describe('a field that is removed', () => {
  it('is out of use, also where the project used it, and names the views that speak of it', () => {
    const due = fieldNamed('due')
    const before = standing()
    const told = does({ type: 'field.remove', target: due.id, how: {} })
    const speaking = [...stored().all('view')].filter((view) => JSON.stringify(view.definition).includes(due.id))
    expect(new Set(told.views)).toEqual(new Set(speaking.map((one) => one.id)))
    expect(speaking.length).toBeGreaterThan(0)
    expect(told.touched).toEqual({ field: 1, project: 1 })
    expect(stored().maybe('project', small.project.id)?.uses.due).toBeNull()
    expect(fieldsOf(stored(), small.project.id).map((field) => field.id)).not.toContain(due.id)
    isUndone(before)
  })

  it('leaves the turn to the assignees where it said whose it is', () => {
    const reviewer = fieldNamed('reviewer')
    const before = standing()
    const told = does({ type: 'field.remove', target: reviewer.id, how: {} })
    expect(told.touched.step).toBeGreaterThan(0)
    expect([...stored().all('step')].every((step) => step.turn.of !== 'field')).toBe(true)
    isUndone(before)
  })
})

describe('a kind that is removed', () => {
  it('makes its items another, with their statuses where that has them', () => {
    const [task, other] = twoKinds()
    const one = item({}, 2)
    const before = standing()
    expect(does({ type: 'kind.remove', target: task!.id, how: { to: other!.id } }).touched).toEqual({
      kind: 1,
      item: 1,
    })
    expect(now(one)).toMatchObject({ kind: other!.id, status: one.status })
    isUndone(before)
    expect(refused({ type: 'kind.remove', target: task!.id, how: { to: task!.id } })).toBe('wrong-value')
  })
})

describe('a status that is removed', () => {
  it('gives its items, its steps and its place on the board away', () => {
    const [noted, ready] = statusesOf(stored(), small.project.id)
    const hamid = small.people.contributor.id
    const one = item({ [fieldNamed('assignees').id]: [hamid] })
    const before = standing()
    const told = does({ type: 'status.remove', target: noted!.id, how: { to: ready!.id } })
    expect(told.touched).toMatchObject({
      status: 1,
      item: 1,
      step: 1,
      workflow: 1,
      columnStatus: 1,
      column: 1,
      stay: 2,
    })
    expect(told.queues).toEqual({ [hamid]: 1 })
    expect(now(one).status).toBe(ready!.id)
    expect(turnOf(stored(), now(one)).people).toEqual([hamid])
    const [workflow] = stored().all('workflow')
    expect(workflow!.start).toBe(ready!.id)
    expect(stepsOf(stored(), workflow!.id).map((step) => step.status)).not.toContain(noted!.id)
    isUndone(before)
  })

  it('is no longer a step of a workflow only where nothing is in it and nothing begins there', () => {
    const [workflow] = stored().all('workflow')
    const [first, second, third] = stepsOf(stored(), workflow!.id)
    item({}, 1)
    expect(refused({ type: 'step.remove', target: first!.id, how: {} })).toBe('in-use')
    expect(refused({ type: 'step.remove', target: second!.id, how: {} })).toBe('in-use')
    const before = standing()
    does({ type: 'step.remove', target: third!.id, how: {} })
    isUndone(before)
  })
})

describe('a status of another phase', () => {
  it('has finished what stands in it since it came there, and one undo says otherwise', () => {
    const ready = statusesOf(stored(), small.project.id)[1]!
    const one = item({}, 1)
    const before = standing()
    const told = does({ type: 'status.set', target: ready.id, set: { phase: { from: 'waiting', to: 'finished' } } })
    expect(told.touched).toMatchObject({ status: 1, item: 1 })
    expect(now(one).finished).toBe(now(one).statusSince)
    isUndone(before)
    does({ type: 'status.set', target: ready.id, set: { phase: { from: 'waiting', to: 'active' } } })
    expect([now(one).started, now(one).finished]).toEqual([now(one).statusSince, null])
  })

  it('and back leaves what was moved meanwhile as its phase says', () => {
    const [, ready, inHand] = statusesOf(stored(), small.project.id)
    const one = item({}, 1)
    const lead = small.people.lead.id
    const moved = must(room.do(command(small.ids, { type: 'items.move', items: [{ item: one.id, status: { from: ready!.id, to: inHand!.id } }] }), lead), 'move') // prettier-ignore
    does({ type: 'status.set', target: ready!.id, set: { phase: { from: 'waiting', to: 'dropped' } } })
    if (!moved.ok) throw new Error('not moved')
    room.do(command(small.ids, { type: 'revert', of: moved.value.command }), lead)
    expect(now(one).status).toBe(ready!.id)
    expect(now(one).finished).not.toBeNull()
  })

  it('says whose queues change', () => {
    const ready = statusesOf(stored(), small.project.id)[1]!
    const hamid = small.people.contributor.id
    item({ [fieldNamed('assignees').id]: [hamid] }, 1)
    const [workflow] = stored().all('workflow')
    const step = stepsOf(stored(), workflow!.id)[1]!
    const told = does({ type: 'step.set', target: step.id, set: { turn: { from: step.turn, to: { of: 'nobody' } } } })
    expect(told.queues).toEqual({ [hamid]: 1 })
    expect(does({ type: 'status.set', target: ready.id, set: { colour: { from: ready.colour, to: 'iris' } } }).queues).toEqual({}) // prettier-ignore
  })
})

describe('a new status', () => {
  const extend = (name: string, column: 'own' | 'first' | 'none') => {
    const [workflow] = stored().all('workflow')
    const board = must(boardsOf(stored(), small.project.id)[0], 'board').id
    const id = small.ids.next() as Status['id']
    const own = { id: small.ids.next() as BoardColumn['id'], board, name, rank: 'b5', archived: false }
    const held = column === 'own' ? own.id : columnsOf(stored(), board)[0]!.id
    return {
      type: 'workflow.extend', column: column === 'own' ? own : null,
      status: { id, project: small.project.id, name, phase: 'active', colour: 'pond', rank: 'b5', archived: false },
      step: { id: tieId<'step'>(workflow!.id, id), workflow: workflow!.id, status: id, rank: 'b5', turn: { of: 'assignees' } },
      held: column === 'none' ? null : { id: tieId<'columnStatus'>(held, id), column: held, status: id, kind: null },
    } as const satisfies BareCommand // prettier-ignore
  }

  it('has its place in the workflow and on the board at once, in a column of its own, in another, or in none', () => {
    const before = standing()
    for (const [column, columns] of [
      ['own', 1],
      ['first', 0],
      ['none', 0],
    ] as const) {
      const count = columnsOf(stored(), must(boardsOf(stored(), small.project.id)[0], 'board').id).length
      const bare = extend('Drying', column)
      does(bare)
      expect(statusesOf(stored(), small.project.id).at(-1)!.name).toBe('Drying')
      expect(columnsOf(stored(), must(boardsOf(stored(), small.project.id)[0], 'board').id)).toHaveLength(count + columns) // prettier-ignore
      isUndone(before)
    }
  })

  it('is refused under a name that is taken, whatever its case, and outside the project', () => {
    expect(refused(extend('  in  HAND', 'first'))).toBe('name-taken')
    expect(refused({ ...extend('Drying', 'own'), held: null, column: { ...extend('x', 'own').column!, board: 'b' as never } })).toBe('gone') // prettier-ignore
    expect(refused(extend('Drying', 'first'), small.people.contributor)).toBe('not-allowed')
    const [noted, ready] = statusesOf(stored(), small.project.id)
    expect(refused({ type: 'status.set', target: noted!.id, set: { name: { from: noted!.name, to: 'reády' } } })).toBe('name-taken') // prettier-ignore
    expect(refused({ type: 'status.set', target: noted!.id, set: { name: { from: noted!.name, to: 'NOTED' } } })).toBeUndefined() // prettier-ignore
    expect(ready!.name).toBe('Ready')
  })
})

describe('what a column holds', () => {
  it('goes from one column to another, or out of all of them', () => {
    const board = must(boardsOf(stored(), small.project.id)[0], 'board').id
    const [first, second] = columnsOf(stored(), board)
    const [noted] = statusesOf(stored(), small.project.id)
    const before = standing()
    does({ type: 'column.hold', board, status: noted!.id, kind: null, to: second!.id })
    expect(heldBy(stored(), first!.id)).toEqual([])
    expect(heldBy(stored(), second!.id).map((held) => held.status)).toContain(noted!.id)
    isUndone(before)
    does({ type: 'column.hold', board, status: noted!.id, kind: null, to: null })
    expect([...stored().all('columnStatus')].some((held) => held.status === noted!.id)).toBe(false)
  })

  it('is held once a board, also after an undo', () => {
    const { lead } = small.people
    const board = must(boardsOf(stored(), small.project.id)[0], 'board').id
    const [, second, third] = columnsOf(stored(), board)
    const [noted] = statusesOf(stored(), small.project.id)
    const hold = (to: string) => room.do(command(small.ids, { type: 'column.hold', board, status: noted!.id, kind: null, to: to as never }), lead.id) // prettier-ignore
    const done = hold(second!.id)
    hold(third!.id)
    if (!done.ok) throw new Error('not held')
    const undone = room.do(command(small.ids, { type: 'revert', of: done.value.command }), lead.id)
    expect(undone.ok ? 'done' : undone.problem.code).toBe('held-twice')
    const id = tieId<'columnStatus'>(second!.id, noted!.id)
    expect(refused({ type: 'column.remove', target: third!.id, how: { to: second!.id } })).toBeUndefined()
    expect(stored().maybe('columnStatus', id)).toBeUndefined()
  })
})

describe('a column that is removed', () => {
  it('gives what it holds to another, with its limit gone', () => {
    const board = must(boardsOf(stored(), small.project.id)[0], 'board').id
    const [, ready, inHand] = columnsOf(stored(), board)
    const statuses = heldBy(stored(), inHand!.id).map((held) => held.status)
    const before = standing()
    const told = does({ type: 'column.remove', target: inHand!.id, how: { to: ready!.id } })
    expect(told.touched).toEqual({ column: 1, limit: 1, columnStatus: 2 })
    expect(limitOf(stored(), inHand!.id)).toBeNull()
    expect(heldBy(stored(), ready!.id).map((held) => held.status)).toEqual(expect.arrayContaining(statuses))
    isUndone(before)
    does({ type: 'column.remove', target: inHand!.id, how: { to: null } })
    expect([...stored().all('columnStatus')].some((held) => statuses.includes(held.status))).toBe(false)
  })
})

describe('what a project is set up with', () => {
  it('is added, named, ordered and undone, by those who may', () => {
    const field = { ...fieldNamed('notes'), id: small.ids.next() as never, name: 'glass', rank: 'b90' }
    const before = standing()
    does({ type: 'field.add', record: field })
    isUndone(before)
    does({ type: 'field.add', record: field })
    does({ type: 'field.set', target: field.id, set: { name: { from: 'glass', to: 'panes' } } })
    expect(fieldNamed('panes').id).toBe(field.id)
    expect(refused({ type: 'field.set', target: field.id, set: { name: { from: 'glass', to: 'pots' } } })).toBe(
      'changed-meanwhile',
    )
    const first = fieldsOf(stored(), small.project.id)[0]!
    does({ type: 'field.order', target: field.id, before: first.id })
    expect(fieldsOf(stored(), small.project.id)[0]!.id).toBe(field.id)
    does({ type: 'field.order', target: field.id, before: null })
    expect(fieldsOf(stored(), small.project.id).at(-1)!.id).toBe(field.id)
  })

  it('is nobody’s to change who may only work in it', () => {
    const [status, other] = statusesOf(stored(), small.project.id)
    const [kind, kind2] = twoKinds()
    const option = small.state.optionsOf(fieldNamed('need').id)[0]!
    const column = columnsOf(stored(), must(boardsOf(stored(), small.project.id)[0], 'board').id)[0]!
    const commands: BareCommand[] = [
      { type: 'status.remove', target: status!.id, how: { to: other!.id } },
      { type: 'kind.remove', target: kind!.id, how: { to: kind2!.id } },
      { type: 'option.remove', target: option.id, how: {} },
      { type: 'field.remove', target: fieldNamed('due').id, how: {} },
      { type: 'column.remove', target: column.id, how: { to: null } },
    ]
    for (const bare of commands)
      expect([bare.type, refused(bare, small.people.contributor)]).toEqual([bare.type, 'not-allowed'])
  })
})
