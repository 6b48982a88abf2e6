import { defineNuxtPlugin } from 'nuxt/app'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import { defaults, themes } from '../theme/vuetify-theme'

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
