import { computed, onBeforeUnmount, shallowRef, watch } from 'vue'
import type { Folds, View, ViewDefinition } from '#core/model/records'
import { useViews } from '../../data/views'
import { toggled } from '../../parts/toggled'

/** So long after the last fold it is kept, in ms. */
const calm = 1500
/** So many that don't stand as their level says are kept, the last ones. */
const mostTurned = 500

/** What is folded in a table or an outline: one's own, kept once nothing more is folded for a while. */
export function useFolds(view: () => View, definition: () => ViewDefinition, fold: (folds: Folds) => void) {
  const views = useViews()
  /** What was said here, before it has come back. */
  const own = shallowRef<Folds>()
  const folds = computed(() => own.value ?? views.foldsOf(view()))
  let timer: ReturnType<typeof setTimeout> | undefined
  function keep(): void {
    timer = undefined
    if (own.value) void views.setFolds(view(), own.value)
  }
  function set(now: Folds): void {
    own.value = now
    fold(now)
    clearTimeout(timer)
    timer = setTimeout(keep, calm)
  }
  onBeforeUnmount(() => {
    if (timer === undefined) return
    clearTimeout(timer)
    keep()
  })
  const toggle = (one: string): void =>
    set({ ...folds.value, turned: toggled(folds.value.turned, one).slice(-mostTurned) })
  /** Groups at this level and deeper show their heads alone; undefined: none do. */
  const foldTo = (to: number | undefined): void => set({ ...(to !== undefined && { to }), turned: [] })

  // Opened to another level, nothing stands otherwise any more.
  watch(
    () => { const now = definition(); return 'open' in now ? now.open : 0 }, // prettier-ignore
    () => set({ turned: [] }),
  )
  // Asked otherwise, it is told again what was said here.
  watch(
    () => JSON.stringify(views.inputOf(view())),
    () => own.value && fold(own.value),
  )
  return { folds, toggle, foldTo }
}
