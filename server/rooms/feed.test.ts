import { EventEmitter } from 'node:events'
import type { ServerResponse } from 'node:http'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { PersonId } from '#core/base/ids'
import { Feed } from './feed'

const [ann, bob] = ['ann', 'bob'] as unknown as [PersonId, PersonId]
const hello = { tell: 'hello', build: '', protocol: 1, now: '', sequence: 0 } as never

/** What is written to a response, write by write. */
class Heard extends EventEmitter {
  readonly writes: string[] = []
  readonly writableLength = 0
  write = (text: string | Buffer) => this.writes.push(text.toString()) > 0
  end = (text: string) => this.writes.push(text, 'END')
  destroy = () => this.writes.push('CUT')
}

describe('the open event streams', () => {
  let feed: Feed
  afterEach(() => {
    feed.close()
    vi.useRealTimers()
  })
  function listening(person: PersonId, session: string, waiting = 0): Heard {
    const heard = Object.assign(new Heard(), { writableLength: waiting })
    feed.add({ person, session, response: heard as unknown as ServerResponse }, hello)
    heard.writes.length = 0
    return heard
  }
  const begin = () => {
    vi.useFakeTimers()
    feed = new Feed()
  }

  it('tell at once what comes alone, and together what comes close upon it, in order and to each their own', () => {
    begin()
    const [a, again, b] = [listening(ann, 's'), listening(ann, 't'), listening(bob, 'u')]
    feed.publish((person) => `1 ${person}`)
    expect(a.writes).toEqual([])
    vi.advanceTimersByTime(1)
    expect(a.writes).toEqual(['data: 1 ann\n\n'])
    for (const n of [2, 3, 4]) feed.publish((person) => `${n} ${person}`)
    vi.advanceTimersByTime(100)
    for (const heard of [a, again])
      expect(heard.writes).toEqual(['data: 1 ann\n\n', 'data: 2 ann\n\ndata: 3 ann\n\ndata: 4 ann\n\n'])
    expect(b.writes.join('')).toBe('data: 1 bob\n\ndata: 2 bob\n\ndata: 3 bob\n\ndata: 4 bob\n\n')
  })

  it('tell whoever comes only what is done after that, and whoever goes what was done before', () => {
    begin()
    const a = listening(ann, 's')
    feed.publish(() => 'before')
    const late = listening(ann, 't')
    feed.publish(() => 'after')
    feed.end('s')
    expect(a.writes).toEqual(['data: before\n\n', 'data: after\n\n', expect.stringContaining('signed-out'), 'END'])
    vi.advanceTimersByTime(100)
    expect(late.writes).toEqual(['data: after\n\n'])
  })

  it('are cut where nobody reads them', () => {
    begin()
    const stuck = listening(ann, 's', 5 << 20)
    feed.publish(() => 'x')
    vi.advanceTimersByTime(1)
    expect(stuck.writes).toEqual(['CUT'])
  })
})
