import { describe, expect, it } from 'vitest'
import { longestCatchUp, type LogMessage } from '#core/wire/feed'
import { command, PlainRoom, smallWorkspace } from '#core/test-kit/workspace'
import { messageFor } from './feed'
import { Recent } from './recent'

function lived(n: number) {
  const small = smallWorkspace()
  const { state, ids, people } = small
  const room = new PlainRoom(state)
  const recent = new Recent(0, () => Promise.resolve([]))
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
  const numberOf = (text: string) => {
    const message = JSON.parse(text) as LogMessage
    return message.tell === 'entry' ? message.entry.sequence : NaN
  }

  it('is told to each as it would be worked out for them alone', async () => {
    const { state, people, room, recent } = lived(3)
    for (const person of Object.values(people)) {
      const anew = room.done.map((done) => JSON.stringify(messageFor(state, done, 0, person.id)))
      // Twice: the second time from what is kept.
      for (let time = 0; time < 2; time++) expect([...(await recent.since(state, 0, person.id))!]).toEqual(anew)
      expect(recent.last(state, person.id)).toBe(anew.at(-1))
    }
    expect(recent.last(state, people.reader.id)).not.toContain('mara@')
  })

  it('reaches back so far and no farther', async () => {
    const { state, people, recent } = lived(longestCatchUp + 10)
    const told = [...(await recent.since(state, longestCatchUp, people.owner.id))!]
    expect(told.map(numberOf)).toEqual(Array.from({ length: 12 }, (_, i) => longestCatchUp + 1 + i))
    expect(await recent.since(state, 5, people.owner.id)).toBeUndefined()
    expect([...(await recent.since(state, 5000, people.owner.id))!]).toEqual([])
  })

  it('is read some at a time where it was done before, once, and goes on from there', async () => {
    const { state, people, room } = lived(300)
    const asked: [number, number][] = []
    const recent = new Recent(250, async (after, most) => {
      asked.push([after, most])
      await Promise.resolve()
      return room.done.slice(after, after + most).map((done) => ({ ...done, body: {}, parts: 0 }))
    })
    const since = async (after: number) => [...(await recent.since(state, after, people.owner.id))!].map(numberOf)
    const numbers = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i)
    // Two at once, and an entry that is done meanwhile.
    const both = [since(120), since(60)]
    recent.add(room.done[250]!, 0)
    expect(await Promise.all(both)).toEqual([numbers(121, 251), numbers(61, 251)])
    expect(asked).toEqual([[150, 100], [120, 30], [60, 60]]) // prettier-ignore
    expect(await since(130)).toEqual(numbers(131, 251))
    expect(asked).toHaveLength(3)
  })

  it('is not told where it was written before scopes were kept, nor read again', async () => {
    const { state, people, room } = lived(20)
    let reads = 0
    const recent = new Recent(20, (after, most) => {
      reads++
      const some = room.done.slice(after, after + most)
      return Promise.resolve(some.map(({ entry, scopes }) => ({ entry, scopes: entry.sequence > 8 ? scopes : undefined, body: {}, parts: 0 }))) // prettier-ignore
    })
    expect(await recent.since(state, 3, people.owner.id)).toBeUndefined()
    expect([...(await recent.since(state, 8, people.owner.id))!].map(numberOf)).toEqual([9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20]) // prettier-ignore
    expect(await recent.since(state, 7, people.owner.id)).toBeUndefined()
    expect(reads).toBe(1)
  })

  it('of a large entry tells its parts to those whom it concerns, and its number to the others', () => {
    const { state, people, room } = lived(1)
    const recent = new Recent(0, () => Promise.resolve([]))
    recent.add(room.done[0]!, 7)
    expect(JSON.parse(recent.last(state, people.reader.id))).toEqual({ tell: 'large', sequence: 1, parts: 7 })
    expect(JSON.parse(recent.last(state, people.stranger.id))).toEqual({ tell: 'sequence', n: 1 })
  })
})
