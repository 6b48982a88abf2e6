import { evaluator } from '../facts/evaluator'
import type { Reader } from '../model/reader'

/** Loads what evaluates formulas; whoever asks again waits for the same. */
export const bringFormulas = async (): Promise<void> => (await import('./cel')).bringFormulas()

/** Loads it where there are formulas and it is not there yet: true where it has come just now. */
export async function bringWhereNeeded(reader: Reader): Promise<boolean> {
  if (evaluator()) return false
  for (const { type } of reader.all('field'))
    if (type === 'computed') {
      await bringFormulas()
      return true
    }
  return false
}
