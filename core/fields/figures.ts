import { printDecimal, tryParseDecimal, type DecimalMark } from '../base/decimals'

/** How the whole numbers that a field keeps are said, and read: at its scale, with its unit. */
export interface Figures {
  /** With the unit: `2.5 h`. Averages lie between whole numbers: they are said with some decimals more. */
  say(x: number): string
  /** As it is typed where the unit stands beside: `2.5`. */
  bare(x: number): string
  /** Decimals that are kept. */
  readonly decimals: number
  /** What stands beside where it is typed; '' where nothing does. */
  readonly unit: string
  /** The number that a text is; undefined where it is none. */
  read(text: string): number | undefined
  /** The number with which a text begins, and how many characters it takes. */
  begin(text: string): { readonly x: number; readonly length: number } | undefined
}

/** An average is said with so many decimals at least. */
const fewestDecimals = 2

/** Decimals with a unit behind them; `inFull`: with all of them, as money is said. */
export function decimalFigures(decimals: number, unit: string, mark: DecimalMark = '.', inFull = false): Figures {
  const bare = (x: number): string => {
    const scale = Number.isInteger(x) ? decimals : Math.max(decimals, fewestDecimals)
    return printDecimal(Math.round(x * 10 ** (scale - decimals)), scale, mark, inFull)
  }
  return {
    bare,
    decimals,
    unit,
    say: (x) => `${bare(x)} ${unit}`.trim(),
    read: (text) => tryParseDecimal(withoutUnit(text, unit), decimals, mark),
    begin(text) {
      const match = /^\s*[-−]?\d+(?:[.,]\d+)?/.exec(text)
      const x = match ? tryParseDecimal(match[0], decimals, mark) : undefined
      if (!match || x === undefined) return undefined
      const behind = text.slice(match[0].length)
      const said = unit ? /^\s*/.exec(behind)![0] + unit : ''
      const hasUnit = !!unit && behind.toLowerCase().startsWith(said.toLowerCase()) && !/^[\p{L}\d]/u.test(behind.slice(said.length)) // prettier-ignore
      return { x, length: match[0].length + (hasUnit ? said.length : 0) }
    },
  }
}
/** Whole numbers without a unit. */
export const plainFigures: Figures = decimalFigures(0, '')

/** Whole days; `isInName`: the name of what is counted says already that it is days. Either way they may be typed. */
export const dayFigures = (isInName = false): Figures => ({
  ...plainFigures,
  unit: isInName ? '' : 'days',
  say: (x) => (isInName ? plainFigures.say(x) : `${plainFigures.bare(x)} ${x === 1 ? 'day' : 'days'}`),
  read: (text) => plainFigures.read(text.replace(/\s*days?\s*$/i, '')),
  begin(text) {
    const read = plainFigures.begin(text)
    return (
      read && {
        x: read.x,
        length: read.length + (/^\s*days?(?![\p{L}\p{N}])/iu.exec(text.slice(read.length))?.[0].length ?? 0),
      }
    )
  },
})

/** What is typed, without its unit before or behind it. */
export function withoutUnit(text: string, unit: string): string {
  const bare = text.trim()
  if (!unit) return bare
  const [low, sign] = [bare.toLowerCase(), unit.toLowerCase()]
  if (low.endsWith(sign)) return bare.slice(0, -unit.length).trim()
  return low.startsWith(sign) ? bare.slice(unit.length).trim() : bare
}
