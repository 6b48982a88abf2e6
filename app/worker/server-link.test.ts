import { afterEach, describe, expect, it, vi } from 'vitest'
import { httpLink, LinkDown, Refused } from './server-link'

const answering = (body: BodyInit | null, init?: ResponseInit) => {
  const asked: { path: string; init: RequestInit | undefined }[] = []
  vi.stubGlobal('fetch', (path: string, given?: RequestInit) => {
    asked.push({ path, init: given })
    return Promise.resolve(new Response(body, init))
  })
  return asked
}
const command = { id: 'c', type: 'items.archive', v: 1, items: [], archived: true } as never
afterEach(() => vi.unstubAllGlobals())

describe('the link to the server', () => {
  it('tells what is refused from a link that is down', async () => {
    answering('{"problem":{"code":"not-allowed"}}', { status: 403 })
    await expect(httpLink.directory()).rejects.toMatchObject({ problem: { code: 'not-allowed' } })
    await expect(httpLink.directory()).rejects.toBeInstanceOf(Refused)
    answering('<html>Bad gateway</html>', { status: 502 })
    await expect(httpLink.directory()).rejects.toBeInstanceOf(LinkDown)
    answering('{"problem":{"code":"unexpected"}}', { status: 503 })
    await expect(httpLink.directory()).rejects.toBeInstanceOf(LinkDown)
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed to fetch')))
    await expect(httpLink.directory()).rejects.toBeInstanceOf(LinkDown)
  })

  it('takes an answer that ends in the middle for a link that is down', async () => {
    answering('{"sequence":1,"ids":["a",')
    await expect(httpLink.items('p', () => {})).rejects.toBeInstanceOf(LinkDown)
  })

  it('says how far a long answer is, and nothing about a short one', async () => {
    const payload = { sequence: 1, ids: [], words: [], columns: {}, values: {} }
    const told: number[] = []
    answering(JSON.stringify(payload), { headers: { 'x-items': '10' } })
    expect(await httpLink.items('p', (share) => told.push(share))).toEqual(payload)
    expect(told).toEqual([])
    const long = new ReadableStream<Uint8Array>({
      start(controller) {
        const text = JSON.stringify({ ...payload, words: ['w'.repeat(3_000_000)] })
        const bytes = new TextEncoder().encode(text)
        for (let at = 0; at < bytes.length; at += 500_000) controller.enqueue(bytes.slice(at, at + 500_000))
        controller.close()
      },
    })
    answering(long, { headers: { 'x-items': '5000' } })
    expect((await httpLink.items('p', (share) => told.push(share))).words[0]).toHaveLength(3_000_000)
    expect(told.length).toBeGreaterThan(3)
    expect([...told].sort((a, b) => a - b)).toEqual(told)
    expect(Math.max(...told)).toBeLessThan(1)
  })

  it('sends each command to where its type is taken', async () => {
    const asked = answering('{"large":{"sequence":2,"parts":1}}')
    await httpLink.send(command)
    await httpLink.send({ ...(command as object), type: 'bring-in' } as never)
    expect(asked.map((one) => one.path)).toEqual(['/api/commands/items.archive', '/api/commands/bring-in'])
  })

  it('hears frames of the feed that come in pieces, until the stream ends', async () => {
    const parts = ['data: {"tell":"seq', 'uence","n":4}\n\n: still here\n\ndata: {"tell":"sequence","n":5}\n', '\n']
    answering(
      new ReadableStream<Uint8Array>({
        start(controller) {
          for (const part of parts) controller.enqueue(new TextEncoder().encode(part))
          controller.close()
        },
      }),
    )
    const heard: unknown[] = []
    await httpLink.feed((message) => heard.push(message), new AbortController().signal)
    expect(heard).toEqual([{ tell: 'sequence', n: 4 }, { tell: 'sequence', n: 5 }]) // prettier-ignore
  })
})
