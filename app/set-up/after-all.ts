import type { Problem } from '#core/base/result'
import type { BareCommand } from '#core/commands/registry'

/** The same once more, over what somebody else has set meanwhile. */
export const afterAll =
  (command: BareCommand) =>
  ({ code, at }: Problem): BareCommand | undefined => {
    const { field = '', stored = null } = at?.[0] ?? {}
    const set = 'set' in command ? (command.set as Readonly<Record<string, { from: unknown; to: unknown }>>) : {}
    const own = set[field]
    if (code !== 'changed-meanwhile' || !own) return undefined
    return { ...command, set: { ...set, [field]: { from: stored, to: own.to } } } as BareCommand
  }
