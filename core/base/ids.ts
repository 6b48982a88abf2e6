declare const brand: unique symbol
/** An id that cannot be mistaken for another thing's. A UUID in text form, except where its type says otherwise. */
export type Id<Thing extends string> = string & { readonly [brand]: Thing }

/** Names a person. */
export type PersonId = Id<'person'>
/** Names a project. */
export type ProjectId = Id<'project'>
/** Names a workflow. */
export type WorkflowId = Id<'workflow'>
/** Names a status. */
export type StatusId = Id<'status'>
/** Names a kind. */
export type KindId = Id<'kind'>
/** Names a field. */
export type FieldId = Id<'field'>
/** Names an option of a field. */
export type OptionId = Id<'option'>
/** Names an item. */
export type ItemId = Id<'item'>
/** Names a board. */
export type BoardId = Id<'board'>
/** Names a saved view. */
export type ViewId = Id<'view'>
/** Names a stretch of days off. */
export type DayOffId = Id<'dayOff'>
/** Names a command, and the entry of the log that it became. */
export type CommandId = Id<'command'>
/** The id of the command that opened the stay, a slash and a counter, so that browser and server agree. */
export type StayId = Id<'stay'>
/**
 * The id of a record that ties two others together (a member, a step, a column's status): their ids with a slash between,
 * so that there can be only one of them.
 */
export type TieId<Thing extends string> = Id<Thing>
/** The id that ties two records together. */
export const tieId = <Thing extends string>(one: string, other: string): TieId<Thing> =>
  `${one}/${other}` as TieId<Thing>

/** Makes ids. The browser and the server pass UUIDv7 makers in; core itself has no source of randomness. */
export type NewId = () => string
