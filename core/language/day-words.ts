/** Days and spans of days as they are said, and read back. */
import type { Day } from '../model/records'

type Span = { readonly from: Day | null; readonly to: Day | null }
type Relative = Exclude<Day, string>
type Period = 'week' | 'month' | 'quarter' | 'year'
const periods = ['week', 'month', 'quarter', 'year'] as const

const isRelative = (day: Day | null): day is Relative => typeof day === 'object' && day !== null
const many = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`
const which = (n: number, period: Period): string => {
  if (n === 0) return `this ${period}`
  if (n === 1) return `next ${period}`
  if (n === -1) return `last ${period}`
  return n > 0 ? `the ${period} in ${many(n, period)}` : `the ${period} ${many(-n, period)} ago`
}

/** `day` writes a date of the calendar. */
export function dayWords(day: Day, write: (date: string) => string): string {
  if (typeof day === 'string') return write(day)
  if (day.of === 'day' || day.of === 'workingDay') {
    const word = day.of === 'day' ? 'day' : 'working day'
    if (day.of === 'day' && Math.abs(day.n) < 2) return ['yesterday', 'today', 'tomorrow'][day.n + 1]!
    return day.n < 0 ? `${many(-day.n, word)} ago` : `in ${many(day.n, word)}`
  }
  return `the ${day.end ? 'end' : 'start'} of ${which(day.n, day.of)}`
}

/** What follows *is*: `before today`, `this week`, `in the next 10 working days`, `from 3 May to 7 May`. */
export function spanWords({ from, to }: Span, write: (date: string) => string): string {
  const words = (day: Day) => dayWords(day, write)
  if (from === null && to === null) return 'any day'
  if (from === null) return isRelative(to) && to.of === 'day' && to.n === -1 ? 'before today' : `by ${words(to!)}`
  if (to === null)
    return isRelative(from) && from.of === 'day' && from.n === 1 ? 'after today' : `from ${words(from)} on`
  if (isRelative(from) && isRelative(to)) {
    const isWhole =
      from.of === to.of && from.n === to.n && !from.end && to.end && from.of !== 'day' && from.of !== 'workingDay'
    if (isWhole) return which(from.n, from.of as Period)
    const isToday = (day: Relative) => day.of === 'day' && day.n === 0
    const unit = (day: Relative) => (day.of === 'workingDay' ? 'working day' : 'day')
    const counts = (day: Relative) => (day.of === 'day' || day.of === 'workingDay') && day.n !== 0
    if (isToday(from) && counts(to) && to.n > 0) return `in the next ${many(to.n, unit(to))}`
    if (isToday(to) && counts(from) && from.n < 0) return `in the last ${many(-from.n, unit(from))}`
  }
  const [first, last] = [words(from), words(to)]
  if (first === last) return isRelative(from) ? first : `on ${first}`
  return `from ${first} to ${last}`
}

/** Reads words at a place; what a parser gives. */
export interface Words {
  /** Takes the words where they stand next. */
  eat(words: string): boolean
  /** A whole number. */
  number(): number | undefined
  /** A date of the calendar. */
  date(): string | undefined
  /** Goes back to where it was unless `read` gives something. */
  attempt<T>(read: () => T | undefined): T | undefined
}

/** A day in words; undefined where there is none here. */
export function readDay(at: Words): Day | undefined {
  const date = at.date()
  if (date) return date
  for (const [n, word] of ['yesterday', 'today', 'tomorrow'].entries()) if (at.eat(word)) return { of: 'day', n: n - 1 }
  return (
    at.attempt(() => {
      const end = at.eat('the end of')
      if (!end && !at.eat('the start of')) return undefined
      const period = readPeriod(at)
      return period && { ...period, ...(end && { end }) }
    }) ??
    at.attempt(() => {
      const isAhead = at.eat('in')
      const n = at.number()
      const of = readUnit(at)
      if (n === undefined || !of) return undefined
      if (isAhead) return { of, n }
      return at.eat('ago') ? { of, n: 0 - n } : undefined
    })
  )
}

const readUnit = (at: Words): 'day' | 'workingDay' | undefined =>
  at.eat('working days') || at.eat('working day') ? 'workingDay' : at.eat('days') || at.eat('day') ? 'day' : undefined

function readPeriod(at: Words): { of: Period; n: number } | undefined {
  for (const of of periods) {
    if (at.eat(`this ${of}`)) return { of, n: 0 }
    if (at.eat(`next ${of}`)) return { of, n: 1 }
    if (at.eat(`last ${of}`)) return { of, n: -1 }
    const far = at.attempt(() => {
      if (!at.eat(`the ${of}`)) return undefined
      const isAhead = at.eat('in')
      const n = at.number()
      if (n === undefined || !(at.eat(`${of}s`) || at.eat(of))) return undefined
      return isAhead ? { of, n } : at.eat('ago') ? { of, n: 0 - n } : undefined
    })
    if (far) return far
  }
  return undefined
}

/** From a day to a day in words; undefined where there is none here. */
export function readSpan(at: Words): Span | undefined {
  if (at.eat('any day')) return { from: null, to: null }
  if (at.eat('before today')) return { from: null, to: { of: 'day', n: -1 } }
  if (at.eat('after today')) return { from: { of: 'day', n: 1 }, to: null }
  const period = readPeriod(at)
  if (period) return { from: period, to: { ...period, end: true } }
  return (
    at.attempt(() => {
      const isAhead = at.eat('in the next') || at.eat('next')
      if (!isAhead && !at.eat('in the last') && !at.eat('last')) return undefined
      const n = at.number()
      const of = readUnit(at)
      if (!n || !of) return undefined
      const today = { of: 'day' as const, n: 0 }
      return isAhead ? { from: today, to: { of, n } } : { from: { of, n: 0 - n }, to: today }
    }) ??
    at.attempt(() => {
      if (!at.eat('from')) return undefined
      const from = readDay(at)
      if (!from) return undefined
      if (at.eat('on')) return { from, to: null }
      const to = at.eat('to') ? readDay(at) : undefined
      return to ? { from, to } : undefined
    }) ??
    at.attempt(() => {
      const isUntil = at.eat('by') || at.eat('until')
      const day = isUntil ? readDay(at) : undefined
      return day ? { from: null, to: day } : undefined
    }) ??
    at.attempt(() => {
      at.eat('on')
      const day = readDay(at)
      return day ? { from: day, to: day } : undefined
    })
  )
}
