/** What pages ask and are answered: the same in a browser's worker, on the server, and for a page's first answers. */
import { isSameValue } from '../base/sorted-ids'
import type { PlainDate } from '../base/dates'
import type { PersonId } from '../base/ids'
import type { Entry } from '../change/command'
import type { Viewer } from '../facts/viewer'
import type { Folds } from '../model/records'
import type { State } from '../model/state'
import type { ChangeSet } from './change-set'

/** What the server alone knows; asked over the network in a browser. Rejects where it does not answer. */
export interface ServerPort {
  /** What touched an item, newest first, before a sequence number. */
  history(item: string, before: number | undefined): Promise<{ entries: readonly Entry[]; more: boolean }>
  /** Revision 0 and no words where there is none. */
  longText(item: string, field: string): Promise<{ revision: number; text: string }>
  /** The words of one field, by item; items without are left out. */
  longTexts(project: string, field: string): Promise<Readonly<Record<string, string>>>
  /** How long items of a project stay in each status, in ms. */
  typicalStays(project: string): Promise<Readonly<Record<string, number>>>
}

/** What a query is answered from: the state of a replica or a room, who asks, the workspace's day. */
export interface QueryContext {
  readonly state: State
  readonly me: PersonId
  today(): PlainDate
  /** The status of an item at the end of a day some days ago; undefined where it is not known (yet). */
  readonly past?: (daysAgo: number, item: string) => string | undefined
  /** Undefined on the server, which answers nothing that needs it beforehand. */
  readonly server?: ServerPort
  /** How a day is written for whoever asks. */
  readonly day?: (date: string) => string
}

/** Who is looking, as views need to know it. */
export const viewerOf = ({ me, today, past }: QueryContext): Viewer => ({ me, today: today(), ...(past && { past }) })

/** Days so that they can be read back, where nobody said how they are written. */
export const dayIn = ({ day }: QueryContext): ((date: string) => string) => day ?? ((date) => date)

/** A query that is kept answered. */
export interface Watch<Answer> {
  /** Takes in what changed; false where the answer cannot have. */
  update(changed: ChangeSet): boolean
  answer(): Answer
  /** What a page does with a list that is answered; nothing where there is none. */
  readonly lists?: ListControl
}

/** What a page says about the lists of an answer. */
export interface ListControl {
  /** Which places of a list are on the screen. */
  look(list: string, from: number, to: number): void
  /** These items keep their place until they are let go. */
  hold(items: readonly string[]): void
  /** What is folded from now on. */
  fold(folds: Folds): void
}

/** Kept answered for as long as somebody watches. */
export interface WatchedQuery<Input, Answer> {
  readonly kind: 'watched'
  watch(context: QueryContext, input: Input): Watch<Answer>
}
/** Answered once. */
export interface AskedQuery<Input, Answer> {
  readonly kind: 'asked'
  ask(context: QueryContext, input: Input): Answer | Promise<Answer>
}
/** A query that is kept answered. */
export const watchedQuery = <Input, Answer>(
  watch: WatchedQuery<Input, Answer>['watch'],
): WatchedQuery<Input, Answer> => ({ kind: 'watched', watch })
/** A query that is answered once. */
export const askedQuery = <Input, Answer>(ask: AskedQuery<Input, Answer>['ask']): AskedQuery<Input, Answer> => ({
  kind: 'asked', ask,
}) // prettier-ignore

/** A watch that is recomputed whenever something it may show has changed. */
export const recomputed = <Answer>(update: (changed: ChangeSet) => boolean, answer: () => Answer): Watch<Answer> => ({
  update, answer,
}) // prettier-ignore

/** A watch that is worked out anew at every change, and told where it comes to something else. */
export function compared<Answer>(read: () => Answer): Watch<Answer> {
  let last = read()
  return {
    update() {
      const next = read()
      if (isSameValue(last, next)) return false
      last = next
      return true
    },
    answer: () => last,
  }
}
