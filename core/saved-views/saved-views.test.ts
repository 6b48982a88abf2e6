import { beforeEach, describe, expect, it } from 'vitest'
import { compareRanked } from '../base/ranked'
import { must } from '../base/result'
import { judge, type BareCommand as Bare } from '../commands/registry'
import { viewRecord } from '../model/schemas'
import type { Person, View, ViewDefinition, ViewId } from '../model/records'
import { command as commandOf, contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'

let small: Small
let shared: View
beforeEach(() => {
  small = smallWorkspace()
  shared = must(
    [...small.state.all('view')].find((view) => view.definition.layout === 'table'),
    'table',
  )
})
const own = (person: Person): View => ({
  ...shared,
  id: small.ids.next() as ViewId,
  maker: person.id,
  audience: { of: 'maker' },
  name: 'Mine',
})
function answer(bare: Bare, by: Person): unknown {
  const command = commandOf(small.ids, bare)
  const patch = judge(small.state, command, contextOf(command, by.id))
  if (!patch.ok) return patch.problem.code
  run(small.state, command, by.id)
  return 'done'
}
const sorted = (by: 'title' | 'late'): ViewDefinition => ({
  ...shared.definition,
  sort: [{ by: { fact: by }, down: false }],
})
const change = (view: View, from: ViewDefinition, to: ViewDefinition): Bare => ({
  type: 'view.set',
  target: view.id,
  set: { definition: { from, to } },
})

describe('a view that is kept', () => {
  it('is shared by leads alone; one’s own is kept by anyone who may read', () => {
    const { lead, contributor, reader, stranger } = small.people
    const another = (by: Person) => ({ ...shared, id: small.ids.next() as ViewId, maker: by.id })
    expect([lead, contributor, reader].map((by) => answer({ type: 'view.add', record: another(by) }, by))).toEqual([
      'done', 'not-allowed', 'not-allowed',
    ]) // prettier-ignore
    expect([lead, contributor, reader].map((by) => answer({ type: 'view.add', record: own(by) }, by))).toEqual([
      'done', 'done', 'done',
    ]) // prettier-ignore
    expect(answer({ type: 'view.add', record: own(stranger) }, stranger)).toBe('not-allowed')
  })

  it('of somebody else’s own is nobody’s to make, change or remove, not even a lead’s', () => {
    const { owner, reader } = small.people
    const view = own(reader)
    expect(answer({ type: 'view.add', record: view }, owner)).toBe('not-allowed')
    expect(answer({ type: 'view.add', record: view }, reader)).toBe('done')
    expect(answer(change(view, view.definition, sorted('title')), owner)).toBe('not-allowed')
    expect(answer({ type: 'view.remove', target: view.id, how: {} }, owner)).toBe('not-allowed')
    expect(answer({ type: 'view.remove', target: view.id, how: {} }, reader)).toBe('done')
    expect(small.state.maybe('view', view.id)?.archived).toBeTruthy()
  })

  it('is refused where somebody kept another meanwhile, unless it says the same', () => {
    const { owner, lead } = small.people
    expect(answer(change(shared, shared.definition, sorted('title')), lead)).toBe('done')
    expect(answer(change(shared, shared.definition, sorted('late')), owner)).toBe('changed-meanwhile')
    expect(small.state.maybe('view', shared.id)?.definition).toEqual(sorted('title'))
    expect(answer(change(shared, shared.definition, sorted('title')), owner)).toBe('done')
    expect(answer(change(shared, sorted('title'), sorted('late')), owner)).toBe('done')
  })

  it('is named apart from what it says', () => {
    const { lead } = small.people
    const rename = (from: string, to: string) => ({
      type: 'view.set' as const,
      target: shared.id,
      set: { name: { from, to } },
    })
    expect(answer(rename(shared.name, 'Everything'), lead)).toBe('done')
    expect(answer(rename(shared.name, 'All of it'), lead)).toBe('changed-meanwhile')
    expect(small.state.maybe('view', shared.id)).toMatchObject({ name: 'Everything', definition: shared.definition })
  })

  it('that is removed is in the bin: it comes back as it was, or goes for good', () => {
    const { lead, owner, reader } = small.people
    expect(answer({ type: 'view.delete', view: shared.id }, lead)).toBe('not-in-bin')
    expect(answer({ type: 'view.remove', target: shared.id, how: {} }, lead)).toBe('done')
    expect(answer({ type: 'view.remove', target: shared.id, how: {} }, owner)).toBe('gone')
    const from = small.state.maybe('view', shared.id)?.archived ?? null
    const back: Bare = { type: 'view.set', target: shared.id, set: { archived: { from, to: null } } }
    const forged = { from, to: 'when I like' }
    expect(answer({ type: 'view.set', target: shared.id, set: { archived: forged } }, owner)).toBe('wrong-value')
    for (const archived of ['yesterday', '', '2026-11-24T09:00:00.000Z'])
      expect(answer({ type: 'view.add', record: { ...own(lead), archived } }, lead)).toBe('wrong-value')
    expect(viewRecord.safeParse({ ...own(lead), archived: '' }).success).toBe(false)
    expect(viewRecord.safeParse({ ...own(lead), archived: '2026-11-24T09:00:00.000Z' }).success).toBe(true)
    expect(answer(back, reader)).toBe('not-allowed')
    expect(answer(back, owner)).toBe('done')
    expect(small.state.maybe('view', shared.id)).toMatchObject({ name: shared.name, archived: null })
    expect(answer({ type: 'view.remove', target: shared.id, how: {} }, lead)).toBe('done')
    expect(answer({ type: 'view.delete', view: shared.id }, reader)).toBe('not-allowed')
    expect(answer({ type: 'view.delete', view: shared.id }, lead)).toBe('done')
    expect(small.state.maybe('view', shared.id)).toBeUndefined()
  })

  it('of one’s own is shown to some people by oneself, to all by leads alone', () => {
    const { lead, contributor, reader } = small.people
    const view = own(contributor)
    const show = (from: View['audience'], to: View['audience']): Bare => ({
      type: 'view.set',
      target: view.id,
      set: { audience: { from, to } },
    })
    const some: View['audience'] = { of: 'people', people: [reader.id] }
    expect(answer({ type: 'view.add', record: view }, contributor)).toBe('done')
    expect(answer(show(view.audience, { of: 'project' }), contributor)).toBe('not-allowed')
    expect(answer(show(view.audience, some), lead)).toBe('not-allowed')
    expect(answer(show(view.audience, some), contributor)).toBe('done')
    expect(answer(show(some, { of: 'project' }), reader)).toBe('not-allowed')
    expect(answer(show(some, { of: 'project' }), lead)).toBe('done')
  })

  it('gives what is added through it values that its fields take, and no others', () => {
    const { lead } = small.people
    const effort = must(small.project.uses.effort, 'effort')
    const gives = (value: unknown) => ({
      type: 'view.set' as const,
      target: shared.id,
      set: { gives: { from: shared.gives, to: { [effort]: { is: 'value' as const, value } } } },
    })
    expect(answer(gives('much') as Bare, lead)).toBe('wrong-value')
    expect(answer(gives(480) as Bare, lead)).toBe('done')
  })

  it('that is not there cannot be changed or removed, one that is there not made', () => {
    const { lead } = small.people
    const gone = own(lead)
    expect(answer(change(gone, gone.definition, sorted('title')), lead)).toBe('gone')
    expect(answer({ type: 'view.remove', target: gone.id, how: {} }, lead)).toBe('gone')
    expect(answer({ type: 'view.add', record: shared }, lead)).toBe('id-taken')
    expect(answer({ type: 'view.add', record: { ...gone, project: small.ids.next() as never } }, lead)).toBe('gone')
  })

  it('has its place among the project’s views, moved by leads', () => {
    const { lead, reader } = small.people
    const names = () => viewsIn().map((one) => one.name)
    const viewsIn = () => [...small.state.all('view')].sort(compareRanked)
    const [first, second] = viewsIn()
    const move = { type: 'view.order' as const, target: first!.id, before: null }
    expect(answer(move, reader)).toBe('not-allowed')
    expect(answer(move, lead)).toBe('done')
    expect(names()).toEqual([second!.name, first!.name])
    expect(answer({ ...move, before: second!.id }, lead)).toBe('done')
    expect(names()).toEqual([first!.name, second!.name])
  })
})
