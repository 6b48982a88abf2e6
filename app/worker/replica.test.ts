import { describe, expect, it, vi } from 'vitest'
import type { PlainDate } from '#core/base/dates'
import type { ItemId } from '#core/base/ids'
import { must } from '#core/base/result'
import type { Entry } from '#core/change/command'
import type { Command } from '#core/commands/registry'
import { mostChangesAtOnce } from '#core/change/patch'
import { kindsOf, statusesOf } from '#core/model/reader'
import { command, PlainRoom, smallWorkspace } from '#core/test-kit/workspace'
import { directoryFor } from '#core/wire/directory'
import type { FeedMessage } from '#core/wire/feed'
import { seenBy } from '#core/wire/seen'
import { toPayload } from '#core/wire/payload'
import { LinkDown, Refused, type ServerLink } from './server-link'
import type { PendingBox } from './pending-box'
import { Replica, type Standing } from './replica'

/** A server in memory, whose link can be cut, and which tells entries of some types in parts. */
class Elsewhere {
  readonly small = smallWorkspace()
  readonly room = new PlainRoom(this.small.state)
  readonly me = this.small.people.owner.id
  isCut = false
  hear: ((message: FeedMessage) => void) | undefined
  #hangUp: (() => void) | undefined
  sent: string[] = []
  askedPast: number[] = []

  do(command: Command): void {
    if (this.room.do(command, this.me).ok) this.tell(this.room.entries.length)
  }
  tell(sequence: number): void {
    if (!this.isCut) this.hear?.(this.message(sequence))
  }
  message(sequence: number) {
    const entry = this.#seen(sequence)
    return entry.type === 'bring-in'
      ? ({ tell: 'large', sequence, parts: 2 } as const)
      : ({ tell: 'entry', entry } as const)
  }
  #seen(sequence: number): Entry {
    return must(seenBy(this.small.state, must(this.room.done[sequence - 1], 'entry'), this.me), 'entry')
  }
  cut(): void {
    this.isCut = true
    this.#hangUp?.()
  }
  #up(): void {
    if (this.isCut) throw new LinkDown('cut')
  }

  readonly link: ServerLink = {
    directory: async () => {
      this.#up()
      return {
        me: this.me,
        sequence: this.room.entries.length,
        build: 'b',
        now: '2026-11-25T09:00:00.000Z',
        today: '2026-11-25' as PlainDate,
        records: directoryFor(this.small.state, this.me),
      }
    },
    items: async (project) => toPayload(this.small.state, project as never, this.room.entries.length),
    logAfter: async (after) => {
      this.#up()
      return this.room.entries.slice(after).map((entry) => this.message(entry.sequence))
    },
    part: async (sequence, part) => {
      this.#up()
      const entry = this.#seen(sequence)
      const half = Math.ceil(entry.patch.length / 2)
      return { ...entry, patch: entry.patch.slice(part * half, (part + 1) * half) }
    },
    stop: () => Promise.resolve(),
    send: async (command) => {
      this.#up()
      this.sent.push(command.id)
      const done = this.room.do(command, this.me)
      if (!done.ok) return { problem: done.problem }
      this.tell(done.value.sequence)
      const message = this.message(done.value.sequence)
      return message.tell === 'large' ? { large: { sequence: message.sequence, parts: 2 } } : { entry: message.entry }
    },
    past: async (_project, daysAgo) => {
      this.askedPast.push(daysAgo)
      return {
        sequence: this.room.entries.length,
        statuses: Object.fromEntries([...this.small.state.all('item')].map((item) => [item.id, `status ${daysAgo}`])),
      }
    },
    history: async () => ({ entries: [], more: false }),
    longTexts: async () => ({}),
    longText: async () => ({ revision: 0, text: '' }),
    typicalStays: async () => ({}),
    signOut: async () => undefined,
    feed: async (hear, stop) => {
      this.#up()
      this.hear = hear
      hear({
        tell: 'hello',
        build: 'b',
        protocol: 2,
        now: '2026-11-25T09:00:00.000Z',
        sequence: this.room.entries.length,
      })
      await new Promise<void>((resolve) => {
        this.#hangUp = resolve
        stop.addEventListener('abort', () => resolve())
      })
    },
  }
}

class MemoryBox implements PendingBox {
  readonly held = new Map<string, Command>()
  all = async () => [...this.held.values()]
  keep = async (command: Command) => void this.held.set(command.id, command)
  drop = async (command: string) => void this.held.delete(command)
  wipe = async () => this.held.clear()
}

async function opened(elsewhere: Elsewhere, box = new MemoryBox()) {
  const standings: Standing[] = []
  const replica = new Replica(
    {
      link: elsewhere.link,
      box,
      build: 'b',
      now: Date.now,
      wait: (ms) => new Promise((resolve) => setTimeout(resolve, ms / 50)),
    },
    { changed: () => undefined, standing: (standing) => standings.push(standing) },
  )
  await replica.open()
  return { replica, box, standings }
}

