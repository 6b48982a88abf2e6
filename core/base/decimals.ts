/** Decimals are kept as whole numbers at a field's scale: 12.5 at scale 2 is 1250. Never a float in between. */

/** The mark before the decimals. Both are read; where a text can mean either, this one decides. */
export type DecimalMark = '.' | ','

/**
 * Reads `12`, `12.5`, `12,5`, `-0.25`, `1 200`, `1.200,50`, `1.2k`. A single mark before exactly three digits groups
 * thousands where it is not `mark`. Undefined: no number, or more decimals than the scale holds, or out of range.
 */
export function tryParseDecimal(text: string, scale: number, mark: DecimalMark = '.'): number | undefined {
  const match = /^\s*([-−+]?)\s*(\d[\d.,'’\u0020\u00a0\u2009\u202f]*?)\s*(k?)\s*$/i.exec(text)
  const parts = match?.[2] === undefined ? undefined : partsOf(match[2], mark)
  if (!match || !parts) return undefined
  const digits = parts.fraction.replace(/0+$/, '')
  const places = scale + (match[3] ? 3 : 0)
  if (digits.length > places) return undefined
  const scaled = Number(parts.whole + digits.padEnd(places, '0'))
  if (!Number.isSafeInteger(scaled)) return undefined
  return match[1] === '-' || match[1] === '−' ? 0 - scaled : scaled
}

const grouped = /^\d{1,3}(?:([.,'’\u0020\u00a0\u2009\u202f])\d{3})(?:\1\d{3})*$/
/** The digits before and after the decimal mark; undefined where the marks make no sense. */
function partsOf(text: string, mark: DecimalMark): { whole: string; fraction: string } | undefined {
  const ungrouped = (whole: string): string | undefined =>
    /^\d+$/.test(whole) ? whole : grouped.test(whole) ? whole.replace(/\D/g, '') : undefined
  const at = Math.max(text.lastIndexOf('.'), text.lastIndexOf(','))
  const [before, after] = [text.slice(0, at), text.slice(at + 1)]
  const isOnly = !/[.,]/.test(before)
  const isGroup = at >= 0 && after.length === 3 && grouped.test(text) && (!isOnly || text[at] !== mark)
  if (at < 0 || isGroup) {
    const whole = ungrouped(text)
    return whole === undefined ? undefined : { whole, fraction: '' }
  }
  const whole = ungrouped(before)
  // The mark of the decimals does not group as well.
  return whole === undefined || before.includes(text[at]!) || !/^\d+$/.test(after)
    ? undefined
    : { whole, fraction: after }
}

/** Writes a scaled whole number: 1250 at scale 2 is `12.5`; `inFull`: with all its decimals, `12.50`. */
export function printDecimal(scaled: number, scale: number, mark: DecimalMark = '.', inFull = false): string {
  const digits = Math.abs(scaled)
    .toString()
    .padStart(scale + 1, '0')
  const whole = scale ? digits.slice(0, -scale) : digits
  const all = scale ? digits.slice(-scale) : ''
  const fraction = inFull ? all : all.replace(/0+$/, '')
  return `${scaled < 0 ? '-' : ''}${whole}${fraction && `${mark}${fraction}`}`
}
