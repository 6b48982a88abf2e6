import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { proposeColumns } from '../bring-in/columns'
import { parseCsv } from '../bring-in/csv'
import { planRows } from '../bring-in/plan'
import { plainText, safeText } from '../bring-in/print-csv'
import { must } from '../base/result'
import { isEmptyValue } from '../fields/contract'
import { fieldTypes, isInItem } from '../fields/registry'
import { compareSiblings, fieldContext, fieldsOf, kindsOf, statusesOf, type Reader } from '../model/reader'
import { compareRanked } from '../base/ranked'
import type { Item, ItemId, ProjectId } from '../model/records'
import { likeAnother } from '../projects/like-another'
import { Acting } from '../test-kit/acting'
import { runs } from '../test-kit/runs'
import { ask } from './registry'
import type { ServerPort } from './contract'
import type { SheetInput } from './sheet'

const titles = [
  'Sow leeks',
  '=1+1',
  "'=already",
  '@here, “quoted”',
  '-5 below',
  'a; b',
  'Ünïcode 中文',
  '+',
  '  spaced  ',
  '"',
]
const optional = <T>(of: fc.Arbitrary<T>) => fc.option(of, { nil: undefined })
const sketch = fc.record({
  title: fc.constantFrom(...titles),
  status: fc.nat(3),
  /** Before it among the items, so that what is around it is there. */
  inside: fc.nat(20),
  due: optional(fc.constantFrom('2026-11-05', '2027-02-28')),
  effort: optional(fc.integer({ min: -900, max: 90_000 })),
  tags: fc.subarray([0, 1, 2]),
  people: fc.subarray([0, 1, 2]),
  signed: fc.boolean(),
  reference: optional(fc.constantFrom('R-1', '=R', '7')),
})

function begun(sketches: readonly (typeof sketch extends fc.Arbitrary<infer T> ? T : never)[]) {
  const acting = new Acting()
  const { state, project, ids, people } = acting.small
  const { uses } = project
  const [tags, signed] = [acting.field('tags'), acting.field('signed off')]
  const options = state.optionsOf(tags.id)
  const everyone = Object.values(people)
  const made: ItemId[] = []
  for (const [i, one] of sketches.entries()) {
    const item = ids.item()
    const values = {
      [must(uses.due, 'due')]: one.due ?? null,
      [must(uses.effort, 'effort')]: one.effort ?? null,
      [tags.id]: one.tags.map((at) => options[at]!.id),
      [must(uses.assignees, 'assignees')]: one.people.map((at) => everyone[at]!.id).sort(),
      [signed.id]: one.signed || null,
    }
    const parent = one.inside < i ? made[one.inside]! : null
    const kind = must(kindsOf(state, project.id)[0], 'kind').id
    const status = statusesOf(state, project.id)[one.status]!.id
    expect(acting.leadDoes({ type: 'items.add', items: [{ item, project: project.id, kind, title: one.title, parent, status, values: values as Item['values'] }] })).toBe('done') // prettier-ignore
    made.push(item)
  }
  const view = must([...state.all('view')].find(({ definition }) => definition.layout === 'table'), 'table') // prettier-ignore
  const show = fieldsOf(state, project.id).filter((field) => isInItem(field) && !fieldTypes[field.type].isApart)
  const draft = { ...view.definition, show: show.map(({ id }) => id), where: [], group: [], sort: [] }
  const context = { state, me: people.lead.id, today: () => '2026-11-05' as const }
  const csv = (more: Partial<SheetInput> = {}) => ask(context, 'csv', { view: view.id, draft, as: 'values', ...more })
  return { acting, state, project, people, ids, view, draft, context, csv, made }
}

/** What is the same of two projects that say the same: titles, values and places, by names. */
function said(reader: Reader, project: ProjectId, apart: readonly string[] = []) {
  const items = [...reader.itemsOf(project)].sort(compareRanked)
  const place = (item: Item) => {
    const siblings = items.filter(({ parent }) => parent === item.parent).sort(compareSiblings)
    return siblings.findIndex(({ id }) => id === item.id)
  }
  const fields = fieldsOf(reader, project).filter((field) => isInItem(field) && !apart.includes(field.name))
  return items.map((item) => ({
    title: item.title,
    status: reader.maybe('status', item.status)?.name,
    kind: reader.maybe('kind', item.kind)?.name,
    inside: items.findIndex(({ id }) => id === item.parent),
    place: place(item),
    values: fields.flatMap((field) => (isEmptyValue(item.values[field.id]) ? [] : [[field.name, fieldTypes[field.type].print(item.values[field.id]!, fieldContext(reader, field))]])), // prettier-ignore
  }))
}

