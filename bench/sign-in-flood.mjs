// Strangers who guess: 200 sign-ins at a time, for so many ms. node bench/sign-in-flood.mjs <url> <ms>
const [url, ms] = process.argv.slice(2)
const until = performance.now() + Number(ms)
const guess = async (_, i) => {
  const body = JSON.stringify({ email: `guess${i % 50}@garden.example`, password: 'wrong one' })
  const headers = { 'content-type': 'application/json', origin: url }
  await (await fetch(`${url}/api/session`, { method: 'POST', headers, body })).text()
}
while (performance.now() < until) await Promise.all(Array.from({ length: 200 }, guess))
