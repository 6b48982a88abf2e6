/** Time worked, kept as whole minutes: said and read as working days, hours and minutes. */
import { tryParseDecimal, type DecimalMark } from './decimals'

/** The working days of a week, where a duration is said in weeks. */
const weekDays = 5
const units = {
  w: 'w',
  week: 'w',
  d: 'd',
  day: 'd',
  h: 'h',
  hr: 'h',
  hour: 'h',
  m: 'm',
  min: 'm',
  minute: 'm',
} as const
const part = /^\s*([\d.,]+)\s*(weeks?|w|days?|d|hours?|hrs?|h|minutes?|mins?|m)(?![a-z])/i

/**
 * Reads `1d 4h`, `90 min`, `1:30`, `2,5 h`, `1 week`; a number alone is hours. `dayMinutes`: how long a working day is.
 * Undefined: no duration, or no whole minutes.
 */
export function tryParseDuration(text: string, dayMinutes: number, mark: DecimalMark = '.'): number | undefined {
  const clock = /^\s*(\d{1,4}):([0-5]\d)\s*h?\s*$/.exec(text)
  if (clock) return Number(clock[1]) * 60 + Number(clock[2])
  const hours = tryParseDecimal(text, 4, mark)
  if (hours !== undefined) return wholeMinutes(hours, 60)
  const read = beginDuration(text, dayMinutes, mark)
  return read && read.length === text.trimEnd().length ? read.minutes : undefined
}

/** The duration with which a text begins, and how many characters it takes; each part with its unit. */
export function beginDuration(
  text: string,
  dayMinutes: number,
  mark: DecimalMark = '.',
): { minutes: number; length: number } | undefined {
  const sizes = { w: dayMinutes * weekDays, d: dayMinutes, h: 60, m: 1 }
  let [minutes, length] = [0, 0]
  for (let match = part.exec(text); match; match = part.exec(text.slice(length))) {
    const n = tryParseDecimal(match[1]!, 4, mark)
    const unit = units[match[2]!.toLowerCase().replace(/s$/, '') as keyof typeof units]
    const more = n === undefined ? undefined : wholeMinutes(n, sizes[unit])
    if (more === undefined) break
    minutes += more
    length += match[0].length
  }
  return length ? { minutes, length } : undefined
}

function wholeMinutes(tenThousandths: number, size: number): number | undefined {
  const minutes = Math.round((tenThousandths * size) / 10_000)
  return tenThousandths >= 0 && Number.isSafeInteger(minutes) ? minutes : undefined
}

/** `1 d 4 h`, `2 h 30 min`; nothing is `0 h`. */
export function printDuration(minutes: number, dayMinutes: number): string {
  const days = Math.floor(minutes / dayMinutes)
  const rest = minutes - days * dayMinutes
  const parts = [[days, 'd'], [Math.floor(rest / 60), 'h'], [rest % 60, 'min']] as const // prettier-ignore
  return parts.filter(([n]) => n).map(([n, unit]) => `${n} ${unit}`).join(' ') || '0 h' // prettier-ignore
}
