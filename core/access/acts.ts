import type { Role } from '../model/names'

const workspaceActs = [
  'name oneself',
  'start projects',
  'name people',
  'manage people',
  'make owners',
  'delete for good',
] as const
/** What is allowed or not in the workspace. */
export type WorkspaceAct = (typeof workspaceActs)[number]
/** What is allowed or not in a project. */
export type ProjectAct =
  'see project' | 'keep own views' | 'change items' | 'keep views for everyone' | 'set up project'
/** Anything that is allowed or not. */
export type Act = WorkspaceAct | ProjectAct
/** Whether an act is one of the workspace; all others are of a project. */
export const isWorkspaceAct = (act: Act): act is WorkspaceAct => (workspaceActs as readonly Act[]).includes(act)

/** What a role may do. */
interface RoleRow {
  readonly inWorkspace: readonly WorkspaceAct[]
  /** In every project, also where the person is no member. */
  readonly everywhere: readonly ProjectAct[]
  /** In a project whose member has the role. */
  readonly asMember: readonly ProjectAct[]
}

const reading: readonly ProjectAct[] = ['see project', 'keep own views']
const working: readonly ProjectAct[] = [...reading, 'change items']
const leading: readonly ProjectAct[] = [...working, 'keep views for everyone', 'set up project']

/** Every role there is: a new one is a row here. */
export const rolesTable: Readonly<Record<Role, RoleRow>> = {
  reader: { inWorkspace: ['name oneself'], everywhere: [], asMember: reading },
  contributor: { inWorkspace: ['name oneself', 'name people'], everywhere: [], asMember: working },
  lead: {
    inWorkspace: ['name oneself', 'name people', 'manage people', 'start projects'],
    everywhere: leading,
    asMember: leading,
  },
  owner: {
    inWorkspace: ['name oneself', 'name people', 'manage people', 'start projects', 'make owners', 'delete for good'],
    everywhere: leading,
    asMember: leading,
  },
}
