import { setResponseHeader, type H3Event } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'
import shell from '#app-shell'
import { Refusal, signedIn } from '../http/request'
import type { Answered } from '../services/first-answers'
import { theHouse } from '../services/house'

/**
 * A signed-in page says who is signed in, starts the worker, names the fonts that it is going to need and brings the
 * answers to what it asks first: nothing has to be found out by a request of its own.
 */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:html', async (html, { event }) => {
    const [path = ''] = event.path.split('?')
    if (!/^\/app(\/|$)/.test(path)) return
    setResponseHeader(event, 'cache-control', 'no-store')
    const { who, answers } = await whoIs(event, path)
    html.head.unshift(data('who', who), `<script>${shell.start}</script>`)
    html.head.push(
      ...shell.fonts.map(
        (file) => `<link rel="preload" as="font" type="font/woff2" href="/_nuxt/${file}" crossorigin>`,
      ),
    )
    html.bodyAppend.unshift(data('answers', answers))
  })
})

/** What a script reads; nothing in it can end its element. */
const data = (id: string, value: unknown): string =>
  `<script type="application/json" id="${id}">${JSON.stringify(value).replaceAll('<', '\\u003c')}</script>`

/** Who is signed in, and the build: what names the browser's worker. Null: nobody is. */
async function whoIs(
  event: H3Event,
  path: string,
): Promise<{ who: { me: string; build: string } | null; answers: Answered[] }> {
  try {
    const house = await theHouse()
    const { me } = await signedIn(event, house)
    return { who: { me, build: house.build }, answers: house.firstAnswers?.at(path, me) ?? [] }
  } catch (error) {
    if (error instanceof Refusal) return { who: null, answers: [] }
    throw error
  }
}
