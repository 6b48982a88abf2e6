import { beginDuration, printDuration, tryParseDuration } from '../base/durations'
import type { DecimalMark } from '../base/decimals'
import { fail, ok, problem } from '../base/result'
import { NumberColumn } from './columns/column'
import type { FieldType } from './contract'
import type { Figures } from './figures'
import { numberSource } from './number'
import type { FieldSettings } from './settings'

/** A working day of a field that says none. */
export const usualDay = 8 * 60

function figures({ dayMinutes = usualDay }: FieldSettings, mark?: DecimalMark): Figures {
  const say = (x: number): string => `${x < 0 ? '-' : ''}${printDuration(Math.round(Math.abs(x)), dayMinutes)}`
  return {
    say,
    bare: say,
    decimals: 0,
    unit: '',
    read: (text) => tryParseDuration(text, dayMinutes, mark),
    begin(text) {
      const sign = /^\s*[-−]/.exec(text)?.[0]
      if (sign) {
        const rest = this.begin(text.slice(sign.length))
        return rest && { x: 0 - rest.x, length: rest.length + sign.length }
      }
      const read = beginDuration(text, dayMinutes, mark)
      if (read) return { x: read.minutes, length: read.length }
      const alone = /^\s*(?:\d+:\d\d|\d+(?:[.,]\d+)?)/.exec(text)?.[0]
      const x = alone === undefined ? undefined : tryParseDuration(alone, dayMinutes, mark)
      return x === undefined || alone === undefined ? undefined : { x, length: alone.length }
    },
  }
}

/** Time worked. Stored as whole minutes, said in working days, hours and minutes: `1 d 4 h`. */
export const duration: FieldType = {
  name: 'duration',
  label: 'duration',
  several: false,
  kind: 'number',
  column: () => new NumberColumn(),
  source: numberSource,
  figures,
  check: (value) => (Number.isSafeInteger(value) && (value as number) >= 0 ? undefined : problem('wrong-value')),
  parse(text, { settings, speech }) {
    if (!text.trim()) return ok(null)
    const minutes = figures(settings, speech.decimal).read(text)
    return minutes === undefined ? fail(problem('no-such-duration', { text: text.trim() })) : ok(minutes)
  },
  print: (value, { settings }) => (typeof value === 'number' ? figures(settings).say(value) : ''),
  compare: (a, b) => Number(a) - Number(b),
  fit: (test) => (test.is === 'between' ? (test.from ?? test.to ?? undefined) : undefined),
}
