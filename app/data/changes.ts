import { defineStore } from 'pinia'
import { v7 } from 'uuid'
import { computed, shallowRef } from 'vue'
import { oneByOne } from '#core/base/one-by-one'
import type { CommandId } from '#core/base/ids'
import { fail, ok, type Problem, type Result } from '#core/base/result'
import type { BareCommand } from '#core/commands/registry'
import { noticeWords } from '../shell/words'
import { useDirectory } from './directory'
import { noticeList } from './notices'
import { canBeFilled, type Lacking } from './filled'
import { canBeOverruled, type Full } from './overruled'
import { problemSaid } from './problem-said'
import { useSession } from './session'
import { useThrough } from './through'

export type { Full, Lacking }

interface Undoable {
  readonly command: CommandId
  readonly name: string
}
/** Makes a command again from what a problem says is stored. */
type Again = (problem: Problem) => BareCommand | undefined

const noWorker: Problem = { code: 'unexpected' }

/** What this tab changes: sends commands, keeps what can be undone and redone, says what was refused. */
export const useChanges = defineStore('changes', () => {
  const session = useSession()
  const directory = useDirectory()
  const through = useThrough()
  const done = shallowRef<readonly Undoable[]>([])
  const undone = shallowRef<readonly Undoable[]>([])
  const { notices, say, dismiss } = noticeList()
  /** What a lead is about to let past a limit. */
  const full = shallowRef<Full>()
  /** What somebody is about to fill in, because a status asks for it. */
  const lacking = shallowRef<Lacking>()
  const wordsFor = problemSaid(session, directory)
  /** What is undone is what was done last, however fast the keys come. */
  const inTurn = oneByOne()

  const undoName = computed(() => done.value.at(-1)?.name)
  const redoName = computed(() => undone.value.at(-1)?.name)

  /**
   * Does a command. Resolves to false where it could not even be begun; a refusal by the server comes later, as a
   * notice. `again` makes the command again from what the problem says is stored.
   */
  const send = (bare: BareCommand, again?: Again): Promise<boolean> =>
    inTurn(async () => {
      const begun = await start(bare, again)
      if (begun) note(begun)
      return !!begun
    })

  /** Does what undo leaves alone: how things look to oneself. */
  const sendAside = (bare: BareCommand): Promise<boolean> => inTurn(async () => !!(await start(bare)))

  /** Does a command, unless it is refused on the spot: that is returned, and not told. */
  const attempt = (bare: BareCommand): Promise<Problem | undefined> =>
    inTurn(async () => {
      const begun = await begin(bare)
      if (begun.ok) note(begun.value)
      return begun.ok ? undefined : begun.problem
    })

  async function start(bare: BareCommand, again?: Again): Promise<Undoable | undefined> {
    const begun = await begin(bare, again)
    if (begun.ok) return begun.value
    if (begun.problem !== noWorker) await refuse(undefined, begun.problem, bare, again)
    return undefined
  }

  async function begin(bare: BareCommand, again?: Again): Promise<Result<Undoable>> {
    const { api } = session
    if (!api) return fail(noWorker)
    if (through.as && bare.type !== 'look.set') return fail({ code: 'only-tried' })
    const command = v7() as CommandId
    // What is in reactive state cannot be sent to a worker as it is.
    const begun = await api.send(command, JSON.parse(JSON.stringify(through.sentFrom(bare))) as BareCommand)
    if (!begun.ok) return begun
    void api.settled(command).then((settled) => {
      if ('problem' in settled) void refuse(command, settled.problem, bare, again)
    })
    return ok({ command, name: begun.value.name })
  }

  /** Resolves when the server has had its last word, to the command that was done. */
  async function sendAndWait(bare: BareCommand, name: string): Promise<Result<CommandId>> {
    if (through.as) return fail({ code: 'only-tried' })
    const command = v7() as CommandId
    const begun = await session.api?.send(command, through.sentFrom(bare))
    if (!begun) return fail({ code: 'unexpected' })
    if (!begun.ok) return begun
    const settled = await session.api?.settled(command)
    if (!settled || 'problem' in settled) return fail(settled?.problem ?? { code: 'unexpected' })
    note({ command, name })
    return ok(command)
  }
  /** Whether this tab has done it and not undone it since. */
  const isDone = (command: CommandId): boolean => done.value.some((step) => step.command === command)

  function note(one: Undoable): void {
    done.value = [...done.value, one].slice(-200)
    undone.value = []
  }

  async function refuse(
    command: CommandId | undefined,
    problem: Problem,
    bare: BareCommand,
    again?: Again,
  ): Promise<void> {
    done.value = done.value.filter((step) => step.command !== command)
    if (problem.code === 'column-full' && mayOverrule(problem) && canBeOverruled(bare))
      return say(await wordsFor(problem), () => (full.value = { bare, problem }), noticeWords.letThrough)
    if ((problem.code === 'entry-asks' || problem.code === 'required') && problem.at && canBeFilled(bare))
      return void (lacking.value = { bare, problem })
    const mine = again?.(problem)
    say(await wordsFor(problem), mine && (() => void send(mine)))
  }

  function mayOverrule({ at }: Problem): boolean {
    const { reader, may } = directory
    const board = reader.maybe('board', reader.maybe('column', at?.[0]?.field ?? '')?.board ?? '')
    return !!board && may('set up project', board.project)
  }

  /** Takes back this tab's last change, by a command of its own; redo is the revert of that. */
  const undo = (): Promise<void> => inTurn(() => takeBack(done, undone))
  const redo = (): Promise<void> => inTurn(() => takeBack(undone, done))

  async function takeBack(from: typeof done, to: typeof done): Promise<void> {
    const last = from.value.at(-1)
    if (!last) return
    // What is only looked at as someone else keeps what there is to take back.
    if (through.as) return say(await wordsFor({ code: 'only-tried' }))
    from.value = from.value.slice(0, -1)
    const begun = await start({ type: 'revert', of: last.command })
    if (!begun) return
    to.value = [...to.value, { ...begun, name: last.name }]
    void session.api?.settled(begun.command).then((settled) => {
      if ('problem' in settled && settled.problem.code === 'stopped') {
        from.value = [...from.value, last]
        to.value = to.value.filter((step) => step.command !== begun.command)
      }
      const kept = 'done' in settled ? new Set(settled.leftAlone?.map((place) => place.id)).size : 0
      if (kept) say(noticeWords.leftAlone(kept))
    })
  }

  /** Stops what the server is doing that is large. */
  const stop = async (): Promise<void> => {
    const { large } = session.standing
    if (large) await session.api?.stop(large.command)
  }

  return {
    undoName,
    redoName,
    notices,
    full,
    lacking,
    send,
    sendAside,
    attempt,
    sendAndWait,
    isDone,
    undo,
    redo,
    stop,
    say,
    dismiss,
    wordsFor,
  }
})
