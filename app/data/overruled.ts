import type { Problem } from '#core/base/result'
import { partsOf, together } from '#core/commands/bare'
import type { BareCommand } from '#core/commands/registry'
import type { BoardColumn, ItemId } from '#core/model/records'

/** What a column that stops at its limit has refused. */
export interface Full {
  readonly bare: BareCommand
  readonly problem: Problem
}
/** So many items are named as let through; the law asks for one. */
const mostNamed = 150

/** What cannot be done together with a reason. */
export const canBeOverruled = ({ type }: BareCommand): boolean => type !== 'bring-in' && type !== 'revert'

/** The same once more, with the reason why a lead lets it past the limit. */
export function overruled({ bare, problem }: Full, reason: string): BareCommand {
  const let_ = (problem.at ?? []).slice(0, mostNamed).map(({ item, field }): BareCommand => ({
    type: 'limit.overrule', item: item as ItemId, column: field as BoardColumn['id'], reason,
  })) // prettier-ignore
  return together([...partsOf(bare), ...let_])
}
