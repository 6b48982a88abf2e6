import { defineAsyncComponent, type Component } from 'vue'
import { fetched } from '../fetched'

const loads: (() => Promise<unknown>)[] = []
let isFetching = false

/** A component that a page does without at first: fetched when the page stands, or when it is first needed. */
export function later<C extends Component>(load: () => Promise<{ readonly default: C }>): C {
  let loading: Promise<C> | undefined
  const once = () => (loading ??= fetched(load).then((module) => module.default))
  // What is asked for after the page stands is fetched at once.
  if (isFetching) void once()
  else if (import.meta.client) loads.push(once)
  return defineAsyncComponent(once as () => Promise<Component>) as C
}

/** The page stands: fetches all of them, so that they are there before anyone needs them or the line is cut. */
export function fetchLater(): void {
  isFetching = true
  for (const load of loads.splice(0)) void load()
}
