import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { shallowRef } from 'vue'
import { isSameValue } from '#core/base/sorted-ids'
import type { PersonId, View, ViewDefinition, ViewId } from '#core/model/records'
import { rankAfter } from '#core/base/ranks'
import { hasWidths, widthsOf as widthsSeen } from '#core/model/looks'
import type { ViewInput } from '#core/queries/view'
import { begun, draftsKey } from './begin'
import { useChanges } from './changes'
import { useDirectory } from './directory'
import { useSession } from './session'

/** What one has changed in views without keeping it: one's own, in this browser, until it is kept or put back. */
export const useViews = defineStore('views', () => {
  const session = useSession()
  const directory = useDirectory()
  const changes = useChanges()
  const drafts = shallowRef<Readonly<Record<string, ViewDefinition>>>({})

  /** Takes up what this browser kept, as far as it can still be read. */
  async function restore(): Promise<void> {
    const kept = (await begun?.drafts) ?? {}
    if (Object.keys(drafts.value).length) write({ ...kept, ...drafts.value })
    else drafts.value = kept
  }
  function write(next: Record<string, ViewDefinition>): void {
    drafts.value = next
    localStorage.setItem(draftsKey(session.me ?? ''), JSON.stringify(next))
  }

  const definitionOf = (view: View): ViewDefinition => drafts.value[view.id] ?? view.definition
  /** What a layout asks the worker. */
  const inputOf = (view: View): ViewInput => ({ view: view.id, draft: drafts.value[view.id] })
  const isChanged = (view: View): boolean => !isSameValue(definitionOf(view), view.definition)

  function change(view: View, definition: ViewDefinition): void {
    write({ ...drafts.value, [view.id]: definition })
  }
  function putBack(view: View): void {
    const { [view.id]: _gone, ...rest } = drafts.value
    write(rest)
  }
  /** How wide its columns are where they are not as wide as usual. */
  const widthsOf = (view: View) => widthsSeen(directory.reader, view, session.me ?? '')
  /** Makes a column as wide as one likes it, for oneself; null: as wide as the view has it. */
  const setWidth = (view: View, column: string, width: number | null): Promise<boolean> =>
    changes.sendAside({ type: 'look.set', view: view.id, widths: { [column]: width } })
  /** The definition to save: the widths that one sees go with it. */
  function saved(view: View): ViewDefinition {
    const definition = definitionOf(view)
    const widths = widthsOf(view)
    return hasWidths(definition) && Object.keys(widths).length ? { ...definition, widths } : definition
  }

  /** For everyone where it is shared; one's own view stays one's own. */
  async function keep(view: View): Promise<void> {
    const definition = { from: view.definition, to: saved(view) }
    if (await changes.send({ type: 'view.set', target: view.id, set: { definition } })) putBack(view)
  }
  /** Saves it under a name as a view of one's own, beside the shared one. Returns its id. */
  async function keepAsMine(view: View, name: string): Promise<ViewId | undefined> {
    const id = v7() as ViewId
    const mine: View = {
      id,
      project: view.project,
      maker: session.me as PersonId,
      audience: { of: 'maker' },
      name: name.slice(0, 120),
      rank: rankAfter(directory.views(view.project)),
      definition: saved(view),
    }
    if (!(await changes.send({ type: 'view.add', record: mine }))) return undefined
    putBack(view)
    return id
  }
  const remove = (view: View): Promise<boolean> => changes.send({ type: 'view.remove', target: view.id, how: {} })
  const restoreFromBin = (view: View): Promise<boolean> =>
    changes.send({
      type: 'view.set',
      target: view.id,
      set: { archived: { from: view.archived ?? null, to: null } },
    })

  return {
    restore,
    restoreFromBin,
    definitionOf,
    inputOf,
    isChanged,
    change,
    putBack,
    widthsOf,
    setWidth,
    keep,
    keepAsMine,
    remove,
  }
})
