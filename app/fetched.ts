const retryMs = 2000

/**
 * Fetches a script that is needed later. Where it cannot be had, because the line to the server is cut, it is tried
 * again until it can.
 */
export async function fetched<Module>(load: () => Promise<Module>): Promise<Module> {
  for (;;)
    try {
      return await load()
    } catch (error) {
      // What breaks in the script itself is no matter of the line.
      if (!(error instanceof TypeError)) throw error
      await new Promise((resolve) => setTimeout(resolve, retryMs))
    }
}

const loads: (() => Promise<unknown>)[] = []

/** What a page does without at first: fetched once the page stands, or when it is first needed. Called in modules alone. */
export function soon<Module>(load: () => Promise<Module>): () => Promise<Module> {
  let loading: Promise<Module> | undefined
  const once = () => (loading ??= fetched(load))
  loads.push(once)
  return once
}

/** The page stands: fetches all of it, so that it is there before anyone needs it or the line is cut. */
export function fetchLater(): void {
  for (const load of loads.splice(0)) void load()
}
