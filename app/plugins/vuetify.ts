import { defineNuxtPlugin, useRequestHeaders } from 'nuxt/app'
import { createVuetify } from 'vuetify'
import { defaults } from '../theme/defaults'
import { dayFormats } from '../theme/day-formats'
import { icons } from '../theme/icons'
import { localeOf } from '../theme/locale'

/** Vuetify, with how it looks and behaves here. Its colours are our roles, written by `theme/colours.scss` for both themes. */
export default defineNuxtPlugin(({ vueApp }) => {
  const userAgent = import.meta.server ? useRequestHeaders(['user-agent'])['user-agent'] : navigator.userAgent
  const isPhone = /\bMobi/.test(userAgent ?? '')
  vueApp.use(
    createVuetify({
      theme: false,
      defaults,
      locale: { adapter: localeOf('en') },
      // Weeks begin where the person's own do.
      date: { locale: { en: import.meta.client ? navigator.language : 'en-GB' }, formats: dayFormats },
      icons,
      display: { mobileBreakpoint: 701 },
      // The page is drawn on the server for the kind of screen that asks, and alike in the browser until it is live.
      ssr: isPhone ? { clientWidth: 390, clientHeight: 844 } : { clientWidth: 1280, clientHeight: 800 },
    }),
  )
})
