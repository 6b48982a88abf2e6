import { randomUUID } from 'node:crypto'
import { v7 } from 'uuid'
import { definitionOf } from '#core/commands/registry'
import type { Directory } from '#core/wire/directory'
import { itemsIn, type Payload } from '#core/wire/payload'
import type { Item } from '#core/model/records'

/** Someone who speaks to the server by plain HTTP. */
export class Client {
  cookie = ''
  constructor(readonly url: string) {}

  async get(path: string): Promise<Response> {
    return fetch(this.url + path, { headers: { cookie: this.cookie } })
  }
  async post(path: string, body: unknown, headers: Record<string, string> = { origin: this.url }): Promise<Response> {
    return fetch(this.url + path, { method: 'POST', headers: { 'content-type': 'application/json', cookie: this.cookie, ...headers }, body: typeof body === 'string' ? body : JSON.stringify(body) }) // prettier-ignore
  }
  async delete(path: string): Promise<Response> {
    return fetch(this.url + path, { method: 'DELETE', headers: { cookie: this.cookie, origin: this.url } })
  }

  /** As it is given: a text is sent as it stands, everything else as JSON. */
  async send(method: string, path: string, body?: unknown): Promise<Response> {
    return fetch(this.url + path, {
      method,
      headers: { 'content-type': 'application/json', cookie: this.cookie, origin: this.url },
      ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    })
  }

  keep(response: Response): Response {
    this.cookie = response.headers.get('set-cookie')?.split(';')[0] ?? this.cookie
    return response
  }

  /** Steps in as someone of the demo, by the beginning of the name. */
  async stepInAs(name: string): Promise<this> {
    const { people } = (await (await this.get('/api/welcome')).json()) as { people: { id: string; name: string }[] }
    const person = people.find((one) => one.name.startsWith(name))
    this.keep(await this.post('/api/session', { person: person?.id }))
    return this
  }

  async directory(): Promise<Directory> {
    return (await this.get('/api/directory')).json() as Promise<Directory>
  }
  async items(project: string): Promise<Item[]> {
    return itemsIn((await (await this.get(`/api/projects/${project}/items`)).json()) as Payload)
  }
  /** Sends a command and gives its answer. */
  async command(
    type: string,
    body: object,
    id: string = v7(),
  ): Promise<{
    entry?: { sequence: number; patch: unknown[] }
    problem?: { code: string; at?: unknown[] }
    large?: unknown
  }> {
    const answer = await this.do(type, body, id)
    return answer.json() as never
  }
  /** Sends a command, in the version that is current. */
  do(type: string, body: object, id: string = v7()): Promise<Response> {
    return this.post(`/api/commands/${type}`, { id, type, v: definitionOf(type)?.v ?? 1, ...body })
  }
}

export const unique = (): string => randomUUID().slice(0, 8)
