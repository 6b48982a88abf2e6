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
    `${field}${at?.by ? naming.person(at.by) : 'Someone'} changed this text while you were writing. Yours is still in the editor: compare the two and choose.`,
  gone: (said) =>
    said.what
      ? `Its parent, ${said.what}, isn’t there.`
      : 'It isn’t there any more: someone removed it in the meantime.',
  'in-use': () => 'Something else still uses it, so nothing was changed.',
  'not-allowed': (said) =>
    said.needs === 'own'
      ? 'This belongs to someone else: only they can change it.'
      : `You don’t have permission to ${actWords[said.act as Act] ?? 'do this'} here. Nothing was changed.`,
  'not-signed-in': () => 'You’re signed out. Sign in again: your changes are safe.',
  'id-taken': () => 'This has already been done.',
  'id-used': () => 'Something else was sent under the same number before. Nothing was changed.',
  'unknown-field': () => 'This field has been removed.',
  'wrong-value': (said, field) =>
    said.text ? `${field}“${said.text}” isn’t a value this can have.` : `${field}this isn’t a value it can have.`,
  'too-long': (said, field) => `${field}${said.length} characters is too long; the most is ${said.most}.`,
  'no-title': () => 'An item needs a title.',
  'no-such-day': (said, field) => `${field}${said.text ?? 'this'} isn’t a date.`,
  'ends-before-start': (said) => `It would end on ${said.to}, before it starts on ${said.from}.`,
  'too-many-days': (said) => `${said.days} days is too long; the most is ${said.most}.`,
  'no-working-day': () => 'At least one day of the week has to be worked.',
  'no-such-number': (said, field) =>
    `${field}“${said.text}” isn’t a number${said.decimals ? ` (at most ${said.decimals} decimals)` : ' without decimals'}.`,
  'no-such-moment': (said, field) => `${field}“${said.text}” isn’t a date with a time, such as “Fri 14:00”.`,
  'no-such-duration': (said, field) => `${field}“${said.text}” isn’t a duration, such as “1d 4h” or “90 min”.`,
  'no-such-link': (said, field) => `${field}“${said.text}” isn’t a web address.`,
  'no-such-address': (said, field) => `${field}“${said.text}” isn’t an e-mail address.`,
  'no-such-phone': (said, field) => `${field}“${said.text}” isn’t a phone number.`,
  'out-of-bounds'(said, field) {
    const bounds = said.least === undefined ? `at most ${said.most}` : said.most === undefined ? `at least ${said.least}` : `${said.least} to ${said.most}` // prettier-ignore
    return `${field}${said.text} is out of bounds: this takes ${bounds}.`
  },
  'one-item': (said, field) => `${field}this takes one item.`,
  'no-item': ({ text }, field) => `${field}there’s no item “${text}”.`,
  'linked-itself': (said, field) => `${field}an item can’t be linked to itself.`,
  'linked-already': ({ key, name, other }) => `${key} already has ${other} as its ${name}, which takes one item.`,
  'one-person': (said, field) => `${field}this takes one person.`,
  required: (said) => `An item here needs ${said.asks}. Nothing was changed.`,
  'worked-out': (_said, field) => `${field}this is worked out, so nobody fills it in.`,
  'no-formula': (said) => `${said.text} Nothing was changed.`,
  'formula-loop': (said) => `That would go round in a circle: ${said.path}. Nothing was changed.`,
  'cannot-become': (said) => `This can’t become a field of the type ${said.type}. Make a new field instead.`,
  serves: (said) => `${said.name} serves this project in a way that a field of the type ${said.type} can’t.`,
  'too-many-fields': (said) => `A project can have ${said.most} fields; this would make it ${said.would}.`,
  'too-many-options': (said) => `A field can have ${said.most} options; this would make it ${said.would}.`,
  loop(said) {
    if (said.other && said.what) return `${said.what} and ${said.other} are inside each other.`
    return said.what
      ? `${said.what} is inside itself.`
      : 'An item can’t be inside itself, or inside something it contains.'
  },
  'not-inside': (said) => `A ${said.what} can’t be inside a ${said.other} here. Nothing was changed.`,
  'other-project': () => 'Both have to be in the same project.',
  'name-taken': (said) => `“${said.name}” is already taken. Choose another name.`,
  'held-twice': (said) => `${said.name} is in another column of this board already. Nothing was changed.`,
  'prefix-taken': (said) => `The prefix ${said.name} is already taken. Choose another.`,
  'last-owner': () => 'A workspace needs an owner. Make someone else an owner first.',
  'not-unique': (said) => `${said.value} appears twice in ${said.field}; the first one is used.`,
  'limit-below-zero': () => 'A limit can’t be below zero.',
  'least-above-most': () => 'The least can’t be above the most.',
  'column-full': (said) =>
    `${said.name} stops at ${said.most}, and this would make it ${said.would}. Make room first; a lead can let it through with a reason.`,
  'no-reason': () => 'Letting something past a limit needs a reason.',
  'no-such-move': (said) => `From ${said.from} an item doesn’t go to ${said.to}. Nothing was changed.`,
  'entry-asks': (said) => `Entering ${said.name} asks for ${said.asks}. Nothing was changed.`,
  'entry-children': (said) =>
    `Everything inside an item has to be finished before it enters ${said.name}. Nothing was changed.`,
  'entry-role': (said) =>
    `Only ${said.role === 'owner' ? 'an owner' : 'a lead'} can move an item to ${said.name}. Nothing was changed.`,
  'entry-another': (said) =>
    `Someone who isn’t one of its assignees has to move it to ${said.name}. Nothing was changed.`,
  'no-note': () => 'A note belongs to a move into the status it is about.',
  'same-twice': () => 'Two of these changes are about the same thing, so they can’t be done as one.',
  'other-number': ({ held }) =>
    `That’s ${held} ${held === 1 ? 'item' : 'items'}, which isn’t what you typed. Nothing was deleted.`,
  'not-in-bin': () => 'Only what is in the bin can be deleted for good. Nothing was deleted.',
  'not-through-view': (said) =>
    said.act === 'add'
      ? `Nothing is added in the view “${said.view}”. Nothing was changed.`
      : said.act === 'remove'
        ? `Nothing goes into the bin from the view “${said.view}”. Nothing was changed.`
        : `${said.what} isn’t changed in the view “${said.view}”. Nothing was changed.`,
  'not-by-hand': (said) => `${said.what} is nothing that anyone fills in, so items stay in their groups.`,
  'only-tried': () => 'You’re trying this as someone else, so nothing was changed.',
  'other-count': (said) => `${said.name} holds ${said.held} items, which isn’t what you typed. Nothing was deleted.`,
  'for-good': () => 'That was deleted for good, and can’t be brought back.',
  'nothing-to-undo': () => 'There’s nothing left to undo: all of it has been changed again since.',
  'too-many-rows': (said) => `${said.rows} rows is too many; a file can hold ${said.most}. Nothing was brought in.`,
  unreadable: (said) => `This can’t be read: ${said.where ?? 'unknown'}. Nothing was changed.`,
  'too-large': () => 'This is too large to send. Nothing was changed.',
  'too-often': (said) => `Too many attempts. Wait ${said.seconds ?? 60} seconds, then try again.`,
  'wrong-sign-in': () => 'That e-mail and password don’t match.',
  'wrong-code': () => 'That isn’t the code shown in the terminal.',
  'owner-exists': () => 'The owner’s account has already been made. Sign in.',
  'wrong-password': () => 'That isn’t your password. Nothing was changed.',
  'no-address': ({ name }) => `${name} has no e-mail address to sign in with. Add one first.`,
  'link-over': () => 'This link has been used, or it’s more than 72 hours old. Ask for another.',
  'no-answer': () => 'The server isn’t answering. Nothing was changed; try again in a moment.',
  'log-too-far-back': () => 'A lot has changed since you were last here, so everything is being fetched again.',
  'fields-differ': () => 'The project’s fields have changed in the meantime. Check the columns again.',
  stopped: () => 'Stopped. Nothing was changed.',
  unexpected: (said) =>
    `Something went wrong here, and nothing was changed.${said.request ? ` If it keeps happening, report it as ${said.request}.` : ''}`,
}

