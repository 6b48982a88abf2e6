/** How what is stored and sent is read: one schema a record. The types made from them are in `records.ts`. */
import * as z from 'zod/mini'
import { email, instant, list, name, plainDate, rank, text, whole } from '../base/schemas'
import * as ids from '../base/id-schemas'
import { fieldTypeNames, optionColours } from '../fields/names'
import { fieldSettings, settingsOf } from '../fields/settings'
import { valueRecord } from '../fields/value-record'
import { weekMinutes } from '../base/week'
import { allowsRecord, foldsRecord, viewDefinition, widthsRecord } from './definition'
import { demandedRoles, densities, kindIcons, mostAmount, paletteColours, phases, roles, themes } from './names'

const colour = z.enum(paletteColours)

const isTimeZone = (timeZone: string): boolean => {
  try {
    return !!new Intl.DateTimeFormat('en', { timeZone })
  } catch {
    return false
  }
}
/** A zone whose clocks this machine knows, by its IANA name: `Europe/Berlin`. */
export const timeZone = text(60, 1).check(z.refine(isTimeZone))
/** One team's installation. */
export const workspaceRecord = z.object({
  id: text(64, 1),
  name,
  timeZone,
  /** Weekdays worked, 1 for Monday to 7 for Sunday. */
  workingWeek: list(whole(1, 7), 7),
  demo: z.boolean(),
})

/** Days on which a person does not work, or nobody. */
export const dayOffRecord = z.object({
  id: ids.dayOffId,
  /** Null: everyone. */
  person: z.nullable(ids.personId),
  from: plainDate,
  /** The last of them. */
  to: plainDate,
  /** What they are for; empty: nobody says. */
  name: text(120),
})

/** Somebody of the team. */
export const personRecord = z.object({
  id: ids.personId,
  name,
  email: z.nullable(email),
  /** None: a person without an account. */
  role: z.nullable(z.enum(roles)),
  colour,
  /** Minutes that the person works on each weekday, Monday first. */
  hours: weekMinutes,
  /** People who do the same kind of work have the same: a person's own team. None: of no craft. */
  craft: z.optional(z.nullable(text(60, 1))),
  active: z.boolean(),
})

const use = z.nullable(ids.fieldId)
/** Which field of the project serves as what; each may be none. */
export const usesRecord = z.object({ assignees: use, reviewer: use, effort: use, start: use, due: use, need: use })

const called = z.optional(z.nullable(z.object({ name: z.nullable(name), help: text(500) })))
/** What a project calls title and status, which every item has; no name: as everyone does. */
export const calledRecord = z.nullable(z.object({ title: called, status: called }))
/** What a team works on. */
export const projectRecord = z.object({
  id: ids.projectId,
  name,
  prefix: z.string().check(z.regex(/^[A-Z][A-Z0-9]{1,7}$/)),
  oldPrefixes: z.array(z.string()),
  colour,
  rank,
  archived: z.boolean(),
  /** Kept for others to begin with: nobody works on it. */
  pattern: z.optional(z.nullable(z.boolean())),
  uses: usesRecord,
  called: z.optional(calledRecord),
  nextNumber: whole(1),
})

/** `id`: project and person. */
export const memberRecord = z.object({
  id: ids.tieIdOf<'member'>(),
  project: ids.projectId,
  person: ids.personId,
  role: z.enum(roles),
})

/** Where items of a project can stand. */
export const statusRecord = z.object({
  id: ids.statusId,
  project: ids.projectId,
  name,
  phase: z.enum(phases),
  colour,
  rank,
  archived: z.boolean(),
})

/** `start`: the status in which an item begins. */
export const workflowRecord = z.object({ id: ids.workflowId, project: ids.projectId, name, start: ids.statusId })

