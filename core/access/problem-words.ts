import type { Act } from './acts'
import type { Problem, ProblemCode } from '../base/result'

/** Names for the ids that a problem speaks of; the caller knows them. */
export interface Naming {
  key(item: string): string
  field(field: string): string
  value(field: string, value: unknown): string
  person(id: string): string
}

type Said = NonNullable<Problem['said']>
type Place = NonNullable<Problem['at']>[number]

/** How a problem is said, by its code. `field`: the name of the field it is about with a colon, where it is said. */
const sentences: Readonly<Record<ProblemCode, (said: Said, field: string, naming: Naming, at?: Place) => string>> = {
  'changed-meanwhile': (_said, _field, naming, at) => changedWords(naming, at),
  'text-changed-meanwhile': (_said, field, naming, at) =>
    `${field}${at?.by ? naming.person(at.by) : 'Someone'} wrote here meanwhile. Yours is kept in the editor: look at both and choose.`,
  gone: (said) =>
    said.what ? `${said.what}, its parent, is not there.` : 'It is not there any more: someone took it out meanwhile.',
  'in-use': () => 'Something else still needs it. Nothing was changed.',
  'not-allowed': (said) =>
    said.needs === 'own'
      ? 'Only whoever made a change can take it back.'
      : `You are not allowed to ${actWords[said.act as Act] ?? 'do this'} here. Nothing was changed.`,
  'not-signed-in': () => 'You are signed out. Sign in again; what you did meanwhile is kept.',
  'id-taken': () => 'This was already done.',
  'unknown-field': () => 'The field is not there any more.',
  'wrong-value': (said, field) =>
    said.text ? `${field}“${said.text}” does not fit here.` : `${field}this value does not fit here.`,
  'too-long': (said, field) => `${field}${said.length} characters are too many; there is room for ${said.most}.`,
  'no-title': () => 'An item needs a title.',
  'no-such-day': (said, field) => `${field}${said.text ?? 'this'} is no day of the calendar.`,
  'no-such-number': (said, field) => `${field}“${said.text}” is no number with up to ${said.decimals} decimals.`,
  loop(said) {
    if (said.other && said.what) return `${said.what} and ${said.other} are inside each other.`
    return said.what ? `${said.what} is inside itself.` : 'An item cannot be inside itself or inside what is inside it.'
  },
  'other-project': () => 'Both must be in the same project.',
  'name-taken': (said) => `“${said.name}” is taken already. Choose another name.`,
  'prefix-taken': (said) => `The prefix ${said.name} is taken already. Choose another.`,
  'not-unique': (said) => `${said.value} stands twice in ${said.field}; the first counts.`,
  'limit-below-zero': () => 'A limit cannot be below zero.',
  'nothing-to-undo': () => 'There is nothing left to take back: it was all changed again meanwhile.',
  'too-many-rows': (said) => `${said.rows} rows are too many; a file may hold ${said.most}. Nothing was brought in.`,
  unreadable: (said) => `This cannot be read: ${said.where ?? 'unknown'}. Nothing was changed.`,
  'too-large': () => 'This is too large to be sent. Nothing was changed.',
  'too-often': (said) => `Too many tries. Wait ${said.seconds ?? 60} seconds and try again.`,
  'wrong-sign-in': () => 'E-mail and password do not go together.',
  'wrong-code': () => 'This is not the code that the start printed.',
  'owner-exists': () => 'The owner’s account is made already. Sign in.',
  'log-too-far-back': () => 'Too much has changed since; everything is fetched anew.',
  'fields-differ': () => 'The fields have changed meanwhile; look at the columns again.',
  unexpected: (said) =>
    `Something went wrong here. Nothing was changed.${said.request ? ` If it goes on, name ${said.request}.` : ''}`,
}

/** What is not allowed, after *you are not allowed to …*. */
const actWords: Readonly<Record<Act, string>> = {
  'start projects': 'start a project',
  'name people': 'add people',
  'manage people': 'add people',
  'make owners': 'make someone an owner',
  'see project': 'see this',
  'keep own views': 'keep a view',
  'change items': 'change items',
  'keep views for everyone': 'change views for everyone',
  'set up project': 'change how the project is set up',
}

function changedWords(naming: Naming, at: Place | undefined): string {
  if (!at?.item || !at.field) return 'Someone changed this a moment ago. It stays as they left it; look and try again.'
  const who = at.by ? naming.person(at.by) : 'Someone'
  const key = naming.key(at.item)
  const [stored, yours] = [naming.value(at.field, at.stored), naming.value(at.field, at.yours)]
  if (at.field === 'status') return `${who} moved ${key} to ${stored} a moment ago. It stays there; yours was ${yours}.`
  return `${who} changed ${naming.field(at.field)} of ${key} to ${stored || 'empty'} a moment ago. It stays so; yours was ${yours || 'empty'}.`
}

/** The sentence for a problem: what happened, what was kept, what to do. */
export function problemWords(problem: Problem, naming: Naming): string {
  const said = problem.said ?? {}
  return sentences[problem.code](said, said.field ? `${said.field}: ` : '', naming, problem.at?.[0])
}
