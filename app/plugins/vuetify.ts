import { defineNuxtPlugin } from 'nuxt/app'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { z } from 'zod'
import { defaults, themes } from '../theme/vuetify-theme'

// Zod would compile its parsers with `new Function`, which the content security policy refuses.
z.config({ jitless: true })

export default defineNuxtPlugin((nuxtApp) => {
  const nonce: string | undefined = import.meta.server
    ? nuxtApp.ssrContext?.event?.context?.security?.nonce
    : document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce
  nuxtApp.vueApp.use(
    createVuetify({
      ssr: import.meta.server || !!nuxtApp.payload.serverRendered,
      icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
      defaults,
      theme: { ...(nonce && { cspNonce: nonce }), defaultTheme: 'day', themes },
    }),
  )
})
