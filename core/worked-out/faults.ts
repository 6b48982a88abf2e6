/** What is wrong with a formula, in the words of whoever wrote it. */
import type { FormulaFault } from '../facts/workings'

/** A fault as the library tells it. */
interface Told {
  readonly summary?: string
  readonly message: string
  readonly range?: { readonly start: number; readonly end: number } | undefined
}

const words: Readonly<Record<string, string>> = {
  double: 'a number', int: 'a number', uint: 'a number', string: 'a text', bool: 'a yes or no', Day: 'a day',
  Item: 'an item', null: 'nothing', null_type: 'nothing', dyn: 'something',
} // prettier-ignore
/** A type of the language, as people call it. */
export const typeWords = (type: string): string => words[type] ?? (type.startsWith('list') ? 'a list' : type)

/** Each with the message that it stands for. */
const messages: readonly [RegExp, (...found: string[]) => string][] = [
  [/^Unknown variable: (.+)$/, (name) => `There is no field called “${shortened(name!)}”.`],
  [/^no such overload: ([\w<>.]+) (\S+) ([\w<>.]+)$/, (a, sign, b) => `${capital(typeWords(a!))} and ${typeWords(b!)} don’t go together with “${sign}”.`], // prettier-ignore
  [/^no such overload: (\S)([\w<>.]+)$/, (sign, a) => `“${sign}” doesn’t go with ${typeWords(a!)}.`],
  [/^found no matching overload for '(?:[\w<>]+\.)?(\w+)\(([^)]*)\)'/, (name, given) => `“${name}” can’t be used with ${given ? given.split(', ').map(typeWords).join(' and ') : 'nothing'}.`], // prettier-ignore
  [/^Function not found: '?(\w+)/, (name) => `There is no function called “${name}”.`],
  [/^Unexpected (?:token|character): EOF$/, () => 'Something is missing at the end.'],
  [/^Expected .*got EOF$/, () => 'Something is missing at the end.'],
  [/^Unexpected (?:token|character): (.+)$/, (found) => `“${found}” isn’t expected here.`],
  [/^No such key: (\w+)$/, (name) => `An item has nothing called “${name}”.`],
  [/^Exceeded max/, () => 'This is too long for a formula.'],
]
/** As much of a name as a line takes. */
const shortened = (name: string): string => (name.length > longest ? `${name.slice(0, longest)}…` : name)
const longest = 60
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** The fault with its place in the formula as the language read it. */
export function faultOf(told: Told | undefined, formula: string): FormulaFault {
  const said = (told?.summary ?? told?.message ?? '').split('\n')[0]!
  const range = told?.range ?? { start: 0, end: formula.length }
  const place = { from: Math.min(range.start, formula.length), to: Math.min(Math.max(range.end, range.start), formula.length) } // prettier-ignore
  for (const [pattern, say] of messages) {
    const found = pattern.exec(said)
    if (found) return { ...place, words: say(...found.slice(1)) }
  }
  return { ...place, words: said ? `${said}.`.replace(/\.\.$/, '.') : 'This can’t be read.' }
}
