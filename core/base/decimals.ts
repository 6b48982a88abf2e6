/** Decimals are kept as whole numbers at a field's scale: 12.5 at scale 2 is 1250. Never a float in between. */

/** Reads `12`, `12.5`, `12,5`, `-0.25`. Undefined: no number, or more decimals than the scale holds, or out of range. */
export function tryParseDecimal(text: string, scale: number): number | undefined {
  const match = /^\s*([-−+]?)(\d+)(?:[.,](\d+))?\s*$/.exec(text)
  if (!match) return undefined
  const [, sign, whole = '', fraction = ''] = match
  if (fraction.replace(/0+$/, '').length > scale) return undefined
  const scaled = Number(whole + fraction.slice(0, scale).padEnd(scale, '0'))
  if (!Number.isSafeInteger(scaled)) return undefined
  return sign === '-' || sign === '−' ? 0 - scaled : scaled
}

/** Writes a scaled whole number without trailing zeros: 1250 at scale 2 is `12.5`. */
export function printDecimal(scaled: number, scale: number): string {
  const digits = Math.abs(scaled)
    .toString()
    .padStart(scale + 1, '0')
  const whole = scale ? digits.slice(0, -scale) : digits
  const fraction = scale ? digits.slice(-scale).replace(/0+$/, '') : ''
  return `${scaled < 0 ? '-' : ''}${whole}${fraction && `.${fraction}`}`
}
