import { describe, expect, it } from 'vitest'
import { fieldsOf, stepsOf } from '../model/reader'
import { smallWorkspace } from '../test-kit/workspace'
import { workflowSentence } from './workflow-sentence'

describe('a workflow in plain words', () => {
  const said = (change: (small: ReturnType<typeof smallWorkspace>, workflow: string) => void = () => {}) => {
    const small = smallWorkspace()
    const [workflow] = small.state.all('workflow')
    change(small, workflow!.id)
    return workflowSentence(small.state, small.project, workflow!.id)
  }
  const text = (...of: Parameters<typeof said>) =>
    said(...of)
      .map((phrase) => phrase.text)
      .join('')

  it('says where items begin, wait, are worked on and end', () => {
    expect(text()).toBe(
      'In Glasshouse a task starts as Noted, waits as Ready, is worked on as In hand by its assignees and Being checked by its reviewer, and ends as Accepted or Set aside.',
    )
    expect(said().filter((phrase) => phrase.status)).toHaveLength(6)
  })

  it('follows names, turns and kinds', () => {
    const changed = text((small, workflow) => {
      const { state, project } = small
      const [kind] = state.all('kind')
      state.put('kind', 'k', { ...kind!, id: 'k' as never, name: 'inspection', rank: 'a' })
      const reviewer = fieldsOf(state, project.id).find(({ name }) => name === 'reviewer')!
      state.set('field', reviewer.id, 'name', 'second pair of eyes')
      state.set('step', stepsOf(state, workflow)[2]!.id, 'turn', { of: 'nobody' })
    })
    expect(changed).toContain('an inspection or task starts as')
    expect(changed).toContain('In hand by nobody in particular and Being checked by its second pair of eyes')
  })

  it('leaves out what there is none of', () => {
    const short = text((small, workflow) => {
      for (const step of stepsOf(small.state, workflow).slice(1, 5)) small.state.put('step', step.id, undefined)
    })
    expect(short).toBe('In Glasshouse a task starts as Noted, and ends as Set aside.')
  })
})
