import { computed } from 'vue'
import { v7 } from 'uuid'
import { givenBy } from '#core/entry/given'
import { fitting } from '#core/views/fitting'
import type { InGroup } from '#core/entry/in-group'
import type { Begin } from '#core/entry/new-items'
import type { Place } from '#core/items/place'
import { askedOf } from '#core/items/fallbacks'
import type { Item, ItemId, PersonId, Project, StatusId, View, ViewDefinition } from '#core/model/records'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { useSession } from '../data/session'

/** Adds an item so that it belongs where it was typed: with a status, people and values that the view's phrases ask for. */
export function useAddItem({ project, definition, view, here = () => undefined }: Through) {
  const changes = useChanges()
  const directory = useDirectory()
  const session = useSession()

  const fit = () => {
    const viewer = { me: session.me as PersonId, today: directory.today }
    return fitting(directory.reader, project(), definition().where, viewer)
  }
  /** What the view gives to whatever is added through it. */
  function given(): Item['values'] {
    return givenBy(directory.reader, view(), session.me as PersonId, directory.today)
  }
  /** What has to be filled in besides the title. */
  const asks = computed(() => {
    const { kind, values } = fit()
    return kind ? askedOf(directory.reader, kind, { ...given(), ...values }) : []
  })
  /** `statusIn`: the status that an item of the kind gets in place of the fitting one. */
  function begin(statusIn?: StatusIn): Begin | undefined {
    const { status, parent, values, ...fits } = fit()
    const at = here()
    const kind = directory.reader.maybe('kind', at?.kind ?? '') ?? fits.kind
    const begins = kind && (at?.status ?? statusIn?.(kind.id) ?? status?.id)
    if (!begins) return undefined
    const begun = { project: project().id, kind, status: begins, parent: at?.parent ?? parent, values: { ...given(), ...values, ...at?.values } } // prettier-ignore
    return { ...begun, ...(at?.place && { place: at.place }), ...(at?.beside && { beside: at.beside }) }
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
/** The view through which items are added. */
export interface Through {
  project(): Project
  definition(): ViewDefinition
  view(): View
  /** Where in it. */
  here?(): Here | undefined
}
/** What the place asks for at which it is typed: a group, an item around it, those beside it. */
export interface Here extends InGroup {
  readonly place?: Place
  readonly beside?: Place
}
type StatusIn = (kind: string) => StatusId | undefined
