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

  it('stays a sentence however many there are, and however they are called', () => {
    const many = said((small, workflow) => {
      const [first] = [...small.state.all('status')]
      for (let i = 0; i < 20; i++) {
        const id = `s${i}` as never
        const name = i ? `Stage ${i}` : 'a status whose name nobody ever reads to its end because it goes on and on'
        small.state.put('status', id, { ...first!, id, name, phase: 'waiting', rank: `c${i}` })
        const [step] = stepsOf(small.state, workflow)
        small.state.put('step', `${workflow}/${id}`, { ...step!, id: `${workflow}/${id}` as never, status: id, rank: `c${i}` }) // prettier-ignore
      }
    })
    const whole = many.map((phrase) => phrase.text).join('')
    expect(whole).toMatch(/waits as Ready, a status whose name nobody ever reads [^,]*…, .* and 15 more, is/)
    expect(many.filter((phrase) => phrase.status)).toHaveLength(11)
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
