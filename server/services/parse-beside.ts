import { Worker } from 'node:worker_threads'
import { fail, ok, type Problem, type Result } from '#core/base/result'
import type { Command } from '#core/commands/registry'
import { readCommand } from './read-command'

/** What the thread says of a command that it reads. */
export type Piece =
  | { readonly id: number; readonly tell: 'problem'; readonly problem: Problem }
  | { readonly id: number; readonly tell: 'head'; readonly head: object }
  | { readonly id: number; readonly tell: 'some'; readonly of: string; readonly some: readonly unknown[] }
  | { readonly id: number; readonly tell: 'end' }

/** Less than this is read at once: it takes some ms. */
const smallBytes = 200_000
/** A thread that has nothing to read for so long is ended: what it has read has made it large. */
const idleMs = 500

interface Reading {
  command: Record<string, unknown>
  resolve(read: Result<Command>): void
  reject(error: Error): void
}

/** Reads commands; large ones in a thread of its own, so that others are answered meanwhile. */
export class Parser {
  #worker: Worker | undefined
  #next = 0
  #idle: NodeJS.Timeout | undefined
  readonly #readings = new Map<number, Reading>()

  constructor(readonly file: URL) {}

  read(bytes: Uint8Array<ArrayBuffer>): Promise<Result<Command>> {
    if (bytes.length < smallBytes) return Promise.resolve(readCommand(bytes))
    clearTimeout(this.#idle)
    const id = this.#next++
    return new Promise((resolve, reject) => {
      this.#readings.set(id, { command: {}, resolve, reject })
      this.#thread().postMessage({ id, bytes }, [bytes.buffer])
    })
  }

  #thread(): Worker {
    if (this.#worker) return this.#worker
    const worker = new Worker(this.file)
    worker.unref()
    worker.on('message', (piece: Piece) => this.#take(piece))
    worker.on('error', (error) => this.#end(error))
    return (this.#worker = worker)
  }

  #take(piece: Piece): void {
    const reading = this.#readings.get(piece.id)
    if (!reading) return
    switch (piece.tell) {
      case 'head':
        reading.command = piece.head as Record<string, unknown>
        return
      case 'some':
        for (const one of piece.some) (reading.command[piece.of] as unknown[]).push(one)
        return
      case 'problem':
        reading.resolve(fail(piece.problem))
        break
      case 'end':
        reading.resolve(ok(reading.command as unknown as Command))
    }
    this.#readings.delete(piece.id)
    if (!this.#readings.size) this.#idle = setTimeout(() => this.#end(), idleMs).unref()
  }

  #end(error?: Error): void {
    for (const { reject } of this.#readings.values()) reject(error ?? new Error('the thread has ended'))
    this.#readings.clear()
    void this.#worker?.terminate()
    this.#worker = undefined
  }
}
