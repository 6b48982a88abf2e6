import { weekday, type PlainDate } from '#core/base/dates'
import { datesWords } from './parts/words'

/**
 * A day in words: without the year where it is `today`'s year, whole without `today`. Written by hand: the first `Intl`
 * object that a page makes costs it some 40 ms, and days stand in the first rows.
 */
export function dayWords(date: PlainDate, language: string, today?: PlainDate): string {
  const [year = '', month = '', day = ''] = date.split('-')
  const name = datesWords.months[Number(month) - 1] ?? ''
  const isMonthFirst = language === 'en-US'
  const short = isMonthFirst ? `${name} ${Number(day)}` : `${Number(day)} ${name}`
  if (today?.startsWith(year)) return short
  const whole = isMonthFirst ? `${short}, ${year}` : `${short} ${year}`
  return today === undefined ? `${datesWords.weekdays[weekday(date) - 1]}, ${whole}` : whole
}

/** `13:40` today, `24 Nov 13:40` on other days, in the workspace's time zone. */
export function momentWords(instant: string, language: string, today: PlainDate, timeZone: string): string {
  const at = new Date(instant)
  const time = new Intl.DateTimeFormat(language, { hour: '2-digit', minute: '2-digit', timeZone }).format(at)
  const day = new Intl.DateTimeFormat('en-CA', { timeZone }).format(at)
  return day === today ? time : `${dayWords(day, language, today)} ${time}`
}
