import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { plainSpeech } from '../base/days-said'
import { fieldTypes } from '../fields/registry'
import { fieldsOf } from '../model/reader'
import type { Item, ItemId } from '../model/records'
import { Acting } from '../test-kit/acting'
import { runs } from '../test-kit/runs'
import { copiedCells, pastedCells } from './range-cells'

let acting: Acting
beforeEach(() => (acting = new Acting()))
const context = () => ({
  state: acting.small.state,
  me: acting.small.people.lead.id,
  today: () => '2026-11-05' as const,
})
const columns = () => [
  'title',
  'status',
  ...fieldsOf(acting.small.state, acting.small.project.id).filter(({ type, settings }) => !fieldTypes[type].isApart && type !== 'relation' && !settings.unique).map(({ id }) => id as string),
] // prettier-ignore
const paste = (items: ItemId[], at: readonly string[], text: string) => {
  const read = pastedCells(context(), { items, columns: at, text, speech: plainSpeech })
  if (read.items.length) expect(acting.leadDoes({ type: 'items.set', items: [...read.items] as never })).toBe('done')
  return read
}

describe('a range of cells', () => {
  it('that is copied and pasted onto others makes them the same', () => {
    const value = fc.record({
      title: fc.constantFrom('Sow', 'a\tb', 'two "quoted"', '=1+1', 'x; y'),
      status: fc.nat(3),
      due: fc.constantFrom(null, '2026-11-05'),
      effort: fc.option(fc.integer({ min: -50, max: 5000 })),
      tags: fc.subarray([0, 1, 2]),
      people: fc.subarray([0, 1, 2]),
    })
    fc.assert(
      fc.property(fc.array(value, { minLength: 1, maxLength: 5 }), (all) => {
        acting = new Acting()
        const { state, project, people } = acting.small
        const everyone = Object.values(people)
        const tags = acting.field('tags')
        const [from, to] = [all.map(() => acting.add(0)), all.map(() => acting.add(1))]
        for (const [i, one] of all.entries()) {
          const id = from[i]!
          acting.leadDoes(acting.setting(id, { title: { from: 'Sow', to: one.title }, [project.uses.due!]: { from: null, to: one.due }, [project.uses.effort!]: { from: null, to: one.effort } })) // prettier-ignore
          const add = { [tags.id]: { add: one.tags.map((at) => state.optionsOf(tags.id)[at]!.id), remove: [] }, [project.uses.assignees!]: { add: one.people.map((at) => everyone[at]!.id), remove: [] } } // prettier-ignore
          acting.leadDoes(acting.setting(id, add as never))
          acting.leadDoes(acting.moving(id, 0, one.status))
        }
        const text = copiedCells(context(), { items: from, columns: columns() })
        expect(paste(to, columns(), text)).toMatchObject({ faults: [], beyond: 0 })
        const said = (id: ItemId) => { const { title, status, values } = acting.item(id); return { title, status, values } } // prettier-ignore
        expect(to.map(said)).toEqual(from.map(said))
        expect(copiedCells(context(), { items: to, columns: columns() })).toBe(text)
        expect(paste(to, columns(), text).cells).toBe(0)
      }),
      runs(30, 300),
    )
  })

  it('says cell by cell what it cannot set, and sets the rest', () => {
    const effort = must(acting.small.project.uses.effort, 'effort')
    const [one, two] = [acting.add(0), acting.add(0)]
    const read = paste([one, two], ['title', effort], 'Glaze\tmuch\r\n\t3\r\nmore\t4\r\n')
    expect(read.faults.map(({ column, text, problem }) => [column, text, problem.code])).toEqual([
      [effort, 'much', 'no-such-number'],
      ['title', '', 'no-title'],
    ])
    expect(read.beyond).toBe(1)
    expect(acting.item(one).title).toBe('Glaze')
    expect(acting.item(two)).toMatchObject({ title: 'Sow', values: { [effort]: 300 } })
  })

  it('of one cell goes into all that are selected; what nobody types stays', () => {
    const { project } = acting.small
    const items = [acting.add(0), acting.add(0), acting.add(0)]
    expect(paste(items, [project.uses.effort!], '2').cells).toBe(3)
    expect(items.map((id) => acting.item(id).values[project.uses.effort!])).toEqual([200, 200, 200])
    expect(paste(items, ['key'], 'GLH-900').faults).toEqual([])
    expect(paste(items, ['status'], 'No such status').faults).toHaveLength(3)
    const reader = { ...context(), me: acting.small.people.reader.id }
    expect(pastedCells(reader, { items, columns: ['title'], text: 'Mine', speech: plainSpeech }).faults[0]?.problem.code).toBe('not-allowed') // prettier-ignore
  })

  it('of cells beside the last column, and of no item, sets nothing there', () => {
    const one = acting.add(0)
    const read = paste([one], ['title'], 'Glaze\tbeyond\tmore')
    expect(read).toMatchObject({ cells: 1, faults: [] })
    expect(copiedCells(context(), { items: ['none' as ItemId], columns: ['title'] })).toBe('')
    expect((acting.item(one) as Item).title).toBe('Glaze')
  })
})
