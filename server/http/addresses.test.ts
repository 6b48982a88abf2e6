import { describe, expect, it } from 'vitest'
import { Addresses, machineOf } from './addresses'

describe('where a server is reached', () => {
  it('by default at the names of this machine, whatever the port', () => {
    const here = new Addresses({ HOST: '127.0.0.1' })
    for (const host of ['127.0.0.1:3000', 'localhost', 'LOCALHOST:80', '[::1]:3000']) expect(here.knows(host), host).toBe(true)
    for (const host of ['work.example', '127.0.0.1.evil.example', 'localhost.evil.example:3000', '', undefined])
      expect(here.knows(host), String(host)).toBe(false)
  }) // prettier-ignore

  it('listening everywhere, only where it is told', () => {
    expect(() => new Addresses({ HOST: '0.0.0.0' })).toThrow(/WRENLEAF_ADDRESS/)
    expect(() => new Addresses({})).toThrow(/WRENLEAF_ADDRESS/)
    const there = new Addresses({ HOST: '0.0.0.0', WRENLEAF_ADDRESS: 'https://work.example, http://10.0.0.7:3000/' })
    expect(there.origins).toEqual(['https://work.example', 'http://10.0.0.7:3000'])
    expect(['work.example', '10.0.0.7:3000', 'localhost:3000'].every((host) => there.knows(host))).toBe(true)
    expect(['10.0.0.7', '10.0.0.8:3000', 'evil.example'].some((host) => there.knows(host))).toBe(false)
    expect(new Addresses({ HOST: '10.0.0.7' }).knows('10.0.0.7:3000')).toBe(true)
  })

  it('an address that is none is told', () => {
    for (const address of ['work.example', 'ftp://work.example', 'https://work.example/app'])
      expect(() => new Addresses({ HOST: '127.0.0.1', WRENLEAF_ADDRESS: address }), address).toThrow(address)
  })

  it('a page is ours at the address it was asked at, and behind a proxy at the configured one', () => {
    const there = new Addresses({ HOST: '127.0.0.1', WRENLEAF_ADDRESS: 'https://work.example' })
    expect(there.isOurs('http://127.0.0.1:3000', '127.0.0.1:3000', 'http')).toBe(true)
    expect(there.isOurs('https://work.example', 'work.example', 'http')).toBe(true)
    expect(there.isOurs('https://evil.example', 'work.example', 'http')).toBe(false)
    expect(there.isOurs('https://work.example', '127.0.0.1:3000', 'http')).toBe(false)
    expect(there.isOurs(undefined, 'work.example', 'https')).toBe(false)
  })
})

describe('the machine that asks', () => {
  it('is whoever is connected; behind a proxy that is trusted, whom it names last', () => {
    const socket = { remoteAddress: '9.9.9.9' }
    const asked = { headers: { 'x-forwarded-for': '1.1.1.1, 2.2.2.2' }, socket }
    expect(machineOf(asked, '')).toBe('9.9.9.9')
    expect(machineOf(asked, 'x-forwarded-for')).toBe('2.2.2.2')
    expect(machineOf({ headers: {}, socket }, 'x-forwarded-for')).toBe('9.9.9.9')
  })
})
