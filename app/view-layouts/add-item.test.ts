import { beforeEach, describe, expect, it, vi } from 'vitest'
import { must } from '#core/base/result'
import { kindsOf, statusesOf } from '#core/model/reader'
import { fieldRef } from '#core/facts/registry'
import type { AutomaticFactName } from '#core/model/names'
import type { Condition, FactRef, StatusId, View, ViewDefinition } from '#core/model/records'
import { smallWorkspace, type Small } from '#core/test-kit/workspace'
import { columnsOf, gridTemplate, leastWidth } from './table/columns'
import { useAddItem } from './use-add-item'

const around = vi.hoisted(() => ({ session: {} as object, directory: {} as object, changes: {} as { send?: unknown } }))
vi.mock('../data/session', () => ({ useSession: () => around.session }))
vi.mock('../data/directory', () => ({ useDirectory: () => around.directory }))
vi.mock('../data/changes', () => ({ useChanges: () => around.changes }))

let small: Small
let sent: { items: Record<string, unknown>[] }[]
let isRefused: boolean
beforeEach(() => {
  small = smallWorkspace()
  sent = []
  isRefused = false
  gives = null
  Object.assign(around.session, { me: small.people.lead.id })
  Object.assign(around.directory, {
    reader: small.state,
    today: '2026-11-25',
    statuses: (id: never) => statusesOf(small.state, id),
    kinds: (id: never) => kindsOf(small.state, id),
  })
  around.changes.send = (command: never) => (sent.push(command), Promise.resolve(!isRefused))
})
const statuses = () => statusesOf(small.state, small.project.id)
let gives: View['gives']
function add(where: Condition[], status?: StatusId) {
  const definition = (): ViewDefinition => ({ v: 3, layout: 'table', where, group: [], sort: [], totals: [], show: [] })
  const view = () => ({ ...must([...small.state.all('view')][0], 'view'), gives })
  return useAddItem({ project: () => small.project, definition, view }).add('Sow leeks', {}, () => status)
}
const anyOf = (fact: AutomaticFactName | FactRef, values: string[]): Condition => ({
  about: 'fact',
  fact: typeof fact === 'string' ? { fact } : fact,
  test: { is: 'anyOf', values },
})
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
    await add([anyOf('status', [inHand!, ready!])])
    expect(added().status).toBe(ready)
    await add([anyOf('status', [noted!, inHand!]), anyOf('status', [inHand!, ready!])]) // prettier-ignore
    expect(added().status).toBe(inHand)
    await add([anyOf('status', [ready!])], inHand)
    expect(added().status).toBe(inHand)
  })

  it('has what the view gives, unless its phrases ask for something else', async () => {
    const { uses } = small.project
    const assignees = uses.assignees!
    gives = { [uses.effort!]: { is: 'value', value: 480 }, [assignees]: { is: 'maker' }, [uses.due!]: { is: 'today', days: 1 } } // prettier-ignore
    await add([])
    expect(added().values).toEqual({ [uses.effort!]: 480, [assignees]: [small.people.lead.id], [uses.due!]: '2026-11-26' }) // prettier-ignore
    await add([anyOf('people', [small.people.reader.id])])
    expect(added().values).toMatchObject({ [assignees]: [small.people.reader.id] })
    gives = { [uses.effort!]: { is: 'value', value: 'much' } }
    await add([])
    expect(added().values).toEqual({})
  })

  it('falls to whom the view is about, once', async () => {
    const assignees = small.project.uses.assignees!
    await add([anyOf('people', ['me']), anyOf('turn', ['me'])])
    expect(added().values).toEqual({ [assignees]: [small.people.lead.id] })
    await add([anyOf('people', [small.people.reader.id, small.people.owner.id])])
    expect(added().values).toEqual({ [assignees]: [small.people.reader.id] })
    await add([anyOf('turn', ['nobody'])])
    expect(added().values).toEqual({})
  })

  it('has the values that its phrases ask for, whatever they leave open', async () => {
    const { uses } = small.project
    const need = must(small.state.optionsOf(uses.need!)[1], 'need')
    await add([
      { about: 'all', of: [anyOf(fieldRef(uses.need!), [need.id]), { about: 'fact', fact: fieldRef(uses.due!), test: { is: 'days', from: { of: 'week', n: 0 }, to: { of: 'week', n: 0, end: true } } }] },
      { about: 'none', of: [anyOf('phase', ['waiting'])] },
      { about: 'fact', fact: fieldRef(uses.effort!), test: { is: 'between', from: 200, to: null } },
      { about: 'any', of: [anyOf(fieldRef(uses.need!), [])] },
    ]) // prettier-ignore
    expect(added().values).toEqual({ [uses.need!]: need.id, [uses.due!]: '2026-11-29', [uses.effort!]: 200 })
    expect(added().status).toBe(statuses().find((status) => status.phase === 'active')!.id)
  })

  it('is none where it is refused', async () => {
    isRefused = true
    expect(await add([])).toBeUndefined()
  })
})

describe('the columns of a table', () => {
  const fields = () => [...small.state.all('field')]
  it('are key, title, kind and status, then the fields in their order', () => {
    const columns = columnsOf(fields(), {})
    expect(columns.slice(0, 4).map((column) => column.is)).toEqual(['key', 'title', 'kind', 'status'])
    expect(columns.slice(4).map((column) => column.field?.id)).toEqual(fields().map((field) => field.id))
    expect(columns.filter((column) => !column.sort).map((column) => column.field?.type)).toEqual(['longText'])
    expect(columns.filter((column) => column.isNumber).every((column) => column.field?.type === 'number')).toBe(true)
  })

  it('are as wide for the head as for every row, and never narrower than they can be read', () => {
    const columns = columnsOf(fields(), {})
    const template = gridTemplate(columns).match(/minmax\(\d+px, [\d.]+fr\)|\d+px/g)!
    // After the last one a field is made.
    expect(template).toHaveLength(columns.length + 1)
    const least = template.map((one) => Number(/(\d+)px/.exec(one)![1]))
    expect(least.reduce((sum, one) => sum + one, 0)).toBe(leastWidth(columns))
    expect(Math.min(...least.slice(0, -1))).toBeGreaterThanOrEqual(60)
  })

  it('are as wide as somebody has made them, and take no share of the rest then', () => {
    const [effort] = fields().filter((field) => field.type === 'number')
    const columns = columnsOf(fields(), { title: 333, [effort!.id]: 41 })
    expect(gridTemplate(columns.filter((column) => column.id === 'title' || column.id === effort!.id))).toBe(
      '333px 41px 30px',
    )
  })
})
