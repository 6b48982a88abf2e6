import type { Lookup } from '../model/entities'
import { assigneesOf, demandsOf, hasRole, lacks, mayGo } from '../items/entering'
import { maybeStep } from '../model/reader'
import type { Demand, Item, PersonId } from '../model/records'
import { listed } from './wording'

/** What one demand asks for: `due`, `a note`, `a lead`. */
export function demandWord(found: Lookup, demand: Demand): string {
  switch (demand.asks) {
    case 'field':
      return found.maybe('field', demand.field)?.name ?? 'a removed field'
    case 'children':
      return 'everything inside finished'
    case 'note':
      return 'a note'
    case 'role':
      return demand.role === 'owner' ? 'an owner' : 'a lead'
    case 'another':
      return 'someone who isn’t an assignee'
  }
}

/** What they ask for: `effort, due and a note`. */
export const demandWords = (found: Lookup, demands: readonly Demand[]): string =>
  listed(
    demands.map((demand) => demandWord(found, demand)),
    'and',
  )

/** What stands in the way of an item that somebody would move to a status, or what it will be asked there. */
export interface EntryWords {
  readonly words: string
  /** Nothing that is filled in will let it through. */
  readonly isOff: boolean
}

/** As far as it can be told without what is inside it; undefined where nothing is asked. */
export function entryWords(found: Lookup, item: Item, to: string, by: PersonId): EntryWords | undefined {
  const workflow = found.maybe('kind', item.kind)?.workflow
  if (item.status === to) return undefined
  if (!mayGo(found, workflow, item.status, to))
    return { words: `not from ${found.maybe('status', item.status)?.name ?? 'here'}`, isOff: true }
  const demands = demandsOf(found, maybeStep(found, workflow, to))
  const off = demands.find(
    (one) =>
      (one.asks === 'role' && !hasRole(found, by, item.project, one.role)) ||
      (one.asks === 'another' && assigneesOf(found, item).includes(by)),
  )
  if (off) return { words: `needs ${demandWord(found, off)}`, isOff: true }
  const asked = demands.filter((one) => one.asks === 'children' || lacks(item, one, false))
  return asked.length ? { words: `asks for ${demandWords(found, asked)}`, isOff: false } : undefined
}
