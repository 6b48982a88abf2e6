import { setResponseHeader } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'
import shell from '#app-shell'
import type { PageSeed } from '#core/queries/page-seed'

/**
 * A signed-in page says who is signed in, starts the worker, names the fonts that it is going to need and brings the
 * answers to what it asks first: nothing has to be found out by a request of its own.
 */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:html', (html, { event }) => {
    const [path = ''] = event.path.split('?')
    if (!/^\/app(\/|$)/.test(path)) return
    setResponseHeader(event, 'cache-control', 'no-store')
    const seed = event.context.seed as PageSeed | undefined
    html.head.unshift(data('who', seed?.who ?? null), `<script>${shell.start}</script>`)
    html.head.push(
      ...shell.fonts.map(
        (file) => `<link rel="preload" as="font" type="font/woff2" href="/_nuxt/${file}" crossorigin>`,
      ),
    )
  })
  // Once all else has been written: it is long, and nothing that goes through the HTML has to do with it.
  nitro.hooks.hook('render:response', (response, { event }) => {
    const seed = event.context.seed as PageSeed | undefined
    if (seed && typeof response.body === 'string')
      response.body = response.body.replace('</body>', () => `${data('seed', seed)}</body>`)
  })
})

/** What a script reads; nothing in it can end its element. */
const data = (id: string, value: unknown): string =>
  `<script type="application/json" id="${id}">${JSON.stringify(value).replaceAll('<', '\\u003c')}</script>`
