import { compareText } from '#core/base/collation'
import type { Field, ProjectId } from '#core/model/records'
import type { useDirectory } from '../stores/directory'
import type { Choice } from './ChoiceList.vue'

type Directory = ReturnType<typeof useDirectory>

export const statusChoices = (directory: Directory, project: ProjectId, counts?: Readonly<Record<string, number>>): Choice[] =>
  directory.statuses(project).map((status) => ({
    id: status.id, label: status.name, leaf: { share: directory.share(status), colour: status.colour },
    ...(counts && { count: counts[status.id] ?? 0 }),
  })) // prettier-ignore

export const peopleChoices = (directory: Directory, counts?: Readonly<Record<string, number>>): Choice[] =>
  [...directory.reader.all('person')]
    .filter((person) => person.active)
    .sort((a, b) => compareText(a.name, b.name))
    .map((person) => ({ id: person.id, label: person.name, person, ...(counts && { count: counts[person.id] ?? 0 }) }))

export const kindChoices = (directory: Directory, project: ProjectId): Choice[] =>
  directory.kinds(project).map((kind) => ({ id: kind.id, label: kind.name }))

export const optionChoices = (field: Field): Choice[] =>
  (field.settings.options ?? []).map((option) => ({ id: option.id, label: option.label, tint: option.colour }))
