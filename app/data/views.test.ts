import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { must } from '#core/base/result'
import { rankAfter } from '#core/base/ranks'
import type { AutomaticFactName } from '#core/model/names'
import type { View, ViewDefinition } from '#core/model/records'
import { lookId } from '#core/model/looks'
import { smallWorkspace, type Small } from '#core/test-kit/workspace'
import { useViews } from './views'

const around = vi.hoisted(() => ({
  session: {} as { me: string },
  directory: {} as { views: () => unknown; reader: unknown },
  changes: {} as Record<'send' | 'sendAside', (command: unknown, again?: () => unknown) => Promise<boolean>>,
  begun: { drafts: Promise.resolve({}) } as { drafts: Promise<object> },
}))
vi.mock('./session', () => ({ useSession: () => around.session }))
vi.mock('./directory', () => ({ useDirectory: () => around.directory }))
vi.mock('./changes', () => ({ useChanges: () => around.changes }))
vi.mock('./begin', () => ({ begun: around.begun, draftsKey: (me: string) => `drafts of ${me}` }))

let small: Small
let view: View
let sent: unknown[]
let isRefused: boolean
let kept: Map<string, string>
let views: ReturnType<typeof useViews>
const sortedBy = (fact: AutomaticFactName): ViewDefinition => ({
  ...view.definition,
  sort: [{ by: { fact }, down: false }],
})
const draft = (fact: AutomaticFactName) => ({ definition: sortedBy(fact), from: view.definition })
const inBrowser = () => JSON.parse(kept.get(`drafts of ${small.people.lead.id}`) ?? 'null') as unknown

beforeEach(() => {
  setActivePinia(createPinia())
  small = smallWorkspace()
  view = must(
    [...small.state.all('view')].find((one) => one.definition.layout === 'table'),
    'table',
  )
  sent = []
  isRefused = false
  kept = new Map()
  vi.stubGlobal('localStorage', { setItem: (key: string, value: string) => kept.set(key, value) })
  Object.assign(around.session, { me: small.people.lead.id })
  Object.assign(around.directory, { views: () => [...small.state.all('view')], reader: small.state })
  around.changes.send = around.changes.sendAside = (command) => {
    sent.push(command)
    return Promise.resolve(!isRefused)
  }
  around.begun.drafts = Promise.resolve({})
  views = useViews()
})

describe('a view that somebody changes', () => {
  it('is theirs alone, in this browser, until it is put back', () => {
    expect(views.isChanged(view)).toBe(false)
    expect(views.inputOf(view)).toEqual({ view: view.id, draft: undefined })
    views.change(view, sortedBy('title'))
    expect(views.isChanged(view)).toBe(true)
    expect(views.definitionOf(view)).toEqual(sortedBy('title'))
    expect(views.inputOf(view).draft).toEqual(sortedBy('title'))
    expect(inBrowser()).toEqual({ [view.id]: draft('title') })
    views.putBack(view)
    expect([views.isChanged(view), inBrowser()]).toEqual([false, {}])
    expect(sent).toEqual([])
  })

  it('to what it was is not changed', () => {
    views.change(view, structuredClone(view.definition))
    expect(views.isChanged(view)).toBe(false)
  })

  it('is kept for all with what it was made from, and no longer one’s own then', async () => {
    views.change(view, sortedBy('title'))
    await views.keep(view)
    const definition = { from: view.definition, to: sortedBy('title') }
    expect(sent).toEqual([{ type: 'view.set', target: view.id, set: { definition } }])
    expect(inBrowser()).toEqual({})
  })

  it('stays one’s own where keeping it is refused', async () => {
    isRefused = true
    views.change(view, sortedBy('title'))
    await views.keep(view)
    expect(await views.addFrom(view, { name: 'Mine', audience: { of: 'maker' } })).toBeUndefined()
    expect(views.definitionOf(view)).toEqual(sortedBy('title'))
  })

  it('is told where somebody saved it otherwise meanwhile, and is given back where that was refused', async () => {
    views.change(view, sortedBy('title'))
    expect(views.overtakenFrom(view)).toBeUndefined()
    const theirs = { ...view, definition: sortedBy('late') }
    expect(views.overtakenFrom(theirs)).toEqual(view.definition)
    expect(views.overtakenFrom({ ...view, definition: sortedBy('title') })).toBeUndefined()
    let refuse: (() => unknown) | undefined
    around.changes.send = (_command, again?: () => unknown) => ((refuse = again), Promise.resolve(true))
    await views.keep(view)
    expect(views.isChanged(view)).toBe(false)
    refuse?.()
    expect(views.definitionOf(view)).toEqual(sortedBy('title'))
    views.putBack(view)
    expect(views.overtakenFrom(theirs)).toBeUndefined()
  })

  it('is kept as one’s own beside the shared one, after all others', async () => {
    views.change(view, sortedBy('title'))
    const id = await views.addFrom(view, { name: 'Mine', audience: { of: 'maker' } })
    const last = rankAfter([...small.state.all('view')])
    expect(sent).toMatchObject([
      {
        type: 'view.add',
        record: {
          id,
          name: 'Mine',
          maker: small.people.lead.id,
          audience: { of: 'maker' },
          rank: last,
          definition: sortedBy('title'),
        },
      },
    ])
    expect(views.isChanged(view)).toBe(false)
  })

  it('takes the widths along that one sees when it is kept', async () => {
    await views.setWidth(view, 'title', 400)
    expect(sent).toEqual([{ type: 'look.set', view: view.id, widths: { title: 400 } }])
    const id = lookId(view.id, small.people.lead.id)
    small.state.put('look', id, { id, project: view.project, view: view.id, person: small.people.lead.id, widths: { title: 400 } }) // prettier-ignore
    expect(views.widthsOf(view)).toEqual({ title: 400 })
    expect(views.isChanged(view)).toBe(false)
    views.change(view, sortedBy('title'))
    await views.keep(view)
    expect(sent[1]).toMatchObject({ set: { definition: { to: { ...sortedBy('title'), widths: { title: 400 } } } } })
  })

  it('is removed by its id', async () => {
    await views.remove(view)
    expect(sent).toEqual([{ type: 'view.remove', target: view.id, how: {} }])
  })
})

describe('what this browser kept', () => {
  it('is taken up', async () => {
    around.begun.drafts = Promise.resolve({ [view.id]: draft('late') })
    await views.restore()
    expect(views.definitionOf(view)).toEqual(sortedBy('late'))
    expect(inBrowser()).toBeNull()
  })

  it('and what was changed before it had been read are both kept, the newer one for the same view', async () => {
    around.begun.drafts = Promise.resolve({ [view.id]: draft('late'), other: draft('key') })
    views.change(view, sortedBy('title'))
    await views.restore()
    expect(views.definitionOf(view)).toEqual(sortedBy('title'))
    expect(inBrowser()).toEqual({ [view.id]: draft('title'), other: draft('key') })
  })
})
