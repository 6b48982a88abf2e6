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
