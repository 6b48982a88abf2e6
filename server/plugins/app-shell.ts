import { setResponseHeader, type H3Event } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'
import shell from '#app-shell'
import { Refusal, signedIn } from '../http/request'
import { theHouse } from '../services/house'

/**
 * A signed-in page says who is signed in, starts the worker and names the fonts that it is going to need: nothing has to
 * be found out by a request of its own.
 */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:html', async (html, { event }) => {
    if (!/^\/app(\/|\?|$)/.test(event.path)) return
    setResponseHeader(event, 'cache-control', 'no-store')
    html.head.unshift(
      `<script type="application/json" id="who">${JSON.stringify(await whoIs(event))}</script>`,
      `<script>${shell.start}</script>`,
    )
    html.head.push(
      ...shell.fonts.map(
        (file) => `<link rel="preload" as="font" type="font/woff2" href="/_nuxt/${file}" crossorigin>`,
      ),
    )
  })
})

/** Who is signed in, and the build: what names the browser's worker. Null: nobody is. */
async function whoIs(event: H3Event): Promise<{ me: string; build: string } | null> {
  try {
    const house = await theHouse()
    return { me: (await signedIn(event, house)).me, build: house.build }
  } catch (error) {
    if (error instanceof Refusal) return null
    throw error
  }
}
