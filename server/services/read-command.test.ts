import { describe, expect, it } from 'vitest'
import { readCommand, readJson } from './read-command'

const bytes = (text: string) => new Uint8Array(Buffer.from(text))

describe('a body', () => {
  it('is JSON that can be stored', () => {
    expect(readJson(bytes('{"a":["x"]}'))).toEqual({ ok: true, value: { a: ['x'] } })
    for (const text of ['', '{', '"\\u0000"', '"\\ud800"', '{"\\u0000":1}'])
      expect(readJson(bytes(text)), text).toMatchObject({ ok: false, problem: { code: 'unreadable' } })
  })
  it('of a command is one of today’s', () => {
    expect(readCommand(bytes('{"id":"x","type":"items.set","v":1}'))).toMatchObject({ ok: false })
    const command = { id: '0197f3a0-0000-7000-8000-000000000001', type: 'revert', v: 1, of: '0197f3a0-0000-7000-8000-000000000002' } // prettier-ignore
    expect(readCommand(bytes(JSON.stringify(command)))).toEqual({ ok: true, value: command })
  })
})
