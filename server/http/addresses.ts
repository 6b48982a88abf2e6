/** Where this server is reached: what other names lead here is none of its pages' business. */

const isLoopback = (name: string): boolean => /^(127(\.\d{1,3}){3}|\[?::1\]?|localhost)$/.test(name)
const isEverywhere = (host: string): boolean => ['0.0.0.0', '::', '[::]'].includes(host)
const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase()

export class Addresses {
  /** As `https://work.example`, without a path; the first is the one that messages name. */
  readonly origins: readonly string[]
  readonly #listensAt: string
  readonly #port: string

  /** Throws, with what to do, where an address is none or where one is missing. */
  constructor(env: NodeJS.ProcessEnv) {
    this.#listensAt = env.NITRO_HOST || env.HOST || '0.0.0.0'
    this.#port = env.NITRO_PORT || env.PORT || '3000'
    const named = (env.WRENLEAF_ADDRESS ?? '').split(/[\s,]+/).filter(Boolean)
    this.origins = named.map((address) => {
      const url = URL.canParse(address) ? new URL(address) : undefined
      if (!url || !/^https?:$/.test(url.protocol) || url.pathname !== '/' || url.search)
        throw new Error(`WRENLEAF_ADDRESS: ${address} is not an address such as https://work.example.`)
      return url.origin
    })
    if (isEverywhere(this.#listensAt) && !named.length)
      throw new Error(
        'This server listens on every address of the machine, so it has to know where people reach it. Set WRENLEAF_ADDRESS to that address, such as https://work.example, or use HOST=127.0.0.1.',
      )
  }

  /** Where messages say that people reach this server: as it was configured, whatever a request said. */
  get main(): string {
    const [first] = this.origins
    return first ?? `http://${this.#listensAt}:${this.#port}`
  }

  /** Whether a request's `Host` is one of ours; this machine's own names always are. */
  knows(host: string | undefined): boolean {
    if (!host) return false
    const name = nameOf(host)
    return isLoopback(name) || name === this.#listensAt.toLowerCase() || this.origins.some((origin) => new URL(origin).host === host.toLowerCase()) // prettier-ignore
  }

  /** Whether a page that says it comes from this origin is ours, by the `Host` and the protocol that it was asked at. */
  isOurs(origin: string | undefined, host: string | undefined, protocol: string): boolean {
    if (!origin || !host) return false
    return origin === `${protocol}://${host}` || (this.origins.includes(origin) && new URL(origin).host === host)
  }
}

let ours: Addresses | undefined
export const theAddresses = (): Addresses => (ours ??= new Addresses(process.env))

/** The header in which a proxy of ours names who it asks for; none where there is no such proxy. */
const trustedHeader = (process.env.WRENLEAF_PROXY_HEADER ?? '').toLowerCase()

/** The machine that asks. Of a trusted header's addresses the last is the proxy's own word; those before it anyone can write. */
export function machineOf({ headers, socket }: Asked, trusted = trustedHeader): string {
  const said = trusted ? headers[trusted] : undefined
  const last = (Array.isArray(said) ? said.join(',') : said)?.split(',').at(-1)?.trim()
  return last || socket.remoteAddress || 'unknown'
}

/** As much of a request of node's as says where it comes from. */
interface Asked {
  readonly headers: Readonly<Record<string, string | string[] | undefined>>
  readonly socket: { readonly remoteAddress?: string | undefined }
}
