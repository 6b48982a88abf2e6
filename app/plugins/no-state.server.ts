import { defineNuxtPlugin } from 'nuxt/app'

/** A page's stores begin from what came along with it (data/page-seed.ts): their own state need not be sent beside it. */
export default defineNuxtPlugin({
  name: 'no-state',
  dependsOn: ['pinia'],
  hooks: {
    'app:rendered': ({ ssrContext }) => {
      if (ssrContext?.payload) ssrContext.payload.pinia = {}
    },
  },
})
