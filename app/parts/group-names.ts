/** Groups and totals in words. */
import { dateIn, fromDayNumber, startOf } from '#core/base/dates'
import type { GroupKey, Total } from '#core/model/records'
import type { GroupValue } from '#core/views/axes'
import { maybeFact } from '#core/facts/registry'
import { maybeNamed } from '#core/language/names'
import { totalWords } from '#core/language/phrases'
import type { Wording } from '#core/language/wording'
import { datesWords, groupWords, valueWords } from './words'

/** What a group is called. */
export function nameOfGroup({ by, grain = 'day' }: GroupKey, value: GroupValue, wording: Wording): string {
  const { reader, project, day } = wording
  const fact = maybeFact(reader, project.id, by)
  if (!fact) return valueWords.removed
  if (value === null) return fact.kind === 'flag' ? groupWords.not(fact.name) : fact.isOfItems && !fact.field ? groupWords.atTop : groupWords.none(fact.name) // prettier-ignore
  switch (fact.kind) {
    case 'flag':
      return fact.name
    case 'number':
      return fact.figures.say(Number(value))
    case 'text':
      return String(value)
    case 'day':
    case 'instant':
      return periodWords(grain, Number(value), day)
    default:
      return maybeNamed(reader, project, by, String(value))?.name ?? valueWords.removed
  }
}

function periodWords(grain: NonNullable<GroupKey['grain']>, first: number, day: Wording['day']): string {
  const date = fromDayNumber(first)
  const year = date.slice(0, 4)
  const month = (of: string) => datesWords.months[Number(of.slice(5, 7)) - 1] ?? ''
  switch (grain) {
    case 'day':
      return day(date)
    case 'week':
      return groupWords.week(day(date))
    case 'month':
      return `${month(date)} ${year}`
    case 'quarter':
      return groupWords.quarter(month(date), month(fromDayNumber(startOf('month', first, 2))), year)
    case 'year':
      return year
  }
}

/** A total and what it is: `sum of effort 12.5 h`, or *none* where there is nothing to total. */
export function totalText(total: Total, value: number | null | undefined, wording: Wording): string {
  return `${totalWords(total, wording)} ${valueText(total, value ?? null, wording)}`
}

/** What a total comes to, without what it is of. */
export function valueText({ name, of }: Total, value: number | null, { reader, project, day }: Wording): string {
  if (value === null) return groupWords.noTotal
  if (name === 'share') return `${Math.round(value * 1000) / 10}%`
  const fact = of === undefined ? undefined : maybeFact(reader, project.id, of)
  const isValue = name === 'least' || name === 'most' || name === 'median' || name === 'sum' || name === 'average'
  if (!fact || !isValue) return String(value)
  if (fact.kind === 'day') return day(fromDayNumber(value))
  if (fact.kind === 'instant') return day(dateIn(reader.workspace().timeZone, new Date(value).toISOString()))
  return fact.figures.say(value)
}
