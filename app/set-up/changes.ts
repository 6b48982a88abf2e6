import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { partsOf, together } from '#core/commands/bare'
import type { BareCommand } from '#core/commands/registry'
import { useChanges } from '../data/changes'
import { useAsk } from '../data/use-ask'
import { afterAll } from './after-all'

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

/** A change that is kept to be done with others. */
export interface GatheredChange {
  /** As undo would say it. */
  readonly name: string
  readonly command: BareCommand
}

/** The changes of set-up that somebody is about to make: one whose effects are shown, and those that are gathered. */
export const useSetUpChange = defineStore('set-up change', () => {
  const changes = useChanges()
  const effects = useAsk()
  const pending = shallowRef<PendingChange>()
  /** By project; none: there every change is done at once. */
  const kept = shallowRef<Readonly<Record<string, readonly GatheredChange[]>>>({})
  const project = shallowRef('')
  const gathered = computed(() => kept.value[project.value])
  let back: HTMLElement | undefined
  function ask(change: PendingChange, at?: HTMLElement): void {
    pending.value = change
    back = at
  }
  function leave(): void {
    pending.value = undefined
    requestAnimationFrame(() => back?.isConnected && back.focus())
  }
  function keep(all: readonly GatheredChange[] | undefined): void {
    const others = Object.entries(kept.value).filter(([of]) => of !== project.value)
    kept.value = Object.fromEntries(all ? [...others, [project.value, all]] : others)
  }
  /** Does a change, or puts it to the others that are done as one; the last word on a thing counts. */
  async function send(command: BareCommand): Promise<boolean> {
    if (!gathered.value) return changes.send(command, afterAll(command))
    const told = await effects('effects', { command })
    if (!told?.ok) {
      if (told) changes.say(await changes.wordsFor(told.problem))
      return false
    }
    const stays = await Promise.all(gathered.value.map(async (one) => !(await clashes(one.command, command))))
    keep([...gathered.value.filter((_one, i) => stays[i]), { name: told.value.name, command }])
    return true
  }
  async function clashes(one: BareCommand, other: BareCommand): Promise<boolean> {
    const told = await effects('effects', { command: together([...partsOf(one), ...partsOf(other)]) })
    return !!told && !told.ok && told.problem.code === 'same-twice'
  }
  const all = computed(() => together((gathered.value ?? []).flatMap(({ command }) => partsOf(command))))
  const begin = (): void => keep([])
  const drop = (change: GatheredChange): void => keep(gathered.value?.filter((one) => one !== change))
  const giveUp = (): void => keep(undefined)
  async function doAll(): Promise<void> {
    if (await changes.send(all.value)) giveUp()
  }
  async function take(command: BareCommand): Promise<void> {
    if (await send(command)) leave()
  }
  return { pending, project, gathered, all, ask, leave, take, send, begin, drop, giveUp, doAll }
})
