import type { PlainDate } from '#core/base/dates'

const short = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', timeZone: 'UTC' })
const long = new Intl.DateTimeFormat(undefined, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
})
const withYear = new Intl.DateTimeFormat(undefined, {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
})

/** A day as the person's locale writes it: without the year where it is `today`'s year, whole without `today`. */
export function dayWords(date: PlainDate, today?: PlainDate): string {
  const format = today === undefined ? long : date.slice(0, 4) === today.slice(0, 4) ? short : withYear
  return format.format(new Date(`${date}T00:00:00Z`))
}

/** `13:40` today, `24 Nov 13:40` on other days, in the workspace's time zone. */
export function momentWords(instant: string, today: PlainDate, timeZone: string): string {
  const at = new Date(instant)
  const time = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', timeZone }).format(at)
  const day = new Intl.DateTimeFormat('en-CA', { timeZone }).format(at)
  return day === today ? time : `${dayWords(day, today)} ${time}`
}
