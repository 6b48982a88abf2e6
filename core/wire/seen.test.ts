import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { CommandId } from '../base/ids'
import { applyPatch, type Patch } from '../change/patch'
import { parseCommand, type Command } from '../commands/registry'
import type { Person, View } from '../model/records'
import { State } from '../model/state'
import { runs } from '../test-kit/runs'
import {
  command,
  PlainRoom,
  randomCommand,
  scopedOf,
  smallWorkspace,
  type Dice,
  type Small,
} from '../test-kit/workspace'
import { directoryEntities, directoryFor } from './directory'
import { concerns, seenBy } from './seen'

const dice = fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000)) as fc.Arbitrary<Dice>
const emptyView: View['definition'] = { v: 3, layout: 'table', where: [], group: [], sort: [], totals: [], show: [] }

/** The command with every word in it that a person wrote marked. */
function marked(sent: Command): Command {
  const text = JSON.stringify(sent).replaceAll(/"(title|item|words|view|named|field|Bed) /g, '"$1 MARK ')
  const parsed = parseCommand(JSON.parse(text))
  return parsed.ok ? parsed.value : sent
}

/** A lead's own view: made, renamed, removed; what it is called says whose it is. */
function ownViewCommand({ state, project, ids }: Small, lead: Person, roll: number): Command {
  const mine = [...state.all('view')].filter((view) => view.maker === lead.id && view.audience.of === 'maker')
  const view = mine[roll % Math.max(1, mine.length)]
  if (!view || roll % 3 === 0)
    return command(ids, { type: 'view.add', record: { id: ids.next() as never, project: project.id, maker: lead.id, audience: { of: 'maker' }, name: `PRIVATE ${roll}`, rank: `b9${roll % 10}`, definition: emptyView } }) // prettier-ignore
  return roll % 3 === 1
    ? command(ids, {
        type: 'view.set',
        target: view.id,
        set: { name: { from: view.name, to: `PRIVATE anew ${roll}` } },
      })
    : command(ids, { type: 'view.remove', target: view.id, how: {} })
}

/** What a person's pages hold who had this at first and were then sent every entry. */
function heldAfter(before: State, patches: readonly Patch[]): State {
  for (const patch of patches) applyPatch(before, patch)
  return before
}
function stateFrom(small: Small, me: Person): State {
  const state = new State()
  const records = directoryFor(small.state, me.id)
  for (const entity of directoryEntities)
    for (const record of records[entity]) state.put(entity, record.id, record as never)
  return state
}

describe('what others receive', () => {
  it(
    'holds no word of a project or a view that is not theirs, whatever was done, undone and done again',
    { timeout: 3_600_000 },
    () => {
      fc.assert(
        fc.property(fc.array(dice, { minLength: 60, maxLength: 60 }), (rolls) => {
          const small = smallWorkspace()
          const { state, ids, project, people } = small
          state.put('member', `${project.id}/${people.lead.id}`, { id: `${project.id}/${people.lead.id}` as never, project: project.id, person: people.lead.id, role: 'lead' }) // prettier-ignore
          const room = new PlainRoom(state)
          const pages = stateFrom(small, people.contributor)
          const past = new Map<string, CommandId[]>()
          const live: string[] = []
          const patches: Patch[] = []
          for (const roll of rolls) {
            const by = roll[1] % 2 ? people.owner : people.lead
            const own = past.get(by.id) ?? []
            const sent =
              by === people.lead && roll[0] % 3 === 0
                ? ownViewCommand(small, by, roll[2])
                : randomCommand(state, project, roll, ids, own, by.id)
            // Who gains or loses a project is another matter.
            if (!sent || /^(person|member)\./.test(sent.type) || !room.do(marked(sent), by.id).ok) continue
            past.set(by.id, [...own, sent.id])
            const done = room.done.at(-1)!
            live.push(JSON.stringify(seenBy(state, done, people.stranger.id) ?? null))
            patches.push(seenBy(state, done, people.contributor.id)?.patch ?? [])
          }
          const late = room.done.map((done) => JSON.stringify(seenBy(state, done, people.stranger.id) ?? null))
          expect([...live, ...late].filter((text) => text.includes('MARK') || text.includes('PRIVATE'))).toEqual([])
          expect(JSON.stringify(room.done)).toContain('MARK')
          const member = room.done.map((done) => JSON.stringify(seenBy(state, done, people.contributor.id) ?? null))
          expect(member.filter((text) => text.includes('PRIVATE'))).toEqual([])
          // And they receive all that is theirs: their pages hold what the workspace would hand out anew.
          const now = heldAfter(pages, patches)
          const anew = directoryFor(state, people.contributor.id)
          const byId = (records: Iterable<{ readonly id: string }>) =>
            [...records].sort((a, b) => (a.id < b.id ? -1 : 1))
          for (const entity of directoryEntities) expect(byId(now.all(entity)), entity).toEqual(byId(anew[entity])) // prettier-ignore
        }),
        runs(25, 10_000),
      )
    },
  )

  it('an old entry stays for whom it was, whatever its record has become', () => {
    const small = smallWorkspace()
    const { state, ids, people, project } = small
    const view: View = { id: ids.next() as never, project: project.id, maker: people.owner.id, audience: { of: 'maker' }, name: 'SECRET plans', rank: 'a9', definition: emptyView } // prettier-ignore
    const made = command(ids, { type: 'view.add', record: view })
    const of = (patch: Patch) => scopedOf(state, made, people.owner.id, patch)
    const set = (field: string, before: unknown, after: unknown) =>
      of([{ entity: 'view', id: view.id, field, before, after }])
    const added = of([{ entity: 'view', id: view.id, field: '*', before: null, after: view }])
    const named = set('name', 'SECRET plans', 'Plans')
    const shared = set('audience', view.audience, { of: 'project' })
    const renamed = set('name', 'Plans', 'Open plans')
    const withdrawn = set('audience', { of: 'project' }, view.audience)
    const seen = (me: Person) => [added, named, shared, renamed, withdrawn].map((done) => seenBy(state, done, me.id)?.patch) // prettier-ignore
    expect(seen(people.contributor)).toEqual([
      undefined,
      undefined,
      [{ entity: 'view', id: view.id, field: '*', before: null, after: { ...view, name: 'Plans', audience: { of: 'project' } } }],
      renamed.entry.patch,
      [{ entity: 'view', id: view.id, field: '*', before: null, after: null }],
    ]) // prettier-ignore
    expect(seen(people.owner)).toEqual([added, named, shared, renamed, withdrawn].map(({ entry }) => entry.patch))
    expect(seen(people.stranger)).toEqual([undefined, undefined, undefined, undefined, undefined])
    expect(concerns(state, added.scopes, people.contributor.id)).toBe(false)
    expect(concerns(state, shared.scopes, people.contributor.id)).toBe(true)
  })
})
