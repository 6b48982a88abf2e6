import type { Actor } from '../change/actor'
import { askedQuery, dayIn } from './contract'

/** A change of an item in sentences, without who and when. */
export interface HistoryEntry {
  readonly sequence: number
  readonly by: Actor
  readonly at: string
  readonly sentences: readonly string[]
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
  const { sentencesOf } = await import('../items/told')
  const entries = (stored?.entries ?? []).map((entry) => ({
    sequence: entry.sequence,
    by: entry.by,
    at: entry.at,
    sentences: sentencesOf(context.state, entry, item, dayIn(context)),
  }))
  return { entries: entries.filter((entry) => entry.sentences.length), more: stored?.more ?? false }
})
