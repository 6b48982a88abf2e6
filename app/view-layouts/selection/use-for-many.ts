import { shallowRef } from 'vue'
import type { OfMany, RefusalsAnswer } from '#core/queries/refusals'
import { useAsk } from '../../data/use-ask'
import { useChanges } from '../../data/changes'
import { useThrough } from '../../data/through'

/** A command that was refused for some of its items, with which and why. */
export interface PartlyRefused extends RefusalsAnswer {
  readonly bare: OfMany
}

/** Sends a command that does the same to many items; where it is refused for some, it says for which, and offers the others. */
export function useForMany() {
  const ask = useAsk()
  const changes = useChanges()
  const through = useThrough()
  const refused = shallowRef<PartlyRefused>()

  /** Whether it was done as a whole. */
  async function send(bare: OfMany): Promise<boolean> {
    refused.value = undefined
    const problem = await changes.attempt(bare)
    if (!problem) return true
    const split = await ask('refusals', through.sentFrom(bare) as OfMany)
    // What is refused of all together and of none alone, such as too many for a limit, is told as ever.
    if (split?.refused.length) refused.value = { ...split, bare }
    else await changes.send(bare)
    return false
  }
  async function goOn(): Promise<void> {
    const { bare, fine } = refused.value ?? {}
    refused.value = undefined
    if (bare && fine?.length) await changes.send({ ...bare, items: [...fine] })
  }
  return { refused, send, goOn }
}
