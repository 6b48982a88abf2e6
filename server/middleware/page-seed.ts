import { defineEventHandler, getHeader, type H3Event } from 'h3'
import { hourIn } from '#core/base/dates'
import type { PageSeed } from '#core/queries/page-seed'
import { Refusal, signedIn } from '../http/request'
import { theHouse } from '../services/house'

/**
 * What comes along with a signed-in page. Where that answers what the page is about, the page is drawn here, so that it
 * can be seen before its script has come; all others are drawn in the browser.
 */
export default defineEventHandler(async (event) => {
  const [path = '', query] = event.path.split('?')
  if (event.method !== 'GET' || !/^\/app(\/|$)/.test(path)) return
  const seed = await seedFor(event, path, !!query)
  event.context.seed = seed
  event.context.nuxt = { noSSR: !seed?.who.isDrawn }
})

/** Undefined: nobody is signed in. */
async function seedFor(event: H3Event, path: string, hasQuery: boolean): Promise<PageSeed | undefined> {
  try {
    const house = await theHouse()
    const { me, room } = await signedIn(event, house)
    const [language = ''] = (getHeader(event, 'accept-language') ?? '').split(/[,;]/)
    const answers = house.firstAnswers?.at(path, me) ?? []
    return {
      who: { me, build: house.build, isDrawn: !hasQuery && answers.length > 1 },
      language: /^[a-z]{2,3}(-[a-z\d]{2,8})*$/i.test(language.trim()) ? language.trim() : 'en',
      hour: hourIn(room.state.workspace().timeZone, house.clock.now()),
      answers,
    }
  } catch (error) {
    if (error instanceof Refusal) return undefined
    throw error
  }
}
