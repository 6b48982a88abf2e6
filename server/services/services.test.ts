import { describe, expect, it } from 'vitest'
import { serverClock } from '../clock'
import { hashPassword, isPassword } from './passwords'
import { Turns, Turnstile } from './turnstile'

describe('the server’s clock', () => {
  it('is the machine’s where nothing else is said', () => {
    expect(serverClock({}, () => 0).now()).toBe('1970-01-01T00:00:00.000Z')
    expect(serverClock({ WRENLEAF_CLOCK: 'still' }, () => 5).now()).toBe('1970-01-01T00:00:00.005Z')
  })

  it('walks on from the time at the start', () => {
    let real = 1_000_000
    const clock = serverClock({ WRENLEAF_NOW: '2026-11-24T13:00:00Z' }, () => real)
    expect(clock.now()).toBe('2026-11-24T13:00:00.000Z')
    real += 90_000
    expect(clock.now()).toBe('2026-11-24T13:01:30.000Z')
  })

  it('stands where it is put', () => {
    let real = 0
    const clock = serverClock({ WRENLEAF_NOW: '2026-11-24T13:00:00Z', WRENLEAF_CLOCK: 'still' }, () => (real += 1000))
    expect([clock.now(), clock.now()]).toEqual(['2026-11-24T13:00:00.000Z', '2026-11-24T13:00:00.000Z'])
  })

  it('refuses what is no time', () => {
    expect(() => serverClock({ WRENLEAF_NOW: 'teatime' })).toThrow('WRENLEAF_NOW is no time: teatime')
  })
})

describe('a password', () => {
  it('goes with its own hash alone, which is another each time', async () => {
    const [one, other] = [await hashPassword('ring of fern'), await hashPassword('ring of fern')]
    expect(one).not.toBe(other)
    expect(one).not.toContain('fern')
    expect(await Promise.all([isPassword('ring of fern', one), isPassword('ring of fern', other)])).toEqual([
      true,
      true,
    ])
    expect(await Promise.all([isPassword('ring of ferns', one), isPassword('', one)])).toEqual([false, false])
  })

  it('is the same however its accents are typed', async () => {
    expect(await isPassword('pe\u0301pinie\u0300re', await hashPassword('p\u00e9pini\u00e8re'))).toBe(true)
  })

  it('goes with nothing that is no hash of ours', async () => {
    for (const hash of ['', 'plain', 'scrypt$1', 'md5$1$1$1$c2FsdA$a2V5', 'scrypt$16384$8$1$c2FsdA$'])
      expect(await isPassword('plain', hash)).toBe(false)
  })
})

describe('a turnstile', () => {
  it('lets a few pass at a time, in turn, and is full when too many wait', async () => {
    const turnstile = new Turnstile(2, 3)
    let inside = 0
    let most = 0
    const passed: number[] = []
    const leave: (() => void)[] = []
    const pass = (n: number) =>
      turnstile.pass(async () => {
        most = Math.max(most, ++inside)
        passed.push(n)
        await new Promise<void>((resolve) => leave.push(resolve))
        inside--
      })
    const all = [1, 2, 3, 4].map(pass)
    expect(turnstile.isFull).toBe(false)
    all.push(pass(5))
    expect(turnstile.isFull).toBe(true)
    for (let i = 0; i < 5; i++) {
      await new Promise((resolve) => setTimeout(resolve))
      leave.shift()?.()
    }
    await Promise.all(all)
    expect([passed, most, turnstile.isFull]).toEqual([[1, 2, 3, 4, 5], 2, false])
  })

  it('goes on when what passed has failed', async () => {
    const turnstile = new Turnstile(1, 1)
    await expect(turnstile.pass(() => Promise.reject(new Error('no')))).rejects.toThrow('no')
    expect(await turnstile.pass(() => Promise.resolve('yes'))).toBe('yes')
  })
})

describe('turns', () => {
  it('are one for each, however often they come, and the others go on meanwhile', async () => {
    const turns = new Turns<string>(2, 3)
    const passed: string[] = []
    const leave: (() => void)[] = []
    const pass = (who: string) =>
      turns.pass(who, async () => {
        passed.push(who)
        await new Promise<void>((resolve) => leave.push(resolve))
      })
    const all = ['a', 'a', 'a', 'a', 'b'].map(pass)
    await new Promise((resolve) => setTimeout(resolve))
    expect(passed).toEqual(['a', 'b'])
    expect([turns.isFull('a'), turns.isFull('b'), turns.isFull('c')]).toEqual([true, false, false])
    for (let i = 0; i < 5; i++) {
      await new Promise((resolve) => setTimeout(resolve))
      leave.shift()?.()
    }
    await Promise.all(all)
    expect(passed).toEqual(['a', 'b', 'a', 'a', 'a'])
    expect(turns.isFull('a')).toBe(false)
  })
})
