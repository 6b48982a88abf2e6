/** One line of the benchmark: what was measured, and the limit measured in the same run. */
export interface Line {
  readonly name: string
  /** How many items. */
  readonly n: number
  readonly ms: number
  readonly limitMs: number
  readonly ratio: number
  /** Null: no budget names it at this size. */
  readonly bound: number | null
  readonly holds: boolean
  /** CPU time of all browser processes, where it was taken. */
  readonly cpuMs?: number
}

export function lineOf(
  name: string,
  n: number,
  ms: number,
  limitMs: number,
  bound: number | null,
  cpuMs?: number,
): Line {
  const ratio = ms / limitMs
  return {
    name,
    n,
    ms,
    limitMs,
    ratio,
    bound,
    holds: bound === null || ratio <= bound,
    ...(cpuMs !== undefined && { cpuMs }),
  }
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[sorted.length >> 1] ?? NaN
}

/** The value below which such a share of them lies. */
export function percentile(values: readonly number[], of: number): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * of))] ?? NaN
}

export function share(values: readonly number[], holds: (value: number) => boolean): number {
  return values.length ? values.filter(holds).length / values.length : 0
}

export function print(lines: readonly Line[]): void {
  const number = (value: number) => (value >= 100 ? value.toFixed(0) : value.toFixed(2))
  console.log(
    `\n${'what'.padEnd(52)}${'n'.padStart(8)}${'measured'.padStart(12)}${'limit'.padStart(10)}${'ratio'.padStart(8)}${'bound'.padStart(8)}`,
  )
  for (const one of lines)
    console.log(
      `${one.name.padEnd(52)}${String(one.n).padStart(8)}${number(one.ms).padStart(12)}${number(one.limitMs).padStart(10)}${one.ratio.toFixed(2).padStart(8)}${(one.bound?.toFixed(2) ?? '–').padStart(8)}  ${one.bound === null ? '' : one.holds ? 'holds' : 'BROKEN'}${one.cpuMs === undefined ? '' : `  (cpu ${number(one.cpuMs)} ms)`}`,
    )
}
