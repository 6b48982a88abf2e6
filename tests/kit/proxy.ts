import net from 'node:net'

/** A line that can be cut: a TCP proxy between a browser and the server. */
export class CuttableLine {
  readonly #server: net.Server
  readonly #sockets = new Set<net.Socket>()
  #isCut = false
  /** Bytes that went to the server since the last cut. */
  passedSinceCut = 0
  /** Connections refused while it was cut. */
  refused = 0

  private constructor(readonly target: number) {
    this.#server = net.createServer((socket) => this.#take(socket))
  }

  static async open(target: number, port = 0): Promise<CuttableLine> {
    const line = new CuttableLine(target)
    await new Promise<void>((resolve) => line.#server.listen(port, '127.0.0.1', resolve))
    return line
  }

  get url(): string {
    return `http://127.0.0.1:${(this.#server.address() as net.AddressInfo).port}`
  }

  cut(): void {
    this.#isCut = true
    this.passedSinceCut = 0
    this.refused = 0
    for (const socket of this.#sockets) socket.destroy()
  }
  mend(): void {
    this.#isCut = false
  }
  close(): void {
    this.cut()
    this.#server.close()
  }

  #take(socket: net.Socket): void {
    if (this.#isCut) {
      this.refused++
      return void socket.destroy()
    }
    const onward = net.connect(this.target, '127.0.0.1')
    for (const one of [socket, onward]) {
      this.#sockets.add(one)
      one.on('error', () => one.destroy())
      one.on('close', () => {
        this.#sockets.delete(one)
        socket.destroy()
        onward.destroy()
      })
    }
    socket.on('data', (bytes) => (this.passedSinceCut += bytes.length))
    socket.pipe(onward)
    onward.pipe(socket)
  }
}
