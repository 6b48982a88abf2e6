/** What a person or a file can cause to go wrong, as data. The words for a code stand in `core/base/words.ts`. */
export interface Problem {
  readonly code: ProblemCode
  /** The values the sentence speaks of. */
  readonly said?: Readonly<Record<string, string | number>>
  /** The places it is about. */
  readonly at?: readonly ProblemPlace[]
}

/** Where a problem lies: an item, a field, what is stored there and what was to be. */
export interface ProblemPlace {
  readonly item?: string
  readonly field?: string
  readonly yours?: unknown
  readonly stored?: unknown
  readonly by?: string
  readonly when?: string
}

/** Every code that a problem can have; `access/problem-words.ts` has a sentence for each. */
export const problemCodes = [
  'changed-meanwhile',
  'gone',
  'in-use',
  'not-allowed',
  'not-signed-in',
  'id-taken',
  'id-used',
  'unknown-field',
  'wrong-value',
  'too-long',
  'no-title',
  'no-such-day',
  'ends-before-start',
  'too-many-days',
  'no-working-day',
  'no-such-number',
  'no-such-moment',
  'no-such-duration',
  'no-such-link',
  'no-such-address',
  'no-such-phone',
  'out-of-bounds',
  'one-person',
  'one-item',
  'no-item',
  'linked-itself',
  'linked-already',
  'required',
  'worked-out',
  'no-formula',
  'formula-loop',
  'cannot-become',
  'serves',
  'too-many-fields',
  'too-many-options',
  'loop',
  'other-project',
  'not-inside',
  'name-taken',
  'held-twice',
  'prefix-taken',
  'last-owner',
  'not-unique',
  'limit-below-zero',
  'least-above-most',
  'column-full',
  'no-reason',
  'no-such-move',
  'entry-asks',
  'entry-children',
  'entry-role',
  'entry-another',
  'no-note',
  'same-twice',
  'other-count',
  'other-number',
  'not-in-bin',
  'not-through-view',
  'only-tried',
  'not-by-hand',
  'for-good',
  'text-changed-meanwhile',
  'nothing-to-undo',
  'too-many-rows',
  'unreadable',
  'too-large',
  'too-often',
  'wrong-sign-in',
  'wrong-code',
  'owner-exists',
  'link-over',
  'no-address',
  'wrong-password',
  'no-answer',
  'log-too-far-back',
  'fields-differ',
  'stopped',
  'unexpected',
] as const
/** The code of a problem. */
export type ProblemCode = (typeof problemCodes)[number]

/** A value, or why there is none. */
export type Result<T, E = Problem> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: E }

/** A result that is there. */
export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value })
/** A result that is a problem. */
export const fail = <E = Problem>(problem: E): Result<never, E> => ({ ok: false, problem })
/** A problem of a code, with what its sentence says and where it lies. */
export const problem = (code: ProblemCode, said?: Problem['said'], at?: readonly ProblemPlace[]): Problem => ({
  code,
  ...(said && { said }),
  ...(at && { at }),
})

/** Misuse, not a person's mistake: a closed union was switched on and a case is missing. */
export function assertNever(value: never): never {
  throw new TypeError(`unexpected case: ${JSON.stringify(value)}`)
}

/** Returns the value, or throws where its absence is a programming error. */
export function must<T>(value: T | undefined | null, what: string): T {
  if (value === undefined || value === null) throw new RangeError(`no ${what}`)
  return value
}

/** The first problem that any of them has. */
export function firstProblem<T>(all: Iterable<T>, find: (one: T) => Problem | undefined): Problem | undefined {
  for (const one of all) {
    const found = find(one)
    if (found) return found
  }
  return undefined
}
