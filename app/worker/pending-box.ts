import type { Command } from '#core/commands/registry'

/** Where pending commands are kept until they are answered, so that a closed tab loses nothing. */
export interface PendingBox {
  all(): Promise<Command[]>
  keep(command: Command): Promise<void>
  drop(command: string): Promise<void>
  wipe(): Promise<void>
}

/** In IndexedDB, one database a person. Keys are command ids, which are in the order of their making. */
export class IndexedBox implements PendingBox {
  readonly #name: string
  readonly #open: Promise<IDBDatabase>

  constructor(person: string) {
    this.#name = `wrenleaf-${person}`
    this.#open = new Promise((resolve, reject) => {
      const opening = indexedDB.open(this.#name, 1)
      opening.onupgradeneeded = () => opening.result.createObjectStore('pending', { keyPath: 'id' })
      opening.onsuccess = () => resolve(opening.result)
      opening.onerror = () => reject(opening.error ?? new Error('IndexedDB'))
    })
  }

  all = (): Promise<Command[]> => this.#do<Command[]>('readonly', (store) => store.getAll())
  keep = async (command: Command): Promise<void> => void (await this.#do('readwrite', (store) => store.put(command)))
  drop = async (command: string): Promise<void> => void (await this.#do('readwrite', (store) => store.delete(command)))
  wipe = async (): Promise<void> => void (await this.#do('readwrite', (store) => store.clear()))

  async #do<T>(mode: IDBTransactionMode, work: (store: IDBObjectStore) => IDBRequest<T>): Promise<T> {
    const database = await this.#open
    return new Promise((resolve, reject) => {
      const transaction = database.transaction('pending', mode)
      const request = work(transaction.objectStore('pending'))
      transaction.oncomplete = () => resolve(request.result)
      transaction.onabort = () => reject(transaction.error ?? new Error('IndexedDB'))
    })
  }
}
