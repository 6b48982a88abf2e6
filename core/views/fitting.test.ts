import { beforeEach, describe, expect, it } from 'vitest'
import type { Item } from '../model/records'
import { garden, type Garden } from '../test-kit/garden'
import { fitting, type Fitting } from './fitting'

let one: Garden
const fit = (words: string, who = 'Séverine'): Fitting =>
  fitting(one.state, one.project, one.view(words).where, one.askedBy(who).viewer)
/** An item typed into the view, as the screen would send it. */
function typedInto(words: string, who = 'Séverine'): Item {
  const { status, parent, values } = fit(words, who)
  const pattern = one.items['Pane 2']!
  const item: Item = {
    ...pattern,
    id: one.ids.item(),
    number: 99,
    title: 'New one',
    parent,
    status: status!.id,
    values,
  }
  one.state.put('item', item.id, item)
  return item
}
beforeEach(() => {
  one = garden()
})

describe('an item typed into a view', () => {
  it.each([
    'need is must or should',
    'tags has all of heritage as well as wet trade',
    'tags has public or heritage',
    'assignees has Hamid or Imke',
    'reviewer has Imke',
    'mine',
    'I am in it, active',
    'nobody’s turn',
    'the status is In hand',
    'not finished, not waiting',
    'effort at least 2.5',
    'effort is 1 to 4, due next week',
    'due today, mine, need is could',
    'due by 2026-12-01',
    'signed off is ticked',
    'parent is GLH-1',
    'all of (need is must; the status is Ready)',
    'the turn of Hamid, by need',
  ])('belongs there: %s', (words) => {
    const { id } = typedInto(words)
    const view = one.live(words)
    expect(Array.from(view.rows(), (row) => one.askedBy('Imke').table.ids[row])).toContain(id)
  })

  it('is whoever types’ where it is theirs, and has nobody where it is nobody’s', () => {
    expect(fit('mine', 'Hamid').values).toEqual({ [one.fieldId('assignees')]: [one.idOf('Hamid')] })
    expect(fit('nobody’s turn').values).toEqual({})
  })

  it('is given nothing that the view does not ask for', () => {
    expect(fit('')).toMatchObject({ kind: { name: 'task' }, status: { name: 'Noted' }, parent: null })
    expect(fit('').values).toEqual({})
    expect(fit('title has pane, no need, late').values).toEqual({})
  })

  it('begins in the first status that the view allows', () => {
    expect(fit('not waiting').status?.name).toBe('In hand')
    expect(fit('finished or dropped').status?.name).toBe('Accepted')
    expect(fit('any of (active; need is must)').status?.name).toBe('Noted')
  })
})
