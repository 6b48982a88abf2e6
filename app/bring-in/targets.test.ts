import { describe, expect, it } from 'vitest'
import type { ColumnPlan } from '#core/bring-in/columns'
import { newFieldWords, retargeted, targetKey } from './targets'

const columns = [
  { header: 'What', target: { to: 'title' } },
  { header: 'Days', target: { to: 'new', name: 'Days', type: 'number', settings: { decimals: 2 } } },
  { header: 'Where', target: { to: 'field', field: 'f' } },
] as unknown as ColumnPlan[]
const keys = (all: readonly ColumnPlan[]) => all.map((columnPlan) => targetKey(columnPlan.target))

describe('what a column becomes', () => {
  it('is another, and what only one can be is given up by the one that was it', () => {
    expect(keys(columns)).toEqual(['title', 'new number', 'field f'])
    expect(keys(retargeted(columns, 1, 'title'))).toEqual(['nothing', 'title', 'field f'])
    expect(keys(retargeted(columns, 0, 'field f'))).toEqual(['field f', 'new number', 'nothing'])
  })

  it('is nothing or a new field for as many as like', () => {
    expect(keys(retargeted(retargeted(columns, 0, 'nothing'), 2, 'nothing'))).toEqual([
      'nothing',
      'new number',
      'nothing',
    ])
    const [, , made] = retargeted(columns, 2, 'new number')
    expect(made?.target).toEqual({ to: 'new', name: 'Where', type: 'number', settings: { decimals: 2 } })
    expect(keys(retargeted(columns, 2, 'new number'))[1]).toBe('new number')
  })

  it('is named where it is what is proposed', () => {
    expect(newFieldWords(columns[1]!, 'number')).toMatch(/^Days, /)
    expect(newFieldWords(columns[1]!, 'date')).not.toMatch(/Days/)
  })
})
