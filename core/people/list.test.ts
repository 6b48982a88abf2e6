import { describe, expect, it } from 'vitest'
import { readPeople } from './list'

const known = [
  { name: 'Imke Sorrel', email: 'imke@garden.example' },
  { name: 'Yuki', email: null },
]
const read = (text: string) => readPeople(text, known)

describe('a list of people', () => {
  it.each([
    ['Piotr Halvorsen, piotr@garden.example', 'Piotr Halvorsen', 'piotr@garden.example'],
    ['Piotr Halvorsen <piotr@garden.example>', 'Piotr Halvorsen', 'piotr@garden.example'],
    ['piotr@garden.example\tPiotr Halvorsen', 'Piotr Halvorsen', 'piotr@garden.example'],
    ['“Łucja”; lucja@garden.example', '“Łucja”', 'lucja@garden.example'],
    ['piotr.halvorsen@garden.example', 'Piotr Halvorsen', 'piotr.halvorsen@garden.example'],
    ['  Piotr   Halvorsen ', 'Piotr Halvorsen', null],
    ['مريم', 'مريم', null],
  ])('reads %s', (line, name, email) => {
    expect(read(line)).toEqual([{ line: 1, name, email }])
  })

  it('says by line who is not added, and why', () => {
    const lines = [
      'Piotr, piotr@garden',
      '',
      'IMKE, Imke@Garden.example',
      'yuki',
      'Ann, a@b.example',
      'Bea, A@B.example',
    ]
    expect(read(lines.join('\r\n')).map(({ line, fault }) => [line, fault])).toEqual([
      [1, 'no-address'],
      [3, 'known'],
      [4, 'known'],
      [5, undefined],
      [6, 'twice'],
    ])
  })

  it('takes two people of a name where each has an address', () => {
    expect(read('Imke Sorrel, other@garden.example')[0]?.fault).toBeUndefined()
    expect(read('@garden.example')[0]?.fault).toBe('no-address')
  })
})
