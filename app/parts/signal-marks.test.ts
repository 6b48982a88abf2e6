import { beforeEach, describe, expect, it } from 'vitest'
import { must } from '#core/base/result'
import { fieldRef } from '#core/facts/registry'
import { signalExamples } from '#core/language/signal-examples'
import type { Row } from '#core/layouts/rows'
import { smallWorkspace, type Small } from '#core/test-kit/workspace'
import type { ViewDefinition } from '#core/model/records'
import { marksOf } from './signal-marks'

let small: Small
beforeEach(() => (small = smallWorkspace()))
const marks = (part: Partial<ViewDefinition>, row: object) =>
  marksOf({ reader: small.state } as never, () => part as ViewDefinition)(row as Row)
const named = (marked: ReturnType<typeof marks>) => marked?.signs.map(({ props }) => (props as { 'aria-label': string })['aria-label']) // prettier-ignore

describe('what marks a row', () => {
  it('is each signal that fits it by its sign and name, and the colour of the first', () => {
    const signals = [...signalExamples]
    const marked = marks({ signals }, { signals: [1, 2] })
    expect(named(marked)).toEqual(['over its estimate', 'late'])
    expect(marked?.edge).toContain(`--${signals[1]!.colour}`)
    expect(marks({ signals }, {})).toBeUndefined()
    // What the worker said of signals that have been taken out meanwhile.
    expect(marks({ signals: [] }, { signals: [1] })).toBeUndefined()
  })

  it('is else the colour of the option or status by which it is coloured, and what that is', () => {
    const need = must(small.project.uses.need, 'need')
    const option = must(small.state.optionsOf(need)[0], 'option')
    const status = must([...small.state.all('status')][0], 'status')
    const row = { item: { status: status.id, values: { [need]: option.id } } }
    expect(marks({ colourBy: fieldRef(need) }, row)).toEqual({ signs: [], edge: expect.stringContaining(option.colour) as string, says: option.label }) // prettier-ignore
    expect(marks({ colourBy: { fact: 'status' } }, row)).toMatchObject({ says: status.name })
    expect(marks({ colourBy: fieldRef(need) }, { item: { status: status.id, values: {} } })).toBeUndefined()
    const both = marks({ colourBy: fieldRef(need), signals: [...signalExamples] }, { ...row, signals: [0] })
    expect(both?.edge).toContain(signalExamples[0]!.colour)
    expect(both?.says).toBeUndefined()
  })
})
