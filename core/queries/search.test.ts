import { beforeEach, describe, expect, it } from 'vitest'
import { kindsOf, statusesOf } from '#core/model/reader'
import { run, smallWorkspace, type Small } from '#core/test-kit/workspace'
import type { QueryContext } from './contract'
import { ask } from './registry'

let small: Small
let context: QueryContext
function add(...titles: string[]): void {
  const { project, state, ids, people } = small
  const [kind, status] = [kindsOf(state, project.id)[0]!.id, statusesOf(state, project.id)[0]!.id]
  const items = titles.map((title) => ({ item: ids.item(), project: project.id, kind, title, status, parent: null, values: {} })) // prettier-ignore
  run(state, { id: ids.command(), type: 'items.add', v: 1, items }, people.owner.id)
}
const found = async (words: string): Promise<string[]> => {
  const items = await ask(context, 'search', { project: undefined, words })
  return items.map((item) => `${item.key} ${item.title}`)
}

beforeEach(() => {
  small = smallWorkspace()
  context = { state: small.state, me: small.people.owner.id, today: () => '2026-11-25' } as QueryContext
})

describe('the search', () => {
  it('folds accents and case, both ways', async () => {
    add('Séverine’s list of seeds', 'Paint the öl tank')
    expect(await found('seve')).toEqual(['GLH-1 Séverine’s list of seeds'])
    expect(await found('SÉVERINE')).toEqual(['GLH-1 Séverine’s list of seeds'])
    expect(await found('Ol tank')).toEqual(['GLH-2 Paint the öl tank'])
  })

  it('forgives a wrong letter in a word, and says what fits exactly first', async () => {
    add('Swap the thermostat', 'Thermostad, the word as it is', 'Drain the tank')
    expect(await found('thermostad')).toEqual(['GLH-2 Thermostad, the word as it is', 'GLH-1 Swap the thermostat'])
    expect(await found('thermostt')).toContain('GLH-1 Swap the thermostat')
    expect(await found('tehrmostat')).toContain('GLH-1 Swap the thermostat')
    expect(await found('xyzzy')).toEqual([])
  })

  it('puts a key first, then titles that begin with it, then words that do, then the rest', async () => {
    add('Unpaint', 'The paint store', 'Paint the door')
    expect(await found('paint')).toEqual(['GLH-3 Paint the door', 'GLH-2 The paint store', 'GLH-1 Unpaint'])
    expect((await found('glh-2'))[0]).toBe('GLH-2 The paint store')
    expect((await found('3'))[0]).toBe('GLH-3 Paint the door')
    expect(await found('vis-2')).toEqual([])
    expect(await found('glh-2 store')).toEqual(['GLH-2 The paint store'])
    expect(await found('glh-2 door')).toEqual([])
  })

  it('knows an item by the prefix that its project had, too', async () => {
    add('Paint the door')
    const { state, ids, people, project } = small
    const set = { prefix: { from: 'GLH', to: 'PLM' } }
    run(state, { id: ids.command(), type: 'project.set', v: 1, target: project.id, set }, people.owner.id)
    for (const key of ['plm-1', 'GLH-1', 'glh1']) expect(await found(key)).toEqual(['PLM-1 Paint the door'])
  })

  it('wants every word, in whatever order', async () => {
    add('Flush the heating loop', 'Flush the drains')
    expect(await found('loop flush')).toEqual(['GLH-1 Flush the heating loop'])
    expect(await found('flush   heating')).toEqual(['GLH-1 Flush the heating loop'])
  })

  it('leaves out what is archived, and gives no more than a screen of lines', async () => {
    add(...Array.from({ length: 60 }, (_, i) => `Pane ${i}`))
    const { state, ids, people } = small
    const first = [...state.all('item')][0]!.id
    run(state, { id: ids.command(), type: 'items.archive', v: 1, items: [first], archived: true }, people.owner.id)
    expect(await found('pane')).toHaveLength(20)
    expect(await found('pane 0')).not.toContain('GLH-1 Pane 0')
  })
})
