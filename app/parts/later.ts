import { defineAsyncComponent, type Component } from 'vue'
import { soon } from '../fetched'

/**
 * A component that a page does without at first: fetched when the page stands, or when it is first needed. Called in
 * modules alone: in a component's setup every instance would get one of its own, and none of them would come in time.
 */
export function later<C extends Component>(load: () => Promise<{ readonly default: C }>): C {
  const once = soon(load)
  return defineAsyncComponent((async () => (await once()).default) as () => Promise<Component>) as C
}
