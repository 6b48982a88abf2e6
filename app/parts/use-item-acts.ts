import { useRouter } from 'vue-router'
import type { Row } from '#core/layouts/rows'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { words } from '../words'
import type { Act } from './ActMenu.vue'
import { copyLink } from './copy-link'

/** What can be done with an item from its row or card: what its place offers comes first. */
export function useItemActs() {
  const changes = useChanges()
  const directory = useDirectory()
  const router = useRouter()
  return ({ item, address }: Row, own: readonly Act[]): Act[] => {
    const archive: Act = {
      label: item.archived ? words.item.restore : words.item.archive,
      do: () => void changes.send({ type: 'items.archive', items: [item.id], archived: !item.archived }),
    }
    return [
      ...own,
      { label: words.item.wholePage, do: () => void router.push(`/app/items/${address}`) },
      { label: words.item.copyAddress, do: () => void copyLink(address).then(() => changes.say(words.item.copied)) },
      ...(directory.may('change items', item.project) ? [archive] : []),
    ]
  }
}

/** Whether a key asks for the menu of what has the keyboard. */
export const asksForMenu = (event: KeyboardEvent): boolean =>
  event.key === 'ContextMenu' || (event.key === 'F10' && event.shiftKey)
