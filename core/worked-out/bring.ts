import { workings } from '../facts/workings'
import { isWorkedOut } from '../fields/registry'
import type { Reader } from '../model/reader'

/** Loads what works fields out. */
export const bringLater = async (): Promise<void> => (await import('./workings')).useWorkings()

/** Loads it where there are worked-out fields and it is not there yet: true where it has come just now. */
export async function bringWhereNeeded(reader: Reader): Promise<boolean> {
  if (workings()) return false
  for (const field of reader.all('field'))
    if (isWorkedOut(field)) {
      await bringLater()
      return true
    }
  return false
}
