/** The closed lists of the model, without any code that reads or checks them. */
import { optionColours } from '../fields/names'

/** What a status means to all projects. */
export const phases = ['waiting', 'active', 'finished', 'dropped'] as const
/** What a status means to all projects. */
export type Phase = (typeof phases)[number]
/** From the one that may least to the one that may most; `core/access` says what each may do. */
export const roles = ['reader', 'contributor', 'lead', 'owner'] as const
/** What somebody is in the workspace or a project. */
export type Role = (typeof roles)[number]

/** Those that entering a status can ask for. */
export const demandedRoles = ['lead', 'owner'] as const satisfies readonly Role[]

/** How somebody’s pages look: by day, by night, or as their system has it. */
export const themes = ['system', 'day', 'night'] as const
/** How close together rows stand. */
export const densities = ['close', 'usual', 'roomy'] as const

/** A colour of the palette: for people, projects and statuses. */
export const paletteColours = [...optionColours, 'leaf', 'wren', 'pool'] as const
/** The name of a colour of the palette. */
export type PaletteColour = (typeof paletteColours)[number]
/** The signs of kinds. */
export const kindIcons = ['task', 'defect', 'inspection', 'deliverable', 'request', 'plain'] as const
/** The sign of a kind. */
export type KindIcon = (typeof kindIcons)[number]

/** What a field of a project can serve as; `uses.ts` says more of each. */
export const useNames = ['assignees', 'reviewer', 'effort', 'start', 'due', 'need'] as const
/** What a field of a project can serve as. */
export type UseName = (typeof useNames)[number]

/** What the product itself knows of every item; `core/facts` says how. */
export const automaticFactNames = [
  'key', 'title', 'status', 'kind', 'phase', 'people', 'turn', 'late', 'overEffort', 'age', 'inPhase', 'outline', 'level', 'parent', 'statusSince', 'started',
  'finished', 'created', 'createdBy', 'changed', 'changedBy', 'untouched', 'rank', 'place',
] as const // prettier-ignore
/** The name of an automatic fact. */
export type AutomaticFactName = (typeof automaticFactNames)[number]

/** Whether a key names an automatic fact, and no field. */
export const isAutomatic = (key: string): key is AutomaticFactName =>
  (automaticFactNames as readonly string[]).includes(key)

/** How a view can draw; `core/layouts` says more of each. */
export const layoutNames = ['table', 'board', 'outline'] as const
/** The name of a layout. */
export type LayoutName = (typeof layoutNames)[number]

/** The signs of signals, which are told apart without colour. */
export const signalSigns = ['flag', 'clock', 'alert', 'stop', 'diamond', 'drop', 'eye', 'tick', 'cross', 'ring', 'star', 'bolt'] as const // prettier-ignore
/** The sign of a signal. */
export type SignalSign = (typeof signalSigns)[number]
/** The most signals that a view has. */
export const mostSignals = 12

/** Periods by which days are grouped. */
export const grains = ['day', 'week', 'month', 'quarter', 'year'] as const
/** A period by which days are grouped. */
export type Grain = (typeof grains)[number]
/** What can be worked out of the items of a group. */
export const totalNames = [
  'count', 'sum', 'average', 'median', 'least', 'most', 'filled', 'empty', 'share', 'distinct',
] as const // prettier-ignore
/** What can be worked out of the items of a group. */
export type TotalName = (typeof totalNames)[number]

/** The narrowest and widest that a column can be dragged, in px. */
export const [leastWidth, mostWidth] = [40, 1200] as const

/** The most columns after the title that stay in sight, and the most lines of text that a row has room for. */
export const [mostFrozen, mostLines] = [6, 6] as const

/** The most levels that an outline can be told to be open to: as good as all. */
export const mostOpen = 20

/** The largest limit of a column: items, or a sum at the scale of its field. */
export const mostAmount = 1_000_000_000
