/** What a project can begin with: each said in names, made whole by `projectOfPattern`. */
import type { FieldTypeName, OptionColour } from '../fields/names'
import type { FieldSettings } from '../fields/settings'
import type { Demand, KindIcon, PaletteColour, Phase } from '../model/records'
import type { UseName } from '../model/names'

/** A status, with the step and the column that it has. */
export interface PatternStatus {
  readonly name: string
  readonly phase: Phase
  readonly colour: PaletteColour
  /** Whose turn it is: by the field's use; the assignees' where it is not said. */
  readonly turn?: 'reviewer' | 'nobody'
  /** How many items its column should hold at most. */
  readonly most?: number
  readonly asks?: readonly (Exclude<Demand, { asks: 'field' }> | { readonly asks: 'field'; readonly field: string })[]
}
/** A field, with what can be chosen for it; what a worked-out one reads is said by names. */
export interface PatternField {
  readonly name: string
  readonly type: FieldTypeName
  readonly help: string
  readonly use?: UseName
  readonly settings?: Omit<FieldSettings, 'of' | 'weight' | 'formula'>
  readonly of?: string
  readonly weight?: string
  /** As it is written. */
  readonly formula?: string
  readonly options?: readonly (readonly [string, OptionColour])[]
  readonly required?: true
}
/** A kind; the fields that it shows by their names, all where that is not said. */
export interface PatternKind {
  readonly name: string
  readonly icon: KindIcon
  readonly shows?: readonly string[]
  /** The kinds that may be inside one, by their names; any where that is not said. */
  readonly inside?: readonly string[]
}
/** A view, with the fields that it shows by their names. */
export interface PatternView {
  readonly name: string
  readonly layout: 'board' | 'table'
  readonly show: readonly string[]
  readonly group?: string | 'status' | 'kind'
  /** What is open alone. */
  readonly isOpen?: true
}
/** What a project can begin with. */
export interface Pattern {
  readonly title: string
  /** Whom it suits, in a line. */
  readonly about: string
  readonly statuses: readonly PatternStatus[]
  readonly kinds: readonly PatternKind[]
  readonly fields: readonly PatternField[]
  readonly views: readonly PatternView[]
}

/** The names of the patterns, as they are offered. */
export const patternNames = ['usual', 'building', 'software', 'editorial', 'requests'] as const
export type PatternName = (typeof patternNames)[number]

const needs = [
  ['must', 'pond'], ['should', 'rain'], ['could', 'flax'], ['not now', 'slate'],
] as const // prettier-ignore
/** Fields that the product itself reads, under the names that a craft gives them. */
const served = {
  assignees: (name: string, help = 'Who does the work.'): PatternField => ({ name, type: 'people', help, use: 'assignees' }), // prettier-ignore
  reviewer: (name: string, help = 'Who checks it.'): PatternField => ({ name, type: 'people', help, use: 'reviewer' }),
  effort: (name = 'effort', help = 'How long it takes, in hours.'): PatternField => ({ name, type: 'number', help, use: 'effort', settings: { unit: 'h', decimals: 2 } }), // prettier-ignore
  start: (name = 'start', help = 'The day it may begin.'): PatternField => ({ name, type: 'date', help, use: 'start' }),
  due: (name = 'due', help = 'The day it must be finished.'): PatternField => ({ name, type: 'date', help, use: 'due' }), // prettier-ignore
  need: (name = 'need', help = 'How much it is needed.'): PatternField => ({ name, type: 'oneOption', help, use: 'need', options: needs }), // prettier-ignore
} as const

const usual: Pattern = {
  title: 'the usual',
  about: 'You start with one kind of item, a workflow from Noted to Accepted, the usual fields, a board and a table.',
  statuses: [
    { name: 'Noted', phase: 'waiting', colour: 'slate' },
    { name: 'Ready', phase: 'waiting', colour: 'leaf' },
    { name: 'In hand', phase: 'active', colour: 'leaf', most: 6 },
    { name: 'Being checked', phase: 'active', colour: 'leaf', turn: 'reviewer' },
    { name: 'Accepted', phase: 'finished', colour: 'leaf' },
    { name: 'Set aside', phase: 'dropped', colour: 'slate' },
  ],
  kinds: [{ name: 'task', icon: 'task' }],
  fields: [
    served.assignees('assignees'),
    served.reviewer('reviewer'),
    served.effort(),
    served.start(),
    served.due(),
    served.need(),
  ],
  views: [
    { name: 'Board', layout: 'board', show: ['assignees', 'due'] },
    { name: 'All items', layout: 'table', show: ['assignees', 'due', 'effort', 'need'] },
  ],
}

