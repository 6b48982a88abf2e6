import * as z from 'zod/mini'
import { dayNumber } from '../base/dates'
import * as ids from '../base/id-schemas'
import { list, name, plainDate, text, whole } from '../base/schemas'
import { problem, type Problem } from '../base/result'
import type { DayOff } from '../model/records'
import { dayOffRecord, timeZone, workspaceRecord } from '../model/schemas'
import { recordCommands, unmade } from '../setup/record-commands'

/** The most days that one stretch of days off has: some four years. */
export const mostDaysOff = 1500

/** What is wrong with a stretch of days off. */
export function daysOffRefusal({ from, to }: Pick<DayOff, 'from' | 'to'>): Problem | undefined {
  if (to < from) return problem('ends-before-start', { from, to })
  const days = dayNumber(to) - dayNumber(from) + 1
  return days > mostDaysOff ? problem('too-many-days', { days, most: mostDaysOff }) : undefined
}

/** Holidays of everyone, and the days on which somebody is away. */
export const daysOff = recordCommands({
  entity: 'dayOff',
  record: dayOffRecord,
  id: ids.dayOffId,
  fields: { from: plainDate, to: plainDate, name: text(120) },
  siblings: (reader) => reader.all('dayOff'),
  removal: z.object({}),
  remove: (_reader, off) => [unmade('dayOff', off)],
})

/** What the team is called, by which clocks it works, and on which days of the week. */
export const workspaces = recordCommands({
  entity: 'workspace',
  record: workspaceRecord,
  id: text(64, 1),
  fields: { name, timeZone, workingWeek: list(whole(1, 7), 7) },
  siblings: (reader) => reader.all('workspace'),
  check: (_reader, { workingWeek }) => (workingWeek.length ? undefined : problem('no-working-day')),
  removal: z.object({}),
  remove: () => [],
})
