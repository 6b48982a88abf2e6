import type { ItemId, View } from '#core/model/records'
import type { SheetForm } from '#core/queries/sheet'
import { saveCsv } from './copy'
import { useChanges } from '../data/changes'
import { useAskResult } from '../data/use-ask'
import { useViews } from '../data/views'

/** Saves as a file what a view shows, or these items of it; says why where it could not be made. */
export function useCsv() {
  const views = useViews()
  const changes = useChanges()
  const ask = useAskResult()
  return async (view: View, as: SheetForm, items?: readonly ItemId[]): Promise<void> => {
    const made = await ask('csv', { ...views.inputOf(view), as, ...(items && { items }) })
    if (!made) return
    if (!made.ok) changes.say(await changes.wordsFor(made.problem))
    else if (made.value) saveCsv(view.name, made.value)
  }
}
