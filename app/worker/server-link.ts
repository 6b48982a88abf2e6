import type { Command } from '#core/commands/registry'
import type { Problem } from '#core/base/result'
import type { Entry } from '#core/change/command'
import type { ServerPort } from '#core/queries/contract'
import type { Directory } from '#core/wire/directory'
import type { Answer, FeedMessage, LogMessage } from '#core/wire/feed'
import type { Payload } from '#core/wire/payload'
import { getInit, takeEarly } from './early'

/** The server could not be reached, or did not answer with something of ours. */
export class LinkDown extends Error {}
/** The server answered that this is not to be had. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code)
  }
}

/** Everything that the replica asks of the server. */
export interface ServerLink extends ServerPort {
  directory(): Promise<Directory>
  items(project: string, progress: (share: number) => void): Promise<Payload>
  logAfter(sequence: number): Promise<readonly LogMessage[]>
  part(sequence: number, part: number): Promise<Entry>
  send(command: Command): Promise<Answer>
  /** Stops a large command that is being done; its answer says whether that was in time. */
  stop(command: string): Promise<void>
  /** Where items stood at the end of a day, of those that have moved since; what had been written by then. */
  past(
    project: string,
    daysAgo: number,
  ): Promise<{ readonly sequence: number; readonly statuses: Readonly<Record<string, string>> }>
  signOut(): Promise<void>
  /** Hears until the line is cut or `stop` says so. */
  feed(hear: (message: FeedMessage) => void, stop: AbortSignal): Promise<void>
}

/** The feed says something at least every 15 seconds. */
const longestSilenceMs = 40_000

async function fetchOrDown(path: string, init?: RequestInit): Promise<Response> {
  try {
    return await ((init ? undefined : takeEarly(path)) ?? fetch(path, { ...getInit, ...init }))
  } catch (error) {
    throw new LinkDown(String(error))
  }
}

async function jsonOf<T>(response: Response): Promise<T> {
  const body: unknown = await response.json().catch(() => undefined)
  if (response.ok && body !== undefined) return body as T
  const said = (body as { problem?: Problem } | undefined)?.problem
  if (said && said.code !== 'unexpected') throw new Refused(said)
  // A proxy or a server that is just starting or ending: nothing of ours was said.
  if (!said || response.status === 502 || response.status === 503) throw new LinkDown(`status ${response.status}`)
  throw new Refused(said)
}

const get = async <T>(path: string): Promise<T> => jsonOf<T>(await fetchOrDown(path))

export const httpLink: ServerLink = {
  directory: () => get('/api/directory'),
  async items(project, progress) {
    const response = await fetchOrDown(`/api/projects/${project}/items`)
    if (!response.ok || bytesOf(response) < leastProgressBytes) return jsonOf<Payload>(response)
    return JSON.parse(await textWithProgress(response, progress)) as Payload
  },
  async logAfter(sequence) {
    return (await get<{ messages: LogMessage[] }>(`/api/log?after=${sequence}`)).messages
  },
  async part(sequence, part) {
    return (await get<{ entry: Entry }>(`/api/log/${sequence}/parts/${part}`)).entry
  },
  async send(command) {
    const init = { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(command) }
    return jsonOf<Answer>(await fetchOrDown(`/api/commands/${command.type}`, init))
  },
  async stop(command) {
    await fetchOrDown(`/api/large/${command}`, { method: 'DELETE' })
  },
  past: (project, daysAgo) => get(`/api/projects/${project}/past?days=${daysAgo}`),
  history: (item, before) => get(`/api/items/${item}/history${before === undefined ? '' : `?before=${before}`}`),
  longTexts: async (project, field) =>
    (await get<{ texts: Record<string, string> }>(`/api/projects/${project}/texts?field=${field}`)).texts,
  longText: (item, field) => get(`/api/items/${item}/texts/${field}`),
  typicalStays: (project) => get(`/api/projects/${project}/stays`),
  async signOut() {
    const response = await fetchOrDown('/api/session', { method: 'DELETE' })
    if (!response.ok && response.status !== 401) await jsonOf(response)
  },
  async feed(hear, stop) {
    const cut = new AbortController()
    stop.addEventListener('abort', () => cut.abort(), { once: true })
    const response = await fetchOrDown('/api/feed', { signal: cut.signal })
    if (!response.ok || !response.body) {
      await jsonOf<unknown>(response)
      return
    }
    let silence = setTimeout(() => cut.abort(), longestSilenceMs)
    const reader = response.body
      .pipeThrough(new TextDecoderStream() as unknown as ReadableWritablePair<string, Uint8Array<ArrayBuffer>>)
      .getReader()
    let text = ''
    try {
      for (;;) {
        const { done, value } = await reader.read()
        if (done) return
        clearTimeout(silence)
        silence = setTimeout(() => cut.abort(), longestSilenceMs)
        const frames = (text + value).split('\n\n')
        text = frames.pop() ?? ''
        for (const frame of frames) if (frame.startsWith('data: ')) hear(JSON.parse(frame.slice(6)) as FeedMessage)
      }
    } catch (error) {
      if (error instanceof TypeError || (error instanceof DOMException && error.name === 'AbortError'))
        throw new LinkDown(String(error))
      throw error
    } finally {
      clearTimeout(silence)
    }
  },
}

/** About how many bytes an item takes: what the progress is measured against. */
const bytesAnItem = 600
/** Shorter ones are here before a progress could be read. */
const leastProgressBytes = 2_000_000

const bytesOf = (response: Response): number => Number(response.headers.get('x-items') ?? 0) * bytesAnItem

async function textWithProgress(response: Response, progress: (share: number) => void): Promise<string> {
  const meant = bytesOf(response)
  const reader = response.body
    ?.pipeThrough(new TextDecoderStream() as unknown as ReadableWritablePair<string, Uint8Array<ArrayBuffer>>)
    .getReader()
  const parts: string[] = []
  let size = 0
  try {
    for (;;) {
      const next = await reader?.read()
      if (!next || next.done) return parts.join('')
      parts.push(next.value)
      size += next.value.length
      progress(Math.min(0.99, size / meant))
    }
  } catch (error) {
    throw new LinkDown(String(error))
  }
}
