import { ref } from 'vue'
import type { Item } from '#core/model/records'
import { useChanges } from '../data/changes'
import { setValue } from './edits'

/** An item's title while it is retyped. */
export function useTitleEdit(item: () => Item) {
  const changes = useChanges()
  const title = ref('')
  /** The title that the change is made from, whatever comes meanwhile. */
  let from = ''
  return {
    title,
    begin(typed?: string): void {
      from = item().title
      title.value = typed ?? from
    },
    /** What it has become; undefined where it is what it was. */
    changed(): string | undefined {
      const to = title.value.trim()
      return to === from ? undefined : to
    },
    /** Sends it; false: it was refused. */
    save: (to: string): Promise<boolean> => setValue(changes, item(), 'title', from, to),
  }
}
