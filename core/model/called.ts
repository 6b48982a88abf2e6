import type { Project } from './records'

/** What every item has, and a project may call otherwise. */
export const builtInNames = ['title', 'status'] as const
export type BuiltIn = (typeof builtInNames)[number]

/** What a project calls it; undefined: as everyone does. */
export const calledIn = (project: Project | undefined, of: BuiltIn): string | undefined =>
  project?.called?.[of]?.name ?? undefined
