import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { judge } from '../commands/registry'
import { invert } from '../change/patch'
import { entityOf } from '../model/entities'
import { isIn } from '../access/access'
import type { Folds, Person, View } from '../model/records'
import { command as commandOf, contextOf, run, smallWorkspace, type Small } from '../test-kit/workspace'
import { foldsOf, lookId, widthsOf } from '../model/looks'

let small: Small
let view: View
beforeEach(() => {
  small = smallWorkspace()
  view = must(
    [...small.state.all('view')].find((one) => one.definition.layout === 'table'),
    'table',
  )
})
function set(widths: Record<string, number | null>, by: Person): string {
  const command = commandOf(small.ids, { type: 'look.set', view: view.id, widths })
  const judged = judge(small.state, command, contextOf(command, by.id))
  if (!judged.ok) return judged.problem.code
  run(small.state, command, by.id)
  return 'done'
}
const seenBy = (person: Person) => widthsOf(small.state, view, person.id)

describe('what is folded in a view', () => {
  it('is each person’s own, and the view’s where they say nothing', () => {
    const { lead, reader } = small.people
    const fold = (folds: Folds | null) => {
      const command = commandOf(small.ids, { type: 'look.set', view: view.id, folds })
      run(small.state, command, lead.id)
    }
    const seen = (person: Person) => foldsOf(small.state, must(small.state.maybe('view', view.id), 'view'), person.id)
    expect(seen(lead)).toEqual({ turned: [] })
    fold({ to: 0, turned: ['["x"]'] })
    expect(set({ title: 300 }, lead)).toBe('done')
    expect([seen(lead), seen(reader)]).toEqual([{ to: 0, turned: ['["x"]'] }, { turned: [] }])
    small.state.put('view', view.id, { ...view, definition: { ...view.definition, folds: { to: 1, turned: [] } } as View['definition'] }) // prettier-ignore
    expect([seen(lead).to, seen(reader).to]).toEqual([0, 1])
    fold(null)
    expect(seen(lead)).toEqual({ to: 1, turned: [] })
    expect(widthsOf(small.state, view, lead.id)).toEqual({ title: 300 })
  })
})

describe('the widths of a view’s columns', () => {
  it('are each person’s own, one column at a time, and nobody else sees them', () => {
    const { lead, reader } = small.people
    const effort = must(small.project.uses.effort, 'effort')
    expect(set({ title: 400 }, lead)).toBe('done')
    expect(set({ [effort]: 90 }, lead)).toBe('done')
    expect(set({ title: 200 }, reader)).toBe('done')
    expect([seenBy(lead), seenBy(reader)]).toEqual([{ title: 400, [effort]: 90 }, { title: 200 }])
    const look = must(small.state.maybe('look', lookId(view.id, lead.id)), 'look')
    const scope = entityOf('look').scope(look, small.state)
    expect([lead, reader].map((by) => isIn(small.state, by.id, scope))).toEqual([true, false])
  })

  it('are the view’s where one has none of one’s own, and go back to them', () => {
    const { lead } = small.people
    const definition = { ...view.definition, widths: { title: 300, status: 90 } } as View['definition']
    view = { ...view, definition }
    small.state.put('view', view.id, view)
    set({ title: 500 }, lead)
    expect(seenBy(lead)).toEqual({ title: 500, status: 90 })
    set({ title: null }, lead)
    expect(seenBy(lead)).toEqual({ title: 300, status: 90 })
  })

  it('are of columns that there are, and of a view that one sees', () => {
    const { lead, contributor, stranger } = small.people
    expect(set({ nothing: 100 }, lead)).toBe('wrong-value')
    expect(set({ title: 100 }, stranger)).toBe('gone')
    small.state.put('view', view.id, { ...view, maker: lead.id, audience: { of: 'maker' } })
    expect(set({ title: 100 }, contributor)).toBe('gone')
    expect(set({ title: 100 }, lead)).toBe('done')
  })

  it('keep neither a view nor a project nor a person from being removed', () => {
    const { lead, contributor } = small.people
    set({ title: 400 }, contributor)
    const remove = commandOf(small.ids, { type: 'view.remove', target: view.id, how: {} })
    expect(judge(small.state, remove, contextOf(remove, lead.id)).ok).toBe(true)
  })

  it('are undone as they were by the inverse of the change', () => {
    const { lead } = small.people
    set({ title: 400 }, lead)
    const command = commandOf(small.ids, { type: 'look.set', view: view.id, widths: { title: 500 } })
    const judged = judge(small.state, command, contextOf(command, lead.id))
    const patch = judged.ok ? judged.value.patch : []
    expect(invert(patch)).toEqual([{ entity: 'look', id: lookId(view.id, lead.id), field: 'widths', before: { title: 500 }, after: { title: 400 } }]) // prettier-ignore
  })
})
