import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { shallowRef } from 'vue'
import { isSameValue } from '#core/base/sorted-ids'
import { longestName } from '#core/base/text'
import type { Folds, PersonId, View, ViewDefinition, ViewId } from '#core/model/records'
import { soon } from '../fetched'
import { foldsOf as foldsSeen, hasColumns, widthsOf as widthsSeen } from '#core/model/looks'
import type { Draft } from '#core/queries/drafts'
import type { ViewInput } from '#core/queries/view'
import { begun, draftsKey } from './begin'
import { useChanges } from './changes'
import { useDirectory } from './directory'
import { useSession } from './session'
import { useThrough } from './through'

/** Keys of places are made when a view is. */
const ranks = soon(() => import('#core/base/ranks'))

/** What a new view is, besides its project and who made it. */
export type NewView = Pick<View, 'name' | 'definition' | 'audience'> &
  Partial<Pick<View, 'about' | 'heading' | 'gives' | 'allows'>>

/** What one has changed in views without keeping it: one's own, in this browser, until it is kept or put back. */
export const useViews = defineStore('views', () => {
  const session = useSession()
  const directory = useDirectory()
  const changes = useChanges()
  const through = useThrough()
  const drafts = shallowRef<Readonly<Record<string, Draft>>>({})

  /** Takes up what this browser kept, as far as it can still be read. */
  async function restore(): Promise<void> {
    const kept = (await begun?.drafts) ?? {}
    if (Object.keys(drafts.value).length) write({ ...kept, ...drafts.value })
    else drafts.value = kept
  }
  function write(next: Record<string, Draft>): void {
    drafts.value = next
    localStorage.setItem(draftsKey(session.me ?? ''), JSON.stringify(next))
  }

  const definitionOf = (view: View): ViewDefinition => drafts.value[view.id]?.definition ?? view.definition
  /** What a layout asks the worker. */
  const inputOf = (view: View): ViewInput => ({
    view: view.id,
    draft: drafts.value[view.id]?.definition,
    ...(through.as && { seenBy: through.as }),
  })
  const isChanged = (view: View): boolean => !isSameValue(definitionOf(view), view.definition)
  /** What it was when one began to change it, where somebody has saved it otherwise since. */
  function overtakenFrom(view: View): ViewDefinition | undefined {
    const draft = drafts.value[view.id]
    return draft && isChanged(view) && !isSameValue(draft.from, view.definition) ? draft.from : undefined
  }

  function change(view: View, definition: ViewDefinition): void {
    const from = drafts.value[view.id]?.from ?? view.definition
    write({ ...drafts.value, [view.id]: { definition, from } })
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
  /** What one sees folded in it. */
  const foldsOf = (view: View) => foldsSeen(directory.reader, view, session.me ?? '')
  const setFolds = (view: View, folds: Folds): Promise<boolean> =>
    changes.sendAside({ type: 'look.set', view: view.id, folds })
  /** The definition to save: the widths and folds that one sees go with it. */
  function saved(view: View): ViewDefinition {
    const definition = definitionOf(view)
    if (!hasColumns(definition)) return definition
    const [widths, folds] = [widthsOf(view), foldsOf(view)]
    return {
      ...definition,
      ...(Object.keys(widths).length && { widths }),
      ...((folds.turned.length || folds.to !== undefined) && { folds }),
    }
  }

  /** For everyone who sees it. Where somebody else has saved it meanwhile, what one made of it stays one's own. */
  async function keep(view: View): Promise<void> {
    const draft = drafts.value[view.id]
    const definition = { from: view.definition, to: saved(view) }
    const giveBack = () => {
      if (draft) write({ ...drafts.value, [view.id]: draft })
      return undefined
    }
    if (await changes.send({ type: 'view.set', target: view.id, set: { definition } }, giveBack)) putBack(view)
  }
  /** Makes a view after all others. Returns its id; undefined: it was not made. */
  async function add(project: View['project'], made: NewView): Promise<ViewId | undefined> {
    const id = v7() as ViewId
    const { rankAfter } = await ranks()
    const rank = rankAfter(directory.views(project))
    const record: View = {
      ...made,
      id,
      project,
      maker: session.me as PersonId,
      name: made.name.slice(0, longestName),
      rank,
    }
    return (await changes.send({ type: 'view.add', record })) ? id : undefined
  }
  /** Saves what one made of it as a view of its own, and leaves it as it was. */
  async function addFrom(view: View, made: Omit<NewView, 'definition'>): Promise<ViewId | undefined> {
    const id = await add(view.project, { ...made, definition: saved(view) })
    if (id) putBack(view)
    return id
  }
  const remove = (view: View): Promise<boolean> => changes.send({ type: 'view.remove', target: view.id, how: {} })
  const restoreFromBin = (view: View): Promise<boolean> =>
    changes.send({
      type: 'view.set',
      target: view.id,
      set: { archived: { from: view.archived ?? null, to: null } },
    })

  return { restore, restoreFromBin, definitionOf, inputOf, isChanged, overtakenFrom, change, putBack, widthsOf, setWidth, foldsOf, setFolds, keep, add, addFrom, remove } // prettier-ignore
})
