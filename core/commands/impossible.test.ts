import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { CommandId, PersonId } from '../base/ids'
import { isSetChange } from '../change/patch'
import type { State } from '../model/state'
import type { Stay } from '../model/records'
import { runs } from '../test-kit/runs'
import { command, Ids, PlainRoom, randomCommand, smallWorkspace, type Dice } from '../test-kit/workspace'
import { kindsOf, statusesOf } from '../model/reader'
import { parseCommand, type BareCommand, type Command } from './registry'

const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>

/** What is stored of stays, which a state does not hold. */
class Stays {
  readonly #all = new Map<string, Stay>()
  take(room: PlainRoom): void {
    for (const change of room.entries.at(-1)?.patch ?? []) {
      if (change.entity !== 'stay' || isSetChange(change)) continue
      const held = this.#all.get(change.id)
      if (change.field !== '*') this.#all.set(change.id, { ...held!, [change.field]: change.after })
      else if (change.after) this.#all.set(change.id, change.after as Stay)
      else this.#all.delete(change.id)
    }
  }
  openOf(): Map<string, string[]> {
    const open = new Map<string, string[]>()
    for (const stay of this.#all.values())
      if (stay.until === null) open.set(stay.item, [...(open.get(stay.item) ?? []), stay.id])
    return open
  }
}

/** What a state can never be, in words; empty where it is as it should be. */
function impossibleIn(state: State, stays: Stays): string[] {
  const wrong: string[] = []
  const items = [...state.all('item')]
  const parents = new Map(items.map((item) => [item.id as string, item.parent]))
  for (const item of items) {
    let at: string | null | undefined = item.parent
    for (let steps = 0; at; at = parents.get(at)) {
      if (!parents.has(at)) wrong.push(`${item.id} is inside what is not there`)
      if (at === item.id || steps++ > items.length) return [`${item.id} is inside itself`]
    }
  }
  const open = stays.openOf()
  for (const item of items)
    if (open.get(item.id)?.join() !== item.stay) wrong.push(`${item.id} has the open stays ${open.get(item.id)?.join()}`)
  if (open.size !== items.length) wrong.push('a stay of no item is open')
  const twice = (what: string, all: readonly (string | null | undefined)[]) => {
    const said = all.filter((one) => one)
    if (new Set(said).size < said.length) wrong.push(`${what} is there twice`)
  }
  twice('an address', [...state.all('person')].map((person) => person.email?.toLowerCase()))
  twice('a prefix', [...state.all('project')].map((project) => project.prefix))
  for (const project of state.all('project')) twice('a number', items.filter((item) => item.project === project.id).map((item) => String(item.number))) // prettier-ignore
  if (![...state.all('person')].some((person) => person.active && person.role === 'owner')) wrong.push('nobody is an owner')
  return wrong
} // prettier-ignore

describe('whatever is sent, done, undone and done again by whomever', () => {
  it('nothing impossible is ever stored', { timeout: 3_600_000 }, () => {
    const step = fc.record({ dice, who: fc.nat(2), again: fc.nat(9) })
    fc.assert(
      fc.property(fc.array(step, { minLength: 20, maxLength: 60 }), (steps) => {
        const { state, ids, people, project } = smallWorkspace()
        const room = new PlainRoom(state)
        const stays = new Stays()
        const who = [people.owner, people.lead, people.contributor]
        const past = new Map<PersonId, CommandId[]>()
        const sent: Command[] = []
        for (const { dice: roll, who: at, again } of steps) {
          const by = who[at]!.id
          const own = past.get(by) ?? []
          const made = randomCommand(state, project, roll, ids, own, by)
          // Now and then the same again under another number, as a browser never would.
          const next = again === 0 && sent.length ? { ...sent[roll[1] % sent.length]!, id: ids.command() } : made
          if (!next || !room.do(next, by).ok) continue
          sent.push(next)
          past.set(by, [...own, next.id])
          stays.take(room)
          expect(impossibleIn(state, stays), next.type).toEqual([])
        }
      }),
      runs(60, 10_000),
    )
  })
})

describe('what one command may not carry', () => {
  const small = smallWorkspace()
  const { state, project, people } = small
  const ids = new Ids(7)
  const room = new PlainRoom(state)
  const kind = kindsOf(state, project.id)[0]!.id
  const [noted, ready] = statusesOf(state, project.id).map((status) => status.id)
  const item = (id = ids.item()) => ({ item: id, project: project.id, kind, status: noted!, title: 'Bed', parent: null, values: {} }) // prettier-ignore
  const [a, b] = [item(), item()]
  room.do(command(ids, { type: 'items.add', items: [a, b] }), people.owner.id)
  /** As it would come over the line: read first, then judged. */
  function refused(bare: BareCommand): string | undefined {
    const parsed = parseCommand(JSON.parse(JSON.stringify(command(ids, bare))))
    if (!parsed.ok) return parsed.problem.code
    const done = room.do(parsed.value, people.owner.id)
    return done.ok ? undefined : done.problem.code
  }
  const into = (it: typeof a, parent: typeof a) => ({ item: it.item, set: { parent: { from: null, to: parent.item } } })
  const person = (name: string, email: string) => ({ ...people.reader, id: ids.next() as PersonId, name, email })

  it('two parents of each other, nor the same thing twice', () => {
    expect(refused({ type: 'items.set', items: [into(a, b), into(b, a)] })).toBe('loop')
    const titled = { item: a.item, set: { title: { from: 'Bed', to: 'Border' } } }
    expect(refused({ type: 'items.set', items: [titled, titled] })).toBe('unreadable')
    const moved = { item: a.item, status: { from: noted!, to: ready! } }
    expect(refused({ type: 'items.move', items: [moved, moved] })).toBe('unreadable')
    expect(refused({ type: 'items.archive', items: [a.item, a.item], archived: true })).toBe('unreadable')
    const twin = item()
    expect(refused({ type: 'items.add', items: [twin, twin] })).toBe('id-taken')
    expect(refused({ type: 'items.add', items: [a] })).toBe('id-taken')
    const mara = person('Mara', 'mara@garden.example')
    expect(refused({ type: 'people.add', people: [mara, mara], members: [] })).toBe('id-taken')
    expect(refused({ type: 'people.add', people: [mara, person('Other', 'MARA@garden.example')], members: [] })).toBe('name-taken') // prettier-ignore
    expect(refused({ type: 'people.add', people: [mara], members: [] })).toBeUndefined()
  })

  it('an address that was given back to someone else in between', () => {
    const [first, second] = [person('First', 'bench@garden.example'), person('Second', 'bench@garden.example')]
    const adding = command(ids, { type: 'people.add', people: [first], members: [] })
    room.do(adding, people.owner.id)
    const undo = command(ids, { type: 'revert', of: adding.id })
    room.do(undo, people.owner.id)
    expect(refused({ type: 'people.add', people: [second], members: [] })).toBeUndefined()
    expect(refused({ type: 'revert', of: undo.id })).toBe('name-taken')
  })
})
