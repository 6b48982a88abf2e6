/** Reads a file and works out what its rows become, away from the page's thread. */
import { expose } from 'comlink'
import { v7 } from 'uuid'
import { problem, type Problem } from '#core/base/result'
import { proposeColumns, type ColumnPlan } from '#core/bring-in/columns'
import { parseCsv, type CsvTable } from '#core/bring-in/csv'
import { planRows, type Choices, type Fault, type Plan } from '#core/bring-in/plan'
import type { BringInBody } from '#core/bring-in/command'
import type { EntityName, Item, ProjectId, Records } from '#core/model/records'
import { State } from '#core/model/state'

export interface ReadFile {
  readonly header: readonly string[]
  readonly records: number
  readonly delimiter: string
  readonly columns: readonly ColumnPlan[]
}
export interface PlanSummary {
  readonly items: number
  readonly faults: readonly Fault[]
  readonly movedUp: Plan['movedUp']
  readonly unknownStatuses: readonly string[]
  readonly peopleNamed: number
  readonly levels: number
  readonly newPeople: number
  readonly newKinds: number
  readonly newFields: number
}
export interface ShownRow {
  readonly line: number
  readonly cells: readonly string[]
  readonly level: number
  readonly isLeftOut: boolean
}

/** The largest file that is read, in bytes. */
const largestFile = 40 << 20

export class BringInApi {
  #state = new State()
  #table: CsvTable | undefined
  #plan: Plan | undefined
  #isStopped = false

  /** What there is to match columns and cells against. */
  ground(records: Partial<Record<EntityName, readonly { id: string }[]>>, items: readonly Item[]): void {
    this.#state = new State()
    for (const [entity, all] of Object.entries(records))
      for (const one of all) this.#state.put(entity as EntityName, one.id, one as Records[EntityName])
    for (const item of items) this.#state.put('item', item.id, item)
  }

  stop(): void {
    this.#isStopped = true
  }

  async read(
    file: Blob,
    project: ProjectId,
    progress: (done: number) => void,
  ): Promise<ReadFile | { problem: Problem } | undefined> {
    this.#isStopped = false
    if (file.size > largestFile) return { problem: problem('too-large') }
    const text = await this.#textOf(file, progress)
    if (typeof text !== 'string') return text
    const table = parseCsv(text)
    if (!table.ok) return { problem: table.problem }
    this.#table = table.value
    const { header, records, delimiter } = table.value
    return { header, records: records.length, delimiter, columns: proposeColumns(table.value, this.#state, project) }
  }

  /** Undefined: it was stopped. */
  async #textOf(file: Blob, progress: (done: number) => void): Promise<string | { problem: Problem } | undefined> {
    const decoder = new TextDecoder('utf-8', { fatal: true })
    const reader = file.stream().getReader()
    const parts: string[] = []
    let done = 0
    try {
      for (let next = await reader.read(); !next.done; next = await reader.read()) {
        if (this.#isStopped) return undefined
        parts.push(decoder.decode(next.value, { stream: true }))
        done += next.value.length
        progress(done)
      }
      parts.push(decoder.decode())
      return parts.join('')
    } catch {
      const line = 1 + parts.join('').split('\n').length - 1
      return { problem: problem('unreadable', { where: `near line ${line} it is not UTF-8 text` }) }
    }
  }

  plan(project: ProjectId, columns: readonly ColumnPlan[], choices: Choices): PlanSummary | undefined {
    const found = this.#state.maybe('project', project)
    if (!this.#table || !found) return undefined
    this.#plan = planRows(this.#table, columns, choices, this.#state, found, v7)
    const { body, faults, movedUp, unknownStatuses, peopleNamed, levels } = this.#plan
    return {
      items: body.items.length, faults, movedUp, unknownStatuses, peopleNamed, levels,
      newPeople: body.people.length, newKinds: body.kinds.length, newFields: body.fields.length,
    } // prettier-ignore
  }

  rows(from: number, to: number): ShownRow[] {
    return (this.#plan?.rows ?? []).slice(from, to).map(({ line, cells, item, level }) => ({
      line,
      cells: cells.map((cell) => cell.slice(0, 200)),
      level,
      isLeftOut: !item,
    }))
  }

  /** Where a line stands among the rows. */
  placeOf(line: number): number {
    return this.#plan?.rows.findIndex((row) => row.line === line) ?? -1
  }

  body(): BringInBody | undefined {
    return this.#plan?.body
  }
}

expose(new BringInApi())
