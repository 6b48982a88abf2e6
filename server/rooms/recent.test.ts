import { describe, expect, it } from 'vitest'
import { longestCatchUp, type LogMessage } from '#core/wire/feed'
import { command, PlainRoom, smallWorkspace } from '#core/test-kit/workspace'
import { messageFor } from './feed'
import { Recent } from './recent'

function lived(n: number) {
  const small = smallWorkspace()
  const { state, ids, people } = small
  const room = new PlainRoom(state)
  const recent = new Recent()
  const view = [...state.all('view')][0]!
  const sent = [
    command(ids, { type: 'view.set', target: view.id, set: { name: { from: view.name, to: 'New' } } }),
    command(ids, { type: 'people.add', people: [{ ...people.reader, id: ids.next() as never, name: 'Mara', email: 'mara@garden.example' }], members: [] }),
    ...Array.from({ length: n }, (_, i) => command(ids, { type: 'view.set', target: view.id, set: { name: { from: i ? `name ${i - 1}` : 'New', to: `name ${i}` } } })),
  ] // prettier-ignore
  for (const one of sent) {
    expect(room.do(one, people.owner.id).ok).toBe(true)
    recent.add(room.done.at(-1)!, 0)
  }
  return { ...small, room, recent }
}

describe('what was done last', () => {
  it('is told to each as it would be worked out for them alone', () => {
    const { state, people, room, recent } = lived(3)
    for (const person of Object.values(people)) {
      const anew = room.done.map((done) => JSON.stringify(messageFor(state, done, 0, person.id)))
      // Twice: the second time from what is kept.
      for (let time = 0; time < 2; time++) expect([...recent.since(state, 0, person.id)!]).toEqual(anew)
      expect(recent.last(state, person.id)).toBe(anew.at(-1))
    }
    expect(recent.last(state, people.reader.id)).not.toContain('mara@')
  })

  it('reaches back so far and no farther', () => {
    const { state, people, recent } = lived(longestCatchUp + 10)
    const told = [...recent.since(state, longestCatchUp, people.owner.id)!].map(
      (text) => JSON.parse(text) as LogMessage,
    )
    expect(told.map((message) => (message.tell === 'entry' ? message.entry.sequence : 0))).toEqual(Array.from({ length: 12 }, (_, i) => longestCatchUp + 1 + i)) // prettier-ignore
    expect(recent.since(state, 5, people.owner.id)).toBeUndefined()
    expect([...recent.since(state, 5000, people.owner.id)!]).toEqual([])
    expect(new Recent().since(state, 0, people.owner.id)).toBeUndefined()
  })

  it('of a large entry tells its parts to those whom it concerns, and its number to the others', () => {
    const { state, people, room } = lived(1)
    const recent = new Recent()
    recent.add(room.done[0]!, 7)
    expect(JSON.parse(recent.last(state, people.reader.id))).toEqual({ tell: 'large', sequence: 1, parts: 7 })
    expect(JSON.parse(recent.last(state, people.stranger.id))).toEqual({ tell: 'sequence', n: 1 })
  })
})
