import { shallowRef, toRef } from 'vue'
import type { LocaleInstance } from 'vuetify'
import { controlsWords } from '../parts/words'

/** Vuetify's own words are ours: it asks for them by keys such as `$vuetify.datePicker.title`. */
const catalogue: Readonly<Record<string, string>> = controlsWords

/** Its own adapter for this compiles all messages while a page opens. */
export function localeOf(language: string): LocaleInstance {
  const current = shallowRef(language)
  const locale: LocaleInstance = {
    name: 'wrenleaf',
    current,
    fallback: current,
    messages: shallowRef({}),
    decimalSeparator: toRef(() => new Intl.NumberFormat(language).format(0.1).slice(1, 2)),
    numericGroupSeparator: toRef(() => new Intl.NumberFormat(language).format(10_000).slice(2, 3)),
    t(key, ...params) {
      const text = catalogue[key.replace('$vuetify.', '')] ?? key
      return text.replace(/\{(\d)\}/g, (_, i: string) => String(params[Number(i)]))
    },
    n: (value) => String(value),
    provide: () => locale,
  }
  return locale
}
