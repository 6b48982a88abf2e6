import { compareText } from '../base/collation'
import { fail, ok, problem, type ProblemCode } from '../base/result'
import { TextColumn } from './columns/texts'
import type { FieldType } from './contract'
import type { FieldTypeName } from './names'

/** A text of a shape of its own: `tidy` gives it as it is stored, undefined where it is none. */
function shaped(
  name: FieldTypeName,
  label: string,
  wrong: ProblemCode,
  tidy: (text: string) => string | undefined,
): FieldType {
  // prettier-ignore
  return {
    name,
    label,
    several: false,
    kind: 'text',
    column: () => new TextColumn(),
    source: (column) => ({ kind: 'text', column: column as TextColumn }),
    check: (value) => (typeof value === 'string' && tidy(value) === value ? undefined : problem(wrong, { text: String(value).slice(0, 80) })), // prettier-ignore
    parse(text) {
      if (!text.trim()) return ok(null)
      const value = tidy(text.trim())
      return value === undefined ? fail(problem(wrong, { text: text.trim().slice(0, 80) })) : ok(value)
    },
    print: (value) => (typeof value === 'string' ? value : ''),
    compare: (a, b) => compareText(String(a), String(b)),
    fit: () => undefined,
  }
}

const longestAddress = 2000

const address =
  /^(https?:\/\/)((?:[\p{L}\p{N}-]+\.)+[\p{L}\p{N}-]{2,}|localhost|\d{1,3}(?:\.\d{1,3}){3}|\[[\da-f:.]+\])((?::\d{1,5})?(?:[/?#]\S*)?)$/iu
/** A page or file on the web: `http` or `https`, nothing that runs, and nobody's password. */
export const webLink = shaped('webLink', 'web link', 'no-such-link', (text) => {
  const [, scheme, host, rest] = address.exec(/^https?:/i.test(text) ? text : `https://${text}`) ?? []
  if (!scheme || !host || text.length > longestAddress) return undefined
  return `${scheme.toLowerCase()}${host.toLowerCase()}${rest || '/'}`
})

const mailbox =
  /^[\w!#$%&'*+/=?^`{|}~-]+(?:\.[\w!#$%&'*+/=?^`{|}~-]+)*@(?:[a-z\d](?:[a-z\d-]{0,61}[a-z\d])?\.)+[a-z\d-]{2,63}$/i
/** An e-mail address, in small letters. */
export const email = shaped('email', 'e-mail', 'no-such-address', (text) => {
  const written = text.replace(/^mailto:/i, '').toLowerCase()
  return written.length <= 200 && mailbox.test(written) ? written : undefined
})

/** A phone number as it is written, without brackets and strokes: `+49 351 1234567`. */
export const phone = shaped('phone', 'phone', 'no-such-phone', (text) => {
  const digits = text.replace(/^tel:/i, '').replace(/[()/.\-–]/g, ' ').replace(/\s+/g, ' ').trim() // prettier-ignore
  const count = digits.replace(/\D/g, '').length
  return /^\+?[\d ]+$/.test(digits) && count >= 3 && count <= 20 ? digits : undefined
})
