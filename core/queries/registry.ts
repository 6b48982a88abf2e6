import { bin, binned } from './bin'
import { conditionCounts } from './condition-counts'
import { copied } from './copied'
import type { AskedQuery, QueryContext, Watch, WatchedQuery } from './contract'
import { directory } from './directory'
import { drafts } from './drafts'
import { duplicate } from './duplicate'
import { filled, misfits } from './filled'
import { history } from './history'
import { inTurn, turns } from './in-turn'
import { item } from './item'
import { longText } from './long-text'
import { openWork } from './open-work'
import { projectItems } from './project-items'
import { csv, foundInView, sheet } from './sheet'
import { rangeCopied, rangePasted } from './range'
import { refusals } from './refusals'
import { queue } from './queue'
import { itemNames, search } from './search'
import { effects, itemsInAll, retyped, standing, typicalStays } from './set-up'
import { tried } from './tried'
import { typedWords } from './typed-words'
import { valueCounts } from './value-counts'
import { itemsInView, view } from './view'
import { leaves, notIn, why } from './why'

/** What pages watch. */
export const watchedQueries = {
  directory,
  inTurn,
  turns,
  queue,
  view,
  item,
  openWork,
  standing,
  filled,
  itemNames,
  bin,
} as const
/** What pages ask once. */
export const askedQueries = {
  valueCounts, conditionCounts, typedWords, why, notIn, leaves, search, history, longText, projectItems, drafts, effects,
  typicalStays, itemsInAll, misfits, retyped, tried, itemsInView, refusals, copied, duplicate, binned, sheet, csv, foundInView, rangeCopied, rangePasted,
} as const // prettier-ignore

/** The name of a query that is kept answered. */
export type WatchedName = keyof typeof watchedQueries
/** The name of a query that is answered once. */
export type AskedName = keyof typeof askedQueries
type InputOf<Q> = Q extends WatchedQuery<infer I, infer _> ? I : Q extends AskedQuery<infer I, infer _> ? I : never
type AnswerOf<Q> = Q extends WatchedQuery<infer _, infer A> ? A : Q extends AskedQuery<infer _, infer A> ? A : never

/** What a watched query is given. */
export type WatchInput<N extends WatchedName> = InputOf<(typeof watchedQueries)[N]>
/** What a watched query answers. */
export type WatchAnswer<N extends WatchedName> = AnswerOf<(typeof watchedQueries)[N]>
/** What an asked query is given. */
export type AskInput<N extends AskedName> = InputOf<(typeof askedQueries)[N]>
/** What an asked query answers. */
export type AskAnswer<N extends AskedName> = AnswerOf<(typeof askedQueries)[N]>

/** A watched query as it is sent: its name and input. */
export type WatchRequest = { [N in WatchedName]: { readonly query: N; readonly input: WatchInput<N> } }[WatchedName]
/** The answer of any watched query. */
export type AnyAnswer = WatchAnswer<WatchedName>

/** Keeps a query answered, whichever it is. */
export const watch = (context: QueryContext, { query, input }: WatchRequest): Watch<AnyAnswer> =>
  (watchedQueries[query] as WatchedQuery<unknown, AnyAnswer>).watch(context, input)

/** Answers a query once. */
export const ask = <N extends AskedName>(context: QueryContext, query: N, input: AskInput<N>) =>
  (askedQueries[query] as unknown as AskedQuery<AskInput<N>, AskAnswer<N>>).ask(context, input)
