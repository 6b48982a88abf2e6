import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import type { CommandId } from '#core/base/ids'
import { problemWords } from '#core/base/words'
import type { Problem } from '#core/base/result'
import type { Command } from '#core/commands/registry'
import { fieldTypes } from '#core/fields/registry'
import type { Value } from '#core/fields/contract'
import { useDirectory } from './directory'
import { useSession } from './session'

type Bare<C> = C extends Command ? Omit<C, 'id' | 'v'> : never
export type BareCommand = Bare<Command>

interface Undoable {
  readonly command: CommandId
  readonly name: string
}
export interface Notice {
  readonly id: number
  readonly text: string
  /** Does it after all, with what is stored now as its ground. */
  readonly again?: () => void
}

/** What this tab changes: sends commands, keeps what can be undone and redone, says what was refused. */
export const useChanges = defineStore('changes', () => {
  const session = useSession()
  const directory = useDirectory()
  const done = shallowRef<readonly Undoable[]>([])
  const undone = shallowRef<readonly Undoable[]>([])
  const notices = ref<Notice[]>([])
  let nextNotice = 1

  const undoName = computed(() => done.value.at(-1)?.name)
  const redoName = computed(() => undone.value.at(-1)?.name)

  /**
   * Does a command. Resolves to false where it could not even be begun; a refusal by the server comes later, as a
   * notice. `again` makes the command anew from what the problem says is stored.
   */
  async function send(bare: BareCommand, again?: (problem: Problem) => BareCommand | undefined): Promise<boolean> {
    const command = { id: v7() as CommandId, v: 1, ...bare } as Command
    const name = await start(command, again)
    if (name === undefined) return false
    done.value = [...done.value, { command: command.id, name }].slice(-200)
    undone.value = []
    return true
  }

  async function start(
    command: Command,
    again?: (problem: Problem) => BareCommand | undefined,
  ): Promise<string | undefined> {
    const api = session.api
    if (!api) return undefined
    // What stands in reactive state cannot be sent to a worker as it is.
    const begun = await api.send(JSON.parse(JSON.stringify(command)) as Command)
    if (!begun.ok) {
      await refuse(command, begun.problem, again)
      return undefined
    }
    void api.settled(command.id).then((settled) => {
      if ('problem' in settled) void refuse(command, settled.problem, again)
    })
    return begun.value.name
  }

  /** A large command: resolves when the server has had its last word. Undefined: it is done. */
  async function sendLarge(bare: BareCommand, name: string): Promise<Problem | undefined> {
    const command = { id: v7() as CommandId, v: 1, ...bare } as Command
    const begun = await session.api?.send(command)
    if (!begun) return { code: 'unexpected' }
    if (!begun.ok) return begun.problem
    const settled = await session.api?.settled(command.id)
    if (!settled || 'problem' in settled) return settled?.problem ?? { code: 'unexpected' }
    done.value = [...done.value, { command: command.id, name }]
    undone.value = []
    return undefined
  }

  async function refuse(
    command: Command,
    problem: Problem,
    again?: (problem: Problem) => BareCommand | undefined,
  ): Promise<void> {
    done.value = done.value.filter((one) => one.command !== command.id)
    const mine = again?.(problem)
    say(await wordsFor(problem), mine && (() => void send(mine)))
  }

  async function wordsFor(problem: Problem): Promise<string> {
    const item = problem.at?.[0]?.item
    const key = item ? ((await session.api?.keyOf(item)) ?? item) : ''
    const { reader } = directory
    return problemWords(problem, {
      key: () => key,
      field: (id) => reader.maybe('field', id)?.name ?? id,
      person: (id) => (id === session.me ? 'You' : (reader.names.person(id) ?? 'Someone')),
      value(id, value) {
        if (id === 'status') return reader.maybe('status', String(value))?.name ?? ''
        if (id === 'kind') return reader.maybe('kind', String(value))?.name ?? ''
        const field = reader.maybe('field', id)
        if (!field) return value === null ? '' : `“${String(value)}”`
        return fieldTypes[field.type].print(value as Value, field.settings, reader.names)
      },
    })
  }

  function say(text: string, again?: () => void): void {
    notices.value.push({ id: nextNotice++, text, ...(again && { again }) })
    if (notices.value.length > 4) notices.value.shift()
  }

  const dismiss = (id: number): void => {
    notices.value = notices.value.filter((one) => one.id !== id)
  }

  /** Takes back this tab's last change, by a command of its own; redo is the revert of that. */
  const undo = (): Promise<void> => takeBack(done, undone)
  const redo = (): Promise<void> => takeBack(undone, done)

  async function takeBack(from: typeof done, to: typeof done): Promise<void> {
    const last = from.value.at(-1)
    if (!last) return
    from.value = from.value.slice(0, -1)
    const command = { id: v7() as CommandId, v: 1, type: 'revert', of: last.command } as Command
    const name = await start(command)
    if (name !== undefined) to.value = [...to.value, { command: command.id, name: last.name }]
  }

  return { undoName, redoName, notices, send, sendLarge, undo, redo, say, dismiss, wordsFor }
})
