import type { FieldTypeName } from '../fields/names'
import type { UseName } from './names'

/** A field of a project that the product itself reads: whose turn, how late, how much work. */
export interface Use {
  /** The field types that can serve so. */
  readonly types: readonly FieldTypeName[]
  /** What people write above such a column in a file. */
  readonly headers: readonly string[]
}

/** What fields of a project serve as. Core asks for a field by its use, never by its name. */
export const uses: Readonly<Record<UseName, Use>> = {
  assignees: {
    types: ['people'],
    headers: ['assignees', 'who', 'assigned to', 'person', 'people', 'owner', 'responsible', 'done by'],
  },
  reviewer: { types: ['people'], headers: ['reviewer', 'checked by', 'checks it', 'reviewed by'] },
  effort: { types: ['number', 'duration'], headers: ['effort', 'hours', 'estimate', 'work'] },
  start: { types: ['date'], headers: ['start', 'from', 'begins', 'starts'] },
  due: { types: ['date'], headers: ['due', 'until', 'deadline', 'end', 'due date', 'finish by'] },
  need: { types: ['oneOption'], headers: ['need', 'priority', 'how urgent'] },
}
