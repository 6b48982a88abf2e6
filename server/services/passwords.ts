import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'

const cost = { N: 1 << 15, r: 8, p: 1, maxmem: 64 << 20 } satisfies ScryptOptions

const derive = (password: string, salt: Buffer, options: ScryptOptions): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(password.normalize('NFKC'), salt, 32, options, (error, key) => (error ? reject(error) : resolve(key))),
  )

/** `scrypt$N$r$p$salt$key`, salt and key in base64url. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  const key = await derive(password, salt, cost)
  return ['scrypt', cost.N, cost.r, cost.p, salt.toString('base64url'), key.toString('base64url')].join('$')
}

/** False where they do not go together, or where the hash is none of ours. */
export async function isPassword(password: string, hash: string): Promise<boolean> {
  const [name, n, r, p, salt, key] = hash.split('$')
  if (name !== 'scrypt' || !salt || !key) return false
  const stored = Buffer.from(key, 'base64url')
  const tried = await derive(password, Buffer.from(salt, 'base64url'), {
    N: Number(n),
    r: Number(r),
    p: Number(p),
    maxmem: 64 << 20,
  })
  return stored.length === tried.length && timingSafeEqual(stored, tried)
}
