import { beforeEach, describe, expect, it } from 'vitest'
import { maySee, memberId } from '../access/access'
import { evenWeek } from '../base/week'
import { applyPatch } from '../change/patch'
import { judge, type BareCommand } from '../commands/registry'
import type { Person, Role } from '../model/records'
import { command, contextOf, personOf, PlainRoom, run, smallWorkspace, type Small } from '../test-kit/workspace'
import { seenBy } from '../wire/seen'

const five = [1, 2, 3, 4, 5]
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

  it('undone leaves neither the person nor what they were a member of', () => {
    const { owner, reader } = small.people
    const mara = personOf(small.ids, 'Mara', 'reader')
    const room = new PlainRoom(small.state)
    const add = adding([mara], [memberOf(mara, 'reader'), memberOf(reader, 'contributor')])
    expect(room.do(add, owner.id).ok).toBe(true)
    expect(room.do(command(small.ids, { type: 'revert', of: add.id }), owner.id).ok).toBe(true)
    expect(small.state.maybe('person', mara.id)).toBeUndefined()
    expect(small.state.maybe('member', memberId(small.project.id, mara.id))).toBeUndefined()
    expect(small.state.maybe('member', memberId(small.project.id, reader.id))?.role).toBe('reader')
  })

  it('changes the role of one who is a member already, and gives it back when it is undone', () => {
    const patch = run(small.state, adding([], [memberOf(small.people.reader, 'contributor')]), small.people.lead.id)
    expect(small.state.maybe('member', memberId(small.project.id, small.people.reader.id))?.role).toBe('contributor')
    expect(patch).toMatchObject([{ entity: 'member', before: { role: 'reader' }, after: { role: 'contributor' } }])
  })
})

