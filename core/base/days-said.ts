/** Days and moments as people type them: `fri`, `+3d`, `24.11.`, `end of month`, `next tue 14:00`. */
import {
  dateIn,
  dayNumber,
  fromDayNumber,
  isPlainDate,
  startOf,
  tryParseDate,
  weekday,
  ZoneDays,
  type Instant,
  type Period,
  type PlainDate,
} from './dates'
import { addWorkingDays, fiveDayWeek, isWorkingDay, type WorkingTime } from './working-time'
import type { DecimalMark } from './decimals'

/** How numbers and days are written where somebody is, and what day it is there. */
export interface Speech {
  readonly decimal: DecimalMark
  /** What comes first in a day of digits and strokes: `24/11` or `11/24`. */
  readonly first: 'day' | 'month'
  /** None: only whole dates are read. */
  readonly today?: PlainDate
  /** IANA name. */
  readonly timeZone: string
  readonly calendar: WorkingTime
}

/** What files and other programs write: whole dates and decimal points, UTC. */
export const plainSpeech: Speech = {
  decimal: '.', first: 'day', timeZone: 'UTC', calendar: fiveDayWeek,
} // prettier-ignore

const monthNames = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'] // prettier-ignore
const weekdayNames = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday']
const placeOf = (names: readonly string[], word: string, least: number): number =>
  word.length < least ? -1 : names.findIndex((name) => name.startsWith(word))

/** The day that a text means; undefined where it means none, or one that the calendar does not have. */
export function readDay(text: string, speech: Speech): PlainDate | undefined {
  const said = text.trim().toLowerCase().replace(/\s+/g, ' ')
  const whole = tryParseDate(said, speech.first) ?? readNamed(said)
  if (whole) return whole
  const { today } = speech
  if (!today) return undefined
  return readShort(said, speech.first, today) ?? readWord(said, today, speech.calendar)
}

/** Days from one to another, both among them: `24 Dec – 2 Jan`, `Mon to Fri`; one day alone is both. A second without a year is the next such day. */
export function readDays(text: string, speech: Speech): { from: PlainDate; to: PlainDate } | undefined {
  const [first = '', second, ...more] = text.split(/\s*(?:–|—|\.{2,3}|…)\s*|\s+(?:-|to|until|till)\s+/i)
  const from = more.length ? undefined : readDay(first, speech)
  const to = second === undefined ? from : from && readDay(second, { ...speech, today: from })
  return from && to ? { from, to } : undefined
}

/** `24 nov 2026`, `24. november 26`, `nov 24, 2026`; without a year only where `today` says which is meant. */
function readNamed(said: string, today?: PlainDate): PlainDate | undefined {
  const match = /^(?:(\d{1,2})\.?\s?([a-z]+)|([a-z]+)\s?(\d{1,2}))\.?,?(?:\s?(\d{4}|\d{2}))?$/.exec(said)
  const month = placeOf(monthNames, match?.[2] ?? match?.[3] ?? '', 3) + 1
  if (!match || !month) return undefined
  return dayOf(match[5], month, Number(match[1] ?? match[4]), today)
}

/** `24.11.`, `24/11`, `11/24`, `24.11.26`. Points always have the day first. */
function readShort(said: string, first: Speech['first'], today: PlainDate): PlainDate | undefined {
  const match = /^(\d{1,2})([./])(\d{1,2})(?:[./](\d{2})?)?$/.exec(said)
  if (!match) return readNamed(said, today)
  const numbers = [Number(match[1]), Number(match[3])]
  const [day, month] = match[2] === '/' && first === 'month' ? numbers.reverse() : numbers
  return dayOf(match[4], month!, day!, today)
}

/** Without a year: the one of that name from three months ago on. */
function dayOf(year: string | undefined, month: number, day: number, today?: PlainDate): PlainDate | undefined {
  const written = (of: number) => `${String(of).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}` // prettier-ignore
  const known = (date: string) => (isPlainDate(date) ? date : undefined)
  if (year) return known(written(Number(year.length === 2 ? `20${year}` : year)))
  if (!today) return undefined
  const now = Number(today.slice(0, 4))
  const earliest = fromDayNumber(dayNumber(today) - 92)
  return [now - 1, now, now + 1, now + 2, now + 3, now + 4].map(written).find((date) => isPlainDate(date) && date >= earliest) // prettier-ignore
}

const units = { d: 'd', day: 'd', w: 'w', week: 'w', m: 'm', mo: 'm', month: 'm', y: 'y', year: 'y', wd: 'wd', 'working day': 'wd', workday: 'wd' } as const // prettier-ignore

