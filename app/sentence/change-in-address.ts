import { nextTick, watch } from 'vue'
import type { LocationQueryRaw, RouteLocationNormalizedLoaded, Router } from 'vue-router'
import type { View, ViewDefinition } from '#core/model/records'
import { isSameValue } from '#core/base/sorted-ids'
import { useChanges } from '../data/changes'
import type { useAsk } from '../data/use-ask'
import { useSession } from '../data/session'
import { useViews } from '../data/views'
import { keepWords } from './view-words'
import { changeFrom, changeText } from './change-text'

/** What one has changed in a view and not saved stands in its address, so that it can be sent to someone. */
export function followAddress(
  view: () => View | undefined,
  route: RouteLocationNormalizedLoaded,
  router: Router,
  ask: ReturnType<typeof useAsk>,
  /** Called when the change that the address began with has been read. */
  begun?: () => void,
): void {
  const session = useSession()
  const views = useViews()
  const changes = useChanges()
  const inAddress = (): string => (typeof route.query.change === 'string' ? route.query.change : '')
  const textOf = (one: View): string => changeText(one.definition, views.definitionOf(one))

  /** What this address has been read for: a change in it that is another was followed here. */
  let read = ''
  watch(
    // Each by itself, so that nothing is read again because something else of the view has changed.
    [() => view()?.id, inAddress, () => !!session.api] as const,
    async ([id, text, isThere]) => {
      const one = view()
      if (!isThere) return
      if (!one || !text || text === read || text === textOf(one)) return begun?.()
      read = text
      const definition = changeFrom(one.definition, text)
      const kept = JSON.stringify({ [one.id]: { definition, from: one.definition } })
      const found = definition ? (await ask('drafts', { kept }))?.[one.id] : undefined
      // It has been left, or put back, meanwhile.
      if (view()?.id !== id || inAddress() !== text) return
      if (found) take(one, found.definition)
      else changes.say(keepWords.unreadable)
      show(one)
      if (begun) void nextTick(begun)
    },
    { immediate: true },
  )
  /** In place of what one had changed oneself, which can be had back. */
  function take(one: View, definition: ViewDefinition): void {
    const mine = views.isChanged(one) ? views.definitionOf(one) : undefined
    views.change(one, definition)
    if (mine && !isSameValue(mine, definition)) changes.say(keepWords.linked, () => views.change(one, mine), keepWords.backToMine) // prettier-ignore
  }

  watch(
    [() => view() && textOf(view()!), () => route.path, () => route.query.item, inAddress] as const,
    ([text, , , shown]) => {
      const one = view()
      // What is being read comes first.
      if (one && text !== undefined && (shown === read || !shown || !session.api)) show(one)
    },
    { flush: 'post' },
  )
  function show(one: View): void {
    if (import.meta.server || !session.api || route.params.view !== one.id) return
    const text = textOf(one)
    if (text === inAddress()) return
    read = text
    const { change: _gone, ...query } = route.query
    void router.replace({ query: { ...query, ...(text && { change: text }) } as LocationQueryRaw })
  }
}
