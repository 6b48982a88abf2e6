import { defineStore } from 'pinia'
import { computed, shallowRef, watchEffect } from 'vue'
import type { BareCommand } from '#core/commands/registry'
import { preferenceOf } from '#core/model/looks'
import type { PersonId, Preference } from '#core/model/records'
import { useChanges } from './changes'
import { useDirectory } from './directory'
import { densityKey, themeKey } from './kept-theme'

/** How high a row is, in px, with the line below it; `--row` in the style sheets. */
const rowHeights: Readonly<Record<Preference['density'], number>> = { close: 29, usual: 33, roomy: 41 }

/** How one has pages look everywhere: kept for the person, and put on the page. */
export const usePreferences = defineStore('preferences', () => {
  const directory = useDirectory()
  const changes = useChanges()
  const own = computed(() => preferenceOf(directory.reader, directory.me?.id ?? ('' as PersonId)))
  const isKept = computed(() => !!directory.reader.maybe('preference', own.value.id))
  const isDarkOutside = shallowRef(false)
  /** What this browser was told before anything was kept. */
  const told = shallowRef<string | null>(null)
  const theme = computed(() => (isKept.value ? own.value.theme : (told.value ?? 'system')))
  const night = computed(() => (theme.value === 'system' ? isDarkOutside.value : theme.value === 'night'))
  const rowHeight = computed(() => rowHeights[own.value.density])

  /** Keeps the page as it is meant to look from now on. */
  function follow(): void {
    const outside = matchMedia('(prefers-color-scheme: dark)')
    isDarkOutside.value = outside.matches
    outside.addEventListener('change', () => (isDarkOutside.value = outside.matches))
    told.value = localStorage.getItem(themeKey)
    watchEffect(() => {
      const { dataset } = document.documentElement
      dataset.theme = night.value ? 'night' : 'day'
      if (!isKept.value) return
      dataset.density = own.value.density
      localStorage.setItem(densityKey, own.value.density)
      if (theme.value === 'system') localStorage.removeItem(themeKey)
      else localStorage.setItem(themeKey, theme.value)
    })
  }
  /** `isAside`: undo leaves it alone, as it does what is opened and closed in passing. */
  const choose = (set: Partial<Omit<Preference, 'id'>>, isAside = false) =>
    (isAside ? changes.sendAside : changes.send)({ type: 'preference.set', set } as BareCommand)
  return { own, theme, night, rowHeight, follow, choose }
})
