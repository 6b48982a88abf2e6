import type { CommandId } from '../base/ids'
import type { Problem } from '../base/result'
import { personActor } from '../change/actor'
import type { Context } from '../change/command'
import { commandOf, judge, type BareCommand } from '../commands/registry'
import { itemKey } from '../model/reader'
import type { ItemId } from '../model/records'
import { askedQuery } from './contract'

/** A command that does the same to each of some items. */
export type OfMany = Extract<BareCommand, { readonly type: 'items.set-all' | 'items.archive' | 'items.nest' }>

/** An item for which it may not be done, and why. */
export interface Refused {
  readonly item: ItemId
  readonly key: string
  readonly title: string
  readonly problem: Problem
}
/** What becomes of a command that was refused for some of its items. */
export interface RefusalsAnswer {
  /** Those for which it may be done, one by one. */
  readonly fine: readonly ItemId[]
  readonly refused: readonly Refused[]
}

/** For which of its items a command would be refused, each judged by itself. */
export const refusals = askedQuery<OfMany, RefusalsAnswer>(({ state, me, today }, bare) => {
  const fine: ItemId[] = []
  const refused: Refused[] = []
  // When it is judged makes no difference to whether it may be done.
  const now = `${today()}T00:00:00.000Z`
  for (const id of bare.items) {
    const command = commandOf('' as CommandId, { ...bare, items: [id] } as BareCommand)
    const context: Context = { command: command.id, by: personActor(me), now, today: today(), isRoom: false, entryOf: () => undefined, longText: () => undefined } // prettier-ignore
    const judged = judge(state, command, context)
    if (judged.ok) fine.push(id)
    else {
      const item = state.maybe('item', id)
      refused.push({
        item: id,
        key: item ? itemKey(state, item) : '',
        title: item?.title ?? '',
        problem: judged.problem,
      })
    }
  }
  return { fine, refused }
})
