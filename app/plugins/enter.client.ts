import { defineNuxtPlugin } from 'nuxt/app'
import { useSession } from '../stores/session'

/** Signed-in pages: the worker begins to open the workspace while the page's own script is still on its way. */
export default defineNuxtPlugin({
  name: 'enter',
  dependsOn: ['pinia'],
  setup() {
    if (location.pathname.startsWith('/app')) useSession().begin()
  },
})
