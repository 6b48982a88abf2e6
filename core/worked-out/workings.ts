import { bringWorkings, workings as here } from '../facts/workings'
import { changedSince, source, values } from './columns'
import { refusal } from './refusal'
import { tried } from './tried'

/** Has worked-out fields worked out in this thread from now on. */
export function useWorkings(): void {
  if (!here()) bringWorkings({ source, values, changedSince, refusal, tried })
}
