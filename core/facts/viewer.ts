import { dayNumber, fromDayNumber, startOf, ZoneDays, type PlainDate } from '../base/dates'
import type { WorkingTime } from '../base/working-time'
import type { Meaning } from '../fields/contract'
import type { Reader } from '../model/reader'
import type { Day, PersonId, Workspace } from '../model/records'

/** Who is looking, and on which day: what a view's answer depends on besides the items. */
export interface Viewer {
  readonly me: PersonId
  readonly today: PlainDate
  /** The status in which an item was some days ago; undefined where it is not known (yet). */
  readonly past?: (daysAgo: number, item: string) => string | undefined
}

/** The people of a person's craft, the person among them; the person alone where there is none. */
export function craftOf(reader: Reader, me: PersonId): readonly string[] {
  const craft = reader.maybe('person', me)?.craft
  if (!craft) return [me]
  return [...reader.all('person')].filter((person) => person.craft === craft).map((person) => person.id)
}

/** The ids that a list of values means to whoever is looking. */
export const meant = (values: readonly string[], reader: Reader, { me }: Viewer): string[] => [
  ...new Set(values.flatMap((value) => (value === 'me' ? [me] : value === 'craft' ? craftOf(reader, me) : [value]))),
]

/** The day number that a day means today, where these days are worked. */
export function dayMeant(day: Day, today: PlainDate, time: WorkingTime): number {
  if (typeof day === 'string') return dayNumber(day)
  const now = dayNumber(today)
  if (day.of === 'day') return now + day.n
  if (day.of === 'workingDay') return time.add(now, day.n)
  return day.end ? startOf(day.of, now, day.n + 1) - 1 : startOf(day.of, now, day.n)
}

/** What the words of conditions mean to a viewer, for field types. */
export const meaningTo = (reader: Reader, viewer: Viewer): Meaning => ({
  ids: (values) => meant(values, reader, viewer),
  day: (day) => fromDayNumber(dayMeant(day, viewer.today, reader.workingTime())),
})

let zones: ZoneDays | undefined
/** The days of the workspace's time zone. One is kept, because making it again costs a formatter for every day. */
export function daysOf({ timeZone }: Workspace): ZoneDays {
  if (zones?.timeZone !== timeZone) zones = new ZoneDays(timeZone)
  return zones
}
