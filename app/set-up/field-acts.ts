import { useRouter } from 'vue-router'
import type { Field, Project } from '#core/model/records'
import { useDirectory } from '../data/directory'
import { useSetUpChange, type PendingChange } from './changes'
import { fieldWords } from './field-words'

/** What is done with the fields of a project, wherever they stand. */
export function useFieldActs(project: () => Project) {
  const directory = useDirectory()
  const setUp = useSetUpChange()
  const router = useRouter()
  const fields = (): readonly Field[] => directory.fields(project().id)
  const order = (field: Field, before: Field | null): void =>
    void setUp.send({ type: 'field.order', target: field.id, before: before?.id ?? null })
  /** To where the one before or after it stands. */
  function move(field: Field, by: -1 | 1): void {
    const all = fields()
    const at = all.findIndex(({ id }) => id === field.id)
    order(field, all[by < 0 ? at - 1 : at + 2] ?? null)
  }
  function set<K extends 'name' | 'help' | 'settings'>(field: Field, what: K, to: Field[K]): void {
    if (what === 'name' && !to) return
    void setUp.send({ type: 'field.set', target: field.id, set: { [what]: { from: field[what], to } } })
  }
  const farNote = ({ settings }: Field): string =>
    settings.other ? fieldWords.farGoes(directory.reader.maybe('field', settings.other)?.name ?? '') : ''
  /** `held`: how many items hold something in it. */
  const removal = (field: Field, held: number): PendingChange => ({
    title: fieldWords.removeTitle(field.name),
    go: fieldWords.removeGo,
    about: field.id,
    standing: held,
    note: [farNote(field), held ? `${fieldWords.holdIt(held)} ${fieldWords.keeps}` : fieldWords.holdNone]
      .filter(Boolean)
      .join(' '),
    command: () => ({ type: 'field.remove', target: field.id, how: {} }),
  })
  /** Asked where the fields are set up, with what it touches beside it. */
  const askRemoval = (field: Field): void =>
    void router.push({ path: `/app/${project().prefix}/set-up/fields`, query: { remove: field.id } })
  return { fields, order, move, set, removal, askRemoval }
}
