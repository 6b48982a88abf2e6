import { computed } from 'vue'
import { v7 } from 'uuid'
import { fitting } from '#core/views/fitting'
import type { Begin } from '#core/entry/new-items'
import { askedOf } from '#core/items/fallbacks'
import type { Item, ItemId, PersonId, Project, StatusId, ViewDefinition } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useSession } from '../data/session'

/** Adds an item so that it belongs where it was typed: with a status, people and values that the view's phrases ask for. */
export function useAddItem(project: () => Project, definition: () => ViewDefinition) {
  const changes = useChanges()
  const directory = useDirectory()
  const session = useSession()

  const fit = () => {
    const viewer = { me: session.me as PersonId, today: directory.today }
    return fitting(directory.reader, project(), definition().where, viewer)
  }
  /** What has to be filled in besides the title. */
  const asks = computed(() => {
    const { kind, values } = fit()
    return kind ? askedOf(directory.reader, kind, values) : []
  })
  /** `statusIn`: the status that an item of the kind gets in place of the fitting one. */
  function begin(statusIn?: StatusIn): Begin | undefined {
    const { kind, status, parent, values } = fit()
    const given = kind && (statusIn?.(kind.id) ?? status?.id)
    return given && { project: project().id, kind, status: given, parent, values }
  }
  /** Undefined: it was not added. */
  async function add(title: string, said: Item['values'], statusIn?: StatusIn): Promise<ItemId | undefined> {
    const item = v7() as ItemId
    const from = begin(statusIn)
    if (!from) return undefined
    const one = { ...from, item, kind: from.kind.id, title, values: { ...from.values, ...said } }
    return (await changes.send({ type: 'items.add', items: [one] })) ? item : undefined
  }
  return { add, asks, begin }
}
type StatusIn = (kind: string) => StatusId | undefined
