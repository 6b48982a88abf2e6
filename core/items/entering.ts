/** Where items may go from a status, and what entering one asks for. */
import { accountOf, memberId } from '../access/access'
import { isEmptyValue } from '../fields/contract'
import { idsOf } from '../fields/value'
import type { Lookup } from '../model/entities'
import { maybeStep } from '../model/reader'
import { roles, type Demand, type Item, type PersonId, type ProjectId, type Role, type Step } from '../model/records'

/** What entering the status of a step asks for, without what can no longer be had. */
export function demandsOf(found: Lookup, step: Step | undefined): Demand[] {
  return (step?.asks ?? []).filter((one) => one.asks !== 'field' || found.maybe('field', one.field)?.archived === false)
}

/** Whether an item goes from one status of a workflow to another. Out of one that is not of the workflow it goes anywhere. */
export function mayGo(found: Lookup, workflow: string | undefined, from: string, to: string): boolean {
  const goesTo = from === to ? null : (maybeStep(found, workflow, from)?.goesTo ?? null)
  return !goesTo || (goesTo as readonly string[]).includes(to)
}

/** Whether somebody has at least a role, in the workspace or in a project. */
export function hasRole(found: Lookup, person: PersonId, project: ProjectId, role: Role): boolean {
  const own = accountOf(found, person)
  const member = own && found.maybe('member', memberId(project, person))?.role
  return [own?.role, member].some((one) => one && roles.indexOf(one) >= roles.indexOf(role))
}

/** Who works on an item. */
export const assigneesOf = (found: Lookup, item: Pick<Item, 'project' | 'values'>): readonly string[] => {
  const field = found.maybe('project', item.project)?.uses.assignees
  return field ? idsOf(item.values[field]) : []
}

/** What is asked for and can be filled in by whoever moves an item: fields, and a note. */
export const lacks = (item: Pick<Item, 'values'>, demand: Demand, hasNote: boolean): boolean =>
  demand.asks === 'field' ? isLacking(item.values[demand.field]) : demand.asks === 'note' && !hasNote

/** A box that is not ticked is nothing filled in. */
export const isLacking = (value: Item['values'][string] | undefined): boolean =>
  value === undefined || value === false || isEmptyValue(value)
