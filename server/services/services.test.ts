import { describe, expect, it } from 'vitest'
import { serverClock } from '../clock'
import { hashPassword, isPassword } from './passwords'

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
