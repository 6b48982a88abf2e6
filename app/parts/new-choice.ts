import { v7 } from 'uuid'
import { usualWeek } from '#core/base/week'
import { rankBetween } from '#core/base/ranks'
import type { BareCommand } from '#core/commands/registry'
import { optionColours } from '#core/fields/names'
import { fieldTypes } from '#core/fields/registry'
import { paletteColours, type Field, type OptionId, type PersonId } from '#core/model/records'
import type { Directory } from './marks'
import { editorWords } from './words'

/** How what is typed and cannot be chosen yet is added, where whoever types may: an option, or a person without an account. */
export function newChoice(directory: Directory, field: Field) {
  const { choices } = fieldTypes[field.type]
  const isForSome = !!field.settings.among || !!field.settings.craft
  if (choices === 'people' && !isForSome && directory.may('name people'))
    return { words: editorWords.addPerson, make: newPerson }
  if (choices === 'options' && directory.may('set up project', field.project))
    return { words: editorWords.addOption, make: (name: string) => newOption(directory, field, name) }
  return undefined
}

function newPerson(name: string): { id: string; command: BareCommand } {
  const id = v7() as PersonId
  const colour = paletteColours[Number.parseInt(id.slice(-2), 16) % paletteColours.length]!
  const person = { id, name, email: null, role: null, colour, hours: usualWeek, active: true }
  return { id, command: { type: 'people.add', people: [person], members: [] } }
}

function newOption({ reader }: Directory, { id: field }: Field, label: string): { id: string; command: BareCommand } {
  const held = reader.optionsOf(field)
  const id = v7() as OptionId
  const colour = optionColours[held.length % optionColours.length]!
  const record = { id, field, label, colour, rank: rankBetween(held.at(-1)?.rank, undefined), archived: false }
  return { id, command: { type: 'option.add', record } }
}
