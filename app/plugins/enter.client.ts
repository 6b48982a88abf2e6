import { defineNuxtPlugin } from 'nuxt/app'
import { askEarly } from '../replica/use-watch'
import { useDirectory } from '../stores/directory'
import { useSession } from '../stores/session'
import { useViews } from '../stores/views'

/** Where somebody is signed in, asks the worker what there is before the page is made: both go on side by side. */
export default defineNuxtPlugin({
  name: 'enter',
  dependsOn: ['pinia'],
  setup() {
    const session = useSession()
    if (!session.enter() || !session.api) return
    void useViews().restore()
    const { pathname } = location
    const view = /^\/app\/[^/]+\/([\da-f-]{36})$/.exec(pathname)?.[1]
    if (view) askEarly(session.api, { ask: 'view', view })
    else if (pathname === '/app') askEarly(session.api, { ask: 'queue' })
    // Last, so that a page that is made when this is answered has its rows already.
    useDirectory().follow()
  },
})
