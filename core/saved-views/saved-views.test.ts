import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { judge, type Command } from '../commands/registry'
import type { Person, View, ViewDefinition, ViewId } from '../model/records'
import { contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'

let small: Small
let shared: View
beforeEach(() => {
  small = smallWorkspace()
  shared = must(
    [...small.state.all('view')].find((one) => one.definition.layout === 'table'),
    'table',
  )
})
const own = (person: Person): View => ({ ...shared, id: small.ids.next() as ViewId, owner: person.id, name: 'Mine' })
type Bare = Command extends infer C ? (C extends Command ? Omit<C, 'id' | 'v'> : never) : never
function answer(bare: Bare, by: Person): unknown {
  const command = { id: small.ids.command(), v: 1, ...bare } as Command
  const patch = judge(small.state, command, contextOf(command, by.id))
  if (!patch.ok) return patch.problem.code
  run(small.state, command, by.id)
  return 'done'
}
const sorted = (by: string): ViewDefinition => ({ ...shared.definition, sort: [{ by, down: false }] })
const change = (view: View, from: ViewDefinition, to: ViewDefinition): Bare =>
  ({ type: 'views.set', view: view.id, definition: { from, to } }) as Bare

describe('a view that is kept', () => {
  it('is shared by leads alone; one’s own is kept by anyone who may read', () => {
    const { lead, contributor, reader, stranger } = small.people
    const another = () => ({ ...shared, id: small.ids.next() as ViewId })
    expect([lead, contributor, reader].map((by) => answer({ type: 'views.add', view: another() } as Bare, by))).toEqual([
      'done', 'not-allowed', 'not-allowed',
    ]) // prettier-ignore
    expect([lead, contributor, reader].map((by) => answer({ type: 'views.add', view: own(by) } as Bare, by))).toEqual([
      'done', 'done', 'done',
    ]) // prettier-ignore
    expect(answer({ type: 'views.add', view: own(stranger) } as Bare, stranger)).toBe('not-allowed')
  })

  it('of somebody else’s own is nobody’s to make, change or remove, not even a lead’s', () => {
    const { owner, reader } = small.people
    const view = own(reader)
    expect(answer({ type: 'views.add', view } as Bare, owner)).toBe('not-allowed')
    expect(answer({ type: 'views.add', view } as Bare, reader)).toBe('done')
    expect(answer(change(view, view.definition, sorted('title')), owner)).toBe('not-allowed')
    expect(answer({ type: 'views.remove', view: view.id } as Bare, owner)).toBe('not-allowed')
    expect(answer({ type: 'views.remove', view: view.id } as Bare, reader)).toBe('done')
    expect(small.state.maybe('view', view.id)).toBeUndefined()
  })

  it('is refused where somebody kept another meanwhile, unless it says the same', () => {
    const { owner, lead } = small.people
    expect(answer(change(shared, shared.definition, sorted('title')), lead)).toBe('done')
    expect(answer(change(shared, shared.definition, sorted('due')), owner)).toBe('changed-meanwhile')
    expect(small.state.maybe('view', shared.id)?.definition).toEqual(sorted('title'))
    expect(answer(change(shared, shared.definition, sorted('title')), owner)).toBe('done')
    expect(answer(change(shared, sorted('title'), sorted('due')), owner)).toBe('done')
  })

  it('is named apart from what it says', () => {
    const { lead } = small.people
    const rename = (from: string, to: string) => ({ type: 'views.set', view: shared.id, name: { from, to } }) as Bare
    expect(answer(rename(shared.name, 'Everything'), lead)).toBe('done')
    expect(answer(rename(shared.name, 'All of it'), lead)).toBe('changed-meanwhile')
    expect(small.state.maybe('view', shared.id)).toMatchObject({ name: 'Everything', definition: shared.definition })
  })

  it('that is not there cannot be changed or removed, one that is there not made', () => {
    const { lead } = small.people
    const gone = own(lead)
    expect(answer(change(gone, gone.definition, sorted('title')), lead)).toBe('gone')
    expect(answer({ type: 'views.remove', view: gone.id } as Bare, lead)).toBe('gone')
    expect(answer({ type: 'views.add', view: shared } as Bare, lead)).toBe('id-taken')
    expect(answer({ type: 'views.add', view: { ...gone, project: small.ids.next() } } as Bare, lead)).toBe('gone')
  })
})
