/** Runs in a thread of its own: speaks PostgreSQL's wire protocol over the message port, and nothing else. */
import fs from 'node:fs'
import { join } from 'node:path'
import { parentPort, workerData } from 'node:worker_threads'
import { DataFolderProblem, lockFolder, makeFolder, readyFolder } from './data-folder'
import { openPglite } from './fsync-nodefs'

const port = parentPort
if (!port) throw new TypeError('this file runs in a worker thread')
const dir = (workerData as { dir: string }).dir

try {
  makeFolder(dir)
  const lock = await lockFolder(dir)
  if (!fs.existsSync(join(dir, 'database'))) {
    // What making it takes in memory is given back when the thread ends: another opens what was made.
    await readyFolder(dir)
    lock.close()
    port.postMessage('made')
    process.exit()
  }
  const pg = await openPglite(await readyFolder(dir))
  let turn: Promise<void> = Promise.resolve()

  const answer = async (message: Uint8Array | 'close') => {
    if (message === 'close') {
      await pg.close()
      lock.close()
      port.postMessage('closed')
      port.close()
      return
    }
    // A start packet opens a new connection on the one session that there is: nothing of the last one may be left.
    const isStart = message[0] === 0
    if (isStart) {
      await pg.exec('ROLLBACK')
      await pg.exec('DISCARD ALL')
    }
    const out = pg.execProtocolRawSync(message)
    // The answer to a start packet is a view on PGlite's own buffer.
    const bytes = isStart ? out.slice() : out
    if (bytes.length) port.postMessage(bytes, [bytes.buffer as ArrayBuffer])
  }
  port.on('message', (message: Uint8Array | 'close') => {
    turn = turn.then(() => answer(message))
  })
  port.postMessage('ready')
} catch (error) {
  const said = error instanceof DataFolderProblem ? error.message : `The database could not be opened: ${String(error)}`
  port.postMessage({ refused: said })
  port.close()
}
