// 200 people who read and 20 who write at once, in a bank of 200,000, from this machine to this machine. A reader reads a question of a
// list every 20 seconds, every fourth time of another list, found by words with its numbers beside it; a writer saves every 20 seconds.
// Told beside it: the same requests one at a time.
// People arrive over a minute, each asking for a list first; requests count once everybody is there.
// --readers=N --writers=N --seconds=N. BASE_URL names a running installation with that bank.
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'

const base = process.env.BASE_URL ?? 'http://127.0.0.1:8080'
const flag = (name, otherwise) => Number(process.argv.find((one) => one.startsWith(`--${name}=`))?.split('=')[1] ?? otherwise)
const [readers, writers, seconds] = [flag('readers', 200), flag('writers', 20), flag('seconds', 60)]
const MOST_MS = 1000
const ARRIVAL_MS = 60_000
const ACCOUNTS = 20
const BANK = 'large-200000'
const WORDS = (
  'slate granite basalt chalk schist gneiss marble porosity cleavage foliation density bedding weathering studied foreshore'
).split(' ')
const wait = (ms) => new Promise((done) => setTimeout(done, ms))
/** As people do: mostly about so long, at times up to four times as long. */
const think = (ms) => wait(Math.min(-Math.log(1 - Math.random()) * ms, 4 * ms))

/** One account's way to the API. */
async function signIn(address) {
  const jar = new Map()
  const keep = (response) => {
    for (const line of response.headers.getSetCookie()) {
      const [name, value] = line.split(';')[0].split('=')
      jar.set(name, value)
    }
  }
  const headers = (more = {}) => ({
    Accept: 'application/json',
    Referer: `${base}/`,
    Cookie: [...jar].map((pair) => pair.join('=')).join('; '),
    'X-XSRF-TOKEN': decodeURIComponent(jar.get('XSRF-TOKEN') ?? ''),
    ...more,
  })
  keep(await fetch(`${base}/sanctum/csrf-cookie`, { headers: headers() }))
  const signedIn = await fetch(`${base}/api/v1/session`, {
    method: 'POST',
    headers: headers({ 'Content-Type': 'application/json' }),
    body: JSON.stringify({ email: address, password: 'limestone-7' }),
  })
  if (!signedIn.ok) throw new Error(`${address}: ${signedIn.status}`)
  keep(signedIn)
  return async (what, path, method = 'GET', body, more = {}) => {
    const from = performance.now()
    const response = await fetch(`${base}/api/v1${path}`, {
      method,
      headers: headers({ ...(body ? { 'Content-Type': 'application/json' } : {}), ...more }),
      ...(body ? { body: JSON.stringify(body) } : {}),
    })
    const text = await response.text()
    seen.push({ what, ms: performance.now() - from, status: response.status, at: from })
    return { status: response.status, body: text === '' ? null : JSON.parse(text), etag: response.headers.get('ETag') }
  }
}
let seen = []
const one = (list) => list[Math.floor(Math.random() * list.length)]

function reading(call) {
  let rows = []
  return async () => {
    if (rows.length === 0 || Math.random() < 0.25) {
      const words = encodeURIComponent(one(WORDS) + (Math.random() < 0.5 ? ` ${one(WORDS)}` : ''))
      const [list] = await Promise.all([
        call('list', `/banks/${BANK}/questions?words=${words}`),
        call('facets', `/banks/${BANK}/facets?of=topic&of=no&words=${words}`),
      ])
      rows = list.body?.data ?? []
    }
    if (rows.length === 0) return
    const question = await call('question', `/questions/${one(rows).id}`)
    if (question.body?.data) await call('present', '/present', 'POST', { question: question.body.data.question, seed: 1 })
  }
}
const model = JSON.parse(readFileSync(new URL('../../database/demo/rocks.json', import.meta.url))).questions[0]
/** Somebody's question, written anew again and again. */
function writing(call) {
  const question = { ...model, id: randomUUID(), title: `Crowd ${Math.random()}` }
  let etag = null
  return async () => {
    question.title = `Crowd ${Math.random()}`
    const stored =
      etag === null
        ? await call('save', `/banks/${BANK}/questions`, 'POST', { question })
        : await call('save', `/questions/${question.id}`, 'PUT', { question }, { 'If-Match': etag })
    question.id = stored.body?.data?.id ?? question.id // the server gives it one of its own where that one could be somebody's
    etag = stored.etag ?? etag
  }
}

const calls = []
for (let i = 1; i <= ACCOUNTS; i++) calls.push(await signIn(`crowd-${i}@fellmoor.example`))
const alone = []
const write = writing(calls[0])
const read = reading(calls[0])
for (let i = 0; i < 12; i++) {
  seen = []
  await read()
  await write()
  alone.push(...seen)
}
seen = []
const allThere = performance.now() + ARRIVAL_MS
const until = allThere + seconds * 1000
const person = async (act, pause) => {
  await wait(Math.random() * ARRIVAL_MS) // not all at the same moment
  while (performance.now() < until) {
    await act()
    await think(pause)
  }
}
await Promise.all([
  ...Array.from({ length: readers }, (_, i) => person(reading(calls[i % ACCOUNTS]), 20_000)),
  ...Array.from({ length: writers }, (_, i) => person(writing(calls[i % ACCOUNTS]), 20_000)),
])
seen = seen.filter((each) => each.at >= allThere && each.at < until)
const at = (list, share) => [...list].sort((a, b) => a - b)[Math.ceil(share * list.length) - 1] ?? 0
const ms = (value) => `${value.toFixed(0)} ms`
let missed = false
for (const what of ['list', 'facets', 'question', 'present', 'save']) {
  const times = seen.filter((each) => each.what === what).map((each) => each.ms)
  const slow = at(times, 0.95)
  missed ||= slow > MOST_MS
  const single = at(alone.filter((each) => each.what === what).map((each) => each.ms), 0.5)
  console.log(
    [
      `${what.padEnd(10)} ${String(times.length).padStart(6)} times`,
      `${ms(at(times, 0.5))} in the middle, 95 of 100 within ${ms(slow)} of at most ${ms(MOST_MS)}`,
      `alone ${ms(single)}`,
      slow > MOST_MS ? 'MISSED' : 'good',
    ].join('   '),
  )
}
const errors = seen.filter((each) => each.status >= 400)
missed ||= errors.length > 0
const kinds = [...new Set(errors.map((each) => `${each.what} ${each.status}`))].join(', ')
console.log(
  `${readers} reading, ${writers} writing, ${(seen.length / seconds).toFixed(1)} requests a second; errors: ${errors.length} ${kinds}`,
)
process.exit(missed ? 1 : 0)