describe('what one may do, and leaving', () => {
  function refusedDoing(bare: BareCommand, by: Person): string | undefined {
    const sent = command(small.ids, bare)
    const judged = judge(small.state, sent, contextOf(sent, by.id))
    if (judged.ok) applyPatch(small.state, judged.value.patch)
    return judged.ok ? undefined : judged.problem.code
  }
  const setRole = (person: Person, from: Role | null, to: Role | null, by: Person) =>
    refusedDoing({ type: 'person.set', target: person.id, set: { role: { from, to } } }, by)

  it('a role is changed by those who manage people; owners are made and unmade by owners', () => {
    const { owner, lead, contributor, reader } = small.people
    expect(setRole(reader, 'reader', 'contributor', contributor)).toBe('not-allowed')
    expect(setRole(reader, 'reader', 'contributor', lead)).toBeUndefined()
    expect(setRole(reader, 'contributor', 'owner', lead)).toBe('not-allowed')
    expect(setRole(owner, 'owner', 'lead', lead)).toBe('not-allowed')
    expect(setRole(reader, 'contributor', 'owner', owner)).toBeUndefined()
    expect(setRole(owner, 'owner', 'lead', reader)).toBeUndefined()
  })

  it('name, colour, craft and hours are set by those who manage people; of a person without an account by whoever names them', () => {
    const { lead, contributor, reader } = small.people
    const set = {
      craft: { from: null, to: 'plants' },
      hours: { from: evenWeek(1800, five), to: evenWeek(1200, five) },
      name: { from: reader.name, to: 'Łucja' },
    }
    expect(refusedDoing({ type: 'person.set', target: reader.id, set }, contributor)).toBe('not-allowed')
    expect(refusedDoing({ type: 'person.set', target: reader.id, set: {} }, contributor)).toBe('not-allowed')
    expect(refusedDoing({ type: 'person.set', target: reader.id, set }, lead)).toBeUndefined()
    expect(small.state.maybe('person', reader.id)).toMatchObject({
      craft: 'plants',
      hours: evenWeek(1200, five),
      name: 'Łucja',
    })
    const guest = { ...personOf(small.ids, 'Gwen', null), email: null }
    run(small.state, adding([guest]), lead.id)
    const colour = { colour: { from: guest.colour, to: 'pool' as const } }
    expect(refusedDoing({ type: 'person.set', target: guest.id, set: colour }, reader)).toBe('not-allowed')
    expect(refusedDoing({ type: 'person.set', target: guest.id, set: colour }, contributor)).toBeUndefined()
  })

  it('anyone names and colours themselves, and nothing else of them; undoing it is theirs too', () => {
    const { reader, lead } = small.people
    const room = new PlainRoom(small.state)
    const sent = command(small.ids, { type: 'person.set', target: reader.id, set: { name: { from: 'Yuki', to: 'Yuki P.' } } }) // prettier-ignore
    expect(room.do(sent, reader.id).ok).toBe(true)
    const role = { role: { from: reader.role, to: 'contributor' as const } }
    expect(refusedDoing({ type: 'person.set', target: reader.id, set: role }, reader)).toBe('not-allowed')
    const both = { ...role, colour: { from: reader.colour, to: 'moss' as const } }
    expect(refusedDoing({ type: 'person.set', target: reader.id, set: both }, reader)).toBe('not-allowed')
    const name = { name: { from: lead.name, to: 'Nobody' } }
    expect(refusedDoing({ type: 'person.set', target: lead.id, set: name }, reader)).toBe('not-allowed')
    expect(room.do(command(small.ids, { type: 'revert', of: sent.id }), reader.id).ok).toBe(true)
    expect(small.state.maybe('person', reader.id)?.name).toBe('Yuki')
  })

  it('the last owner neither steps down nor leaves', () => {
    const { owner, lead } = small.people
    expect(setRole(owner, 'owner', 'lead', owner)).toBe('last-owner')
    expect(refusedDoing({ type: 'person.remove', target: owner.id, how: {} }, owner)).toBe('last-owner')
    expect(setRole(lead, 'lead', 'owner', owner)).toBeUndefined()
    expect(refusedDoing({ type: 'person.remove', target: owner.id, how: {} }, owner)).toBeUndefined()
    expect(setRole(lead, 'owner', 'lead', lead)).toBe('last-owner')
  })

  it('who has left may do nothing, stands where they stood, and leaves once', () => {
    const { lead, contributor } = small.people
    expect(refusedDoing({ type: 'person.remove', target: contributor.id, how: {} }, lead)).toBeUndefined()
    expect(maySee(small.state, contributor.id, small.project.id)).toBe(false)
    expect(small.state.maybe('person', contributor.id)).toMatchObject({ active: false, name: contributor.name })
    expect(refusedDoing({ type: 'person.remove', target: contributor.id, how: {} }, lead)).toBe('gone')
  })

  it('who was taken out of a project hears of it, and of nothing there any more', () => {
    const { owner, reader, stranger } = small.people
    const room = new PlainRoom(small.state)
    const target = memberId(small.project.id, reader.id)
    expect(room.do(command(small.ids, { type: 'member.remove', target, how: {} }), owner.id).ok).toBe(true)
    const view = [...small.state.all('view')][0]!
    room.do(command(small.ids, { type: 'view.set', target: view.id, set: { name: { from: view.name, to: 'New' } } }), owner.id) // prettier-ignore
    const seen = (me: Person) => room.done.map((done) => seenBy(small.state, done, me.id)?.patch.map(({ entity }) => entity)) // prettier-ignore
    expect(seen(reader)).toEqual([['member'], undefined])
    expect(seen(stranger)).toEqual([undefined, undefined])
  })

  it('what one might do as an owner is not undone by whom they are no longer', () => {
    const { owner, lead } = small.people
    const room = new PlainRoom(small.state)
    const role = (person: Person, from: Role, to: Role, by: Person) => {
      const sent = command(small.ids, { type: 'person.set', target: person.id, set: { role: { from, to } } })
      expect(room.do(sent, by.id).ok).toBe(true)
      return sent.id
    }
    role(lead, 'lead', 'owner', owner)
    const down = role(owner, 'owner', 'reader', lead)
    role(small.people.contributor, 'contributor', 'owner', lead)
    role(lead, 'owner', 'lead', small.people.contributor)
    const undone = room.do(command(small.ids, { type: 'revert', of: down }), lead.id)
    expect(undone).toMatchObject({ ok: false, problem: { code: 'not-allowed', said: { act: 'make owners' } } })
  })
})
