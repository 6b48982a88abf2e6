import { beforeEach, describe, expect, it, vi } from 'vitest'
import { viewSections } from '#core/model/listed-views'
import type { View } from '#core/model/records'
import { useViewOrder } from './use-view-order'

const around = vi.hoisted(() => ({ sent: [] as unknown[], mayKeep: true }))
vi.mock('../data/changes', () => ({ useChanges: () => ({ send: (command: unknown) => around.sent.push(command) }) }))
vi.mock('../data/directory', () => ({ useDirectory: () => ({ mayKeep: () => around.mayKeep }) }))

interface Sent {
  readonly type: string
  readonly target: string
  readonly before: string | null
  readonly set: { readonly heading: { readonly to: string | null } }
  readonly commands: readonly Sent[]
}
let views: View[]
beforeEach(() => {
  Object.assign(around, { sent: [], mayKeep: true })
  views = (['a', 'b', 'c', 'd'] as const).map((id, i) => ({ id, rank: `a${i}`, heading: i < 2 ? null : 'Weekly' })) as unknown as View[] // prettier-ignore
})
const listed = () => viewSections(views).flatMap(({ views: held }) => held)
const said = () => viewSections(views).map(({ heading, views: held }) => `${heading ?? ''}: ${held.map(({ id }) => id).join('')}`) // prettier-ignore
/** Does what was sent, as the server would. */
function settle(): void {
  const all = (around.sent as Sent[]).splice(0).flatMap((one) => (one.type === 'together' ? one.commands : [one]))
  for (const one of all) {
    if (one.type === 'view.set') views = views.map((view) => (view.id === one.target ? { ...view, heading: one.set.heading.to } : view)) // prettier-ignore
    if (one.type !== 'view.order') continue
    const moved = views.find(({ id }) => id === one.target)!
    const rest = [...views].filter(({ id }) => id !== one.target).sort((a, b) => (a.rank < b.rank ? -1 : 1))
    const at = one.before === null ? rest.length : rest.findIndex(({ id }) => id === one.before)
    views = [...rest.slice(0, at), moved, ...rest.slice(at)].map((view, i) => ({ ...view, rank: `a${i}` }))
  }
}
function move(id: string, by: -1 | 1): string[] {
  useViewOrder().move(
    listed().find((view) => view.id === id)!,
    by,
    listed(),
  )
  settle()
  return said()
}

describe('a view that is moved by one', () => {
  it('changes places under its heading, and past the end of it comes under the next', () => {
    expect(said()).toEqual([': ab', 'Weekly: cd'])
    expect(move('a', 1)).toEqual([': ba', 'Weekly: cd'])
    expect(move('a', 1)).toEqual([': b', 'Weekly: acd'])
    expect(move('a', 1)).toEqual([': b', 'Weekly: cad'])
    expect(move('a', -1)).toEqual([': b', 'Weekly: acd'])
    expect(move('a', -1)).toEqual([': ba', 'Weekly: cd'])
  })

  it('stays at either end, and where it is not one’s to move', () => {
    expect(move('a', -1)).toEqual([': ab', 'Weekly: cd'])
    expect(move('d', 1)).toEqual([': ab', 'Weekly: cd'])
    around.mayKeep = false
    expect(move('a', 1)).toEqual([': ab', 'Weekly: cd'])
    expect(around.sent).toEqual([])
  })

  it('is put before another by a drag, and comes under its heading; at the end under that of the last', () => {
    const { put } = useViewOrder()
    put(listed()[0]!, listed()[3]!, listed())
    settle()
    expect(said()).toEqual([': b', 'Weekly: cad'])
    put(listed()[0]!, null, listed())
    settle()
    expect(said()).toEqual(['Weekly: cadb'])
    put(listed()[3]!, listed()[0]!, listed(), null)
    settle()
    expect(said()).toEqual([': b', 'Weekly: cad'])
  })
})
