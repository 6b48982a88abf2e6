import { beforeEach, describe, expect, it } from 'vitest'
import { judge } from '#core/commands/registry'
import { fieldTypeNames, optionColours, type FieldTypeName } from '#core/fields/names'
import type { FieldSettings } from '#core/fields/settings'
import { fieldsOf } from '#core/model/reader'
import { command, contextOf, PlainRoom, smallWorkspace, type Small } from '#core/test-kit/workspace'
import { newField, readOptions, type NewField } from './new-field'

let small: Small
let room: PlainRoom
beforeEach(() => {
  small = smallWorkspace()
  room = new PlainRoom(small.state)
})
const said = (more: Partial<NewField> = {}): NewField => ({
  project: small.project.id, name: 'Light', help: '', type: 'oneOption', settings: {}, options: ['sun', 'half shade', 'shade'], ...more,
}) // prettier-ignore
/** What a field that is worked out cannot be without. */
const settings: Partial<Record<FieldTypeName, FieldSettings>> = {
  computed: { formula: '1 + size(children)', gives: 'number' },
  rollUp: { over: 'children', how: 'count', gives: 'number' },
  get lookUp(): FieldSettings {
    return { over: 'parent', of: small.project.uses.due!, gives: 'date' }
  },
}
/** The fields with their options, as they stand. */
const standing = () => fieldsOf(small.state, small.project.id).map((field) => [field, small.state.optionsOf(field.id)])
const made = (more?: Partial<NewField>) => newField(small.state, said(more), () => small.ids.next())
const does = (more?: Partial<NewField>) => room.do(command(small.ids, made(more)), small.people.lead.id)
function refused(more?: Partial<NewField>, by = small.people.lead): unknown {
  const one = command(small.ids, made(more))
  const judged = judge(small.state, one, contextOf(one, by.id))
  return judged.ok ? undefined : judged.problem.code
}

describe('typed or pasted lines are options', () => {
  it('trimmed, without empty ones; what is there twice is told', () => {
    expect(readOptions(' sun \n\n half   shade\nshade\n')).toEqual({
      labels: ['sun', 'half shade', 'shade'],
      twice: undefined,
    })
    expect(readOptions('sun\nshade\nSún').twice).toBe('Sún')
  })
})

describe('a new field', () => {
  it.each(fieldTypeNames)('of the type %s is made, and gone again by one undo', (type) => {
    const before = standing()
    expect(does({ type, settings: settings[type] ?? {} }).ok).toBe(true)
    const field = fieldsOf(small.state, small.project.id).at(-1)!
    expect([field.name, field.type]).toEqual(['Light', type])
    expect(small.state.optionsOf(field.id)).toHaveLength(type === 'oneOption' || type === 'severalOptions' ? 3 : 0)
    room.do(command(small.ids, { type: 'revert', of: room.entries.at(-1)!.command }), small.people.lead.id)
    expect(standing()).toEqual(before)
  })
  it('has its options in the order in which they were written, each of another colour', () => {
    does({ options: Array.from({ length: 14 }, (_, i) => `n ${i}`) })
    const options = small.state.optionsOf(fieldsOf(small.state, small.project.id).at(-1)!.id)
    expect(options.map(({ label }) => label)).toEqual(Array.from({ length: 14 }, (_, i) => `n ${i}`))
    expect(options[12]!.colour).toBe(optionColours[0])
  })
  it('comes after the field beside which it was made', () => {
    const [first, second] = fieldsOf(small.state, small.project.id)
    does({ after: first!.id })
    expect(fieldsOf(small.state, small.project.id).slice(0, 3).map(({ name }) => name)).toEqual([first!.name, 'Light', second!.name]) // prettier-ignore
  })
  it('is refused under a name that is taken, with an option twice, with settings of another type, and by whoever may not', () => {
    const [first] = fieldsOf(small.state, small.project.id)
    expect(refused({ name: first!.name.toUpperCase() })).toBe('name-taken')
    expect(refused({ options: ['sun', 'Sun'] })).toBe('name-taken')
    expect(refused({}, small.people.contributor)).toBe('not-allowed')
  })
  it('is refused beyond two hundred, with the number', () => {
    for (let i = fieldsOf(small.state, small.project.id).length; i < 200; i++)
      expect(does({ name: `n ${i}` }).ok).toBe(true)
    expect(refused()).toBe('too-many-fields')
  })
})
