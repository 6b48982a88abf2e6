import { describe, expect, it } from 'vitest'
import { Tries } from './tries'

const of = 'imke@garden.example'
function tries() {
  const waits: number[] = []
  return { waits, tries: new Tries(async (ms) => void waits.push(ms)) }
}
async function times(n: number, one: (i: number) => ReturnType<Tries['take']>): Promise<number> {
  let taken = 0
  for (let i = 0; i < n; i++) if ((await one(i)).ok) taken++
  return taken
}

describe('tries to sign in', () => {
  it('ten a minute from a machine at an address, thirty at all of them', async () => {
    const { tries: all } = tries()
    expect(await times(20, () => all.take({ of, machine: 'a' }))).toBe(10)
    expect(await times(40, (i) => all.take({ of: `other${i}@garden.example`, machine: 'a' }))).toBe(20)
  })

  it('of strangers make the next one slower, and shut nobody out', async () => {
    const { tries: all, waits } = tries()
    expect(await times(300, (i) => all.take({ of, machine: `stranger ${i}` }))).toBe(300)
    expect(waits).toHaveLength(290)
    expect(Math.max(...waits)).toBe(5000)
    expect(await times(1, () => all.take({ of, machine: 'her new telephone' }))).toBe(1)
  })

  it('are none of the business of a browser that is known', async () => {
    const { tries: all, waits } = tries()
    await times(60, () => all.take({ of, machine: 'the proxy' }))
    const before = waits.length
    expect(await times(12, () => all.take({ of, machine: 'the proxy', browser: 'hers' }))).toBe(10)
    expect(waits).toHaveLength(before)
  })

  it('are given back where they were right', async () => {
    const { tries: all } = tries()
    const rightAway = async () => {
      const took = await all.take({ of, machine: 'a' })
      if (took.ok) await took.value()
      return took
    }
    expect(await times(40, rightAway)).toBe(40)
  })
})
