import { dayNumber, type PlainDate } from '#core/base/dates'
import { WorkingTime } from '#core/base/working-time'
import type { Reader } from '#core/model/reader'
import type { DayOff, PersonId } from '#core/model/records'
import { dayWords } from '../dates'

/** Whose days off are listed: everyone's (holidays), those of each person, or one's. */
export type Whose = 'everyone' | 'each' | PersonId

/** Days off in their order: those that are over, and those that are not. */
export function daysOffOf(reader: Reader, whose: Whose, today: PlainDate): { over: DayOff[]; ahead: DayOff[] } {
  const isOne = ({ person }: DayOff): boolean =>
    whose === 'everyone' ? person === null : whose === 'each' ? person !== null : person === whose
  const all = [...reader.all('dayOff')]
    .filter(isOne)
    .sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : a.id < b.id ? -1 : 1))
  return { over: all.filter(({ to }) => to < today), ahead: all.filter(({ to }) => to >= today) }
}

/** `24 Dec – 2 Jan 2027`; a day alone with its weekday where it has a year. */
export const daysSaid = ({ from, to }: Pick<DayOff, 'from' | 'to'>, language: string, today?: PlainDate): string =>
  from === to
    ? dayWords(from, language, today)
    : `${dayWords(from, language, today)} – ${dayWords(to, language, today)}`

/** Working days that somebody, or everyone, loses by days off: those that are holidays already are not counted. */
export function lostDays(reader: Reader, { id, person, from, to }: DayOff): number {
  const holidays = [...reader.all('dayOff')].filter((one) => one.id !== id && one.person === null)
  const time = new WorkingTime(reader.workingTime(person ?? undefined).week, holidays)
  return time.upTo(dayNumber(to)) - time.upTo(dayNumber(from) - 1)
}
