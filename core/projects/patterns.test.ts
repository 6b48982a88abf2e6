import { describe, expect, it } from 'vitest'
import { isWorkedOut } from '../fields/registry'
import { judge } from '../commands/registry'
import { fieldsOf } from '../model/reader'
import { refusal } from '../worked-out/refusal'
import { command, contextOf, run, smallWorkspace } from '../test-kit/workspace'
import { likeAnother } from './like-another'
import { patternNames, patterns } from './patterns'
import { projectOfPattern } from './starter-pattern'

describe.each(patternNames)('the pattern %s', (name) => {
  const made = () => {
    const small = smallWorkspace()
    const named = { name: 'Long bed', prefix: 'LBD', colour: 'moss', rank: 'a9', maker: small.people.owner.id } as const
    const body = projectOfPattern(patterns[name], named, () => small.ids.next())
    run(small.state, command(small.ids, { type: 'projects.create', ...body }), small.people.owner.id)
    return { small, body, named }
  }

  it('makes a whole project, in which everything can be worked out', () => {
    const { small, body } = made()
    const fields = fieldsOf(small.state, body.project.id)
    expect(fields.map((field) => field.name)).toEqual(patterns[name].fields.map((field) => field.name))
    for (const field of fields.filter(isWorkedOut)) expect([field.name, refusal(small.state, field)]).toEqual([field.name, undefined]) // prettier-ignore
    const asked = body.steps.flatMap(({ asks }) => asks ?? []).filter(({ asks }) => asks === 'field').length
    expect(asked).toBe(patterns[name].statuses.flatMap(({ asks }) => asks ?? []).filter(({ asks }) => asks === 'field').length) // prettier-ignore
    expect(body.project.uses.assignees && body.project.uses.due).toBeTruthy()
  })

  it('says nothing twice, and no name is longer than a name may be', () => {
    const { statuses, kinds, fields, views } = patterns[name]
    for (const names of [statuses, kinds, fields, views].map((all) => all.map((one) => one.name))) {
      expect(names).toEqual([...new Set(names)])
      expect(names.every((one) => one.length < 30)).toBe(true)
    }
  })

  it('can be begun with again by another project, also where something that is worked out lacks what it reads', () => {
    const { small, body, named } = made()
    const [read] = fieldsOf(small.state, body.project.id).flatMap(
      ({ settings }) => settings.of ?? settings.weight ?? [],
    )
    if (read)
      run(small.state, command(small.ids, { type: 'field.remove', target: read, how: {} }), small.people.owner.id)
    const { body: like } = likeAnother(small.state, small.state.maybe('project', body.project.id)!, { ...named, name: 'Short bed', prefix: 'SBD' }, () => small.ids.next()) // prettier-ignore
    const again = command(small.ids, { type: 'projects.create', ...like })
    expect(judge(small.state, again, contextOf(again, small.people.owner.id))).toMatchObject({ ok: true })
    const gone = fieldsOf(small.state, body.project.id).length - like.fields.length
    expect(gone > 0).toBe(!!read)
  })
})
