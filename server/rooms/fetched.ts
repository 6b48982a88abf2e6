import type { CommandId } from '#core/base/ids'
import type { Entry, Need } from '#core/change/command'
import { isSetChange } from '#core/change/patch'
import type { LongText } from '#core/model/records'
import { entryOfCommand, storedLongText, wholeEntry } from '../db/log'
import type { Db } from '../db/open'

/** What the state does not hold and commands speak of. */
export class Fetched {
  readonly entries = new Map<CommandId, Entry>()
  readonly texts = new Map<string, LongText>()

  constructor(
    readonly db: Db,
    readonly workspace: string,
  ) {}

  /** False, and nothing is fetched, where it is a large entry and `withLarge` is not said. */
  async fetch(need: Need, { withLarge = false } = {}): Promise<boolean> {
    switch (need.what) {
      case 'entry': {
        const stored = await entryOfCommand(this.db, this.workspace, need.command)
        if (stored?.parts && !withLarge) return false
        if (stored) this.entries.set(need.command, await wholeEntry(this.db, this.workspace, stored))
        return true
      }
      case 'long text': {
        const text = await storedLongText(this.db, this.workspace, need.id)
        if (text) this.texts.set(need.id, text)
        return true
      }
    }
  }

  /** The words that a command of this batch wrote, for the next one. */
  keep(entry: Entry): void {
    for (const change of entry.patch)
      if (change.entity === 'longText' && !isSetChange(change)) {
        if (change.after) this.texts.set(change.id, change.after as LongText)
        else this.texts.delete(change.id)
      }
  }
}
