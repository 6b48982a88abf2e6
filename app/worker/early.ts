/** What the worker asks of the server while the rest of its script is still on its way. */

const asked = new Map<string, Promise<Response>>()

export const getInit: RequestInit = { credentials: 'same-origin', cache: 'no-store' }

function ask(path: string, whenHere: (response: Response) => Promise<unknown> = () => Promise.resolve()): void {
  const answer = fetch(path, getInit).then(async (response) => {
    if (response.ok) await whenHere(response.clone())
    return response
  })
  // Whoever takes it deals with what went wrong.
  answer.catch(() => {})
  asked.set(path, answer)
}

/** The directory, and with it the items of every project in it. */
export function askForEverything(): void {
  ask('/api/directory', async (response) => {
    const { records } = (await response.json()) as { records: { project: { id: string }[] } }
    for (const { id } of records.project) ask(`/api/projects/${id}/items`)
  })
}

/** Gives what was asked already, once. */
export function takeEarly(path: string): Promise<Response> | undefined {
  const answer = asked.get(path)
  asked.delete(path)
  return answer
}
