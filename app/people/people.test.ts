import { describe, expect, it } from 'vitest'
import { evenWeek } from '#core/base/week'
import type { Person } from '#core/model/records'
import { craftGroups, rolesToGive } from './people'

const hours = evenWeek(1800, [1, 2, 3])
const person = (name: string, craft: string | null, active = true) => ({ id: name, name, craft, active, hours }) as Person // prettier-ignore

describe('people by craft', () => {
  it('stand in the order of crafts and names, last those of none and those who have left', () => {
    const all = [person('Noor', 'water'), person('Ana', null), person('Hamid', 'water'), person('Bea', 'glass', false), person('Zoe', 'glass')] // prettier-ignore
    const groups = craftGroups(all)
    expect(groups.map(({ craft, people }) => [craft, people.map(({ name }) => name)])).toEqual([
      ['glass', ['Zoe']],
      ['water', ['Hamid', 'Noor']],
      [null, ['Ana']],
      [null, ['Bea']],
    ])
    expect(groups.map(({ hasLeft, minutes }) => [hasLeft, minutes])).toEqual([
      [false, 1800],
      [false, 3600],
      [false, 1800],
      [true, 0],
    ])
  })

  it('are told apart by a craft that is called as a group is', () => {
    expect(craftGroups([person('Ana', 'left'), person('Bea', null, false), person('Cy', 'none')])).toHaveLength(3)
  })

  it('are made owners by owners alone', () => {
    expect(rolesToGive(true)[0]).toBe('owner')
    expect(rolesToGive(false)).toEqual(['lead', 'contributor', 'reader'])
  })
})