/** Whose move it is. A field is one of people; where it is empty the turn falls to the assignees. */
export const turnRecord = z.discriminatedUnion('of', [
  z.object({ of: z.literal('assignees') }),
  z.object({ of: z.literal('field'), field: ids.fieldId }),
  z.object({ of: z.literal('nobody') }),
])
/** One thing that entering a status asks for. */
export const demandRecord = z.discriminatedUnion('asks', [
  z.object({ asks: z.literal('field'), field: ids.fieldId }),
  /** Everything inside it is over. */
  z.object({ asks: z.literal('children') }),
  z.object({ asks: z.literal('note') }),
  /** Whoever moves it has at least this role in the project. */
  z.object({ asks: z.literal('role'), role: z.enum(demandedRoles) }),
  /** Whoever moves it is none of its assignees. */
  z.object({ asks: z.literal('another') }),
])
/** Where items may go from a status; null: to any other of the workflow. */
export const goesToRecord = z.nullable(list(ids.statusId, 200))
/** What entering a status asks for; null: nothing. */
export const asksRecord = z.nullable(list(demandRecord, 40))
/** A status as a workflow has it. `id`: workflow and status. */
export const stepRecord = z.object({
  id: ids.tieIdOf<'step'>(),
  workflow: ids.workflowId,
  status: ids.statusId,
  rank,
  turn: turnRecord,
  /** May speak of statuses that have gone, which nothing goes to. */
  goesTo: z.optional(goesToRecord),
  /** May speak of fields that have gone, which nothing asks for. */
  asks: z.optional(asksRecord),
})
/** What was said when an item last entered a status that asks for it. `id`: status and item. */
export const moveNoteRecord = z.object({
  id: ids.tieIdOf<'moveNote'>(),
  status: ids.statusId,
  item: ids.itemId,
  text: text(500, 1),
  by: ids.personId,
  at: instant,
})

/** That two items belong together. `field`: as which the item at `from` holds the one at `to` (`links.ts`). */
export const linkRecord = z.object({ id: ids.linkId, field: ids.fieldId, from: ids.itemId, to: ids.itemId })

/** What a new item has in a field where nobody says it. */
export const fallbackRecord = z.discriminatedUnion('is', [
  z.object({ is: z.literal('value'), value: valueRecord }),
  /** So many working days after the day on which it is made. */
  z.object({ is: z.literal('today'), days: whole(-366, 366) }),
  /** Whoever makes it. */
  z.object({ is: z.literal('maker') }),
  /** One more than the most that any item holds. */
  z.object({ is: z.literal('next') }),
])
/** In which groups an item of a kind shows its fields: each goes from one field to where the next begins; null: in none. */
export const groupsRecord = z.nullable(list(z.object({ name, from: ids.fieldId }), 60))
/** What a new item of a kind has where nobody says it, by field, in place of what the field says. May speak of some that have gone. */
export const defaultsRecord = z.nullable(z.record(ids.fieldId, fallbackRecord))
/** The fields that an item of a kind shows, in their order; null: all of the project's. May speak of some that have gone. */
export const showsRecord = z.nullable(list(ids.fieldId, 200))
/** The kinds that may be inside one; null: any. May speak of some that have gone. */
export const insideRecord = z.nullable(list(ids.kindId, 100))
/** What sort of items a project has. */
export const kindRecord = z.object({
  id: ids.kindId,
  project: ids.projectId,
  workflow: ids.workflowId,
  name,
  icon: z.enum(kindIcons),
  rank,
  archived: z.boolean(),
  shows: z.optional(showsRecord),
  inside: z.optional(insideRecord),
  groups: z.optional(groupsRecord),
  defaults: z.optional(defaultsRecord),
})

const fieldBase = {
  id: ids.fieldId,
  project: ids.projectId,
  name,
  help: text(500),
  rank,
  archived: z.boolean(),
}
/** What is kept of each item of a project. */
export const fieldRecord = z.object({
  ...fieldBase,
  type: z.enum(fieldTypeNames),
  settings: fieldSettings,
  /** Every new item has something in it; what is from before stays. */
  required: z.optional(z.nullable(z.boolean())),
  fallback: z.optional(z.nullable(fallbackRecord)),
}).check(z.refine((field) => settingsOf[field.type].safeParse(field.settings).success, { path: ['settings'] })) // prettier-ignore

