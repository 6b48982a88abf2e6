import type { BareCommand } from './registry'

/** Several commands as one, done and undone as one; a single one is itself. No two of them may change the same. */
export function together(commands: readonly BareCommand[]): BareCommand {
  const [first] = commands
  return first && commands.length === 1 ? first : { type: 'together', commands }
}

/** What a command does, one by one. */
export const partsOf = (bare: BareCommand): readonly BareCommand[] =>
  bare.type === 'together' ? (bare.commands as readonly BareCommand[]) : [bare]
