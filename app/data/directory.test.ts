import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { must } from '#core/base/result'
import { watch, type WatchAnswer } from '#core/queries/registry'
import type { PersonId, View, ViewId } from '#core/model/records'
import { smallWorkspace, today, type Small } from '#core/test-kit/workspace'
import { useDirectory } from './directory'

type Told = WatchAnswer<'directory'>
const around = vi.hoisted(() => ({ hear: [] as ((told: never) => void)[], session: { api: {} } }))
vi.mock('./session', () => ({ useSession: () => around.session }))
vi.mock('./page-seed', () => ({ pageSeed: () => ({ language: 'en-US', answers: [] }) }))
vi.mock('./open-query', () => ({
  openQuery: (_api: unknown, { query }: { query: string }) => ({
    hear: (told: never) => (query === 'directory' ? around.hear.push(told) : undefined),
  }),
}))

let small: Small
let directory: ReturnType<typeof useDirectory>
const answerFor = (me: PersonId): Told =>
  watch({ state: small.state, me, today: () => today }, { query: 'directory', input: undefined }).answer() as Told
const tell = (told: Told) => around.hear.at(-1)!(told as never)
beforeEach(() => {
  setActivePinia(createPinia())
  small = smallWorkspace()
  directory = useDirectory()
  directory.follow()
})

describe('the directory', () => {
  it('is ready once it has been told, and knows who one is', async () => {
    expect(directory.isReady).toBe(false)
    tell(answerFor(small.people.lead.id))
    await directory.ready
    expect(directory.isReady).toBe(true)
    expect(directory.me).toEqual(small.people.lead)
    expect([directory.today, directory.language]).toEqual([today, 'en-US'])
  })

  it('stays the same where the same comes again, and moves on where it is not', () => {
    tell(answerFor(small.people.lead.id))
    const before = directory.reader
    tell(structuredClone(answerFor(small.people.lead.id)))
    expect(directory.reader).toBe(before)
    small.state.put('project', small.project.id, { ...small.project, name: 'Palm house' })
    tell(answerFor(small.people.lead.id))
    expect(directory.projects.map((project) => project.name)).toEqual(['Palm house'])
  })

  it('finds a project by its prefix in any case, also by one it had', () => {
    small.state.put('project', small.project.id, { ...small.project, prefix: 'PAL', oldPrefixes: ['GLH'] })
    tell(answerFor(small.people.lead.id))
    for (const prefix of ['PAL', 'pal', 'glh']) expect(directory.byPrefix(prefix)?.id).toBe(small.project.id)
    expect(directory.byPrefix('SED')).toBeUndefined()
  })

  it('has shared views before one’s own, each in their order', () => {
    const [one] = [...small.state.all('view')]
    const view = (id: string, own: boolean, rank: string): View => ({
      ...must(one, 'view'),
      id: id as ViewId,
      maker: small.people.lead.id,
      audience: { of: own ? 'maker' : 'project' },
      rank,
    })
    for (const each of [view('z', false, 'y8'), view('a', false, 'y9'), view('b', false, 'y9'), view('m', true, 'a0')])
      small.state.put('view', each.id, each)
    tell(answerFor(small.people.lead.id))
    expect(
      directory
        .views(small.project.id)
        .map(({ id }) => id)
        .slice(-4),
    ).toEqual(['z', 'a', 'b', 'm'])
  })

  it('says what each may do', () => {
    const { contributor, reader } = small.people
    tell(answerFor(contributor.id))
    expect(directory.may('change items', small.project.id)).toBe(true)
    expect(directory.may('set up project', small.project.id)).toBe(false)
    expect(directory.may('start projects')).toBe(false)
    tell(answerFor(reader.id))
    expect([directory.may('see project', small.project.id), directory.may('change items', small.project.id)]).toEqual([
      true,
      false,
    ])
  })

  it('fills a status’s leaf by how far along it is', () => {
    tell(answerFor(small.people.lead.id))
    const shares = directory.statuses(small.project.id).map((status) => directory.share(status))
    expect(shares).toEqual([0, 0, 0.4, 0.7, 1, -1])
  })
})
