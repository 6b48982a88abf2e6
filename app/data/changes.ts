import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import type { CommandId } from '#core/base/ids'
import { problemWords } from '#core/access/problem-words'
import type { Problem } from '#core/base/result'
import type { BareCommand } from '#core/commands/registry'
import { fieldTypes } from '#core/fields/registry'
import type { Value } from '#core/fields/value'
import { fieldContext } from '#core/model/reader'
import { useDirectory } from './directory'
import { useSession } from './session'

interface Undoable {
  readonly command: CommandId
  readonly name: string
}
/** Makes a command anew from what a problem says is stored. */
type Again = (problem: Problem) => BareCommand | undefined

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
  const send = (bare: BareCommand, again?: Again): Promise<boolean> =>
    inTurn(async () => {
      const begun = await start(bare, again)
      if (begun) note(begun)
      return !!begun
    })

  let last: Promise<unknown> = Promise.resolve()
  /** One after another: what is taken back is what was done last, however fast the keys come. */
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const done = last.then(work)
    last = done.catch(() => undefined)
    return done
  }

  async function start(bare: BareCommand, again?: Again): Promise<Undoable | undefined> {
    const { api } = session
    if (!api) return undefined
    const command = v7() as CommandId
    // What is in reactive state cannot be sent to a worker as it is.
    const begun = await api.send(command, JSON.parse(JSON.stringify(bare)) as BareCommand)
    if (!begun.ok) {
      await refuse(command, begun.problem, again)
      return undefined
    }
    void api.settled(command).then((settled) => {
      if ('problem' in settled) void refuse(command, settled.problem, again)
    })
    return { command, name: begun.value.name }
  }

  /** Resolves when the server has had its last word. Undefined: it is done. */
  async function sendAndWait(bare: BareCommand, name: string): Promise<Problem | undefined> {
    const command = v7() as CommandId
    const begun = await session.api?.send(command, bare)
    if (!begun) return { code: 'unexpected' }
    if (!begun.ok) return begun.problem
    const settled = await session.api?.settled(command)
    if (!settled || 'problem' in settled) return settled?.problem ?? { code: 'unexpected' }
    note({ command, name })
    return undefined
  }

  function note(one: Undoable): void {
    done.value = [...done.value, one].slice(-200)
    undone.value = []
  }

  async function refuse(command: CommandId, problem: Problem, again?: Again): Promise<void> {
    done.value = done.value.filter((one) => one.command !== command)
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
        return fieldTypes[field.type].print(value as Value, fieldContext(reader, field))
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
  const undo = (): Promise<void> => inTurn(() => takeBack(done, undone))
  const redo = (): Promise<void> => inTurn(() => takeBack(undone, done))

  async function takeBack(from: typeof done, to: typeof done): Promise<void> {
    const last = from.value.at(-1)
    if (!last) return
    from.value = from.value.slice(0, -1)
    const begun = await start({ type: 'revert', of: last.command })
    if (begun) to.value = [...to.value, { ...begun, name: last.name }]
  }

  return { undoName, redoName, notices, send, sendAndWait, undo, redo, say, dismiss, wordsFor }
})
