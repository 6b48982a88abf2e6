import { expect, it } from 'vitest'
import { fieldsOf, kindsOf, statusesOf } from '../model/reader'
import { together } from '../commands/bare'
import { command, PlainRoom, smallWorkspace } from '../test-kit/workspace'
import { handedOver, openWorkOf } from './hand-over'

it('hands over what is in hand and what waits, each to its own successor, in one undo', () => {
  const { state, ids, people, project } = smallWorkspace()
  const room = new PlainRoom(state)
  const { contributor, lead, reader } = people
  const [assignees, reviewer] = ['assignees', 'reviewer'].map((name) => fieldsOf(state, project.id).find((field) => field.name === name)!.id) // prettier-ignore
  const inPhase = (phase: string) => statusesOf(state, project.id).find((status) => status.phase === phase)!.id
  const kind = kindsOf(state, project.id)[0]!.id
  const add = (title: string, phase: string, values: Record<string, string[]>) => {
    const item = ids.item()
    room.do(command(ids, { type: 'items.add', items: [{ item, project: project.id, kind, title, parent: null, status: inPhase(phase), values }] }), lead.id) // prettier-ignore
    return item
  }
  const mine = [contributor.id]
  const inHand = add('in hand', 'active', { [assignees!]: mine, [reviewer!]: mine })
  const waiting = add('waiting', 'waiting', { [assignees!]: [contributor.id, lead.id].sort() })
  const finished = add('finished', 'finished', { [assignees!]: mine })
  const others = add('others', 'active', { [assignees!]: [lead.id] })
  const before = state.snapshot()

  const work = openWorkOf(state, contributor.id, [project])
  expect([work.inHand.map((one) => one.item), work.waiting.map((one) => one.item)]).toEqual([[inHand], [waiting]])
  expect(new Set(work.inHand[0]!.fields)).toEqual(new Set([assignees, reviewer]))

  const bodies = handedOver(work, contributor.id, { inHand: reader.id, waiting: null })
  const leave = command(
    ids,
    together([
      ...bodies.map((items) => ({ type: 'items.set' as const, items })),
      { type: 'person.remove', target: contributor.id, how: {} },
    ]),
  )
  expect(room.do(leave, lead.id).ok).toBe(true)
  const values = (item: string) => state.maybe('item', item)?.values
  expect(values(inHand)).toMatchObject({ [assignees!]: [reader.id], [reviewer!]: [reader.id] })
  expect(values(waiting)?.[assignees!]).toEqual([lead.id])
  expect(values(finished)?.[assignees!]).toEqual(mine)
  expect(values(others)?.[assignees!]).toEqual([lead.id])
  expect(state.maybe('person', contributor.id)?.active).toBe(false)

  room.do(command(ids, { type: 'revert', of: leave.id }), lead.id)
  const aside = (snapshot: unknown) => JSON.stringify(snapshot, (key, value: unknown) => (key.startsWith('changed') ? 0 : value)) // prettier-ignore
  expect(aside(state.snapshot())).toBe(aside(before))
})

it('goes in pieces that a command can have', () => {
  const held = Array.from({ length: 2500 }, (_, i) => ({ item: `i${i}`, key: '', title: '', fields: ['f'] })) as never
  const bodies = handedOver({ inHand: held, waiting: [] }, 'p' as never, { inHand: null, waiting: null })
  expect(bodies.map((items) => items.length)).toEqual([1000, 1000, 500])
})
