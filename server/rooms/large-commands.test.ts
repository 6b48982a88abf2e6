/** What a large command stands on, and in which order its records are written. */
import { beforeEach, describe, expect, it } from 'vitest'
import { inOnePiece } from '#core/base/pieces'
import type { CommandId } from '#core/base/ids'
import { makes, type Change, type Patch } from '#core/change/patch'
import { command, entryOf, PlainRoom, smallWorkspace, type Small } from '#core/test-kit/workspace'
import type { BareCommand, Command } from '#core/commands/registry'
import { kindsOf } from '#core/model/reader'
import type { Item, Stay } from '#core/model/records'
import { Behind } from './behind'
import { Meanwhile } from './meanwhile'

let small: Small
let room: PlainRoom
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
})

const done = (bare: BareCommand): Patch => {
  const one: Command = command(small.ids, bare)
  expect(room.do(one, small.people.owner.id).ok).toBe(true)
  return room.entries.at(-1)!.patch
}
function added(parent: Item['id'] | null = null): { item: Item['id']; patch: Patch } {
  const kind = kindsOf(small.state, small.project.id)[0]!
  const status = small.state.maybe('workflow', kind.workflow)!.start
  const item = small.ids.item()
  const patch = done({ type: 'items.add', items: [{ item, project: small.project.id, kind: kind.id, status, title: 'A', parent, values: {} }] }) // prettier-ignore
  return { item, patch }
}

describe('what others do meanwhile', () => {
  const clash = (theirs: Patch, ours: Patch): boolean => {
    const meanwhile = new Meanwhile()
    meanwhile.add(theirs)
    return inOnePiece(meanwhile.clashesWith(ours, withoutUnique()))
  }
  /** Where a field is unique every item may stand against every other. */
  const withoutUnique = () => {
    const { state } = small
    for (const field of [...state.all('field')]) state.put('field', field.id, { ...field, settings: {} })
    return state
  }

  it('matters where it touches the same items, or what one of them stands inside', () => {
    const [one, two] = [added(), added()]
    const title = (item: string): Patch => [{ entity: 'item', id: item, field: 'title', before: 'A', after: 'B' }]
    expect(clash(title(one.item), title(two.item))).toBe(false)
    expect(clash(title(one.item), title(one.item))).toBe(true)
    const inside = added(one.item)
    // It was put inside one that goes; and one that it is put inside was changed.
    expect(clash(inside.patch, [{ entity: 'item', id: one.item, field: '*', before: {}, after: null }])).toBe(true)
    expect(clash(title(one.item), inside.patch)).toBe(true)
    expect(clash(title(two.item), inside.patch)).toBe(false)
  })

  it('matters where it sets up anything, but for views and the next number', () => {
    const { patch } = added()
    const kind = kindsOf(small.state, small.project.id)[0]!
    const view = [...small.state.all('view')][0]!
    const renamed = done({ type: 'kind.set', target: kind.id, set: { name: { from: kind.name, to: 'Job' } } })
    const viewed = done({ type: 'view.set', target: view.id, set: { name: { from: view.name, to: 'New' } } })
    const ours: Patch = [{ entity: 'item', id: 'other', field: 'title', before: 'A', after: 'B' }]
    expect(clash(renamed, ours)).toBe(true)
    expect(clash(viewed, ours)).toBe(false)
    expect(clash(patch, ours)).toBe(false)
  })

  it('matters whatever it is where a column stops at its limit, and where a limit is set', () => {
    const { patch } = added()
    const column = [...small.state.all('column')][0]!.id
    const to = { most: 100, least: null, of: null, stops: true }
    const ours: Patch = [{ entity: 'item', id: 'other', field: 'title', before: 'A', after: 'B' }]
    expect(clash(patch, ours)).toBe(false)
    const limited = done({ type: 'limit.set', column, from: null, to })
    expect(clash(limited, ours)).toBe(true)
    const meanwhile = new Meanwhile()
    meanwhile.add(patch)
    expect(inOnePiece(meanwhile.clashesWith(ours, withoutUnique()))).toBe(true)
  })

  it('matters whatever it is where a status waits for what is inside', () => {
    const { patch } = added()
    const step = [...small.state.all('step')][0]!
    const ours: Patch = [{ entity: 'item', id: 'other', field: 'title', before: 'A', after: 'B' }]
    done({ type: 'step.set', target: step.id, set: { asks: { from: null, to: [{ asks: 'children' }] } } })
    const meanwhile = new Meanwhile()
    meanwhile.add(patch)
    expect(inOnePiece(meanwhile.clashesWith(ours, withoutUnique()))).toBe(true)
    done({ type: 'step.set', target: step.id, set: { asks: { from: [{ asks: 'children' }], to: null } } })
    expect(inOnePiece(meanwhile.clashesWith(ours, withoutUnique()))).toBe(false)
  })

  it('matters whatever it is where a value may be there once only, or something goes that items may speak of', () => {
    const { patch } = added()
    const ours: Patch = [{ entity: 'item', id: 'other', field: 'title', before: 'A', after: 'B' }]
    const meanwhile = new Meanwhile()
    expect(inOnePiece(meanwhile.clashesWith(ours, small.state))).toBe(false)
    meanwhile.add(patch)
    expect(inOnePiece(meanwhile.clashesWith(ours, small.state))).toBe(true)
    expect(clash(patch, [{ entity: 'option', id: 'o', field: '*', before: {}, after: null }])).toBe(true)
  })
})

describe('the records of a large entry', () => {
  const stay = (n: number): Stay => ({ id: `c/${n}`, item: `i${n}`, status: 's', from: '2026-11-25T09:00:00.000Z', until: null }) as never // prettier-ignore
  const patch: Patch = Array.from({ length: 1500 }, (_, n): Change[] => [
    { entity: 'item', id: `i${n}`, field: '*', before: null, after: { id: `i${n}` } },
    makes('stay', stay(n)),
  ]).flat()
  const behind = () => new Behind('w', entryOf({ id: 'c' as CommandId, type: 'bring-in', v: 2 } as Command, small.people.owner.id, patch)) // prettier-ignore

  it('are written once each, in order, and so is in whose history they stand', () => {
    const all = behind()
    const [changes, items]: [Change[], unknown[]] = [[], []]
    for (let isLast = false; !isLast;) {
      const some = all.next()
      // Where writing fails, the same comes again.
      expect(all.next()).toEqual(some)
      all.wrote(some)
      changes.push(...some.patch)
      items.push(...some.items.map((row) => row.item))
      ;({ isLast } = some)
    }
    expect(changes).toEqual(patch)
    expect(items).toEqual(Array.from({ length: 1500 }, (_, n) => `i${n}`))
    expect(all.left).toBe(0)
  })

  it('that the state does not hold are written before others change them, and not again', () => {
    const all = behind()
    all.wrote(all.next())
    const close = (n: number): Patch => [{ entity: 'stay', id: `c/${n}`, field: 'until', before: null, after: '2026-11-26' }] // prettier-ignore
    expect(all.before(close(3))).toEqual([])
    const before = all.before(close(1200))
    expect(before).toEqual([makes('stay', stay(1200))])
    all.wroteBefore(before)
    expect(all.before(close(1200))).toEqual([])
    all.wrote(all.next())
    expect(all.next().patch).toHaveLength(999)
  })
})
