/**
 * Plain dates and working days. A date without time is `YYYY-MM-DD`; an instant is ISO 8601 in UTC.
 * Day numbers count from 1970-01-01 = 0 (days-from-civil, Howard Hinnant,
 * https://howardhinnant.github.io/date_algorithms.html; here by way of Date.UTC).
 */
export type PlainDate = string
export type Instant = string

const shape = /^(\d{4})-(\d{2})-(\d{2})$/

/** True for a date that the calendar has: `2026-02-30` is false. Years 0001 to 9999. */
export function isPlainDate(text: string): boolean {
  const match = shape.exec(text)
  if (!match) return false
  const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])]
  if (year < 1 || month < 1 || month > 12 || day < 1) return false
  return day <= daysInMonth(year, month)
}

function daysInMonth(year: number, month: number): number {
  const leap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0
  return month === 2 ? (leap ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31
}

/** Days since 1970-01-01; may be negative. Throws a RangeError where the text is no date. */
export function dayNumber(date: PlainDate): number {
  const match = shape.exec(date)
  if (!match) throw new RangeError(`no plain date: ${date}`)
  return Math.round(Date.UTC(Number(match[1]), Number(match[2]) - 1, Number(match[3])) / 86_400_000)
}

export function fromDayNumber(day: number): PlainDate {
  return new Date(day * 86_400_000).toISOString().slice(0, 10)
}

/** 1 for Monday to 7 for Sunday. */
export const weekday = (date: PlainDate): number => ((((dayNumber(date) + 3) % 7) + 7) % 7) + 1

export interface WorkingCalendar {
  /** Weekdays worked, 1 for Monday to 7 for Sunday. */
  readonly workingWeek: readonly number[]
  readonly holidays: readonly PlainDate[]
}

export function isWorkingDay(date: PlainDate, calendar: WorkingCalendar): boolean {
  return calendar.workingWeek.includes(weekday(date)) && !calendar.holidays.includes(date)
}

/**
 * Working days after `from` up to and including `to`; 0 where `to` is not after `from`. Whole weeks are multiplied, not
 * walked: it takes as long for a day as for ten years.
 */
export function workingDaysAfter(from: PlainDate, to: PlainDate, calendar: WorkingCalendar): number {
  const [first, last] = [dayNumber(from), dayNumber(to)]
  if (last <= first) return 0
  const free = calendar.holidays.filter((day) => day > from && day <= to && calendar.workingWeek.includes(weekday(day)))
  return weekdaysUpTo(last, calendar.workingWeek) - weekdaysUpTo(first, calendar.workingWeek) - new Set(free).size
}

/** Days of the working week from some Monday long ago up to and including a day; only differences mean something. */
function weekdaysUpTo(day: number, workingWeek: readonly number[]): number {
  const sinceMonday = day + 3
  const weeks = Math.floor(sinceMonday / 7)
  const reached = sinceMonday - weeks * 7 + 1
  return weeks * workingWeek.length + workingWeek.filter((one) => one <= reached).length
}

/** The working day that lies `n` working days after (or, below zero, before) a date. */
export function addWorkingDays(date: PlainDate, n: number, calendar: WorkingCalendar): PlainDate {
  const step = n < 0 ? -1 : 1
  let day = dayNumber(date)
  for (let left = Math.abs(n), guard = 0; left > 0 && guard < 20_000; guard++) {
    day += step
    if (isWorkingDay(fromDayNumber(day), calendar)) left--
  }
  return fromDayNumber(day)
}

const formats = new Map<string, Intl.DateTimeFormat>()

/** The calendar day of an instant in a time zone (IANA name). */
export function dateIn(timeZone: string, instant: Instant): PlainDate {
  let format = formats.get(timeZone)
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' })
    formats.set(timeZone, format)
  }
  return format.format(new Date(instant))
}

/** The hour of day at a moment, 0 to 23. */
export function hourIn(timeZone: string, instant: Instant): number {
  return Number(
    new Intl.DateTimeFormat('en-GB', { hour: '2-digit', hourCycle: 'h23', timeZone }).format(new Date(instant)),
  )
}

/** Reads a date as people write it in files: `2026-11-24`, `24.11.2026`, `24/11/2026`, `2026/11/24`. Undefined: no date. */
export function tryParseDate(text: string): PlainDate | undefined {
  const trimmed = text.trim()
  const iso = /^(\d{4})[-/](\d{1,2})[-/](\d{1,2})$/.exec(trimmed)
  const local = /^(\d{1,2})[./](\d{1,2})[./](\d{4})$/.exec(trimmed)
  const [year, month, day] = iso ? [iso[1], iso[2], iso[3]] : local ? [local[3], local[2], local[1]] : []
  if (!year || !month || !day) return undefined
  const date = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  return isPlainDate(date) ? date : undefined
}

/** True for text that has the shape of a date, whether or not the calendar has that day. */
export const looksLikeDate = (text: string): boolean =>
  /^\s*(\d{4}[-/]\d{1,2}[-/]\d{1,2}|\d{1,2}[./]\d{1,2}[./]\d{4})\s*$/.test(text)
