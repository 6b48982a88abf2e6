import { Duplex } from 'node:stream'
import { Worker } from 'node:worker_threads'

/** What `pg` takes for a socket: its bytes go to the database's thread and come back. */
class PortSocket extends Duplex {
  constructor(readonly worker: Worker) {
    super({ readableHighWaterMark: 1 << 20 })
    worker.on('message', this.#receive)
  }

  #receive = (message: unknown): void => {
    if (message instanceof Uint8Array) this.push(Buffer.from(message.buffer, message.byteOffset, message.byteLength))
  }

  connect(): this {
    queueMicrotask(() => this.emit('connect'))
    return this
  }
  setNoDelay = (): this => this
  setKeepAlive = (): this => this
  ref = (): this => this
  unref = (): this => this

  override _read(): void {}
  override _write(chunk: Buffer, _encoding: string, done: () => void): void {
    this.#send([chunk])
    done()
  }
  override _writev(chunks: { chunk: Buffer }[], done: () => void): void {
    this.#send(chunks.map((chunk) => chunk.chunk))
    done()
  }
  override _final(done: () => void): void {
    this.push(null)
    done()
  }
  override _destroy(error: Error | null, done: (error: Error | null) => void): void {
    this.worker.off('message', this.#receive)
    done(error)
  }

  #send(parts: Buffer[]): void {
    // Terminate: the session in the thread stays.
    if (parts.length === 1 && parts[0]?.[0] === 0x58) return
    const bytes = new Uint8Array(Buffer.concat(parts))
    this.worker.postMessage(bytes, [bytes.buffer])
  }
}

export interface Embedded {
  socket(): Duplex
  close(): Promise<void>
}

/** Starts the database's thread. Rejects with one line where the folder cannot be used. */
export async function startEmbedded(dir: string, file: URL, onDeath: (error: Error) => void): Promise<Embedded> {
  const worker = (await startThread(dir, file)) ?? (await startThread(dir, file))
  if (!worker) throw new Error(`The database in ${dir} was made, and is not there.`)
  let isClosing = false
  worker.removeAllListeners('error').removeAllListeners('exit')
  worker.on('error', onDeath)
  worker.on('exit', (code) => isClosing || onDeath(new Error(`The database's thread ended with ${code}.`)))
  return {
    socket: () => new PortSocket(worker),
    async close() {
      isClosing = true
      const gone = new Promise((resolve) => worker.once('exit', resolve))
      worker.postMessage('close')
      await gone
    },
  }
}

/** Undefined: the thread has made the folder's database, and has ended. */
async function startThread(dir: string, file: URL): Promise<Worker | undefined> {
  const worker = new Worker(file, { workerData: { dir } })
  worker.setMaxListeners(0)
  const said = await new Promise<'ready' | 'made'>((resolve, reject) => {
    worker.once('error', reject)
    worker.once('exit', (code) => reject(new Error(`The database's thread ended with ${code}.`)))
    worker.once('message', (message: 'ready' | 'made' | { refused: string }) =>
      typeof message === 'string' ? resolve(message) : reject(new Error(message.refused)),
    )
  })
  if (said === 'ready') return worker
  await worker.terminate()
  return undefined
}