/** What is not allowed, after *you don’t have permission to …*. */
export const actWords: Readonly<Record<Act, string>> = {
  'name oneself': 'change your name',
  'start projects': 'start a project',
  'name people': 'add people without an account',
  'manage people': 'add people or change what they may do',
  'make owners': 'make someone an owner',
  'delete for good': 'delete a project for good',
  'see project': 'see this',
  'keep own views': 'save a view',
  'change items': 'change items',
  'keep views for everyone': 'change views for everyone',
  'set up project': 'change how this project is set up',
}

/** What is said in a word. */
const isPlain = (value: unknown): boolean => typeof value !== 'object' || value === null

function changedWords(naming: Naming, at: Place | undefined): string {
  if (at?.field && !at.item && isPlain(at.stored) && isPlain(at.yours)) {
    const [stored, yours] = [naming.value(at.field, at.stored), naming.value(at.field, at.yours)]
    return `Someone else changed this to ${stored || 'nothing'} just now, and that stays. You wanted ${yours || 'nothing'}.`
  }
  if (!at?.item || !at.field) return 'Someone else changed this just now. Their change stays; look at it and try again.'
  const who = at.by ? naming.person(at.by) : 'Someone'
  const key = naming.key(at.item)
  const [stored, yours] = [naming.value(at.field, at.stored), naming.value(at.field, at.yours)]
  if (at.field === 'status') return `${who} moved ${key} to ${stored} just now, and that stays. You wanted ${yours}.`
  return `${who} changed ${naming.field(at.field)} of ${key} to ${stored || 'nothing'} just now, and that stays. You wanted ${yours || 'nothing'}.`
}

/** The sentence for a problem: what happened, what was kept, what to do. */
export function problemWords(problem: Problem, naming: Naming): string {
  const said = problem.said ?? {}
  return sentences[problem.code](said, said.field ? `${said.field}: ` : '', naming, problem.at?.[0])
}
