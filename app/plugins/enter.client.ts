import { defineNuxtPlugin } from 'nuxt/app'
import { useDirectory } from '../stores/directory'
import { useSession } from '../stores/session'
import { useViews } from '../stores/views'

/** Where somebody is signed in, asks the worker what there is before the page is made: both go on side by side. */
export default defineNuxtPlugin({
  name: 'enter',
  dependsOn: ['pinia'],
  setup() {
    if (!useSession().enter()) return
    void useViews().restore()
    useDirectory().follow()
  },
})
