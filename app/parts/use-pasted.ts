import { shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { v7 } from 'uuid'
import type { Begin } from '#core/entry/new-items'
import type { PastedLine } from '#core/entry/pasted'
import type { Item } from '#core/model/records'
import { counted } from '../counted'
import { useChanges } from '../data/changes'
import { useDirectory } from '../data/directory'
import { pastedFile } from '../data/pasted-file'
import { useAddMany } from './add-many'
import { pasteWords } from './words'

/** So many are added at once; of more one sees first what they become. */
const mostUnseen = 10

/** Lines that are pasted where an item is typed become items, a table is brought in as a file is. */
export function usePasted(begin: () => Begin | undefined) {
  const changes = useChanges()
  const addMany = useAddMany()
  const directory = useDirectory()
  const router = useRouter()
  /** What is looked at before it is added. */
  const lines = shallowRef<readonly PastedLine[]>()

  /** `isAsked`: something has to be filled in first. */
  async function take(text: string, isAsked: boolean): Promise<void> {
    const { cellsOf, csvOf, readPasted } = await import('#core/entry/pasted')
    const read = readPasted(text)
    if (!read.ok) return changes.say(await changes.wordsFor(read.problem))
    if (read.value.is === 'lines') {
      if (isAsked || read.value.lines.length > mostUnseen) lines.value = read.value.lines
      else await add(read.value.lines, {})
    } else if (read.value.is === 'table') {
      const project = directory.reader.maybe('project', begin()?.project ?? '')
      pastedFile.value = new File([csvOf(cellsOf(text) ?? [])], pasteWords.fileName)
      await router.push(`/app/${project?.prefix}/bring-in`)
    }
  }

  async function add(all: readonly PastedLine[], said: Item['values']): Promise<boolean> {
    const from = begin()
    if (!from) return false
    const { itemsOfLines } = await import('#core/entry/new-items')
    const { items, faults } = itemsOfLines(directory.reader, all, { ...from, values: { ...from.values, ...said } }, v7)
    if (faults.length) changes.say(pasteWords.leftOut(faults.map(({ line }) => line)))
    if (!items.length) return false
    return addMany({ project: from.project, items, name: pasteWords.adding(counted(items.length, 'item', 'items')) })
  }
  return { lines, take, add }
}
