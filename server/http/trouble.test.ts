import { DrizzleQueryError } from 'drizzle-orm/errors'
import pg from 'pg'
import { describe, expect, it } from 'vitest'
import { sayable } from './trouble'

function refused(): Error {
  const said = new pg.DatabaseError('duplicate key value violates "person_email": (imke@garden.example)', 90, 'error')
  Object.assign(said, { severity: 'ERROR', code: '23505', constraint: 'person_email', table: 'person', detail: 'Key (email)=(imke@garden.example) already exists.' }) // prettier-ignore
  return new DrizzleQueryError('insert into person values ($1)', ['imke@garden.example'], said)
}

describe('what is said of something that went wrong', () => {
  it('of the database’s errors names what was refused, and no value', () => {
    const said = String(sayable(refused()))
    expect(said).toContain('23505')
    expect(said).toContain('person_email')
    expect(said).toContain('trouble.test.ts')
    expect(said).not.toContain('imke')
    expect(String(sayable(new Error('while saving', { cause: refused() })))).not.toContain('imke')
    expect(String(sayable(new DrizzleQueryError('select $1', ['imke'])))).not.toContain('imke')
  })
  it('of all others everything', () => {
    const error = new TypeError('x is not a function')
    expect(sayable(error)).toBe(error)
    expect(sayable('text')).toBe('text')
  })
})
