/**
 * The worker's first script, less than two kilobytes: asks the server for everything at once and keeps the pages that
 * come, until the rest of the script (`api.ts`) is here.
 */
import type { Endpoint } from 'comlink'
import { fetched } from '../fetched'
import { askForEverything } from './early'

askForEverything()
const api = fetched(() => import('./api'))

if ('onconnect' in self)
  self.onconnect = (event: MessageEvent) => {
    const port = event.ports[0]
    if (port) void api.then(({ serve }) => serve(port))
  }
else {
  const early: MessageEvent[] = []
  const keep = (event: MessageEvent) => void early.push(event)
  self.addEventListener('message', keep)
  void api.then(({ serve }) => {
    self.removeEventListener('message', keep)
    serve(self as unknown as Endpoint)
    for (const { data, ports } of early) self.dispatchEvent(new MessageEvent('message', { data, ports: [...ports] }))
  })
}
