import fc from 'fast-check'
import { partsOf } from './bare'
import { describe, expect, it } from 'vitest'
import { ok } from '../base/result'
import type { CommandId } from '../base/ids'
import type { Entry } from '../change/command'
import { applyPatch, invert } from '../change/patch'
import { ReplicaState } from '../change/replica-state'
import type { State } from '../model/state'
import {
  contextOf,
  Ids,
  PlainRoom,
  randomCommand,
  setUpCommand,
  smallWorkspace,
  type Dice,
  type Small,
} from '../test-kit/workspace'
import { runs } from '../test-kit/runs'
import { commandTypes, judge, parseCommand, type Command } from './registry'

const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>

describe('apply, then invert', () => {
  it('gives back the same state, for sequences of 100 random commands of every type', () => {
    const seen = new Set<string>()
    fc.assert(
      fc.property(fc.array(dice, { minLength: 100, maxLength: 100 }), (rolls) => {
        const { state, ids, people, project } = smallWorkspace()
        const room = new PlainRoom(state)
        const before = state.snapshot()
        const steps: { snapshot: ReturnType<State['snapshot']>; entry: Entry }[] = []
        const past: CommandId[] = []
        for (const roll of rolls) {
          const command = randomCommand(state, project, roll, ids, past, people.owner.id)
          if (!command) continue
          const snapshot = state.snapshot()
          const done = room.do(command, people.owner.id)
          if (!done.ok) continue
          for (const { type } of [command, ...partsOf(command)]) seen.add(type)
          past.push(command.id)
          steps.push({ snapshot, entry: done.value })
        }
        for (const step of [...steps].reverse()) {
          applyPatch(state, invert(step.entry.patch))
          expect(state.snapshot()).toEqual(step.snapshot)
        }
        expect(state.snapshot()).toEqual(before)
      }),
      runs(40, 400),
    )
    for (const type of setUpTypes()) seen.add(type)
    expect([...seen].sort()).toEqual([...commandTypes].sort())
  })

  /** Of all that a project is set up with, everything in turn: some of it is seldom there for chance to find. */
  function setUpTypes(): Set<string> {
    const seen = new Set<string>()
    const { state, ids, people, project } = smallWorkspace()
    const room = new PlainRoom(state)
    // Of the others each is made once as well, whatever the dice say elsewhere.
    const others = Array.from({ length: 80 }, (_, i) => [i >> 1, 1, i % 2 ? 7 : 0] as const)
    for (let roll = 0; roll < 400 + others.length; roll++) {
      const dice = others[roll - 400]
      const command = dice
        ? randomCommand(state, project, dice, ids, [], people.owner.id)
        : setUpCommand(state, project, roll % 49, roll % 9, ids)
      const before = state.snapshot()
      const done = command && room.do(command, people.owner.id)
      if (!command || !done?.ok) continue
      seen.add(command.type)
      const after = state.snapshot()
      applyPatch(state, invert(done.value.patch))
      expect(state.snapshot()).toEqual(before)
      applyPatch(state, done.value.patch)
      expect(state.snapshot()).toEqual(after)
    }
    return seen
  }

  it('reads every command that it writes', () => {
    fc.assert(
      fc.property(fc.array(dice, { maxLength: 30 }), (rolls) => {
        const { state, ids, people, project } = smallWorkspace()
        const room = new PlainRoom(state)
        for (const roll of rolls) {
          const command = randomCommand(state, project, roll, ids, [], people.owner.id)
          if (!command) continue
          expect(parseCommand(JSON.parse(JSON.stringify(command)))).toEqual(ok(command))
          room.do(command, people.owner.id)
        }
      }),
      runs(50, 500),
    )
  })
})

/** A browser: its replica, what lies on the line to the room, and what lies on the line back. */
class Browser {
  readonly replica: ReplicaState<Command>
  sequence = 0
  outbox: Command[] = []
  constructor(
    start: Small,
    readonly by: Small['people']['owner'],
  ) {
    this.replica = new ReplicaState<Command>((state, command, entries) => {
      const context = { isRoom: false, entryOf: (id: CommandId) => entries.entryOf(id) }
      const judged = judge(state, command, contextOf(command, this.by.id, context))
      return judged.ok ? ok(judged.value.patch) : judged
    })
    for (const [entity, rows] of Object.entries(start.state.snapshot()))
      for (const row of rows) this.replica.state.put(entity as 'item', (row as { id: string }).id, row as never)
  }
  hear(entry: Entry): void {
    if (entry.sequence !== this.sequence + 1) return
    this.replica.confirm(entry)
    this.sequence = entry.sequence
  }
}

describe('two replicas and a room', () => {
  it('end equal, whatever is lost, doubled or reordered on the way ', { timeout: 600_000 }, () => {
    const step = fc.record({ who: fc.nat(1), what: fc.nat(5), dice, n: fc.nat(20) })
    fc.assert(
      fc.property(fc.array(step, { minLength: 5, maxLength: 40 }), (steps) => {
        const start = smallWorkspace()
        const browsers = [new Browser(start, start.people.owner), new Browser(start, start.people.owner)] as const
        const makers = [new Ids(1), new Ids(2)] as const
        const room = new PlainRoom(start.state)
        const past: CommandId[] = []

        for (const { who, what, dice, n } of steps) {
          const browser = browsers[who === 1 ? 1 : 0]
          if (what <= 2) {
            const command = randomCommand(
              browser.replica.state,
              start.project,
              dice,
              makers[who === 1 ? 1 : 0],
              past,
              browser.by.id,
            )
            if (command && browser.replica.add(command).ok) browser.outbox.push(command)
          } else if (what === 3) {
            // Any pending command arrives, perhaps out of turn, perhaps for the second time, its answer perhaps lost.
            const command = browser.outbox[n % Math.max(1, browser.outbox.length)]
            if (command) send(browser, command, n % 2 === 0)
          } else {
            // Some entry is sent again, or too early: only the next one counts.
            const entry = room.entries[what === 4 ? browser.sequence : n % Math.max(1, room.entries.length)]
            if (entry) browser.hear(entry)
          }
        }
        for (const browser of browsers) for (const command of browser.outbox) send(browser, command, true)
        for (const browser of browsers) for (const entry of room.entries) browser.hear(entry)

        for (const browser of browsers) {
          expect(browser.replica.pending).toEqual([])
          expect(browser.replica.state.snapshot()).toEqual(room.state.snapshot())
        }

        function send(browser: Browser, command: Command, answerArrives: boolean) {
          const done = room.do(command, browser.by.id)
          if (done.ok) past.push(command.id)
          else if (answerArrives) browser.replica.refuse(command.id)
        }
      }),
      runs(300, 3000),
    )
  })
})
