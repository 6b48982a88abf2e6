import { kindsOf, stepsOf, type Reader } from '../model/reader'
import type { Phase, Project, Status, StatusId, Step } from '../model/records'
import { listed } from './wording'

/** A piece of the sentence; with a status, a phrase that stands for it. */
export interface WorkflowPhrase {
  readonly text: string
  readonly status?: StatusId
}

interface Stop {
  readonly step: Step
  readonly status: Status
}

/** A workflow in plain words: `In Glasshouse a task starts as Noted, waits as Ready, … and ends as Accepted.` */
export function workflowSentence(reader: Reader, project: Project, workflow: string): WorkflowPhrase[] {
  const start = reader.maybe('workflow', workflow)?.start
  const stops = stepsOf(reader, workflow).flatMap((step): Stop[] => {
    const status = reader.maybe('status', step.status)
    return status ? [{ step, status }] : []
  })
  const first = stops.find(({ status }) => status.id === start)
  const in_ = (...phases: Phase[]) => stops.filter((stop) => stop !== first && phases.includes(stop.status.phase))
  const clauses = [
    first ? clause('starts as', [first], 'and', () => '') : [],
    clause('waits as', in_('waiting'), 'and', () => ''),
    clause('is worked on as', in_('active'), 'and', ({ step }) => turnWords(reader, step)),
    clause('ends as', in_('finished', 'dropped'), 'or', () => ''),
  ].filter((one) => one.length)
  return [
    { text: `In ${project.name} ${kindWords(reader, project, workflow)} ` },
    ...clauses.flatMap((one, i) => [{ text: i === 0 ? '' : i === clauses.length - 1 ? ', and ' : ', ' }, ...one]),
    { text: '.' },
  ].filter(({ text }) => text)
}

function clause(
  does: string,
  stops: readonly Stop[],
  word: 'and' | 'or',
  more: (stop: Stop) => string,
): WorkflowPhrase[] {
  const said = stops.length > mostSaid ? stops.slice(0, mostSaid - 1) : stops
  const rest = stops.length - said.length
  return [
    ...said.flatMap((stop, i): WorkflowPhrase[] => [
      { text: i === 0 ? `${does} ` : i === stops.length - 1 ? ` ${word} ` : ', ' },
      { text: cut(stop.status.name), status: stop.status.id },
      { text: more(stop) },
    ]),
    ...(rest ? [{ text: ` and ${rest} more` }] : []),
  ]
}
/** So many statuses of a clause are said, the table has all of them; and so much of a name. */
const [mostSaid, longestName] = [7, 60]
const cut = (name: string): string => (name.length > longestName ? `${name.slice(0, longestName).trim()}…` : name)

/** Who works on it there. */
function turnWords(reader: Reader, { turn }: Step): string {
  if (turn.of === 'nobody') return ' by nobody in particular'
  if (turn.of === 'assignees') return ' by its assignees'
  return ` by its ${reader.maybe('field', turn.field)?.name ?? 'assignees'}`
}

const mostKinds = 4
function kindWords(reader: Reader, project: Project, workflow: string): string {
  const kinds = kindsOf(reader, project.id).filter((kind) => kind.workflow === workflow)
  if (!kinds.length || kinds.length > mostKinds) return 'an item'
  const names = kinds.map(({ name }) => name)
  return `${/^[aeiou]/i.test(names[0] ?? '') ? 'an' : 'a'} ${listed(names, 'or')}`
}
