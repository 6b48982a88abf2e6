import { expect, it } from 'vitest'
import { kindsOf, fieldsOf, patternsOf, projectsInOrder } from '../model/reader'
import type { Field, Item, ItemId } from '../model/records'
import { queuedProjects } from '../queue/queue'
import { Acting } from '../test-kit/acting'
import { examplesFor, withInside } from './examples'
import { likeAnother } from './like-another'

/** A project with a few items inside one another, values of many sorts among them. */
function ready() {
  const acting = new Acting()
  const { state, project, people } = acting.small
  const need = state.optionsOf(acting.field('need').id)[0]!.id
  const values: Item['values'] = {
    [acting.field('need').id]: need,
    [acting.field('effort').id]: 75,
    [acting.field('due').id]: '2026-12-01',
    [acting.field('assignees').id]: [people.lead.id],
    [acting.field('signed off').id]: true,
  }
  const top = acting.add(2, { values })
  const child = acting.add(1, { parent: top })
  const grandchild = acting.add(0, { parent: child })
  const other = acting.add(0)
  const gone = acting.add(0, { parent: top })
  acting.does({ type: 'items.archive', items: [gone], archived: true })
  const all = () => [...state.itemsOf(project.id)]
  const alike = () =>
    likeAnother(state, state.maybe('project', project.id)!, { name: 'A season', prefix: 'SEA', colour: 'moss', rank: 'b9', maker: people.owner.id }, acting.small.ids.next) // prettier-ignore
  return { acting, top, child, grandchild, other, all, alike }
}
const idsOf = (items: readonly Item[]): ItemId[] => items.map(({ id }) => id)

it('chosen items come with all that is inside them, parents first, without what is archived', () => {
  const { top, child, grandchild, other, all } = ready()
  expect(idsOf(withInside(all(), new Set([top])))).toEqual([top, child, grandchild])
  expect(idsOf(withInside(all(), new Set([child, other])))).toEqual([child, grandchild, other])
  expect(withInside(all(), new Set())).toEqual([])
})

it('a project is kept as a pattern with its set-up and some items, and another begins as it is', () => {
  const { acting, top, all, alike } = ready()
  const { state, project, people, ids } = acting.small
  const keep = alike()
  const pattern = { ...keep.body, project: { ...keep.body.project, pattern: true } }
  expect(acting.does({ type: 'projects.create', ...pattern }, people.owner)).toBe('done')
  const items = examplesFor(keep, fieldsOf(state, project.id), withInside(all(), new Set([top])), ids.next)
  expect(acting.does({ type: 'items.add', items }, people.owner)).toBe('done')
  // Nobody works on it: it stands in no index and no queue.
  expect(patternsOf(state).map(({ name }) => name)).toEqual(['A season'])
  expect(projectsInOrder(state).map(({ id }) => id)).toEqual([project.id])
  expect([...queuedProjects(state, people.owner.id).keys()]).toEqual([project.id])
  const held = [...state.itemsOf(pattern.project.id)]
  const field = (name: string): Field => fieldsOf(state, pattern.project.id).find((one) => one.name === name)!
  const first = held.find(({ parent }) => !parent)!
  expect(held).toHaveLength(3)
  expect(first.values).toEqual({ [field('need').id]: state.optionsOf(field('need').id)[0]!.id, [field('effort').id]: 75, [field('signed off').id]: true }) // prettier-ignore
  expect(new Set(held.map(({ status }) => status))).toEqual(new Set([[...state.all('workflow')].find((one) => one.project === pattern.project.id)!.start])) // prettier-ignore
  expect(held.every(({ kind }) => kindsOf(state, pattern.project.id).some(({ id }) => id === kind))).toBe(true)
  // And from it, a project that people work on.
  const again = likeAnother(state, state.maybe('project', pattern.project.id)!, { name: 'Next season', prefix: 'NEX', colour: 'moss', rank: 'b8', maker: people.owner.id }, ids.next) // prettier-ignore
  expect(acting.does({ type: 'projects.create', ...again.body }, people.owner)).toBe('done')
  const copies = examplesFor(again, fieldsOf(state, pattern.project.id), withInside(held, new Set(idsOf(held))), ids.next) // prettier-ignore
  expect(acting.does({ type: 'items.add', items: copies }, people.owner)).toBe('done')
  expect([...state.itemsOf(again.body.project.id)].map(({ title }) => title)).toEqual(['Sow', 'Sow', 'Sow'])
  expect(projectsInOrder(state)).toHaveLength(2)
})
