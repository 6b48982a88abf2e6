/** The closed lists of the model, without any code that reads or checks them. */
import { optionColours } from '../fields/names'

export const phases = ['waiting', 'active', 'finished', 'dropped'] as const
export type Phase = (typeof phases)[number]
/** From the one that may least to the one that may most; `core/access` says what each may do. */
export const roles = ['reader', 'contributor', 'lead', 'owner'] as const
export type Role = (typeof roles)[number]

/** A colour of the palette: for people, projects and statuses. */
export const paletteColours = [...optionColours, 'leaf', 'wren', 'pool'] as const
export type PaletteColour = (typeof paletteColours)[number]
export const kindIcons = ['task', 'defect', 'inspection', 'deliverable', 'request', 'plain'] as const
export type KindIcon = (typeof kindIcons)[number]

/** What a field of a project can serve as; `uses.ts` says more of each. */
export const useNames = ['assignees', 'reviewer', 'effort', 'start', 'due', 'need'] as const
export type UseName = (typeof useNames)[number]

/** What the product itself knows of every item; `core/facts` says how. */
export const automaticFactNames = [
  'key', 'title', 'status', 'kind', 'phase', 'people', 'turn', 'late', 'age', 'level', 'parent', 'statusSince', 'started',
  'finished', 'created', 'createdBy', 'changed', 'changedBy', 'rank',
] as const // prettier-ignore
export type AutomaticFactName = (typeof automaticFactNames)[number]

/** How a view can draw; `core/layouts` says more of each. */
export const layoutNames = ['table', 'board'] as const
export type LayoutName = (typeof layoutNames)[number]

/** Periods by which days are grouped. */
export const grains = ['day', 'week', 'month', 'quarter', 'year'] as const
export type Grain = (typeof grains)[number]
export const totalNames = [
  'count', 'sum', 'average', 'median', 'least', 'most', 'filled', 'empty', 'share', 'distinct',
] as const // prettier-ignore
export type TotalName = (typeof totalNames)[number]