/** A value that can be chosen for a field. */
export const optionRecord = z.object({
  id: ids.optionId,
  field: ids.fieldId,
  label: name,
  colour: z.enum(optionColours),
  rank,
  archived: z.boolean(),
})

/** The columns of a project. */
export const boardRecord = z.object({ id: ids.boardId, project: ids.projectId, name, rank, archived: z.boolean() })
/** A column of a board. */
export const columnRecord = z.object({
  id: ids.columnId,
  board: ids.boardId,
  name,
  rank,
  archived: z.boolean(),
  /** What belongs here, in a line. */
  belongs: z.optional(z.nullable(text(200))),
  /** When it may leave, in a line. */
  leaves: z.optional(z.nullable(text(200))),
})
/** A status that a column holds: of items of every kind, or of one. `id`: column and status. */
export const columnStatusRecord = z.object({
  id: ids.tieIdOf<'columnStatus'>(),
  column: ids.columnId,
  status: ids.statusId,
  kind: z.nullable(ids.kindId),
})
const amount = z.nullable(whole(0, mostAmount))
/** How much a column should hold. `id`: column and `items`. */
export const limitRecord = z.object({
  id: ids.tieIdOf<'limit'>(),
  column: ids.columnId,
  most: amount,
  /** Less than that is told. */
  least: z.optional(amount),
  /** The number field whose values are summed, at its scale; none: items are counted. */
  of: z.optional(z.nullable(ids.fieldId)),
  /** Nothing but set-up and undo takes the column further past `most`, unless a lead overrules it. */
  stops: z.optional(z.boolean()),
})
/** That a lead let an item past the limit of a column, and why. `id`: column and item. */
export const overruleRecord = z.object({
  id: ids.tieIdOf<'overrule'>(),
  column: ids.columnId,
  item: ids.itemId,
  reason: text(500, 1),
  by: ids.personId,
  at: instant,
})

/** How a person has pages look everywhere, which nobody else sees. `id`: the person. */
export const preferenceRecord = z.object({
  id: ids.personId,
  theme: z.enum(themes),
  density: z.enum(densities),
  /** 1 for Monday to 7 for Sunday. */
  weekStart: whole(1, 7),
  /** The projects that are folded in the index. */
  folded: list(ids.projectId, 1000),
})

/** Who sees a view: its maker alone, all who see the project, or some of them besides its maker. */
export const audienceRecord = z.discriminatedUnion('of', [
  z.object({ of: z.literal('maker') }),
  z.object({ of: z.literal('project') }),
  z.object({ of: z.literal('people'), people: list(ids.personId, 200, 1) }),
])
/** How wide a person has made the columns of a view and what they have folded in it, which nobody else sees. `id`: view and person. */
export const lookRecord = z.object({
  id: ids.tieIdOf<'look'>(),
  project: ids.projectId,
  view: ids.viewId,
  person: ids.personId,
  widths: widthsRecord,
  folds: z.optional(z.nullable(foldsRecord)),
})
/** A saved view of a project. */
export const viewRecord = z.object({
  id: ids.viewId,
  project: ids.projectId,
  maker: ids.personId,
  audience: audienceRecord,
  name,
  rank,
  definition: viewDefinition,
  /** What it is for. */
  about: z.optional(z.nullable(text(500))),
  /** Under which it is listed. */
  heading: z.optional(z.nullable(name)),
  /** What is added through it gets, where nobody says otherwise. */
  gives: z.optional(defaultsRecord),
  /** What may be done to items through it; null: whatever one may do in the project. */
  allows: z.optional(z.nullable(allowsRecord)),
  /** When it went into the bin. */
  archived: z.optional(z.nullable(instant)),
})
