import { describe, expect, it } from 'vitest'
import { Door } from './door'

const times = <T>(n: number, make: (i: number) => T): T[] => Array.from({ length: n }, (_, i) => make(i))

describe('the door', () => {
  it('lets in few at a time, and few of one', () => {
    const door = new Door(() => 0)
    const flood = times(200, () => door.enter('a stranger'))
    expect(flood.filter(Boolean)).toHaveLength(10)
    const others = times(200, (i) => door.enter(`other ${i}`))
    expect(others.filter(Boolean)).toHaveLength(20)
    expect(door.enter('someone')).toBeUndefined()
    others[0]!(false)
    expect(door.enter('someone')).toBeDefined()
  })

  it('lets nobody of a crowd in for a while once one of it was refused, and everybody else', () => {
    let now = 0
    const door = new Door(() => now)
    for (const leave of times(5, () => door.enter('a crowd')!)) leave(true)
    expect(door.enter('a crowd')).toBeUndefined()
    expect(door.enter('someone')).toBeDefined()
    now = 999
    expect(door.enter('a crowd')).toBeUndefined()
    now = 1000
    expect(door.enter('a crowd')).toBeDefined()
  })

  it('does not take one who errs for a crowd', () => {
    const door = new Door(() => 0)
    for (let i = 0; i < 20; i++) door.enter('someone')!(true)
    expect(door.enter('someone')).toBeDefined()
  })

  it('remembers nobody longer than it matters', () => {
    let now = 0
    const door = new Door(() => now)
    for (let i = 0; i < 500; i++) for (const leave of times(5, () => door.enter(`crowd ${i}`)!)) leave(true)
    expect(door.size).toBe(500)
    now = 1001
    door.enter('someone')!(false)
    expect(door.size).toBe(0)
  })
})
