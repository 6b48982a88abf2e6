/** Currencies by their codes (ISO 4217): how each is written, and into how many decimals it is divided. */
const known = {
  EUR: ['€', 2], USD: ['$', 2], GBP: ['£', 2], CHF: ['CHF', 2], SEK: ['SEK', 2], NOK: ['NOK', 2], DKK: ['DKK', 2],
  PLN: ['zł', 2], CZK: ['Kč', 2], HUF: ['Ft', 2], RON: ['lei', 2], BGN: ['BGN', 2], ISK: ['ISK', 0], TRY: ['₺', 2],
  UAH: ['₴', 2], CAD: ['CA$', 2], AUD: ['A$', 2], NZD: ['NZ$', 2], JPY: ['¥', 0], CNY: ['CN¥', 2], KRW: ['₩', 0],
  INR: ['₹', 2], ILS: ['₪', 2], ZAR: ['ZAR', 2], BRL: ['R$', 2], MXN: ['MX$', 2], SGD: ['S$', 2], HKD: ['HK$', 2],
  AED: ['AED', 2], KWD: ['KWD', 3], TND: ['TND', 3],
} as const // prettier-ignore
/** The code of a currency. */
export type Currency = keyof typeof known
/** All of them; the first where a field says none. */
export const currencies = Object.keys(known) as [Currency, ...Currency[]]

/** How amounts of a currency are written. */
export function currencyOf(code: Currency = currencies[0]): { readonly sign: string; readonly decimals: number } {
  const [sign, decimals] = known[code]
  return { sign, decimals }
}