function addOf({ small }: Elsewhere, title: string): Command {
  const { project, state, ids } = small
  const item = {
    item: ids.item(),
    project: project.id,
    kind: kindsOf(state, project.id)[0]!.id,
    status: statusesOf(state, project.id)[0]!.id,
    title,
    parent: null,
    values: {},
  }
  return { id: ids.command(), type: 'items.add', v: 1, items: [item] }
}
function bringOf({ small }: Elsewhere, n: number): Command {
  const { project, ids } = small
  const one = addOf({ small } as Elsewhere, 'x') as Extract<Command, { type: 'items.add' }>
  const items = Array.from({ length: n }, (_, i) => ({
    ...one.items[0]!,
    item: ids.item() as ItemId,
    title: `row ${i}`,
  }))
  return {
    id: ids.command(),
    type: 'bring-in',
    v: 2,
    project: project.id,
    people: [],
    kinds: [],
    fields: [],
    options: [],
    texts: [],
    items,
  }
}
const titles = (replica: Replica) => [...replica.state.all('item')].map((item) => item.title).sort()
const same = (replica: Replica, elsewhere: Elsewhere) =>
  expect.poll(() => replica.state.snapshot()).toEqual(elsewhere.room.state.snapshot())

describe('a replica', () => {
  it('applies at once, and takes the server’s number when it comes', async () => {
    const elsewhere = new Elsewhere()
    const { replica, box } = await opened(elsewhere)
    const command = addOf(elsewhere, 'a')
    expect(replica.add(command).ok).toBe(true)
    expect(titles(replica)).toEqual(['a'])
    expect(await replica.settled(command.id)).toMatchObject({ done: true })
    expect([...replica.state.all('item')][0]?.number).toBe(1)
    await expect.poll(() => box.held.size).toBe(0)
    await same(replica, elsewhere)
    replica.end()
  })

  it('asks the server once where items stood some days ago, and again for what has moved since', async () => {
    const elsewhere = new Elsewhere()
    elsewhere.do(addOf(elsewhere, 'a'))
    const { replica } = await opened(elsewhere)
    const [item] = [...replica.state.all('item')].map(({ id }) => id)
    expect([replica.past(3, item!), replica.past(3, item!)]).toEqual([undefined, undefined])
    await expect.poll(() => replica.past(3, item!)).toBe('status 3')
    expect(elsewhere.askedPast).toEqual([3])
    expect(replica.past(3, 'no item')).toBeUndefined()
    elsewhere.do(addOf(elsewhere, 'b'))
    await same(replica, elsewhere)
    const later = [...replica.state.all('item')].find((one) => one.title === 'b')!.id
    expect(replica.past(3, later)).toBeUndefined()
    await expect.poll(() => replica.past(3, later)).toBe('status 3')
    expect(elsewhere.askedPast).toEqual([3, 3])
    replica.end()
  })

  it('puts the titles in order beforehand, and begins again where one was changed meanwhile', async () => {
    const elsewhere = new Elsewhere()
    for (let i = 0; i < 1500; i++) elsewhere.do(addOf(elsewhere, `Pane ${(i * 7) % 1500}`))
    const { replica } = await opened(elsewhere)
    const { title } = replica.state.table(elsewhere.small.project.id)
    expect(title.ordering.isKnown).toBe(false)
    replica.add(addOf(elsewhere, 'Ahead of all'))
    await vi.waitFor(() => expect(title.ordering.isKnown).toBe(true))
    expect(title.a[title.ordering.order[0]!]).toBe('Ahead of all')
    expect(title.ordering.n).toBe(1501)
    replica.end()
  })

  it('hears others, also what comes in parts, and what comes while the parts are fetched', async () => {
    const elsewhere = new Elsewhere()
    const { replica } = await opened(elsewhere)
    elsewhere.do(bringOf(elsewhere, 20))
    elsewhere.do(addOf(elsewhere, 'after'))
    await same(replica, elsewhere)
    expect(titles(replica)).toHaveLength(21)
    replica.end()
  })

  it('sends its own large command, and undoes it', async () => {
    const elsewhere = new Elsewhere()
    const { replica } = await opened(elsewhere)
    const n = mostChangesAtOnce + 1
    const bring = bringOf(elsewhere, n)
    replica.add(bring)
    expect(titles(replica)).toEqual([])
    expect(await replica.settled(bring.id)).toMatchObject({ done: true })
    expect(titles(replica)).toHaveLength(n)
    const back: Command = { id: elsewhere.small.ids.command(), type: 'revert', v: 1, of: bring.id }
    replica.add(back)
    await replica.settled(back.id)
    expect(titles(replica)).toEqual([])
    await same(replica, elsewhere)
    replica.end()
  })

  it('undoes what the server has not answered yet, and does it again', async () => {
    const elsewhere = new Elsewhere()
    const { replica } = await opened(elsewhere)
    const add = addOf(elsewhere, 'a')
    replica.add(add)
    await replica.settled(add.id)
    const item = [...replica.state.all('item')][0]!
    const to = statusesOf(replica.state, elsewhere.small.project.id)[3]!.id
    const { ids } = elsewhere.small
    const move = command(ids, { type: 'items.move', items: [{ item: item.id, status: { from: item.status, to } }] })
    const back = command(ids, { type: 'revert', of: move.id })
    const again = command(ids, { type: 'revert', of: back.id })
    const status = () => replica.state.maybe('item', item.id)?.status
    for (const one of [move, back]) expect(replica.add(one).ok).toBe(true)
    expect(await replica.settled(back.id)).toMatchObject({ done: true })
    expect(status()).toBe(item.status)
    expect(replica.add(again).ok).toBe(true)
    expect(await replica.settled(again.id)).toMatchObject({ done: true })
    expect(status()).toBe(to)
    await same(replica, elsewhere)
    replica.end()
  })

  it('forgets what it has not sent once it is told that its person was removed', async () => {
    const elsewhere = new Elsewhere()
    const { replica, box } = await opened(elsewhere)
    await vi.waitFor(() => expect(elsewhere.hear).toBeDefined())
    elsewhere.isCut = true
    expect(replica.add(addOf(elsewhere, 'Never sent')).ok).toBe(true)
    await vi.waitFor(() => expect(box.held.size).toBe(1))
    elsewhere.hear?.({ tell: 'ended', why: 'removed' })
    await vi.waitFor(() => expect(box.held.size).toBe(0))
    expect(replica.standing.link).toBe('signed-out')
  })

  it('takes a refusal back, and says why', async () => {
    const elsewhere = new Elsewhere()
    const { replica } = await opened(elsewhere)
    const command = addOf(elsewhere, 'mine')
    replica.add(command)
    await replica.settled(command.id)
    const item = [...replica.state.all('item')][0]!
    const set = (to: string): Command => ({
      id: elsewhere.small.ids.command(),
      type: 'items.set',
      v: 1,
      items: [{ item: item.id, set: { title: { from: 'mine', to } } }],
    })
    elsewhere.hear = undefined
    elsewhere.do(set('theirs'))
    const late = set('late')
    expect(replica.add(late).ok).toBe(true)
    expect(titles(replica)).toEqual(['late'])
    expect(await replica.settled(late.id)).toMatchObject({ problem: { code: 'changed-meanwhile' } })
    replica.end()
  })

  it('keeps what is done while the link is cut, in order, and catches up when it is back', async () => {
    const elsewhere = new Elsewhere()
    const { replica, box, standings } = await opened(elsewhere)
    elsewhere.cut()
    await expect.poll(() => replica.standing.link).toBe('down')
    const commands = ['one', 'two', 'three'].map((title) => addOf(elsewhere, title))
    for (const command of commands) replica.add(command)
    elsewhere.do(addOf(elsewhere, 'meanwhile'))
    await expect.poll(() => box.held.size).toBe(3)
    expect(elsewhere.sent).toEqual([])
    expect(standings.at(-1)).toMatchObject({ link: 'down', pending: 3 })
    elsewhere.isCut = false
    for (const command of commands) expect(await replica.settled(command.id)).toMatchObject({ done: true })
    expect(elsewhere.sent).toEqual(commands.map((command) => command.id))
    await same(replica, elsewhere)
    expect(titles(replica)).toEqual(['meanwhile', 'one', 'three', 'two'])
    replica.end()
  })

  it('sends what a closed one left behind, once, though its answer was lost', async () => {
    const elsewhere = new Elsewhere()
    const box = new MemoryBox()
    const done = addOf(elsewhere, 'done before')
    const waiting = addOf(elsewhere, 'waiting')
    await box.keep(done)
    await box.keep(waiting)
    elsewhere.do(done)
    const { replica } = await opened(elsewhere, box)
    expect(await replica.settled(waiting.id)).toMatchObject({ done: true })
    await same(replica, elsewhere)
    expect(titles(replica)).toEqual(['done before', 'waiting'])
    await expect.poll(() => box.held.size).toBe(0)
    replica.end()
  })

  it('that has to fetch everything again, and is cut meanwhile, still sends what is pending', async () => {
    const elsewhere = new Elsewhere()
    const { replica, box } = await opened(elsewhere)
    const { logAfter, items } = elsewhere.link
    let refusals = 0
    let cuts = 0
    Object.assign(elsewhere.link, {
      logAfter: (after: number) =>
        refusals++ ? logAfter(after) : Promise.reject(new Refused({ code: 'log-too-far-back' })),
      items: (...args: Parameters<ServerLink['items']>) =>
        cuts++ ? items(...args) : Promise.reject(new LinkDown('cut')),
    })
    elsewhere.cut()
    await expect.poll(() => replica.standing.link).toBe('down')
    const command = addOf(elsewhere, 'kept')
    replica.add(command)
    await expect.poll(() => box.held.size).toBe(1)
    elsewhere.do(addOf(elsewhere, 'meanwhile'))
    elsewhere.isCut = false
    await expect.poll(() => cuts).toBeGreaterThan(1)
    expect(await replica.settled(command.id)).toMatchObject({ done: true })
    await same(replica, elsewhere)
    expect(titles(replica)).toEqual(['kept', 'meanwhile'])
    await expect.poll(() => replica.standing.pending).toBe(0)
    replica.end()
  })
})
