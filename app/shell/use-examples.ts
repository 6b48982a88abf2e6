import { v7 } from 'uuid'
import { examplesFor, withInside } from '#core/projects/examples'
import type { Alike } from '#core/projects/like-another'
import type { Item, Project } from '#core/model/records'
import { useAsk } from '../data/use-ask'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'

/** Items that a project brings along, and those that it holds. */
export function useExamples() {
  const ask = useAsk()
  const changes = useChanges()
  const directory = useDirectory()
  const itemsOf = async ({ id }: Project): Promise<readonly Item[]> =>
    (await ask('projectItems', { project: id })) ?? []
  /** Begins a project as another is set up, with some of its items. */
  async function begin(alike: Alike, from: Project, items: readonly Item[], more: object = {}): Promise<boolean> {
    if (!(await changes.send({ type: 'projects.create', ...alike.body, ...more }))) return false
    const made = examplesFor(alike, directory.fields(from.id), items, v7)
    return !made.length || !!(await changes.send({ type: 'items.add', items: made }))
  }
  return { itemsOf, begin, withInside }
}
