/** One formatter for each way to write a day, made when it is first needed: the date picker would make one for every day it shows. */
const cached = (options: Intl.DateTimeFormatOptions) => {
  const formatters = new Map<string, Intl.DateTimeFormat>()
  return (day: Date, _name: string, locale: string): string => {
    let formatter = formatters.get(locale)
    if (!formatter) formatters.set(locale, (formatter = new Intl.DateTimeFormat(locale, options)))
    return formatter.format(day)
  }
}

/** Makes those of the picker beforehand, in idle time: the first of a language takes tens of milliseconds. */
export const warmDayFormats = (locale: string): unknown => [
  dayFormats.fullDateWithWeekday(new Date(), '', locale),
  dayFormats.monthAndYear(new Date(), '', locale),
]

/** The formats of Vuetify's date picker that it asks for day by day. */
export const dayFormats = {
  dayOfMonth: (day: Date): string => String(day.getDate()),
  fullDateWithWeekday: cached({ weekday: 'long', year: 'numeric', month: 'long', day: 'numeric' }),
  monthAndYear: cached({ month: 'long', year: 'numeric' }),
  monthShort: cached({ month: 'short' }),
  year: cached({ year: 'numeric' }),
}
