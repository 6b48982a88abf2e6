import { beforeEach, describe, expect, it } from 'vitest'
import { dayNumber } from '../base/dates'
import type { DayOffId } from '../base/ids'
import { minutesIn } from '../base/week'
import { addWorkingDays } from '../base/working-time'
import type { BareCommand } from '../commands/registry'
import type { Person } from '../model/records'
import { Acting } from '../test-kit/acting'

let acting: Acting
beforeEach(() => (acting = new Acting()))
const by = (person: Person, bare: BareCommand): string => acting.does(bare, person)
const away = (person: Person | null, from: string, to = from): BareCommand & { type: 'dayOff.add' } => ({
  type: 'dayOff.add', record: { id: acting.small.ids.next() as DayOffId, person: person?.id ?? null, from, to, name: 'away' },
}) // prettier-ignore
const undo = (): BareCommand => ({ type: 'revert', of: acting.room.entries.at(-1)!.command })
const workingWeek = (to: number[], from: readonly number[] = [1, 2, 3, 4, 5]): BareCommand => ({
  type: 'workspace.set', target: 'w', set: { workingWeek: { from: [...from], to } },
}) // prettier-ignore
const next = (n = 1) => addWorkingDays('2026-11-25', n, acting.small.state.workingTime())

describe('days off', () => {
  it('of everyone are no working days, from when they are said until they are taken back', () => {
    const { lead } = acting.small.people
    expect(by(lead, away(null, '2026-11-26', '2026-11-27'))).toBe('done')
    expect(next()).toBe('2026-11-30')
    expect(by(lead, undo())).toBe('done')
    expect(next()).toBe('2026-11-26')
  })

  it('of a person are theirs alone, with their own hours on the days that are left', () => {
    const { contributor, lead } = acting.small.people
    const { state } = acting.small
    expect(by(lead, { type: 'person.set', target: contributor.id, set: { hours: { from: [...contributor.hours], to: [0, 240, 240, 240, 0, 0, 0] } } })).toBe('done') // prettier-ignore
    expect(by(contributor, away(contributor, '2026-11-25'))).toBe('done')
    const [monday, sunday] = [dayNumber('2026-11-23'), dayNumber('2026-11-29')]
    expect(state.workingTime(contributor.id).minutesWithin(monday, sunday)).toBe(480)
    expect(state.workingTime(lead.id).minutesWithin(monday, sunday)).toBe(minutesIn(lead.hours))
    expect(state.workingTime().isWorked(dayNumber('2026-11-25'))).toBe(true)
  })

  it('are said by oneself; of others and of everyone by who manages people', () => {
    const { contributor, lead, reader } = acting.small.people
    expect(by(reader, away(reader, '2026-11-26'))).toBe('done')
    expect(by(contributor, away(reader, '2026-11-26'))).toBe('not-allowed')
    expect(by(contributor, away(null, '2026-11-26'))).toBe('not-allowed')
    expect(by(lead, away(reader, '2026-11-27'))).toBe('done')
    const [theirs] = [...acting.small.state.all('dayOff')].filter(({ person }) => person === reader.id)
    expect(by(contributor, { type: 'dayOff.remove', target: theirs!.id, how: {} })).toBe('not-allowed')
    expect(by(reader, { type: 'dayOff.remove', target: theirs!.id, how: {} })).toBe('done')
  })

  it('end when they begin or later, whichever end is changed, and are not without end', () => {
    const { lead } = acting.small.people
    expect(by(lead, away(lead, '2026-11-27', '2026-11-26'))).toBe('ends-before-start')
    expect(by(lead, away(lead, '2026-11-26', '2226-11-26'))).toBe('too-many-days')
    const { record } = away(lead, '2026-11-26', '2026-11-27')
    const set = (field: 'from' | 'to', from: string, to: string) =>
      by(lead, { type: 'dayOff.set', target: record.id, set: { [field]: { from, to } } })
    expect(by(lead, { type: 'dayOff.add', record })).toBe('done')
    expect(set('from', '2026-11-26', '2026-11-28')).toBe('ends-before-start')
    expect(set('to', '2026-11-27', '2026-12-04')).toBe('done')
    const later = acting.room.entries.at(-1)!.command
    expect(set('from', '2026-11-26', '2026-12-01')).toBe('done')
    // What stood at the other end when it was said is not what stands there now.
    expect(by(lead, { type: 'revert', of: later })).toBe('ends-before-start')
  })
})

describe('the workspace', () => {
  it('has the days of the week that are worked, and always one', () => {
    const { lead, contributor } = acting.small.people
    expect(by(contributor, workingWeek([1, 2]))).toBe('not-allowed')
    expect(by(lead, workingWeek([]))).toBe('no-working-day')
    expect(by(lead, workingWeek([3, 6]))).toBe('done')
    expect([next(), next(2)]).toEqual(['2026-11-28', '2026-12-02'])
    expect(by(lead, workingWeek([1, 2, 3, 4, 5]))).toBe('changed-meanwhile')
    expect(by(lead, undo())).toBe('done')
    expect(next()).toBe('2026-11-26')
  })

  it('has a time zone that there is; its dates stay what they are', () => {
    const { lead } = acting.small.people
    const zone = (to: string): BareCommand => ({ type: 'workspace.set', target: 'w', set: { timeZone: { from: 'Europe/Berlin', to } } }) // prettier-ignore
    const before = JSON.stringify([...acting.small.state.all('dayOff')])
    expect(by(lead, zone('Asia/Kathmandu'))).toBe('done')
    expect(acting.small.state.workspace().timeZone).toBe('Asia/Kathmandu')
    expect(JSON.stringify([...acting.small.state.all('dayOff')])).toBe(before)
  })
})
