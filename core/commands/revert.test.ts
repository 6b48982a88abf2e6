import { beforeEach, describe, expect, it } from 'vitest'
import { memberId } from '../access/access'
import { must } from '../base/result'
import type { CommandId } from '../base/ids'
import { boardsOf, columnsOf, kindsOf, limitOf, plainLimit, startOfKind, statusesOf } from '../model/reader'
import type { Person, Role, View, ViewId } from '../model/records'
import { command, PlainRoom, smallWorkspace, type Small } from '../test-kit/workspace'
import type { BareCommand } from './registry'

let small: Small
let room: PlainRoom
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
})
const act = (bare: BareCommand, by: Person): CommandId => {
  const done = room.do(command(small.ids, bare), by.id)
  if (!done.ok) throw new Error(JSON.stringify(done.problem))
  return done.value.command
}
const undo = (of: CommandId, by: Person): string => {
  const done = room.do({ id: small.ids.command(), type: 'revert', v: 1, of }, by.id)
  return done.ok ? 'done' : done.problem.code
}
/** Gives a person another role in the workspace and in the project, past all commands. */
const become = (person: Person, role: Role): void => {
  small.state.set('person', person.id, 'role', role)
  const member = memberId(small.project.id, person.id)
  if (small.state.maybe('member', member)) small.state.set('member', member, 'role', role)
}

describe('taking back', () => {
  it('is open to readers for what they may change: a view of their own', () => {
    const { reader } = small.people
    const shared = must([...small.state.all('view')][0], 'view')
    const view: View = { ...shared, id: small.ids.next() as ViewId, maker: reader.id, audience: { of: 'maker' } }
    act({ type: 'view.add', record: view }, reader)
    const removed = act({ type: 'view.remove', target: view.id, how: {} }, reader)
    expect(undo(removed, reader)).toBe('done')
    expect(small.state.maybe('view', view.id)?.name).toBe(view.name)
  })

  it('is closed to those who may not make the change any more', () => {
    const { lead } = small.people
    const column = must(
      columnsOf(small.state, must(boardsOf(small.state, small.project.id)[0], 'board').id)[2],
      'column',
    )
    const before = limitOf(small.state, column.id)
    const limited = act({ type: 'limit.set', column: column.id, from: plainLimit(before), to: plainLimit(3) }, lead)
    become(lead, 'contributor')
    expect(undo(limited, lead)).toBe('not-allowed')
    expect(limitOf(small.state, column.id)).toBe(3)
    become(lead, 'lead')
    expect(undo(limited, lead)).toBe('done')
    expect(limitOf(small.state, column.id)).toBe(before)
  })

  it('of items is closed to a contributor who only reads by now', () => {
    const { contributor } = small.people
    const kind = must(kindsOf(small.state, small.project.id)[0], 'kind').id
    const item = small.ids.item()
    const status = must(startOfKind(small.state, kind), 'start').id
    const added = act(
      { type: 'items.add', items: [{ item, project: small.project.id, kind, title: 'Vent 7', status, parent: null, values: {} }] },
      contributor,
    ) // prettier-ignore
    become(contributor, 'reader')
    expect(undo(added, contributor)).toBe('not-allowed')
    become(contributor, 'contributor')
    expect(undo(added, contributor)).toBe('done')
    expect(small.state.maybe('item', item)).toBeUndefined()
  })

  it('of what moved items asks for both: the set-up, and the items', () => {
    const { lead } = small.people
    const [first, second] = statusesOf(small.state, small.project.id)
    const removed = act({ type: 'status.remove', target: first!.id, how: { to: second!.id } }, lead)
    become(lead, 'contributor')
    expect(undo(removed, lead)).toBe('not-allowed')
    become(lead, 'lead')
    expect(undo(removed, lead)).toBe('done')
    expect(small.state.maybe('status', first!.id)?.archived).toBe(false)
  })
})
