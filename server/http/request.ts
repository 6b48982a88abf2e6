import {
  createError,
  getCookie,
  getHeader,
  getRequestProtocol,
  getRouterParam,
  setResponseHeader,
  setResponseStatus,
  type H3Event,
} from 'h3'
import { randomUUID } from 'node:crypto'
import { problem, type Problem, type ProblemCode } from '#core/base/result'
import { accountOf, maySee } from '#core/access/access'
import type { ItemId, PersonId, ProjectId } from '#core/base/ids'
import { theAddresses } from './addresses'
import { JsonDepth } from './json-depth'
import { readJson } from '../services/read-command'
import { sayable } from './trouble'
import type { Room } from '../rooms/room'
import { theHouse, type House } from '../services/house'
import type { Session } from '../services/sessions'

export const cookieName = 'wrenleaf_session'
/** The secret of the last session here, kept when it has ended: somebody has signed in with this browser before. */
export const browserCookie = 'wrenleaf_browser'

/** The codes that are answered with another status than 200. */
const statuses: Partial<Record<ProblemCode, number>> = {
  'not-signed-in': 401,
  'wrong-sign-in': 401,
  'not-allowed': 403,
  'wrong-code': 403,
  'wrong-password': 403,
  gone: 404,
  'owner-exists': 410,
  'link-over': 410,
  'log-too-far-back': 410,
  'too-large': 413,
  'too-often': 429,
  unreadable: 400,
  unexpected: 500,
}

/** Ends a request with a problem; the words are the page's. */
export class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code)
  }
}
export const refuse = (code: ProblemCode, said?: Problem['said']): never => {
  throw new Refusal(problem(code, said))
}

/** Runs a route: every answer carries a request id; what was not expected is logged with it. */
export async function answering<T>(
  event: H3Event,
  run: (house: House) => Promise<T>,
): Promise<T | { problem: Problem }> {
  const request = randomUUID().slice(0, 8)
  setResponseHeader(event, 'x-request-id', request)
  setResponseHeader(event, 'cache-control', 'no-store')
  try {
    return await run(await theHouse())
  } catch (error) {
    const said = error instanceof Refusal ? error.problem : problem('unexpected', { request })
    if (!(error instanceof Refusal))
      console.error(`request ${request}: ${event.method} ${event.path.split('?')[0]}`, sayable(error))
    // Nobody reads what is left of a body that was refused.
    if (!event.node.req.complete) setResponseHeader(event, 'connection', 'close')
    if (event.node.res.headersSent) throw createError({ statusCode: 500 })
    setResponseStatus(event, statuses[said.code] ?? 400)
    return { problem: said }
  }
}

export interface SignedIn {
  readonly session: Session
  readonly me: PersonId
  readonly room: Room
}

/** Who asks; 401 where nobody is signed in or the account is gone. */
export async function signedIn(event: H3Event, house: House): Promise<SignedIn> {
  const secret = getCookie(event, cookieName)
  const session = secret ? await house.sessions.find(secret) : undefined
  const room = await house.room()
  if (!session || !room) return refuse('not-signed-in')
  if (!accountOf(room.state, session.person)) return refuse('not-signed-in')
  return { session, me: session.person, room }
}

/** 404 where there is no such project or the person may not know of it. */
export function readableProject(room: Room, me: PersonId, id: string): ProjectId {
  if (!room.state.maybe('project', id) || !maySee(room.state, me, id as ProjectId)) return refuse('gone')
  return id as ProjectId
}

/** The item that a route is about, for whoever asks; 404 as for its project. */
export async function readableItem(event: H3Event, house: House): Promise<{ room: Room; item: ItemId }> {
  const { me, room } = await signedIn(event, house)
  const item = room.state.maybe('item', getRouterParam(event, 'id') ?? '')
  if (!item) return refuse('gone')
  readableProject(room, me, item.project)
  return { room, item: item.id }
}

/** Writing routes are for our own pages: the Origin must be this very address. */
export function sameOrigin(event: H3Event): void {
  const protocol = getRequestProtocol(event, { xForwardedProto: true })
  if (!theAddresses().isOurs(getHeader(event, 'origin'), getHeader(event, 'host'), protocol))
    refuse('not-allowed', { needs: 'origin' })
}

/** Deeper than anything of ours, and far from what exhausts the stack. */
const deepest = 100

/** Reads a body of JSON; how large and how deep it is, is counted while it comes in. */
export async function bodyBytes(event: H3Event, mostBytes: number): Promise<Uint8Array<ArrayBuffer>> {
  const chunks: Buffer[] = []
  const depth = new JsonDepth(deepest)
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > mostBytes) return refuse('too-large')
    if (!depth.take(chunk)) return refuse('unreadable', { where: 'it is nested too deep' })
    chunks.push(chunk)
  }
  const bytes = new Uint8Array(size)
  let at = 0
  for (const chunk of chunks) {
    bytes.set(chunk, at)
    at += chunk.length
  }
  return bytes
}

export async function jsonBody(event: H3Event, mostBytes: number): Promise<unknown> {
  const body = readJson(await bodyBytes(event, mostBytes))
  if (!body.ok) throw new Refusal(body.problem)
  return body.value
}
