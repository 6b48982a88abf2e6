import { describe, expect, it } from 'vitest'
import type { FieldTypeName } from '#core/fields/names'
import type { FieldSettings } from '#core/fields/settings'
import type { Field, FieldId } from '#core/model/records'
import { decimalsOf, proposedGives, lookedUp, lookUpSettings, overOf, readBy, rollUpSettings, weights } from './worked'

const field = (name: string, type: FieldTypeName, settings: FieldSettings = {}): Field =>
  ({ id: name, project: 'p', name, help: '', type, settings, rank: 'a1', archived: false }) as unknown as Field
const all = [
  field('effort', 'number', { decimals: 2, unit: 'h' }),
  field('cost', 'money', { currency: 'GBP' }),
  field('time', 'duration', { dayMinutes: 360 }),
  field('due', 'date'),
  field('fares', 'health'),
  field('title 2', 'shortText'),
  field('notes', 'longText'),
  field('for it', 'votes'),
  field('hard', 'rating', { scale: 3, sign: 'sun' }),
  field('total', 'rollUp', { over: 'children', how: 'sum', of: 'cost' as never, gives: 'money', currency: 'GBP' }),
  field('above', 'lookUp', { over: 'parent', of: 'due' as never, gives: 'date' }),
]
const find = (name: string) => all.find((one) => one.name === name)!
const names = (some: readonly Field[]) => some.map(({ name }) => name)

describe('what worked-out fields read', () => {
  it('is what fits: numbers, days, health', () => {
    expect(names(readBy('sum', all))).toEqual(['effort', 'cost', 'time', 'hard', 'total'])
    expect(names(readBy('latest', all))).toEqual(['due', 'above'])
    expect(names(readBy('worst', all))).toEqual(['fares'])
    expect(readBy('count', all)).toEqual([])
    expect(names(weights(all))).toEqual(names(readBy('sum', all)))
    expect(names(lookedUp(all))).toEqual(['effort', 'cost', 'time', 'due', 'fares', 'title 2', 'hard', 'total'])
  })

  it('decides how they are shown', () => {
    const begun = { over: 'children' as const, weight: undefined }
    expect(rollUpSettings({ ...begun, how: 'sum', of: find('effort') })).toEqual({ over: 'children', how: 'sum', of: 'effort', gives: 'number', unit: 'h', decimals: 2 }) // prettier-ignore
    expect(rollUpSettings({ ...begun, how: 'sum', of: find('total') })).toEqual({ over: 'children', how: 'sum', of: 'total', gives: 'money', currency: 'GBP' }) // prettier-ignore
    expect(rollUpSettings({ ...begun, how: 'average', of: find('hard') })).toEqual({ over: 'children', how: 'average', of: 'hard', gives: 'number', decimals: 2 }) // prettier-ignore
    expect(rollUpSettings({ ...begun, how: 'sum', of: undefined })).toBeUndefined()
    expect(rollUpSettings({ ...begun, how: 'count', of: undefined })).toEqual({ over: 'children', how: 'count', gives: 'number' }) // prettier-ignore
    expect(rollUpSettings({ ...begun, how: 'finished', of: undefined, weight: find('time') })).toEqual({ over: 'children', how: 'finished', gives: 'number', unit: '%', weight: 'time' }) // prettier-ignore
    expect(lookUpSettings(find('time'), 'parent')).toEqual({
      over: 'parent',
      of: 'time',
      gives: 'duration',
      dayMinutes: 360,
    })
    expect(lookUpSettings(find('hard'), 'parent')).toEqual({
      over: 'parent',
      of: 'hard',
      gives: 'rating',
      scale: 3,
      sign: 'sun',
    })
    const beds = 'beds' as FieldId
    expect(lookUpSettings(find('due'), beds)).toEqual({ over: 'relation', through: 'beds', of: 'due', gives: 'date' })
    expect(rollUpSettings({ over: beds, weight: undefined, how: 'count', of: undefined })).toEqual({ over: 'relation', through: 'beds', how: 'count', gives: 'number' }) // prettier-ignore
    expect([overOf({ over: 'inside' }), overOf({ over: 'relation', through: beds })]).toEqual(['inside', 'beds'])
    expect(lookUpSettings(find('title 2'), 'parent')).toEqual({ over: 'parent', of: 'title 2', gives: 'shortText' })
  })

  it('shows a formula as money or time where it reckons with such', () => {
    const numbers = ['number', 'money', 'duration'] as const
    expect(proposedGives(numbers, [find('cost'), find('effort')])).toBe('money')
    expect(proposedGives(numbers, [find('total')])).toBe('money')
    expect(proposedGives(numbers, [find('time')])).toBe('duration')
    expect(proposedGives(numbers, [find('time'), find('effort')])).toBe('number')
    expect(proposedGives(numbers, [find('due')])).toBe('number')
    expect(proposedGives(['date'], [find('cost')])).toBe('date')
  })

  it('gives a formula as many decimals as what it names, two where it divides', () => {
    expect(decimalsOf('a + b', [find('due')])).toBe(0)
    expect(decimalsOf('a / b', [find('due')])).toBe(2)
    expect(decimalsOf('a + b', [find('effort')])).toBe(2)
  })
})