function readWord(said: string, today: PlainDate, calendar: WorkingTime): PlainDate | undefined {
  const now = dayNumber(today)
  const shift = { today: 0, now: 0, tomorrow: 1, yesterday: -1 }[said]
  if (shift !== undefined) return fromDayNumber(now + shift)
  const counted = /^(in |[+-])?\s?(\d{1,4})\s?([a-z ]+?)s?( ago)?$/.exec(said)
  const unit = counted && units[counted[3]?.trim() as keyof typeof units]
  if (counted && unit) {
    const n = Number(counted[2]) * (counted[4] || counted[1]?.trim() === '-' ? -1 : 1)
    return shifted(today, n, unit, calendar)
  }
  const named = /^(next |this |last )?([a-z]+)$/.exec(said)
  const day = placeOf(weekdayNames, named?.[2] ?? '', 2)
  if (named && day >= 0) {
    const week = { 'next ': 7, 'this ': 0, 'last ': -7 }[named[1] ?? '']
    if (week !== undefined) return fromDayNumber(startOf('week', now) + day + week)
    const ahead = (day - (weekday(today) - 1) + 7) % 7
    return fromDayNumber(now + (ahead || 7))
  }
  return readPeriod(said, now, calendar)
}

function shifted(today: PlainDate, n: number, unit: 'd' | 'w' | 'm' | 'y' | 'wd', calendar: WorkingTime) {
  if (unit === 'wd') return addWorkingDays(today, n, calendar)
  if (unit === 'd' || unit === 'w') return fromDayNumber(dayNumber(today) + n * (unit === 'w' ? 7 : 1))
  const first = startOf('month', dayNumber(today), n * (unit === 'y' ? 12 : 1))
  // The 31st of a month with thirty days is its last.
  const last = startOf('month', first, 1) - 1
  return fromDayNumber(Math.min(first + Number(today.slice(8)) - 1, last))
}

/** `next month`, `end of month`, `the end of next week`: of a week the last working day. */
function readPeriod(said: string, now: number, calendar: WorkingTime): PlainDate | undefined {
  const match = /^(?:the )?(?:(end|start|beginning) of )?(?:the )?(this |next |last )?(week|month|quarter|year)$/.exec(
    said,
  )
  if (!match || (!match[1] && !match[2])) return undefined
  const period = match[3] as Period
  const n = { 'next ': 1, 'last ': -1 }[match[2] ?? ''] ?? 0
  if (match[1] !== 'end') return fromDayNumber(startOf(period, now, n))
  const last = startOf(period, now, n + 1) - 1
  if (period !== 'week') return fromDayNumber(last)
  const worked = [0, 1, 2, 3, 4, 5, 6].find((back) => isWorkingDay(fromDayNumber(last - back), calendar)) ?? 0
  return fromDayNumber(last - worked)
}

/** When a day begins that is said without a time, in minutes. */
const usualTime = 9 * 60
const clock = /(?:^|[\s,]+)(?:at )?(?:(\d{1,2}):(\d{2})(?: ?([ap])m?)?|(\d{1,2}) ?(?:h|([ap])m))$/

/** The moment that a text means, in the time zone where one is: `2026-11-24 14:00`, `fri 2pm`, `9:30` (today), `fri` (at nine). */
export function readMoment(text: string, speech: Speech): Instant | undefined {
  const said = text.trim().toLowerCase().replace(/t(?=\d\d:\d\d)/, ' ') // prettier-ignore
  const match = clock.exec(said)
  const rest = match ? said.slice(0, match.index).trim() : said
  const day = rest ? readDay(rest, speech) : match ? speech.today : undefined
  const minutes = match ? minutesOf(match) : usualTime
  if (!day || minutes === undefined) return undefined
  return new Date(new ZoneDays(speech.timeZone).at(dayNumber(day), minutes)).toISOString()
}
function minutesOf(match: RegExpExecArray): number | undefined {
  const half = match[3] ?? match[5]
  const [hour, minute] = [Number(match[1] ?? match[4]), Number(match[2] ?? 0)]
  if (minute > 59 || hour > (half ? 12 : 23) || (half && !hour)) return undefined
  return (half ? (hour % 12) + (half === 'p' ? 12 : 0) : hour) * 60 + minute
}

/** `2026-11-24 14:00`, as the clocks of a time zone say it. */
export function printMoment(instant: Instant, timeZone: string): string {
  const minutes = new ZoneDays(timeZone).minutesAt(Date.parse(instant))
  const two = (n: number) => String(n).padStart(2, '0')
  return `${dateIn(timeZone, instant)} ${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`
}
