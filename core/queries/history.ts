import type { CommandId } from '../base/ids'
import { inOnePiece } from '../base/pieces'
import { personActor, type Actor } from '../change/actor'
import type { Context, Entry } from '../change/command'
import { revertOf } from '../commands/revert'
import { askedQuery, dayIn, type QueryContext } from './contract'

/** A change of an item in sentences, without who and when. */
export interface HistoryEntry {
  readonly sequence: number
  readonly by: Actor
  readonly at: string
  readonly sentences: readonly string[]
  readonly command: CommandId
  /** Fields of the item that keep this from being undone, since they have been changed again. Undefined: it is nothing to undo. */
  readonly later?: readonly string[]
}
/** Of which item, and before which sequence number (undefined: from the latest). */
export interface HistoryInput {
  readonly item: string
  /** Only what came before this sequence number. */
  readonly before?: number | undefined
}
/** The latest first; `more`: there are older ones. */
export interface HistoryAnswer {
  readonly entries: readonly HistoryEntry[]
  /** There is more before the last of them. */
  readonly more: boolean
}

/** An item's history as sentences, newest first. */
export const history = askedQuery<HistoryInput, HistoryAnswer>(async (context, { item, before }) => {
  const stored = await context.server?.history(item, before)
  const { columnWords, sentencesOf } = await import('../items/told')
  const entries = (stored?.entries ?? []).map((entry) => ({
    sequence: entry.sequence,
    by: entry.by,
    at: entry.at,
    sentences: sentencesOf(context.state, entry, item, dayIn(context)),
    command: entry.command,
    ...laterThan(context, entry, item, columnWords),
  }))
  return { entries: entries.filter((entry) => entry.sentences.length), more: stored?.more ?? false }
})

/** What of an item has been changed again since an entry changed it; nothing is said where that made the item. */
function laterThan(
  { state, me, today }: QueryContext,
  entry: Entry,
  item: string,
  columnWords: Readonly<Record<string, string>>,
): Pick<HistoryEntry, 'later'> {
  const isMade = entry.patch.some((change) => change.entity === 'item' && change.id === item && change.field === '*')
  if (isMade || !state.placeOf(item)) return {}
  const context: Context = {
    command: entry.command, by: personActor(me), now: entry.at, today: today(), isRoom: false, entryOf: () => undefined,
    longText: () => undefined,
  } // prettier-ignore
  // What was said with it keeps nothing from being undone; whether anything uses that would be looked for among all items.
  const own = entry.patch.filter(({ entity }) => entity === 'item' || entity === 'link')
  const { patch, leftAlone = [] } = inOnePiece(revertOf(state, { ...entry, patch: own }, context))
  if (!patch.length && !leftAlone.length) return {}
  return {
    later: [
      ...new Set(leftAlone.map(({ field }) => state.maybe('field', field)?.name ?? columnWords[field] ?? 'its place')),
    ],
  }
}
