import { describe, expect, it } from 'vitest'
import { name } from './schemas'
import { isVisible, oneLine } from './text'

describe('what is written on one line', () => {
  it.each([
    ['two\nlines', 'two lines'],
    ['a\r\n\tb', 'a b'],
    ['  ends ', 'ends'],
    ['bell\u0007and\u2028line', 'bell and line'],
    ['Séverine’s 🌱', 'Séverine’s 🌱'],
  ])('%j is %j', (text, line) => expect(oneLine(text)).toBe(line))

  it.each(['', '  ', '\u200b\u200d', '\u00ad', '\u3164\u115f', '\u2800', '\u0301', '\ufeff'])(
    '%j cannot be seen',
    (text) => expect(isVisible(text)).toBe(false),
  )
  it.each(['a', '7', '–', '🌱', 'é', 'ㄱ', '⠁'])('%j can be seen', (text) => expect(isVisible(text)).toBe(true))
})

it('a name is on one line, and can be seen', () => {
  expect(name.parse(' Piotr\nHalvorsen ')).toBe('Piotr Halvorsen')
  expect(['\u200b', '\n', '\u3164'].map((text) => name.safeParse(text).success)).toEqual([false, false, false])
})
