/** What formulas can do besides reckoning: each in the words in which it is listed. */
import type { Environment } from '@marcbachmann/cel-js'
import { fromDayNumber, dayNumber, isPlainDate, weekday } from '../base/dates'
import { addWorkingDays, workingDaysAfter, type WorkingTime } from '../base/working-time'
import { Day, wholeAt } from './values'

type Num = number | bigint
const none = Number.NaN
const isNone = (x: Num): boolean => x !== x
const both = ['double', 'int'] as const
/** Every choice of number types for so many parameters. */
const kindsFor = (n: number): string[][] =>
  n ? kindsFor(n - 1).flatMap((rest) => both.map((one) => [...rest, one])) : [[]]

/** Registers a function of numbers, whole or not. */
function ofNumbers(env: Environment, name: string, n: number, give: (...all: number[]) => number): void {
  for (const kinds of kindsFor(n))
    env.registerFunction(`${name}(${kinds.join(', ')}): double`, (...all: Num[]) => give(...all.map(Number)))
}
/** Registers a function of a list of numbers; empty ones are passed over. */
function ofList(env: Environment, name: string, give: (all: number[]) => number): void {
  for (const kind of [...both, 'dyn'])
    env.registerFunction(`${name}(list<${kind}>): double`, (all: readonly Num[]) =>
      give(all.map(Number).filter((x) => !isNone(x))),
    )
}
const ofDay = (day: Day, give: (day: string) => number): number =>
  isNone(day.n) ? none : give(fromDayNumber(Math.floor(day.n)))

/** Numbers of whichever type with one another, days with numbers and days, and all functions. */
export function addFunctions(env: Environment, calendar: WorkingTime): void {
  addOperators(env)
  for (const [type, isFilled] of Object.entries(filledBy))
    env.registerFunction(`filled(${type}): bool`, (x: never) => isFilled(x))
  for (const kinds of kindsFor(2))
    env.registerFunction(`otherwise(${kinds.join(', ')}): double`, (x: Num, y: Num) => Number(isNone(x) ? y : x))
  env.registerFunction('otherwise(string, string): string', (x: string, y: string) => x || y)
  env.registerFunction('otherwise(Day, Day): Day', (x: Day, y: Day) => (isNone(x.n) ? y : x))
  ofNumbers(env, 'round', 1, (x) => rounded(x, 0))
  ofNumbers(env, 'round', 2, rounded)
  ofNumbers(env, 'abs', 1, Math.abs)
  ofNumbers(env, 'min', 2, Math.min)
  ofNumbers(env, 'max', 2, Math.max)
  ofList(env, 'sum', (all) => all.reduce((sum, x) => sum + x, 0))
  ofList(env, 'average', (all) => (all.length ? all.reduce((sum, x) => sum + x, 0) / all.length : none))
  ofList(env, 'least', (all) => all.reduce((least, x) => (least < x ? least : x), none))
  ofList(env, 'most', (all) => all.reduce((most, x) => (most > x ? most : x), none))
  const days = (all: readonly Day[]) => all.map(({ n }) => n).filter((n) => !isNone(n))
  env.registerFunction('earliest(list<Day>): Day', (all: readonly Day[]) => new Day(days(all).reduce((first, n) => (first < n ? first : n), none))) // prettier-ignore
  env.registerFunction('latest(list<Day>): Day', (all: readonly Day[]) => new Day(days(all).reduce((last, n) => (last > n ? last : n), none))) // prettier-ignore
  env.registerFunction('working_days(Day, Day): double', (from: Day, to: Day) =>
    isNone(from.n) || isNone(to.n) ? none : workingDaysAfter(fromDayNumber(from.n), fromDayNumber(to.n), calendar),
  )
  for (const kind of both)
    env.registerFunction(`add_working_days(Day, ${kind}): Day`, (day: Day, n: Num) => {
      const more = Math.round(Number(n))
      if (isNone(day.n) || Math.abs(more) > mostDays) return new Day(none)
      return new Day(dayNumber(addWorkingDays(fromDayNumber(day.n), more, calendar)))
    })
  env.registerFunction('date(string): Day', (text: string) => new Day(isPlainDate(text) ? dayNumber(text) : none))
  env.registerFunction('year(Day): double', (day: Day) => ofDay(day, (date) => Number(date.slice(0, 4))))
  env.registerFunction('month(Day): double', (day: Day) => ofDay(day, (date) => Number(date.slice(5, 7))))
  env.registerFunction('weekday(Day): double', (day: Day) => ofDay(day, weekday))
  for (const kind of both) env.registerFunction(`text(${kind}): string`, (x: Num) => (isNone(x) ? '' : String(x)))
  env.registerFunction('text(Day): string', (day: Day) => (isNone(day.n) ? '' : fromDayNumber(Math.floor(day.n))))
}
/** Further than that nobody plans, and counting would take long. */
const mostDays = 10_000
const mostDecimals = 6
function rounded(x: number, decimals: number): number {
  const scale = 10 ** Math.max(0, Math.min(mostDecimals, Math.round(decimals)))
  return wholeAt(x, scale) / scale
}
const filledBy = {
  double: (x: number) => !isNone(x),
  int: () => true,
  string: (x: string) => x !== '',
  bool: (x: boolean) => x,
  Day: (x: Day) => !isNone(x.n),
  'list<string>': (x: readonly string[]) => x.length > 0,
} as const

function addOperators(env: Environment): void {
  const sums: Readonly<Record<string, (a: number, b: number) => number>> = {
    '+': (a, b) => a + b, '-': (a, b) => a - b, '*': (a, b) => a * b, '/': (a, b) => a / b, '%': (a, b) => a % b,
  } // prettier-ignore
  for (const [sign, give] of Object.entries(sums)) {
    env.registerOperator(`double ${sign} int: double`, (a: Num, b: Num) => give(Number(a), Number(b)))
    env.registerOperator(`int ${sign} double: double`, (a: Num, b: Num) => give(Number(a), Number(b)))
  }
  env.registerOperator('double % double: double', (a: number, b: number) => a % b)
  env.registerOperator('double == int: bool', (a: number, b: bigint) => a === Number(b))
  env.registerOperator('Day - Day: double', (a: Day, b: Day) => a.n - b.n)
  for (const kind of both) {
    env.registerOperator(`Day + ${kind}: Day`, (a: Day, b: Num) => new Day(a.n + Number(b)))
    env.registerOperator(`Day - ${kind}: Day`, (a: Day, b: Num) => new Day(a.n - Number(b)))
  }
  env.registerOperator('Day < Day: bool', (a: Day, b: Day) => a.n < b.n)
  env.registerOperator('Day <= Day: bool', (a: Day, b: Day) => a.n <= b.n)
  env.registerOperator('Day > Day: bool', (a: Day, b: Day) => a.n > b.n)
  env.registerOperator('Day >= Day: bool', (a: Day, b: Day) => a.n >= b.n)
  env.registerOperator('Day == Day: bool', (a: Day, b: Day) => a.n === b.n)
}
