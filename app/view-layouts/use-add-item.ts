import { v7 } from 'uuid'
import { must } from '#core/base/result'
import type { Item, ItemId, Project, StatusId, ViewDefinition } from '#core/model/records'
import type { Value } from '#core/fields/contract'
import { useChanges } from '../stores/changes'
import { useDirectory } from '../stores/directory'
import { useSession } from '../stores/session'

/** Adds an item so that it belongs where it was typed: with a status, and people, that the view's phrases allow. */
export function useAddItem(project: () => Project, definition: () => ViewDefinition) {
  const changes = useChanges()
  const directory = useDirectory()
  const session = useSession()

  return async (title: string, status?: StatusId): Promise<ItemId | undefined> => {
    const { id, uses } = project()
    const item = v7() as ItemId
    const statuses = directory.statuses(id)
    const allowed = definition().where.flatMap((one) =>
      one.about === 'status' ? [one.statuses as readonly string[]] : [],
    )
    const fits = statuses.find((one) => allowed.every((ids) => ids.includes(one.id))) ?? statuses[0]
    const kind = must(directory.kinds(id)[0], 'kind').id
    const people = definition().where.flatMap((one) =>
      one.about === 'person' ? one.people.slice(0, 1) : one.about === 'turn' && one.of === 'me' ? ['me'] : [],
    )
    const who = [...new Set(people.map((one) => (one === 'me' ? (session.me ?? '') : one)))].filter(Boolean)
    const values: Record<string, Value> = uses.assignees && who.length ? { [uses.assignees]: who.sort() } : {}
    const one = {
      item,
      project: id,
      kind,
      title,
      status: status ?? must(fits, 'status').id,
      parent: null as Item['parent'],
      values,
    }
    return (await changes.send({ type: 'items.add', items: [one] })) ? item : undefined
  }
}
