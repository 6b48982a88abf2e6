import { beforeEach, describe, expect, it } from 'vitest'
import { evenWeek } from '../base/week'
import { fieldsOf, kindsOf, statusesOf } from '../model/reader'
import { Acting } from '../test-kit/acting'
import { command, contextOf, PlainRoom, smallWorkspace, type Small } from '../test-kit/workspace'
import { effects } from './effects'
import { together } from './bare'
import { judge, parseCommand, type BareCommand } from './registry'

let small: Small
let room: PlainRoom
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
})
const crafted = (person: { id: string; craft?: string | null | undefined }, to: string): BareCommand => ({
  type: 'person.set', target: person.id, set: { craft: { from: person.craft ?? null, to } },
}) // prettier-ignore
const refusal = (bare: BareCommand, by = small.people.lead): string | undefined => {
  const one = command(small.ids, bare)
  const judged = judge(small.state, one, contextOf(one, by.id))
  return judged.ok ? undefined : judged.problem.code
}

describe('commands done together', () => {
  it('are done as one and undone as one', () => {
    const { contributor, reader, lead } = small.people
    const before = small.state.snapshot()
    const hours = { from: reader.hours, to: evenWeek(600, [1, 2]) }
    const both = together([
      crafted(contributor, 'glass'),
      { type: 'person.set', target: reader.id, set: { hours } },
      { type: 'member.set', target: `${small.project.id}/${reader.id}`, set: { role: { from: 'reader', to: 'contributor' } } },
    ]) // prettier-ignore
    const sent = command(small.ids, both)
    const told = effects(small.state, sent, contextOf(sent, lead.id))
    expect(told.ok && told.value.touched).toEqual({ person: 2, member: 1 })
    expect(room.do(sent, lead.id).ok).toBe(true)
    expect(small.state.maybe('person', contributor.id)?.craft).toBe('glass')
    expect(small.state.maybe('person', reader.id)?.hours).toEqual([300, 300, 0, 0, 0, 0, 0])
    expect(room.entries).toHaveLength(1)
    expect(room.do(command(small.ids, { type: 'revert', of: sent.id }), lead.id).ok).toBe(true)
    expect(small.state.snapshot()).toEqual(before)
  })

  it('are none of them done where one is refused', () => {
    const { contributor, reader, owner } = small.people
    const both = together([crafted(contributor, 'glass'), { type: 'person.remove', target: owner.id, how: {} }])
    expect(refusal(both, owner)).toBe('last-owner')
    expect(refusal(together([crafted(contributor, 'glass'), crafted(reader, 'glass')]), reader)).toBe('not-allowed')
  })

  it('cannot change the same twice', () => {
    const { contributor } = small.people
    expect(refusal(together([crafted(contributor, 'glass'), crafted(contributor, 'water')]))).toBe('same-twice')
  })

  it('may touch one thing, each another part of it, and it is stamped once', () => {
    const acting = new Acting()
    const effort = acting.field('effort').id
    const item = acting.add(0)
    const titled = (to: string) => acting.setting(item, { title: { from: 'Sow', to } })
    const both = together([acting.moving(item, 0, 1), acting.setting(item, { [effort]: { from: null, to: 2 } }), titled('Sow leeks')]) // prettier-ignore
    expect(acting.does(both)).toBe('done')
    expect(acting.item(item)).toMatchObject({ title: 'Sow leeks', status: acting.status(1).id, values: { [effort]: 2 } }) // prettier-ignore
    const { patch, command: done } = acting.room.entries.at(-1)!
    expect(patch.filter(({ field }) => field === 'changedBy' || field === 'changed').length).toBeLessThanOrEqual(2)
    expect(acting.does({ type: 'revert', of: done })).toBe('done')
    expect(acting.item(item)).toMatchObject({ title: 'Sow', status: acting.status(0).id, values: {} })
    expect(acting.does(together([titled('Sow peas'), titled('Sow beans')]))).toBe('same-twice')
    expect(acting.does(together([acting.moving(item, 0, 1), acting.moving(item, 0, 2)]))).toBe('same-twice')
    const made = acting.small.ids.item()
    expect(acting.does(together([acting.adding(made, 0), acting.adding(made, 1)]))).toBe('same-twice')
  })

  it('move items each with a stay of its own', () => {
    const [from, to, end] = statusesOf(small.state, small.project.id)
    const add = (title: string) => {
      const item = small.ids.item()
      const one = { item, project: small.project.id, kind: kindsOf(small.state, small.project.id)[0]!.id, title, parent: null, status: from!.id, values: {} } // prettier-ignore
      room.do(command(small.ids, { type: 'items.add', items: [one] }), small.people.lead.id)
      return item
    }
    const [leeks, peas] = [add('Sow leeks'), add('Sow peas')]
    const moved = (item: typeof leeks, status: string): BareCommand => ({
      type: 'items.set', items: [{ item, set: { status: { from: from!.id, to: status } } }],
    }) // prettier-ignore
    const done = room.do(
      command(small.ids, together([moved(leeks, to!.id), moved(peas, end!.id)])),
      small.people.lead.id,
    )
    expect(done.ok).toBe(true)
    const [one, other] = [leeks, peas].map((item) => small.state.maybe('item', item)!)
    expect([one!.status, other!.status]).toEqual([to!.id, end!.id])
    expect(one!.stay).not.toBe(other!.stay)
  })

  it('are read one by one, and none that has to be alone', () => {
    const [field] = fieldsOf(small.state, small.project.id)
    const named = { type: 'field.set', target: field!.id, set: { name: { from: field!.name, to: '  glass \n' } } } as const
    const read = parseCommand({ ...command(small.ids, together([named, { type: 'field.remove', target: field!.id, how: {} }])) })
    expect(read.ok && JSON.stringify(read.value)).toContain('"to":"glass"')
    const of = small.ids.command()
    for (const bare of [{ type: 'revert', of }, { type: 'together', commands: [named] }, { type: 'nothing' }])
      expect(parseCommand({ id: of, type: 'together', v: 1, commands: [{ ...bare, v: 1 }] }).ok).toBe(false)
    expect(parseCommand({ id: of, type: 'together', v: 1, commands: [] }).ok).toBe(false)
  }) // prettier-ignore

  it('of one are that one', () => {
    expect(together([crafted(small.people.reader, 'glass')]).type).toBe('person.set')
  })
})
