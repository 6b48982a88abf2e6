declare const brand: unique symbol
/** An id that cannot be mistaken for another thing's. A UUID in text form, except where its type says otherwise. */
export type Id<Thing extends string> = string & { readonly [brand]: Thing }

export type PersonId = Id<'person'>
export type ProjectId = Id<'project'>
export type WorkflowId = Id<'workflow'>
export type StatusId = Id<'status'>
export type KindId = Id<'kind'>
export type FieldId = Id<'field'>
export type OptionId = Id<'option'>
export type ItemId = Id<'item'>
export type BoardId = Id<'board'>
export type ViewId = Id<'view'>
export type CommandId = Id<'command'>
/** The id of the command that opened the stay, a slash and a counter, so that browser and server agree. */
export type StayId = Id<'stay'>
/**
 * The id of a record that ties two others together (a member, a step, a column's status): their ids with a slash between,
 * so that there can be only one of them.
 */
export type TieId<Thing extends string> = Id<Thing>
export const tieId = <Thing extends string>(one: string, other: string): TieId<Thing> =>
  `${one}/${other}` as TieId<Thing>

/** Makes ids. The browser and the server pass UUIDv7 makers in; core itself has no source of randomness. */
export type NewId = () => string