describe('a view taken out as CSV', () => {
  it('and brought into an empty project gives equal values, hierarchy and order', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(sketch, { minLength: 1, maxLength: 12 }), async (sketches) => {
        const { acting, state, project, people, ids, csv } = begun(sketches)
        const alike = likeAnother(state, project, { name: 'Seed bank', prefix: 'SED', colour: 'moss', rank: 'b8', maker: people.lead.id }, ids.next) // prettier-ignore
        expect(acting.leadDoes({ type: 'projects.create', ...alike.body })).toBe('done')
        const other = must(state.maybe('project', alike.body.project.id), 'other')
        const read = parseCsv(await csv())
        if (!read.ok) throw new Error(read.problem.code)
        const columns = proposeColumns(read.value, state, other.id).map((column) => ({ ...column, unsure: [] }))
        const plan = planRows(read.value, columns, { statuses: {}, mends: {} }, state, other, ids.next)
        expect(plan.faults).toEqual([])
        expect(acting.leadDoes({ type: 'bring-in', ...plan.body })).toBe('done')
        // The keys that they had are kept beside.
        expect(said(state, other.id, ['outside reference'])).toEqual(said(state, project.id, ['outside reference']))
      }),
      runs(25, 300),
    )
  })

  it('holds nothing that a spreadsheet works out, and gives it back as it was', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom("'", '=', '+', '-', '@', '\t', 'a', '1') }), (text) => {
        expect(safeText(text)).not.toMatch(/^[=+\-@\t\r]/)
        expect(plainText(safeText(text))).toBe(text)
      }),
    )
  })

  it('is of the selected alone where some are, in the order of the view', async () => {
    const { csv, made, state } = begun([{ title: 'Sow leeks', status: 0, inside: 9, tags: [], people: [], signed: false }, { title: '+', status: 1, inside: 0, tags: [], people: [], signed: false }, { title: '"', status: 0, inside: 0, tags: [], people: [], signed: true }] as never) // prettier-ignore
    const lines = (text: string) => text.split('\r\n').slice(1).map((line) => line.split(',')[1]) // prettier-ignore
    expect(lines(await csv({ items: [made[2]!, made[0]!] }))).toEqual(['Sow leeks', '""""'])
    expect(lines(await csv())).toEqual(['Sow leeks', "'+", '""""'])
    const [first] = (await csv()).split('\r\n')
    expect(first).toMatch(/^key,title,kind,status,part of,/)
    expect(state).toBeTruthy()
  })

  it('holds the long texts that the view shows, which the server has, and they are read back line by line', async () => {
    const { context, acting, csv, draft, view, made, state, project, ids } = begun([{ title: 'Sow leeks', status: 0, inside: 9, tags: [], people: [], signed: false }, { title: 'Lag pipes', status: 1, inside: 0, tags: [], people: [], signed: false }] as never) // prettier-ignore
    const notes = acting.field('notes')
    const words = '=Line one, “so”\n\n- "two"'
    const asked: string[] = []
    const server = {
      longTexts: async (of: string, field: string) => {
        asked.push(`${of} ${field}`)
        return { [made[1]!]: words }
      },
    } as unknown as ServerPort
    const withNotes = { ...draft, show: [...draft.show, notes.id] }
    const text = await ask({ ...context, server }, 'csv', { view: view.id, draft: withNotes, as: 'values' })
    expect(asked).toEqual([`${project.id} ${notes.id}`])
    const read = parseCsv(text)
    if (!read.ok) throw new Error(read.problem.code)
    const columns = proposeColumns(read.value, state, project.id).map((column) => ({ ...column, unsure: [] }))
    const { body } = planRows(read.value, columns, { statuses: {}, mends: {} }, state, project, ids.next)
    expect(body.texts.map((one) => one.text)).toEqual([words])
    // What is printed has them too.
    const printed = await ask({ ...context, server }, 'sheet', { view: view.id, draft: withNotes, as: 'shown' })
    expect(printed?.lines.map((line) => 'cells' in line && line.cells.includes(words))).toEqual([false, true])
    // A view that shows none asks the server for none.
    await csv()
    expect(asked).toHaveLength(2)
  })

  it('holds no name that a spreadsheet works out', async () => {
    const { acting, csv } = begun([])
    const tags = acting.field('tags')
    expect(acting.leadDoes({ type: 'field.set', target: tags.id, set: { name: { from: 'tags', to: '=1+1' } } })).toBe('done') // prettier-ignore
    const [heads] = (await csv()).split('\r\n')
    expect(heads!.split(',')).toContain("'=1+1")
    const read = parseCsv(await csv())
    expect(read.ok && read.value.header).toContain('=1+1')
  })

  it('says what a view shows where it is asked so: groups, days and numbers as they are read', async () => {
    const { context, view, draft, project } = begun([{ title: 'Sow leeks', status: 0, inside: 9, due: '2026-11-05', effort: 250, tags: [], people: [], signed: false }] as never) // prettier-ignore
    const grouped = { ...draft, group: [{ by: { fact: 'status' as const } }], show: [must(project.uses.due, 'due'), must(project.uses.effort, 'effort')] } // prettier-ignore
    const sheet = await ask({ ...context, day: (date: string) => `on ${date}` }, 'sheet', { view: view.id, draft: grouped, as: 'shown' }) // prettier-ignore
    expect(sheet?.lines[0]).toMatchObject({ head: { count: 1 } })
    const [, line] = sheet!.lines
    expect('cells' in line! && line.cells.slice(5)).toEqual(['on 2026-11-05', '2.5 h'])
    expect(sheet?.columns.map(({ isNumber }) => isNumber)).toEqual([false, false, false, false, false, false, true])
    expect(await ask(context, 'sheet', { view: 'none', as: 'shown' })).toBeUndefined()
    expect(await ask(context, 'csv', { view: 'none', as: 'values' })).toBe('')
  })
})
