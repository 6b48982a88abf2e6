/** What the model's closed lists hold. */
import { optionColours } from '../fields/contract'

export const phases = ['waiting', 'active', 'finished', 'dropped'] as const
export type Phase = (typeof phases)[number]
export const roles = ['reader', 'contributor', 'lead', 'owner'] as const
export type Role = (typeof roles)[number]

/** A colour of the palette: for people, projects and statuses. */
export const paletteColours = [...optionColours, 'leaf', 'wren', 'pool'] as const
export type PaletteColour = (typeof paletteColours)[number]
export const kindIcons = ['task', 'defect', 'inspection', 'deliverable', 'request', 'plain'] as const
export type KindIcon = (typeof kindIcons)[number]
