import { bringWorkings, workings as here } from '../facts/workings'
import { check } from './cel'
import { changedSince, source, tryOut, values } from './columns'

/** Has worked-out fields worked out in this thread from now on. */
export function useWorkings(): void {
  if (!here()) bringWorkings({ source, values, changedSince, tryOut, check })
}
