import { afterEach, expect, it, vi } from 'vitest'
import { askForEverything, takeEarly } from './early'

afterEach(() => vi.unstubAllGlobals())
const answer = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status })

it('asks for the items of every project before anyone hears the directory, and gives each answer once', async () => {
  const asked: string[] = []
  vi.stubGlobal('fetch', (path: string) => {
    asked.push(path)
    return Promise.resolve(answer({ records: { project: [{ id: 'p1' }, { id: 'p2' }] } }))
  })
  askForEverything()
  const directory = await takeEarly('/api/directory')
  expect(await directory!.json()).toEqual({ records: { project: [{ id: 'p1' }, { id: 'p2' }] } })
  expect(asked).toEqual(['/api/directory', '/api/projects/p1/items', '/api/projects/p2/items'])
  expect(takeEarly('/api/projects/p1/items')).toBeDefined()
  expect(takeEarly('/api/projects/p1/items')).toBeUndefined()
  expect(takeEarly('/api/directory')).toBeUndefined()
})

it('leaves what went wrong to whoever takes it', async () => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no line')))
  askForEverything()
  await new Promise((resolve) => setTimeout(resolve, 5))
  await expect(takeEarly('/api/directory')).rejects.toThrow('no line')
})

it('asks for nothing more where nobody is signed in', async () => {
  const asked: string[] = []
  vi.stubGlobal('fetch', (path: string) => {
    asked.push(path)
    return Promise.resolve(answer({ problem: { code: 'not-signed-in' } }, 401))
  })
  askForEverything()
  expect((await takeEarly('/api/directory'))!.status).toBe(401)
  expect(asked).toEqual(['/api/directory'])
})
