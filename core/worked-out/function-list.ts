/** A function as it is listed where formulas are written. */
export interface Listed {
  /** As it is typed: `round(x, decimals)`. */
  readonly typed: string
  readonly does: string
}
/** Every function there is. */
export const functionList: readonly Listed[] = [
  { typed: 'filled(x)', does: 'whether there is something in it' },
  { typed: 'otherwise(x, y)', does: 'x, or y where x is empty' },
  { typed: 'round(x)', does: 'the nearest whole number' },
  { typed: 'round(x, decimals)', does: 'so many decimals of it' },
  { typed: 'abs(x)', does: 'without its sign' },
  { typed: 'min(x, y)', does: 'the smaller of two' },
  { typed: 'max(x, y)', does: 'the greater of two' },
  { typed: 'sum(list)', does: 'all numbers of a list together' },
  { typed: 'average(list)', does: 'their average' },
  { typed: 'least(list)', does: 'the smallest number of a list' },
  { typed: 'most(list)', does: 'the greatest' },
  { typed: 'earliest(list)', does: 'the first day of a list' },
  { typed: 'latest(list)', does: 'the last' },
  { typed: 'working_days(from, to)', does: 'working days from one day to another' },
  { typed: 'add_working_days(day, n)', does: 'the day so many working days later' },
  { typed: 'date("2026-12-24")', does: 'a day that is always the same' },
  { typed: 'year(day)', does: 'the year of a day; month and weekday (1 for Monday) likewise' },
  { typed: 'text(x)', does: 'a number or a day as words' },
]
