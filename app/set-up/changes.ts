import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { BareCommand } from '#core/commands/registry'
import { useChanges } from '../data/changes'

/** Where what depends on a thing goes when it is removed. */
export interface Destination {
  readonly words: string
  /** Null: nowhere. */
  readonly choices: readonly { readonly value: string; readonly title: string }[]
}

/** A change of set-up whose effects are shown before it is done. */
export interface PendingChange {
  readonly title: string
  readonly go: string
  /** Whose removal it is, aside from what goes with it. */
  readonly about: string
  /** How many items stand where it changes something. */
  readonly standing: number
  readonly to?: Destination
  /** Said besides what it touches. */
  readonly note?: string
  command(to: string): BareCommand
}

/** The change of set-up that somebody is about to make, and its end. */
export const useSetUpChange = defineStore('set-up change', () => {
  const changes = useChanges()
  const pending = shallowRef<PendingChange>()
  let back: HTMLElement | undefined
  function ask(change: PendingChange, at?: HTMLElement): void {
    pending.value = change
    back = at
  }
  function leave(): void {
    pending.value = undefined
    requestAnimationFrame(() => back?.isConnected && back.focus())
  }
  async function take(command: BareCommand): Promise<void> {
    if (await changes.send(command)) leave()
  }
  return { pending, ask, leave, take }
})
