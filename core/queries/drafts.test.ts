import { beforeEach, expect, it } from 'vitest'
import { must } from '../base/result'
import type { View, ViewDefinition } from '../model/records'
import { smallWorkspace, type Small } from '../test-kit/workspace'
import { ask } from './registry'

let small: Small
let view: View
beforeEach(() => {
  small = smallWorkspace()
  view = must(
    [...small.state.all('view')].find(({ definition }) => definition.layout === 'table'),
    'table',
  )
})
const read = (kept: unknown) =>
  ask({ state: small.state, me: small.people.lead.id, today: () => '2026-11-05' as const }, 'drafts', {
    kept: typeof kept === 'string' ? kept : JSON.stringify(kept),
  })
const sorted = (): ViewDefinition => ({ ...view.definition, sort: [{ by: { fact: 'title' }, down: false }] })

it('a draft is read with what it began from; one that was kept before began from what the view is', async () => {
  const from = { ...view.definition, show: [] }
  expect(await read({ [view.id]: { definition: sorted(), from } })).toEqual({
    [view.id]: { definition: sorted(), from },
  })
  expect(await read({ [view.id]: sorted() })).toEqual({ [view.id]: { definition: sorted(), from: view.definition } })
})

it('what cannot be read, or began from nothing that can, is none', async () => {
  expect(await read('no JSON')).toEqual({})
  expect(await read([1])).toEqual({})
  const [broken, fine] = [
    { ...sorted(), layout: 'ladder' },
    { definition: sorted(), from: view.definition },
  ]
  expect(await read({ [view.id]: { definition: broken, from: view.definition } })).toEqual({})
  expect(await read({ [view.id]: { definition: sorted(), from: broken } })).toEqual({})
  // Of a view that has gone, what was kept before says too little.
  expect(await read({ gone: sorted(), [view.id]: fine })).toEqual({ [view.id]: fine })
})
