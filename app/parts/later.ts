import { defineAsyncComponent, type Component } from 'vue'
import { fetched } from '../fetched'

const loads: (() => Promise<unknown>)[] = []

/**
 * A component that a page does without at first: fetched when the page stands, or when it is first needed. Called in
 * modules alone: in a component's setup every instance would get one of its own, and none of them would come in time.
 */
export function later<C extends Component>(load: () => Promise<{ readonly default: C }>): C {
  let loading: Promise<C> | undefined
  const once = () => (loading ??= fetched(load).then((module) => module.default))
  loads.push(once)
  return defineAsyncComponent(once as () => Promise<Component>) as C
}

/** The page stands: fetches all of them, so that they are there before anyone needs them or the line is cut. */
export function fetchLater(): void {
  for (const load of loads.splice(0)) void load()
}
