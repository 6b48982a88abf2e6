import { beforeEach, describe, expect, it, vi } from 'vitest'
import { must } from '#core/base/result'
import { kindsOf, statusesOf } from '#core/model/reader'
import type { Condition, ViewDefinition } from '#core/model/records'
import { smallWorkspace, type Small } from '#core/test-kit/workspace'
import { columnsOf, gridTemplate, leastWidth } from './table/columns'
import { useAddItem } from './use-add-item'

const around = vi.hoisted(() => ({ session: {} as object, directory: {} as object, changes: {} as { send?: unknown } }))
vi.mock('../stores/session', () => ({ useSession: () => around.session }))
vi.mock('../stores/directory', () => ({ useDirectory: () => around.directory }))
vi.mock('../stores/changes', () => ({ useChanges: () => around.changes }))

let small: Small
let sent: { items: Record<string, unknown>[] }[]
let isRefused: boolean
beforeEach(() => {
  small = smallWorkspace()
  sent = []
  isRefused = false
  Object.assign(around.session, { me: small.people.lead.id })
  Object.assign(around.directory, {
    statuses: (id: never) => statusesOf(small.state, id),
    kinds: (id: never) => kindsOf(small.state, id),
  })
  around.changes.send = (command: never) => (sent.push(command), Promise.resolve(!isRefused))
})
const statuses = () => statusesOf(small.state, small.project.id)
function add(where: Condition[], status?: string) {
  const definition = (): ViewDefinition => ({ v: 1, layout: 'table', where, sort: [], show: [] })
  return useAddItem(() => small.project, definition)('Sow leeks', status as never)
}
const added = () => must(sent.at(-1)?.items[0], 'item')

describe('what is typed into a view', () => {
  it('is an item of the first kind in the first status, of nobody, where the view asks for nothing', async () => {
    const id = await add([])
    expect(added()).toEqual({
      item: id, project: small.project.id, kind: kindsOf(small.state, small.project.id)[0]!.id, title: 'Sow leeks',
      status: statuses()[0]!.id, parent: null, values: {},
    }) // prettier-ignore
  })

  it('is in a status that the view allows, the first that all its phrases do', async () => {
    const [noted, ready, inHand] = statuses().map(({ id }) => id)
    await add([{ about: 'status', statuses: [inHand!, ready!] }])
    expect(added().status).toBe(ready)
    await add([{ about: 'status', statuses: [noted!, inHand!] }, { about: 'status', statuses: [inHand!, ready!] }]) // prettier-ignore
    expect(added().status).toBe(inHand)
    await add([{ about: 'status', statuses: [ready!] }], inHand)
    expect(added().status).toBe(inHand)
  })

  it('falls to whom the view is about, once', async () => {
    const assignees = small.project.uses.assignees!
    await add([
      { about: 'person', people: ['me'] },
      { about: 'turn', of: 'me' },
    ])
    expect(added().values).toEqual({ [assignees]: [small.people.lead.id] })
    await add([{ about: 'person', people: [small.people.reader.id, small.people.owner.id] }])
    expect(added().values).toEqual({ [assignees]: [small.people.reader.id] })
    await add([{ about: 'turn', of: 'nobody' }])
    expect(added().values).toEqual({})
  })

  it('is none where it is refused', async () => {
    isRefused = true
    expect(await add([])).toBeUndefined()
  })
})

describe('the columns of a table', () => {
  const fields = () => [...small.state.all('field')]
  it('are key, title, kind and status, then the fields in their order', () => {
    const columns = columnsOf(fields())
    expect(columns.slice(0, 4).map((one) => one.is)).toEqual(['key', 'title', 'kind', 'status'])
    expect(columns.slice(4).map((one) => one.field?.id)).toEqual(fields().map((one) => one.id))
    expect(columns.filter((one) => !one.sort).map((one) => one.field?.type)).toEqual(['longText'])
    expect(columns.filter((one) => one.isNumber).every((one) => one.field?.type === 'number')).toBe(true)
  })

  it('are as wide for the head as for every row, and never narrower than they can be read', () => {
    const columns = columnsOf(fields())
    const template = gridTemplate(columns).match(/minmax\(\d+px, [\d.]+fr\)|\d+px/g)!
    expect(template).toHaveLength(columns.length)
    const least = template.map((one) => Number(/(\d+)px/.exec(one)![1]))
    expect(least.reduce((sum, one) => sum + one, 0)).toBe(leastWidth(columns))
    expect(Math.min(...least)).toBeGreaterThanOrEqual(60)
  })
})