const building: Pattern = {
  title: 'building works',
  about: 'Stages, tasks, inspections and defects; costs and progress add up from the tasks to their stage.',
  statuses: [
    { name: 'Planned', phase: 'waiting', colour: 'slate' },
    { name: 'Cleared to start', phase: 'waiting', colour: 'leaf' },
    { name: 'On site', phase: 'active', colour: 'leaf', most: 8 },
    { name: 'Held up', phase: 'waiting', colour: 'wren', asks: [{ asks: 'note' }] },
    { name: 'Inspection', phase: 'active', colour: 'pool', turn: 'reviewer' },
    { name: 'Handed over', phase: 'finished', colour: 'leaf', asks: [{ asks: 'children' }] },
    { name: 'Called off', phase: 'dropped', colour: 'slate' },
  ],
  kinds: [
    { name: 'stage', icon: 'deliverable', inside: ['stage', 'task', 'inspection', 'defect'] },
    { name: 'task', icon: 'task', inside: ['task', 'inspection', 'defect'] },
    { name: 'inspection', icon: 'inspection', inside: ['defect'] },
    { name: 'defect', icon: 'defect', inside: [] },
  ],
  fields: [
    served.assignees('trade'),
    served.reviewer('inspector', 'Who accepts it on site.'),
    served.effort('hours', 'How many hours it takes.'),
    served.start('starts'),
    served.due('done by'),
    { name: 'place', type: 'oneOption', help: 'Where on site it is.', options: [['outside', 'moss'], ['ground floor', 'oat'], ['upstairs', 'iris'], ['roof', 'slate']] }, // prettier-ignore
    { name: 'cost', type: 'money', help: 'What it is expected to cost.' },
    { name: 'weather', type: 'checkbox', help: 'Whether it needs dry weather.' },
    { name: 'cost inside', type: 'rollUp', help: 'What everything inside it is expected to cost.', of: 'cost', settings: { over: 'inside', how: 'sum', gives: 'money' } }, // prettier-ignore
    { name: 'progress', type: 'rollUp', help: 'How much of what is inside is handed over, by hours.', weight: 'hours', settings: { over: 'inside', how: 'finished', gives: 'number', unit: '%' } }, // prettier-ignore
    { name: 'days left', type: 'computed', help: 'Working days until it must be done.', formula: 'working_days(today, `done by`)', settings: { gives: 'number', unit: 'd' } }, // prettier-ignore
  ],
  views: [
    { name: 'Site board', layout: 'board', show: ['trade', 'done by', 'place'] },
    { name: 'All works', layout: 'table', show: ['trade', 'starts', 'done by', 'cost', 'cost inside', 'progress'] },
    { name: 'By place', layout: 'table', show: ['trade', 'done by', 'days left', 'weather'], group: 'place', isOpen: true }, // prettier-ignore
  ],
}

const software: Pattern = {
  title: 'a small software team',
  about: 'Goals, stories, tasks and faults, from idea to released, with a review in between.',
  statuses: [
    { name: 'Ideas', phase: 'waiting', colour: 'slate' },
    { name: 'Next up', phase: 'waiting', colour: 'leaf', most: 12 },
    { name: 'Being built', phase: 'active', colour: 'leaf', most: 5 },
    { name: 'In review', phase: 'active', colour: 'pool', turn: 'reviewer', most: 4 },
    { name: 'Released', phase: 'finished', colour: 'leaf', asks: [{ asks: 'children' }] },
    { name: 'Not doing', phase: 'dropped', colour: 'slate', asks: [{ asks: 'note' }] },
  ],
  kinds: [
    { name: 'goal', icon: 'deliverable', inside: ['story', 'task', 'fault'] },
    { name: 'story', icon: 'request', inside: ['task', 'fault'] },
    { name: 'task', icon: 'task', inside: [] },
    { name: 'fault', icon: 'defect', inside: ['task'] },
  ],
  fields: [
    served.assignees('builder', 'Who builds it.'),
    served.reviewer('reviewer', 'Who reads the change.'),
    { ...served.effort('size', 'How large it is, in days.'), settings: { unit: 'd', decimals: 1 } },
    served.start(),
    served.due('wanted by', 'The day it should be out.'),
    served.need('matters'),
    { name: 'part', type: 'severalOptions', help: 'Which parts it touches.', options: [['screens', 'lilac'], ['server', 'pond'], ['data', 'flax'], ['tools', 'bark']] }, // prettier-ignore
    { name: 'change', type: 'webLink', help: 'Where the change can be read.' },
    { name: 'size inside', type: 'rollUp', help: 'How large everything inside it is.', of: 'size', settings: { over: 'inside', how: 'sum', gives: 'number', unit: 'd', decimals: 1 } }, // prettier-ignore
    { name: 'done', type: 'rollUp', help: 'How much of what is inside is out, by size.', weight: 'size', settings: { over: 'inside', how: 'finished', gives: 'number', unit: '%' } }, // prettier-ignore
  ],
  views: [
    { name: 'Board', layout: 'board', show: ['builder', 'matters', 'part'] },
    { name: 'All of it', layout: 'table', show: ['builder', 'reviewer', 'size', 'matters', 'size inside', 'done'] },
    { name: 'By builder', layout: 'table', show: ['size', 'wanted by', 'matters'], group: 'builder', isOpen: true },
  ],
}

