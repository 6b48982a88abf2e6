import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Problem } from '#core/base/result'
import { commandOf, type BareCommand, type Command } from '#core/commands/registry'
import type { CommandId } from '#core/base/ids'
import { statusesOf } from '#core/model/reader'
import { smallWorkspace, type Small } from '#core/test-kit/workspace'
import { useChanges } from './changes'
import { useThrough } from './through'

/** A worker that answers what it is given. */
class Worker {
  readonly sent: Command[] = []
  readonly #words = new Map<string, (settled: unknown) => void>()
  /** Why the next command cannot even be begun. */
  refusal: Problem | undefined
  send = (id: CommandId, bare: BareCommand) => {
    const problem = this.refusal
    this.refusal = undefined
    if (problem) return Promise.resolve({ ok: false, problem })
    this.sent.push(commandOf(id, bare))
    return Promise.resolve({ ok: true, value: { name: `change ${this.sent.length}` } })
  }
  settled = (id: string) => new Promise((resolve) => this.#words.set(id, resolve))
  keyOf = (id: string) => Promise.resolve(`KEY ${id}`)
  /** The server's last word on what was sent as the nth. */
  async settle(n: number, settled: unknown): Promise<void> {
    this.#words.get(this.sent[n]!.id)!(settled)
    await rest()
  }
}
const rest = () => new Promise((resolve) => setTimeout(resolve))

const around = vi.hoisted(() => ({ session: {} as { api: unknown; me: string }, directory: {} as { reader: unknown } }))
vi.mock('./session', () => ({ useSession: () => around.session }))
vi.mock('./directory', () => ({ useDirectory: () => around.directory }))

let worker: Worker
let small: Small
let changes: ReturnType<typeof useChanges>
const bare: BareCommand = { type: 'items.set', items: [] }
beforeEach(() => {
  setActivePinia(createPinia())
  worker = new Worker()
  small = smallWorkspace()
  Object.assign(around.session, { api: worker, me: small.people.owner.id })
  Object.assign(around.directory, { reader: small.state })
  changes = useChanges()
})

describe('what this tab did', () => {
  it('is undone and done again in its order, by name', async () => {
    expect(await changes.send(bare)).toBe(true)
    expect(await changes.send(bare)).toBe(true)
    expect([changes.undoName, changes.redoName]).toEqual(['change 2', undefined])
    await changes.undo()
    expect(worker.sent[2]).toMatchObject({ type: 'revert', of: worker.sent[1]!.id })
    expect([changes.undoName, changes.redoName]).toEqual(['change 1', 'change 2'])
    await changes.undo()
    expect(worker.sent[3]).toMatchObject({ type: 'revert', of: worker.sent[0]!.id })
    expect([changes.undoName, changes.redoName]).toEqual([undefined, 'change 1'])
    // What is done again is the undo, undone.
    await changes.redo()
    expect(worker.sent[4]).toMatchObject({ type: 'revert', of: worker.sent[3]!.id })
    expect([changes.undoName, changes.redoName]).toEqual(['change 1', 'change 2'])
    await changes.undo()
    expect(worker.sent[5]).toMatchObject({ type: 'revert', of: worker.sent[4]!.id })
  })

  it('is kept for later while one only looks at a view as someone else', async () => {
    await changes.send(bare)
    useThrough().as = small.people.contributor.id
    await changes.undo()
    expect(worker.sent).toHaveLength(1)
    expect([changes.undoName, changes.notices.length]).toEqual(['change 1', 1])
    useThrough().as = undefined
    await changes.undo()
    expect(worker.sent[1]).toMatchObject({ type: 'revert', of: worker.sent[0]!.id })
  })

  it('cannot be done again once something else was done', async () => {
    await changes.send(bare)
    await changes.undo()
    await changes.send(bare)
    expect(changes.redoName).toBeUndefined()
    await changes.redo()
    expect(worker.sent).toHaveLength(3)
  })

  it('is what was done last, however fast it is undone', async () => {
    void changes.send(bare)
    void changes.undo()
    await changes.redo()
    expect(worker.sent.map((command) => command.type)).toEqual(['items.set', 'revert', 'revert'])
    expect([changes.undoName, changes.redoName]).toEqual(['change 1', undefined])
  })

  it('is nothing at first, and then nothing is sent', async () => {
    await changes.undo()
    await changes.redo()
    expect(worker.sent).toEqual([])
  })

  it('has ids of its own, each another', async () => {
    await changes.send(bare)
    await changes.send(bare)
    expect(worker.sent[0]).toMatchObject({ type: 'items.set', v: 1 })
    expect(worker.sent[0]!.id).not.toBe(worker.sent[1]!.id)
  })
})

describe('what is refused', () => {
  it('at once is said, and is nothing to undo', async () => {
    worker.refusal = { code: 'no-title' }
    expect(await changes.send(bare)).toBe(false)
    expect(changes.undoName).toBeUndefined()
    expect(changes.notices.map((notice) => notice.text)).toEqual(['An item needs a title.'])
    changes.dismiss(changes.notices[0]!.id)
    expect(changes.notices).toEqual([])
  })

  it('by the server later is said, and no longer to undo', async () => {
    await changes.send(bare)
    await changes.send(bare)
    await worker.settle(0, { problem: { code: 'gone' } })
    expect(changes.undoName).toBe('change 2')
    await worker.settle(1, { problem: { code: 'gone' } })
    expect(changes.undoName).toBeUndefined()
    expect(changes.notices).toHaveLength(2)
  })

  it('is told with names: who, which item, which status', async () => {
    const [, ready, inHand] = statusesOf(small.state, small.project.id)
    const at = { item: 'i', field: 'status', by: small.people.lead.id, stored: ready!.id, yours: inHand!.id }
    await changes.send(bare)
    await worker.settle(0, { problem: { code: 'changed-meanwhile', at: [at] } })
    expect(changes.notices[0]?.text).toBe('Imke moved KEY i to Ready just now, and that stays. You wanted In hand.')
    await changes.send(bare)
    await worker.settle(1, { problem: { code: 'changed-meanwhile', at: [{ ...at, by: small.people.owner.id }] } })
    expect(changes.notices[1]?.text).toMatch(/^You moved/)
  })

  it('may be done after all, from what is stored now', async () => {
    const mine: BareCommand = { type: 'items.archive', items: [], archived: true }
    await changes.send(bare, ({ code }) => (code === 'changed-meanwhile' ? mine : undefined))
    await worker.settle(0, { problem: { code: 'changed-meanwhile' } })
    changes.notices[0]!.again!()
    await rest()
    expect(worker.sent[1]).toMatchObject(mine)
    expect(changes.undoName).toBe('change 2')
    // Other problems offer nothing.
    await changes.send(bare, ({ code }) => (code === 'changed-meanwhile' ? mine : undefined))
    await worker.settle(2, { problem: { code: 'gone' } })
    expect(changes.notices[1]!.again).toBeUndefined()
  })

  it('when it would be undone leaves it where it was, not to be tried for ever', async () => {
    await changes.send(bare)
    worker.refusal = { code: 'nothing-to-undo' }
    await changes.undo()
    expect([changes.undoName, changes.redoName]).toEqual([undefined, undefined])
    expect(changes.notices[0]?.text).toMatch(/nothing left to undo/)
  })

  it('fills the screen with no more than four notices', () => {
    for (let i = 0; i < 7; i++) changes.say(`notice ${i}`)
    expect(changes.notices.map((notice) => notice.text)).toEqual(['notice 3', 'notice 4', 'notice 5', 'notice 6'])
  })
})

describe('what an undo could not undo', () => {
  const places = (...ids: string[]) => ids.map((id) => ({ entity: 'item', id, field: 'title' }))

  it('is told, each thing once', async () => {
    await changes.send(bare)
    await changes.undo()
    await worker.settle(1, { done: true, of: 'x', leftAlone: places('i', 'i', 'k') })
    expect(changes.notices.map((notice) => notice.text)).toEqual([
      'Undone, except for 2 things that have been changed again since.',
    ])
  })

  it('is nothing where all of it was undone', async () => {
    await changes.send(bare)
    await changes.undo()
    await worker.settle(1, { done: true, of: 'x' })
    expect(changes.notices).toEqual([])
  })
})

describe('a large change', () => {
  it('is done when the server has said so, and can then be undone', async () => {
    const done = changes.sendAndWait(bare, 'bringing in 412 items')
    await rest()
    expect(changes.undoName).toBeUndefined()
    await worker.settle(0, { done: true, of: 'x' })
    const command = worker.sent[0]!.id
    expect(await done).toEqual({ ok: true, value: command })
    expect([changes.undoName, changes.isDone(command)]).toEqual(['bringing in 412 items', true])
    await changes.undo()
    expect(changes.isDone(command)).toBe(false)
  })

  it('gives its problem to whoever asked for it, refused early or late', async () => {
    worker.refusal = { code: 'too-many-rows' }
    expect(await changes.sendAndWait(bare, 'x')).toEqual({ ok: false, problem: { code: 'too-many-rows' } })
    const late = changes.sendAndWait(bare, 'x')
    await rest()
    await worker.settle(0, { problem: { code: 'not-allowed' } })
    expect(await late).toEqual({ ok: false, problem: { code: 'not-allowed' } })
    expect([changes.undoName, changes.notices.length]).toEqual([undefined, 0])
  })

  it('cannot be done by a page without its worker', async () => {
    around.session.api = undefined
    expect(await changes.sendAndWait(bare, 'x')).toEqual({ ok: false, problem: { code: 'unexpected' } })
    expect(await changes.send(bare)).toBe(false)
  })
})
