import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { evenWeek, hoursOf, minutesIn, readWeek, weekSaid } from './week'

const five = [1, 2, 3, 4, 5]
const read = (text: string) => {
  const week = readWeek(text, five)
  return week.ok ? week.value : undefined
}

describe('a week of work', () => {
  it.each([
    ['36', [432, 432, 432, 432, 432, 0, 0]],
    ['36 h', [432, 432, 432, 432, 432, 0, 0]],
    ['8 8 8 8 4', [480, 480, 480, 480, 240, 0, 0]],
    ['Mon–Thu 8, Fri 4', [480, 480, 480, 480, 240, 0, 0]],
    ['tuesday 7:30, sat-sun 2,5', [0, 450, 0, 0, 0, 150, 150]],
    ['none', [0, 0, 0, 0, 0, 0, 0]],
    ['', [0, 0, 0, 0, 0, 0, 0]],
  ])('reads %s', (text, week) => {
    expect(read(text)).toEqual(week)
  })

  it.each(['eight', '200', 'Mon 25', 'Fri–Mon 8', '1 2 3 4 5 6 7 8', '-4', '8 x 8', 'M 8'])('does not read %s', (text) => {
    expect(read(text)).toBeUndefined()
  }) // prettier-ignore

  it('is read as it is said', () => {
    const week = fc.array(fc.integer({ min: 0, max: 1440 }), { minLength: 7, maxLength: 7 })
    fc.assert(
      fc.property(week, (minutes) => {
        expect(read(weekSaid(minutes))).toEqual(minutes)
      }),
    )
  })

  it('is even over the days that are worked, and loses no minute', () => {
    const days = fc.uniqueArray(fc.integer({ min: 1, max: 7 })).map((all) => all.sort())
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5000 }), days, (minutes, worked) => {
        expect(minutesIn(evenWeek(minutes, worked))).toBe(minutes)
      }),
    )
    expect(hoursOf(450)).toBe('7.5')
  })
})
