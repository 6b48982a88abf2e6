/** What each role may do, as the page in the docs says it. */
import { roles } from '../model/names'
import { isWorkspaceAct, rolesTable, type Act } from './acts'
import { actWords } from './problem-words'

const tick = '✓'
const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`

/** Markdown; made again by `npm run docs:tables`. */
export function rolesPage(): string {
  const acts = Object.entries(actWords) as [Act, string][]
  const head = (first: string) => [line([first, ...roles]), line(['---', ...roles.map(() => ':-:')])]
  const rows = (all: readonly [Act, string][], has: (role: (typeof roles)[number], act: Act) => string) =>
    all.map(([act, words]) => line([words, ...roles.map((role) => has(role, act))]))
  const inWorkspace = acts.filter(([act]) => isWorkspaceAct(act))
  const inProject = acts.filter(([act]) => !isWorkspaceAct(act))
  return [
    '# What each role may do',
    '',
    'Made from `core/access/acts.ts` by `npm run docs:tables`.',
    '',
    '## In the workspace',
    '',
    ...head('With this role in the workspace one may'),
    ...rows(inWorkspace, (role, act) => ((rolesTable[role].inWorkspace as readonly Act[]).includes(act) ? tick : '')),
    '',
    '## In a project',
    '',
    'Owners and leads of the workspace have the right in every project, and membership never lowers it. Everybody else sees a',
    'project only as a member of it.',
    '',
    ...head('As a member with this role one may'),
    ...rows(inProject, (role, act) => ((rolesTable[role].asMember as readonly Act[]).includes(act) ? tick : '')),
    '',
  ].join('\n')
}
