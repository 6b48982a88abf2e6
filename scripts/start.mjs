// npm start, npm run demo: installs and builds what is missing, starts the server, says where it is and who can sign in.
import { spawn } from 'node:child_process'
import net from 'node:net'
import { join, resolve } from 'node:path'
import { build, installPackages, root, stop } from './prepare.mjs'

const isDemo = process.argv.includes('--demo')
const isFresh = process.argv.includes('--fresh')
const host = process.env.HOST || '127.0.0.1'
const port = Number(process.env.PORT || 3000)
const data = resolve(process.env.WRENLEAF_DATA || join(root, '.data', isDemo ? 'demo' : 'workspace'))
if (!Number.isInteger(port) || port < 1 || port > 65535) stop(`PORT is no port: ${process.env.PORT}`)

installPackages()
build()
await portIsFree()

const server = spawn(process.execPath, [join(root, '.output/server/index.mjs')], {
  env: {
    ...process.env,
    HOST: host,
    PORT: String(port),
    WRENLEAF_DATA: data,
    NITRO_SHUTDOWN_TIMEOUT: process.env.NITRO_SHUTDOWN_TIMEOUT || '2000',
    ...(isDemo && { WRENLEAF_DEMO: '1' }),
    ...(isDemo && isFresh && { WRENLEAF_FRESH: '1' }),
  },
  stdio: ['ignore', 'pipe', 'inherit'],
})
let code = ''
server.stdout.on('data', (chunk) => {
  for (const line of String(chunk).split('\n')) {
    const found = /^owner code: (.*)$/.exec(line)
    if (found) code = found[1]
    else if (line.trim() && !line.startsWith('Listening on')) console.log(line)
  }
})
server.on('exit', (status, signal) => process.exit(status ?? (signal === 'SIGTERM' || signal === 'SIGINT' ? 0 : 1)))
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.kill(signal)
    // A server that is too busy to hear it is ended all the same.
    setTimeout(() => server.kill('SIGKILL'), 8000).unref()
  })

const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`
await answers()
console.log(`\nWrenleaf is at ${address}`)
const welcome = await (await fetch(`${address}/api/welcome`)).json()
if (welcome.demo)
  console.log(`It is a demo: press a person to step in. ${welcome.people.map((one) => one.name).join(', ')}.`)
else if (welcome.founded) console.log('Sign in with your e-mail and password.')
else console.log(`It is new: open the page and make the owner's account with this code: ${code}`)
console.log(
  process.env.DATABASE_URL ? 'The data is in the database that DATABASE_URL names.' : `The data is in ${data}`,
)
console.log('Ctrl C ends it.')

async function answers() {
  for (;;) {
    try {
      if ((await fetch(`${address}/health`)).ok) return
    } catch {
      // Not yet; where the server cannot start it says so itself and ends this process too.
    }
    await new Promise((done) => setTimeout(done, 100))
  }
}

function portIsFree() {
  return new Promise((done) => {
    const probe = net.createServer()
    probe.once('error', (error) =>
      stop(
        error.code === 'EADDRINUSE'
          ? `Port ${port} on ${host} is in use. Name another in PORT.`
          : `The address ${host}:${port} cannot be used: ${error.code}`,
      ),
    )
    probe.listen(port, host, () => probe.close(done))
  })
}