const editorial: Pattern = {
  title: 'editorial',
  about: 'Issues and pieces, from pitch to published, with an editor and a length.',
  statuses: [
    { name: 'Pitched', phase: 'waiting', colour: 'slate' },
    { name: 'Commissioned', phase: 'waiting', colour: 'leaf' },
    { name: 'Being written', phase: 'active', colour: 'leaf' },
    { name: 'With the editor', phase: 'active', colour: 'pool', turn: 'reviewer', most: 6 },
    { name: 'Ready to print', phase: 'active', colour: 'leaf', turn: 'nobody', asks: [{ asks: 'field', field: 'length' }] }, // prettier-ignore
    { name: 'Published', phase: 'finished', colour: 'leaf' },
    { name: 'Spiked', phase: 'dropped', colour: 'slate' },
  ],
  kinds: [
    { name: 'issue', icon: 'deliverable', inside: ['piece'] },
    { name: 'piece', icon: 'plain', inside: [] },
  ],
  fields: [
    served.assignees('writer', 'Who writes it.'),
    served.reviewer('editor', 'Who edits it.'),
    served.effort('hours', 'How long it takes, in hours.'),
    served.start('research from', 'The day work on it begins.'),
    served.due('deadline', 'The day the text is due.'),
    { name: 'section', type: 'oneOption', help: 'Where it stands.', options: [['news', 'pond'], ['portrait', 'blossom'], ['how to', 'moss'], ['opinion', 'flax']] }, // prettier-ignore
    { name: 'length', type: 'number', help: 'How long the text is.', settings: { unit: 'words' } },
    { name: 'published on', type: 'date', help: 'The day it is out.' },
    { name: 'photographs', type: 'checkbox', help: 'Whether there are pictures for it.' },
    { name: 'words inside', type: 'rollUp', help: 'How long all its pieces are.', of: 'length', settings: { over: 'inside', how: 'sum', gives: 'number', unit: 'words' } }, // prettier-ignore
    { name: 'pages', type: 'computed', help: 'About how many pages that is.', formula: 'otherwise(length, `words inside`) / 450', settings: { gives: 'number', decimals: 1 } }, // prettier-ignore
  ],
  views: [
    { name: 'The desk', layout: 'board', show: ['writer', 'deadline', 'section'] },
    { name: 'All pieces', layout: 'table', show: ['writer', 'editor', 'deadline', 'section', 'length', 'pages'] },
    {
      name: 'By section',
      layout: 'table',
      show: ['writer', 'deadline', 'photographs'],
      group: 'section',
      isOpen: true,
    },
  ],
}

const requests: Pattern = {
  title: 'requests',
  about: 'What people ask for: sorted, answered and closed, with who asked and how soon it is needed.',
  statuses: [
    { name: 'New', phase: 'waiting', colour: 'wren' },
    { name: 'Sorted', phase: 'waiting', colour: 'slate' },
    { name: 'Being answered', phase: 'active', colour: 'leaf', most: 10 },
    { name: 'Waiting for them', phase: 'waiting', colour: 'pool', turn: 'nobody' },
    { name: 'Answered', phase: 'finished', colour: 'leaf' },
    { name: 'Turned down', phase: 'dropped', colour: 'slate', asks: [{ asks: 'note' }] },
  ],
  kinds: [
    { name: 'question', icon: 'request' },
    { name: 'complaint', icon: 'defect' },
    { name: 'wish', icon: 'plain' },
  ],
  fields: [
    served.assignees('answered by', 'Who answers it.'),
    served.due('answer by', 'The day it must be answered.'),
    served.need('urgency', 'How soon it is needed.'),
    { name: 'asked by', type: 'shortText', help: 'Who asks.', required: true },
    { name: 'address', type: 'email', help: 'Where the answer goes.' },
    { name: 'telephone', type: 'phone', help: 'How they can be called.' },
    { name: 'came by', type: 'oneOption', help: 'How it reached you.', options: [['mail', 'pond'], ['telephone', 'flax'], ['at the door', 'moss']] }, // prettier-ignore
    { name: 'days waiting', type: 'computed', help: 'Days since it came, until it was finished.', formula: 'age', settings: { gives: 'number', unit: 'd' } }, // prettier-ignore
  ],
  views: [
    { name: 'Requests', layout: 'board', show: ['answered by', 'answer by', 'urgency'] },
    {
      name: 'All requests',
      layout: 'table',
      show: ['asked by', 'answered by', 'answer by', 'urgency', 'days waiting'],
    },
  ],
}

/** Every pattern that comes with the product. */
export const patterns: Readonly<Record<PatternName, Pattern>> = { usual, building, software, editorial, requests }
