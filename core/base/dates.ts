/**
 * Plain dates. A date without time is `YYYY-MM-DD`; an instant is ISO 8601 in UTC.
 * Day numbers count from 1970-01-01 = 0 (days-from-civil, Howard Hinnant,
 * https://howardhinnant.github.io/date_algorithms.html; here by way of Date.UTC).
 */
export type PlainDate = string
/** A moment in UTC: `2026-11-25T09:00:00.000Z`. */
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
  const year = Number(match[1])
  // Date.UTC takes the years below 100 for those of the last century.
  const ms = year < 100 ? Date.parse(`${date}T00:00Z`) : Date.UTC(year, Number(match[2]) - 1, Number(match[3]))
  return Math.round(ms / 86_400_000)
}

/** Days that were written before: the same few thousand are asked for all the time. */
const written = new Map<number, PlainDate>()
const mostWritten = 20_000

/** The date of a day number (days since 1970-01-01). */
export function fromDayNumber(day: number): PlainDate {
  const known = written.get(day)
  if (known) return known
  const date = new Date(day * msOfDay).toISOString().slice(0, 10)
  if (written.size >= mostWritten) written.clear()
  written.set(day, date)
  return date
}

const msOfDay = 86_400_000
/** The days of the years 1 to 9999, which are written with four digits. */
export const [firstDay, lastDay] = [-719_162, 2_932_896] as const
const two = Array.from({ length: 60 }, (_, n) => String(n).padStart(2, '0'))

/** An instant of so many ms since 1970, as `Date` writes it, in a tenth of the time. */
export function instantOf(ms: number): string {
  const day = Math.floor(ms / msOfDay)
  if (!Number.isInteger(ms) || day < firstDay || day > lastDay) return new Date(ms).toISOString()
  const rest = ms - day * msOfDay
  const seconds = Math.floor(rest / 1000)
  const minutes = Math.floor(seconds / 60)
  return `${fromDayNumber(day)}T${two[Math.floor(minutes / 60)]}:${two[minutes % 60]}:${two[seconds % 60]}.${String(rest % 1000).padStart(3, '0')}Z`
}

/** The day before a date. */
export const dayBefore = (date: PlainDate): PlainDate => fromDayNumber(dayNumber(date) - 1)

/** 1 for Monday to 7 for Sunday. */
export const weekday = (date: PlainDate): number => ((((dayNumber(date) + 3) % 7) + 7) % 7) + 1

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

/**
 * Reads a date as people write it in files: `2026-11-24`, `24.11.2026`, `24/11/2026`, `2026/11/24`. `first`: what comes
 * first between strokes. Undefined: no date.
 */
export function tryParseDate(text: string, first: 'day' | 'month' = 'day'): PlainDate | undefined {
  const trimmed = text.trim()
  const iso = /^(\d{4})[-/](\d{1,2})[-/](\d{1,2})$/.exec(trimmed)
  const local = /^(\d{1,2})([./])(\d{1,2})[./](\d{4})$/.exec(trimmed)
  const isMonthFirst = local?.[2] === '/' && first === 'month'
  const [year, month, day] = iso
    ? [iso[1], iso[2], iso[3]]
    : local
      ? [local[4], local[isMonthFirst ? 1 : 3], local[isMonthFirst ? 3 : 1]]
      : []
  if (!year || !month || !day) return undefined
  const date = `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`
  return isPlainDate(date) ? date : undefined
}

/** True for text that has the shape of a date, whether or not the calendar has that day. */
export const looksLikeDate = (text: string): boolean =>
  /^\s*(\d{4}[-/]\d{1,2}[-/]\d{1,2}|\d{1,2}[./]\d{1,2}[./]\d{4})\s*$/.test(text)

/** Parts of the calendar that a day lies in. Weeks are ISO 8601's: Monday to Sunday. */
export type Period = 'day' | 'week' | 'month' | 'quarter' | 'year'

/** The first day of the period that lies `n` periods after the one a day is in. Day numbers. */
export function startOf(period: Period, day: number, n = 0): number {
  switch (period) {
    case 'day':
      return day + n
    case 'week':
      return day - ((((day + 3) % 7) + 7) % 7) + 7 * n
    default: {
      const date = new Date(day * 86_400_000)
      const month = date.getUTCMonth()
      const first = period === 'month' ? month + n : period === 'quarter' ? month - (month % 3) + 3 * n : 12 * n
      const start = new Date(0)
      start.setUTCFullYear(date.getUTCFullYear(), first, 1)
      return start.getTime() / 86_400_000
    }
  }
}

/**
 * Days of instants in a time zone. The moments at which days begin are worked out once each (a formatter costs some
 * microseconds, and a hundred thousand items have a few hundred days).
 */
export class ZoneDays {
  readonly #begins = new Map<number, number>()
  constructor(readonly timeZone: string) {}

  /** The moment at which a day begins, in milliseconds: midnight, or the first moment after it where clocks jump over it. */
  begin(day: number): number {
    const known = this.#begins.get(day)
    if (known !== undefined) return known
    const midnight = day * 86_400_000
    let begin = midnight
    for (const guess of [midnight, midnight - 86_400_000, midnight + 86_400_000]) {
      begin = midnight - this.#offset(guess)
      if (this.#offset(begin) === midnight - begin) break
    }
    // Where an offset of that day leads before midnight, the clocks jump over it.
    while (dayNumber(dateIn(this.timeZone, new Date(begin).toISOString())) < day) begin += 900_000
    this.#begins.set(day, begin)
    return begin
  }

  /** The day number that an instant, in milliseconds, lies on. */
  dayOf(ms: number): number {
    let day = Math.floor(ms / 86_400_000)
    while (ms < this.begin(day)) day--
    while (ms >= this.begin(day + 1)) day++
    return day
  }

  /** The moment at which the clocks of a day say so many minutes after midnight; where they jump over it, as long after. */
  at(day: number, minutes: number): number {
    const local = day * 86_400_000 + minutes * 60_000
    const first = local - this.#offset(local)
    const second = local - this.#offset(first)
    return second + this.#offset(second) === local ? second : Math.max(first, second)
  }

  /** Minutes after midnight that the clocks say at a moment. */
  minutesAt(ms: number): number {
    const local = ms + this.#offset(ms)
    return Math.floor((local - Math.floor(local / 86_400_000) * 86_400_000) / 60_000)
  }

  /** How far the zone's clocks are ahead of UTC, in milliseconds. */
  #offset(ms: number): number {
    const text = zoneClock(this.timeZone).format(new Date(ms))
    const [month, day, year, hour, minute, second] = text.split(/[^\d]+/).map(Number)
    return Date.UTC(year!, month! - 1, day, hour! % 24, minute, second) - Math.floor(ms / 1000) * 1000
  }
}

const clocks = new Map<string, Intl.DateTimeFormat>()
function zoneClock(timeZone: string): Intl.DateTimeFormat {
  const known = clocks.get(timeZone)
  if (known) return known
  const two = '2-digit'
  const clock = new Intl.DateTimeFormat('en-US', { timeZone, hourCycle: 'h23', year: 'numeric', month: two, day: two, hour: two, minute: two, second: two }) // prettier-ignore
  clocks.set(timeZone, clock)
  return clock
}
