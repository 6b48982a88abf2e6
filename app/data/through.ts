import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { may as mayDo } from '#core/access/access'
import { personActor } from '#core/change/actor'
import type { BareCommand } from '#core/commands/registry'
import { allowsChange, isHolding } from '#core/saved-views/through'
import type { PersonId, ProjectId, ViewId } from '#core/model/records'
import { useDirectory } from './directory'

/**
 * The view through which one is working, and as whom one tries it: what is offered for items there, and what is sent with
 * each change of them. Without one, it is what one's role in the project allows.
 */
export const useThrough = defineStore('through', () => {
  const directory = useDirectory()
  const id = shallowRef<ViewId>()
  const view = computed(() => directory.reader.maybe('view', id.value ?? ''))
  /** Somebody else: nothing is sent while it lasts. */
  const as = shallowRef<PersonId>()
  const allows = computed(() => (view.value && isHolding(view.value) ? view.value.allows : undefined))

  const mayChangeItems = (project: ProjectId): boolean =>
    as.value
      ? mayDo(directory.reader, personActor(as.value), 'change items', project)
      : directory.may('change items', project)
  const mayAdd = (project: ProjectId): boolean => mayChangeItems(project) && (allows.value?.add ?? true)
  const mayRemove = (project: ProjectId): boolean => mayChangeItems(project) && (allows.value?.remove ?? true)
  /** A fact of items, by its key; without one: anything at all of them. */
  const mayChange = (project: ProjectId, key?: string): boolean =>
    mayChangeItems(project) && allowsChange(allows.value, key)

  /** Whether one works through a view, from now until another is entered or none. */
  function enter(now: ViewId | undefined): void {
    if (id.value !== now) as.value = undefined
    id.value = now
  }
  /** The command as it is sent from here. */
  const sentFrom = (bare: BareCommand): BareCommand =>
    id.value && isOfItems(bare) ? { ...bare, through: id.value } : bare
  return { view, as, mayAdd, mayRemove, mayChange, enter, sentFrom }
})

/** Setting a project up is done through no view, and neither is undoing. */
const isOfItems = (bare: BareCommand): boolean =>
  bare.type === 'together'
    ? bare.commands.some(({ type }) => type.startsWith('items.'))
    : bare.type.startsWith('items.')
