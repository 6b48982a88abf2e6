import { beforeEach, describe, expect, it } from 'vitest'
import { memberId } from '../access/access'
import { judge } from '../commands/registry'
import type { Person, Role } from '../model/records'
import { contextOf, personOf, run, smallWorkspace, type Small } from '../test-kit/workspace'

let small: Small
beforeEach(() => (small = smallWorkspace()))
const memberOf = (person: Person, role: Role) => ({
  id: memberId(small.project.id, person.id), project: small.project.id, person: person.id, role,
}) // prettier-ignore
const adding = (people: Person[], members: ReturnType<typeof memberOf>[] = []) =>
  ({ id: small.ids.command(), type: 'people.add', v: 1, people, members }) as const
function refusal(command: ReturnType<typeof adding>, by: Person = small.people.lead): unknown {
  const patch = judge(small.state, command, contextOf(command, by.id))
  return patch.ok ? undefined : patch.problem
}

describe('adding people', () => {
  it('makes them members of projects at once', () => {
    const mara = personOf(small.ids, 'Mara', 'contributor')
    run(small.state, adding([mara], [memberOf(mara, 'contributor')]), small.people.lead.id)
    expect(small.state.maybe('person', mara.id)).toEqual(mara)
    expect(small.state.maybe('member', memberId(small.project.id, mara.id))?.role).toBe('contributor')
  })

  it('is for leads and owners; only an owner makes another', () => {
    const owner = personOf(small.ids, 'Otto', 'owner')
    const mara = personOf(small.ids, 'Mara', 'reader')
    expect(refusal(adding([mara]), small.people.contributor)).toMatchObject({ code: 'not-allowed' })
    expect(refusal(adding([owner]))).toMatchObject({ code: 'not-allowed', said: { act: 'make owners' } })
    expect(refusal(adding([owner]), small.people.owner)).toBeUndefined()
    expect(refusal(adding([mara], [memberOf(mara, 'owner')]))).toMatchObject({ code: 'not-allowed' })
    expect(refusal(adding([mara], [memberOf(mara, 'lead')]))).toBeUndefined()
  })

  it('knows an address again in any case; people without one are no matter', () => {
    const again = { ...personOf(small.ids, 'Imke', 'reader'), email: 'IMKE@garden.example' }
    expect(refusal(adding([again]))).toMatchObject({ code: 'name-taken', said: { name: 'IMKE@garden.example' } })
    const [one, other] = ['Imke', 'Imke'].map((name) => ({ ...personOf(small.ids, name, null), email: null }))
    run(small.state, adding([one!]), small.people.lead.id)
    expect(refusal(adding([other!]))).toBeUndefined()
  })

  it('is refused for ids that are taken, and for members of nothing', () => {
    const mara = personOf(small.ids, 'Mara', 'reader')
    expect(refusal(adding([{ ...mara, id: small.people.reader.id }]))).toMatchObject({ code: 'id-taken' })
    expect(refusal(adding([], [memberOf(mara, 'reader')]))).toMatchObject({ code: 'wrong-value' })
    const elsewhere = { ...memberOf(mara, 'reader'), project: small.ids.next() as never }
    expect(refusal(adding([mara], [elsewhere]))).toMatchObject({ code: 'wrong-value' })
    expect(refusal(adding([mara], [{ ...memberOf(mara, 'reader'), id: 'an/other' as never }]))).toMatchObject({
      code: 'wrong-value',
    })
  })

  it('changes the role of one who is a member already, and gives it back when it is undone', () => {
    const patch = run(small.state, adding([], [memberOf(small.people.reader, 'contributor')]), small.people.lead.id)
    expect(small.state.maybe('member', memberId(small.project.id, small.people.reader.id))?.role).toBe('contributor')
    expect(patch).toMatchObject([{ entity: 'member', before: { role: 'reader' }, after: { role: 'contributor' } }])
  })
})
