import { compareText } from '#core/base/collation'
import type { Fact } from '#core/facts/contract'
import { entryWords } from '#core/language/demand-words'
import type { Field, Item, Project, ProjectId, Status } from '#core/model/records'
import { valueWords } from './words'
import { mayBeChosen } from '#core/fields/people'
import { fieldTypes, shownType } from '#core/fields/registry'
import { fieldContext, statusesOfKind } from '#core/model/reader'
import type { useDirectory } from '../data/directory'
import type { Choice } from './ChoiceList.vue'

type Directory = ReturnType<typeof useDirectory>

const statusChoice = (directory: Directory, status: Status): Choice => ({
  id: status.id, label: status.name, leaf: { share: directory.share(status), colour: status.colour },
}) // prettier-ignore
/** The statuses of a project. */
export const statusChoices = (directory: Directory, project: ProjectId): Choice[] =>
  directory.statuses(project).map((status) => statusChoice(directory, status))
/** Those that an item can have, with what entering each would ask for. */
export const statusesFor = (directory: Directory, item: Item): Choice[] =>
  statusesOfKind(directory.reader, item.kind).map((status) => {
    const entry = directory.me && entryWords(directory.reader, item, status.id, directory.me.id)
    return { ...statusChoice(directory, status), ...(entry && { hint: entry.words, isOff: entry.isOff }) }
  })

export const peopleChoices = (directory: Directory): Choice[] =>
  [...directory.reader.all('person')]
    .filter((person) => person.active)
    .sort((a, b) => compareText(a.name, b.name))
    .map((person) => ({ id: person.id, label: person.name, person }))

export const kindChoices = (directory: Directory, project: ProjectId): Choice[] =>
  directory.kinds(project).map((kind) => ({ id: kind.id, label: kind.name }))

/** What can be chosen for a field whose values are chosen. */
export function fieldChoices(directory: Directory, field: Field): Choice[] {
  const { choices, listed } = fieldTypes[field.type]
  const { reader } = directory
  if (choices === 'people')
    return peopleChoices(directory).filter(({ id }) => mayBeChosen(id, fieldContext(reader, field)))
  if (listed) return listed.map(({ id, name }) => ({ id, label: name, health: id }))
  return reader
    .optionsOf(field.id)
    .filter((option) => !option.archived)
    .map(({ id, label, colour }) => ({ id, label, tint: colour }))
}

/** What the language itself says among a fact's values. */
const ownWords: Readonly<Record<string, string>> = {
  me: valueWords.me, craft: valueWords.craft, nobody: valueWords.nobody,
} // prettier-ignore

/** What a condition about a fact can ask for, each with its sign and, where they are given, how many items it would give. */
export function factChoices(
  directory: Directory,
  project: Project,
  fact: Fact,
  counts?: Readonly<Record<string, number>>,
): Choice[] {
  const { reader } = directory
  const count = (id: string) => (counts ? { count: counts[id === 'me' ? (directory.me?.id ?? '') : id] ?? 0 } : {})
  const choices = (fact.values?.(reader, project) ?? []).map((value): Choice => {
    const { id, name } = value
    const status = reader.maybe('status', id)
    const person = reader.maybe('person', id)
    const option = reader.maybe('option', id)
    return {
      id,
      label: ownWords[id] ?? name,
      ...(status && { leaf: { share: directory.share(status), colour: status.colour } }),
      ...(person && { person }),
      ...(option && { tint: option.colour }),
      ...(fact.field && shownType(fact.field) === 'health' && { health: id }),
      ...(id === 'craft' ? {} : count(id)),
    }
  })
  const [people, others] = [choices.filter((choice) => choice.person), choices.filter((choice) => !choice.person)]
  const active = people.filter((choice) => reader.maybe('person', choice.id)?.active)
  return [...others, ...active.sort((a, b) => compareText(a.label, b.label))]
}
