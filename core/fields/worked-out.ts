import { fail, problem } from '../base/result'
import { shortText } from './short-text'
import type { FieldType, FieldTypeName } from './contract'

/** A type whose values nobody gives: how they are read is the type's that the field gives. */
const workedOut = (name: FieldTypeName, label: string): FieldType => ({
  ...shortText,
  name,
  label,
  isWorkedOut: true,
  check: () => problem('worked-out'),
  parse: () => fail(problem('worked-out')),
})

/** What a formula comes to. */
export const computed = workedOut('computed', 'computed')
/** What many items come to: those inside one. */
export const rollUp = workedOut('rollUp', 'roll-up')
/** What another item holds: the one that it is inside of. */
export const lookUp = workedOut('lookUp', 'look-up')
