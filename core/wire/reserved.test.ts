import { describe, expect, it } from 'vitest'
import { must } from '../base/result'
import { makes, type Patch } from '../change/patch'
import type { Person } from '../model/records'
import { command, scopedOf, smallWorkspace } from '../test-kit/workspace'
import { directoryFor } from './directory'
import { seenBy } from './seen'

const { state, people, ids } = smallWorkspace()
const address = 'somebody@garden.example'
const somebody: Person = { ...people.contributor, email: address }
state.put('person', somebody.id, somebody)
const emailSeenBy = (me: Person) =>
  must(
    directoryFor(state, me.id).person.find((person) => person.id === somebody.id),
    'person',
  ).email

describe('a person’s address', () => {
  it('is in the directory of those who manage people and in their own, and in nobody else’s', () => {
    const { owner, lead, contributor, reader, stranger } = people
    expect([owner, lead, contributor].map(emailSeenBy)).toEqual([address, address, address])
    expect([reader, stranger].map(emailSeenBy)).toEqual([null, null])
  })

  it('is in no entry that others receive, whichever way it came or went', () => {
    const newcomer: Person = {
      ...people.reader,
      id: ids.next() as Person['id'],
      name: 'New',
      email: 'new@garden.example',
    }
    const add = command(ids, { type: 'people.add', people: [newcomer], members: [] })
    const done = (patch: Patch) => scopedOf(state, add, people.owner.id, patch)
    const change = (before: unknown, after: unknown, field = 'email') =>
      done([{ entity: 'person', id: newcomer.id, field, before, after }])
    const entries = [
      done([makes('person', newcomer)]),
      change('new@garden.example', 'newer@garden.example'),
      change(newcomer, null, '*'),
    ]
    const seen = (me: Person) => JSON.stringify(entries.map((one) => seenBy(state, one, me.id)))
    expect(seen(people.owner)).toMatch(/new@.*newer@/)
    expect(seen(people.reader)).not.toContain('@garden.example')
    expect(seen(people.reader)).toContain('"New"')
  })
})
