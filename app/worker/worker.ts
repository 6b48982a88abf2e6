/**
 * The worker's first script, less than two kilobytes: asks the server for everything at once and keeps the pages that
 * come, until the rest of the script (`api.ts`) is here.
 */
import { fetched } from '../fetched'
import { askForEverything } from './early'

askForEverything()
const api = fetched(() => import('./api'))

/** Tells the page that this one lives (data/worker-line.ts), and then answers it. */
function connect({ ports: [page] }: MessageEvent): void {
  if (!page) return
  page.postMessage('here')
  void api.then(({ serve }) => serve(page))
}
if ('onconnect' in self) self.onconnect = connect
else self.onmessage = connect
