import { v7 } from 'uuid'
import { fitting } from '#core/views/fitting'
import type { ItemId, PersonId, Project, StatusId, ViewDefinition } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useSession } from '../data/session'

/** Adds an item so that it belongs where it was typed: with a status, people and values that the view's phrases ask for. */
export function useAddItem(project: () => Project, definition: () => ViewDefinition) {
  const changes = useChanges()
  const directory = useDirectory()
  const session = useSession()

  /** `statusIn`: the status that an item of the kind gets in place of the fitting one. Undefined: it was not added. */
  return async (title: string, statusIn?: (kind: string) => StatusId | undefined): Promise<ItemId | undefined> => {
    const item = v7() as ItemId
    const viewer = { me: session.me as PersonId, today: directory.today }
    const { kind, status, parent, values } = fitting(directory.reader, project(), definition().where, viewer)
    const given = kind && (statusIn?.(kind.id) ?? status?.id)
    if (!given) return undefined
    const one = { item, project: project().id, kind: kind.id, title, status: given, parent, values }
    return (await changes.send({ type: 'items.add', items: [one] })) ? item : undefined
  }
}
