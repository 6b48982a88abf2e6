import { v7 } from 'uuid'
import { must } from '#core/base/result'
import type { ItemId, PersonId, Project, StatusId, ViewDefinition } from '#core/model/records'
import { fitting } from '#core/views/fitting'
import { useChanges } from '../stores/changes'
import { useDirectory } from '../stores/directory'
import { useSession } from '../stores/session'

/** Adds an item so that it belongs where it was typed: with a status, people and values that the view's phrases ask for. */
export function useAddItem(project: () => Project, definition: () => ViewDefinition) {
  const changes = useChanges()
  const directory = useDirectory()
  const session = useSession()

  return async (title: string, status?: StatusId): Promise<ItemId | undefined> => {
    const { id } = project()
    const item = v7() as ItemId
    const viewer = { me: session.me as PersonId, today: directory.today }
    const fits = fitting(directory.reader, project(), definition().where, viewer)
    const kind = must(directory.kinds(id)[0], 'kind').id
    const one = {
      item,
      project: id,
      kind,
      title,
      status: status ?? must(fits.status, 'status').id,
      parent: fits.parent,
      values: fits.values,
    }
    return (await changes.send({ type: 'items.add', items: [one] })) ? item : undefined
  }
}
