declare const brand: unique symbol
/** An id that cannot be mistaken for another thing's id. A UUID in text form, except where a maker says otherwise. */
export type Id<Thing extends string> = string & { readonly [brand]: Thing }

export type PersonId = Id<'person'>
export type ProjectId = Id<'project'>
export type WorkflowId = Id<'workflow'>
export type StatusId = Id<'status'>
export type KindId = Id<'kind'>
export type FieldId = Id<'field'>
export type ItemId = Id<'item'>
export type BoardId = Id<'board'>
export type ViewId = Id<'view'>
export type CommandId = Id<'command'>
/** The id of the command that opened the stay, a slash and a counter, so that browser and server agree. */
export type StayId = Id<'stay'>

/** Makes ids. The browser and the server pass UUIDv7 makers in; core itself has no source of randomness. */
export type NewId = () => string
