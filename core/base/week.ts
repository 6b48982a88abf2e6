/** A week of work, said and read: minutes of each weekday, Monday first. */
import * as z from 'zod/mini'
import { fail, ok, problem, type Result } from './result'

/** Minutes worked on each weekday, Monday first: seven whole numbers. */
export const weekMinutes = z.array(z.int().check(z.gte(0), z.lte(1440))).check(z.minLength(7), z.maxLength(7))
/** Minutes worked on each weekday, Monday first. */
export type WeekMinutes = readonly number[]

const dayNames = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
/** All minutes of a week. */
export const minutesIn = (week: WeekMinutes): number => week.reduce((sum, minutes) => sum + minutes, 0)

/** So many minutes over the days that are worked (1 for Monday), as even as whole minutes are. */
export function evenWeek(minutes: number, workingWeek: readonly number[]): number[] {
  const days = workingWeek.length ? workingWeek : [1, 2, 3, 4, 5]
  const each = Math.floor(minutes / days.length)
  const first = minutes - each * days.length
  return dayNames.map((_, i) => (days.includes(i + 1) ? each + (i + 1 === days[0] ? first : 0) : 0))
}

/** What a person works of whom nothing else is said: forty hours from Monday to Friday. */
export const usualWeek: number[] = evenWeek(40 * 60, [1, 2, 3, 4, 5])

/** Hours with as many decimals as they need, two at most: `7.5`. */
export const hoursOf = (minutes: number): string => String(Math.round((minutes / 60) * 100) / 100)

/** `Mon–Thu 8, Fri 4`; `none` where nothing is worked. */
export function weekSaid(week: WeekMinutes): string {
  const stretches: { from: number; to: number; minutes: number }[] = []
  week.forEach((minutes, day) => {
    const last = stretches.at(-1)
    if (last && last.minutes === minutes) last.to = day
    else stretches.push({ from: day, to: day, minutes })
  })
  const said = stretches
    .filter(({ minutes }) => minutes)
    .map(({ from, to, minutes }) => `${nameOf(from)}${to > from ? `–${nameOf(to)}` : ''} ${timeOf(minutes)}`)
  return said.join(', ') || 'none'
}
const nameOf = (day: number): string => (dayNames[day] ?? '').slice(0, 3)
/** Hours where that says it exactly, else hours and minutes. */
const timeOf = (minutes: number): string =>
  Number(hoursOf(minutes)) * 60 === minutes ? hoursOf(minutes) : `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}` // prettier-ignore

/**
 * Reads hours: `36` in all, over the days that are worked; `8 8 8 8 4` from Monday on; `Mon–Thu 8, Fri 4`; `7.5`, `7,5` or
 * `7:30` each; `none`.
 */
export function readWeek(text: string, workingWeek: readonly number[]): Result<number[]> {
  const said = text.trim().toLowerCase().replace(/[–—]/g, '-').replace(/\s*-\s*/g, '-') // prettier-ignore
  if (!said || said === 'none') return ok(dayNames.map(() => 0))
  const alone = minutesOf(said.replace(/\s*h(ours?)?( a week)?$/, ''))
  if (alone !== undefined) return alone <= 7 * 1440 ? within(evenWeek(alone, workingWeek)) : unread(text)
  const days = /[a-z]/.test(said.replace(/\bh\b/g, '')) ? readDays(said) : said.split(/[\s;]+/).map(minutesOf)
  if (!days || days.length > 7 || days.some((minutes) => minutes === undefined)) return unread(text)
  return within(dayNames.map((_, i) => days[i] ?? 0))
}
const unread = (text: string) => fail(problem('unreadable', { where: text }))
const within = (week: number[]): Result<number[]> =>
  week.every((minutes) => minutes <= 1440) ? ok(week) : fail(problem('unreadable', { where: weekSaid(week) }))

/** `8`, `7.5`, `7,5` or `7:30` in minutes. */
function minutesOf(text: string): number | undefined {
  const clock = /^(\d{1,3}):([0-5]\d)$/.exec(text)
  if (clock) return Number(clock[1]) * 60 + Number(clock[2])
  return /^\d{1,3}([.,]\d{1,2})?$/.test(text) ? Math.round(Number(text.replace(',', '.')) * 60) : undefined
}

function readDays(said: string): number[] | undefined {
  const week = dayNames.map(() => 0)
  for (const part of said.split(/\s*[,;]\s+|\s*;\s*/)) {
    const found = /^([a-z]+)(?:-([a-z]+))?\s+([\d.,:]+)\s*h?$/.exec(part)
    const [from, to] = [dayOf(found?.[1]), dayOf(found?.[2] ?? found?.[1])]
    const minutes = minutesOf(found?.[3] ?? '')
    if (from < 0 || to < from || minutes === undefined) return undefined
    for (let day = from; day <= to; day++) week[day] = minutes
  }
  return week
}
const dayOf = (name = ''): number =>
  name.length < 2 ? -1 : dayNames.findIndex((day) => day.toLowerCase().startsWith(name))
