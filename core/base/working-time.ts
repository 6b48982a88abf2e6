/** On which days there is work, and how much of it: what is counted in working days and hours is counted here. */
import { dayNumber, fromDayNumber, lastDay, firstDay, type PlainDate } from './dates'
import type { WeekMinutes } from './week'

/** Days that are free, both ends among them. */
export interface FreeDays {
  readonly from: PlainDate
  readonly to: PlainDate
}

/** The usual length of a working day, in minutes, where nothing else is said. */
const usualDay = 480
/** A week in which these weekdays (1 for Monday) are worked, each as long as the usual day. */
export const weekOf = (weekdays: readonly number[]): number[] =>
  [1, 2, 3, 4, 5, 6, 7].map((day) => (weekdays.includes(day) ? usualDay : 0))

/**
 * The working time of a team or of a person: the minutes of each weekday (Monday first), less the days that are free.
 * Days are day numbers (`dates.ts`). All of it takes as long for a day as for two hundred years.
 */
export class WorkingTime {
  /** Minutes, and days that are worked, from Monday up to and including each weekday. */
  readonly #minutes: readonly number[]
  readonly #days: readonly number[]
  /** Days that would be worked and are free, in order; and the minutes that are lost on those before each. */
  readonly #free: readonly number[]
  readonly #lost: readonly number[]

  constructor(
    readonly week: WeekMinutes,
    free: Iterable<FreeDays> = [],
  ) {
    const sums = (of: (minutes: number) => number) => week.reduce<number[]>((all, minutes) => [...all, (all.at(-1) ?? 0) + of(minutes)], []) // prettier-ignore
    this.#minutes = sums((minutes) => minutes)
    this.#days = sums((minutes) => Number(minutes > 0))
    const days = new Set<number>()
    for (const { from, to } of free)
      for (let day = dayNumber(from), last = dayNumber(to); day <= last; day++) if (this.#inWeek(day) > 0) days.add(day)
    this.#free = [...days].sort((a, b) => a - b)
    let lost = 0
    this.#lost = [0, ...this.#free.map((day) => (lost += this.#inWeek(day)))]
  }

  /** Minutes worked on a day. */
  minutesOn(day: number): number {
    const at = this.#freeBefore(day)
    return this.#free[at] === day ? 0 : this.#inWeek(day)
  }
  isWorked(day: number): boolean {
    return this.minutesOn(day) > 0
  }

  /** Working days up to and including a day, counted from one long ago: only differences mean something. */
  upTo(day: number): number {
    return summed(this.#days, day) - this.#freeBefore(day + 1)
  }
  /** Minutes of work up to and including a day, likewise. */
  minutesUpTo(day: number): number {
    return summed(this.#minutes, day) - this.#lost[this.#freeBefore(day + 1)]!
  }
  /** Minutes of work from a day up to and including another; 0 where that is before it. */
  minutesWithin(from: number, to: number): number {
    return to < from ? 0 : this.minutesUpTo(to) - this.minutesUpTo(from - 1)
  }

  /** The working day up to which `upTo` counts so many: the inverse of it. */
  at(count: number): number {
    const perWeek = this.#days[6]!
    if (!perWeek) return 0
    // Each round goes on by the free days that the one before has passed.
    let day = weekdayAt(this.#days, perWeek, count)
    for (let passed = 0; ;) {
      const free = this.#freeBefore(day + 1)
      if (free === passed) break
      passed = free
      day = weekdayAt(this.#days, perWeek, count + free)
    }
    return Math.min(lastDay, Math.max(firstDay, day))
  }

  /** The working day that lies `n` working days after (or, below zero, before) a day; the day itself for 0, or where no day is worked. */
  add(day: number, n: number): number {
    if (!n || !this.#days[6]) return day
    const passed = this.upTo(day)
    // Counted back, a day that is free itself stands behind the working day before it.
    return this.at(n > 0 || this.isWorked(day) ? passed + n : passed + n + 1)
  }

  /** The day itself where it is worked, else the next one that is; where none is, the day itself. */
  onOrAfter(day: number): number {
    return this.isWorked(day) ? day : this.add(day, 1)
  }
  /** The day itself where it is worked, else the last one before it that is; where none is, the day itself. */
  onOrBefore(day: number): number {
    return this.isWorked(day) ? day : this.add(day, -1)
  }

  /** The day on which so many minutes of work are done that begin on a day; undefined where no day is worked. */
  doneOn(from: number, minutes: number): number | undefined {
    const perWeek = this.#minutes[6]!
    if (!perWeek) return undefined
    const wanted = this.minutesUpTo(from - 1) + Math.max(1, minutes)
    // What is free moves it on by no more than all that is.
    let [low, high] = [from, from + 7 * Math.ceil((minutes + this.#lost.at(-1)!) / perWeek + 1)]
    while (low < high) {
      const middle = Math.floor((low + high) / 2)
      if (this.minutesUpTo(middle) < wanted) low = middle + 1
      else high = middle
    }
    return low
  }

  /** Minutes of the weekday, free or not. */
  #inWeek(day: number): number {
    return this.week[mod7(day + 3)] ?? 0
  }
  /** How many of the free days lie before a day. */
  #freeBefore(day: number): number {
    let [low, high] = [0, this.#free.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.#free[middle]! < day) low = middle + 1
      else high = middle
    }
    return low
  }
}

const mod7 = (n: number): number => ((n % 7) + 7) % 7
/** Of sums from Monday to each weekday: all up to and including a day, counted from a Monday long ago. */
function summed(sums: readonly number[], day: number): number {
  const sinceMonday = day + 3
  return Math.floor(sinceMonday / 7) * sums[6]! + sums[mod7(sinceMonday)]!
}
/** The day of the working week up to which so many are counted, were none of them free. */
function weekdayAt(days: readonly number[], perWeek: number, count: number): number {
  const weeks = Math.floor((count - 1) / perWeek)
  return weeks * 7 + days.indexOf(count - weeks * perWeek) - 3
}

/** Monday to Friday, nothing free. */
export const fiveDayWeek = new WorkingTime(weekOf([1, 2, 3, 4, 5]))

/** Whether a day is worked. */
export const isWorkingDay = (date: PlainDate, time: WorkingTime): boolean => time.isWorked(dayNumber(date))
/** Working days after `from` up to and including `to`; 0 where `to` is not after `from`. */
export const workingDaysAfter = (from: PlainDate, to: PlainDate, time: WorkingTime): number =>
  Math.max(0, time.upTo(dayNumber(to)) - time.upTo(dayNumber(from)))
/** The working day that lies `n` working days after (or, below zero, before) a date. */
export const addWorkingDays = (date: PlainDate, n: number, time: WorkingTime): PlainDate =>
  fromDayNumber(time.add(dayNumber(date), n))
