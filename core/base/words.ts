import type { Problem } from './result'

/** Names for the ids that a problem speaks of; the caller knows them. */
export interface Naming {
  key(item: string): string
  field(field: string): string
  value(field: string, value: unknown): string
  person(id: string): string
}

/** The sentence for a problem: what happened, what was kept, what to do. */
export function problemWords(problem: Problem, naming: Naming): string {
  const said = problem.said ?? {}
  const at = problem.at?.[0]
  const field = said.field ? `${said.field}: ` : ''
  switch (problem.code) {
    case 'changed-meanwhile': {
      if (!at?.item || !at.field)
        return 'Someone changed this a moment ago. It stays as they left it; look and try again.'
      const who = at.by ? naming.person(at.by) : 'Someone'
      const [key, stored, yours] = [
        naming.key(at.item),
        naming.value(at.field, at.stored),
        naming.value(at.field, at.yours),
      ]
      if (at.field === 'status')
        return `${who} moved ${key} to ${stored} a moment ago. It stays there; yours was ${yours}.`
      return `${who} changed ${naming.field(at.field)} of ${key} to ${stored || 'empty'} a moment ago. It stays so; yours was ${yours || 'empty'}.`
    }
    case 'text-changed-meanwhile':
      return `${field}${at?.by ? naming.person(at.by) : 'Someone'} wrote here meanwhile. Yours is kept in the editor: look at both and choose.`
    case 'gone':
      return said.what
        ? `${said.what}, its parent, is not there.`
        : 'It is not there any more: someone took it out meanwhile.'
    case 'not-allowed':
      return said.needs === 'own'
        ? 'Only whoever made a change can take it back.'
        : `This needs the role ${said.needs ?? 'contributor'} or higher. Nothing was changed.`
    case 'not-signed-in':
      return 'You are signed out. Sign in again; what you did meanwhile is kept.'
    case 'id-taken':
      return 'This was already done.'
    case 'unknown-field':
      return 'The field is not there any more.'
    case 'wrong-value':
      return said.text ? `${field}“${said.text}” does not fit here.` : `${field}this value does not fit here.`
    case 'too-long':
      return `${field}${said.length} characters are too many; there is room for ${said.most}.`
    case 'no-title':
      return 'An item needs a title.'
    case 'no-such-day':
      return `${field}${said.text ?? 'this'} is no day of the calendar.`
    case 'no-such-number':
      return `${field}“${said.text}” is no number with up to ${said.decimals} decimals.`
    case 'loop':
      if (said.other && said.what) return `${said.what} and ${said.other} are inside each other.`
      return said.what
        ? `${said.what} is inside itself.`
        : 'An item cannot be inside itself or inside what is inside it.'
    case 'other-project':
      return 'Both must be in the same project.'
    case 'name-taken':
      return `“${said.name}” is taken already. Choose another name.`
    case 'prefix-taken':
      return `The prefix ${said.name} is taken already. Choose another.`
    case 'not-unique':
      return `${said.value} stands twice in ${said.field}; the first counts.`
    case 'limit-below-zero':
      return 'A limit cannot be below zero.'
    case 'nothing-to-undo':
      return 'There is nothing left to take back: it was all changed again meanwhile.'
    case 'too-many-rows':
      return `${said.rows} rows are too many; a file may hold ${said.most}. Nothing was brought in.`
    case 'unreadable':
      return `This cannot be read: ${said.where ?? 'unknown'}. Nothing was changed.`
    case 'too-large':
      return 'This is too large to be sent. Nothing was changed.'
    case 'too-often':
      return `Too many tries. Wait ${said.seconds ?? 60} seconds and try again.`
    case 'wrong-sign-in':
      return 'E-mail and password do not go together.'
    case 'wrong-code':
      return 'This is not the code that the start printed.'
    case 'owner-exists':
      return 'The owner’s account is made already. Sign in.'
    case 'log-too-far-back':
      return 'Too much has changed since; everything is fetched anew.'
    case 'fields-differ':
      return 'The fields have changed meanwhile; look at the columns again.'
    case 'unexpected':
      return `Something went wrong here. Nothing was changed.${said.request ? ` If it goes on, name ${said.request}.` : ''}`
  }
}
