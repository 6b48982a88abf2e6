import type { Speech } from '#core/base/days-said'
import type { useDirectory } from './directory'

let decimal: Speech['decimal'] | undefined

/** How whoever is looking writes numbers and days, and what day it is. What is typed is read so. */
export function speechOf(directory: ReturnType<typeof useDirectory>): Speech {
  const workspace = directory.reader.workspace()
  // The first `Intl` object that a page makes costs it some 40 ms: not before something is typed.
  decimal ??= new Intl.NumberFormat(navigator.language).format(1.5).includes(',') ? ',' : '.'
  return {
    decimal,
    first: navigator.language === 'en-US' ? 'month' : 'day',
    today: directory.today,
    timeZone: workspace.timeZone,
    calendar: directory.reader.workingTime(),
  }
}
