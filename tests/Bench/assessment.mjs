// An assessment of 200 entries, 20 of them draws by conditions, over 50,000 questions: opened, saved, and an entry of it dragged. Opening
// is told beside a trivial signed-in route and beside the same assessment without its draws; saving by the time the server takes.
// BASE_URL names a running installation with the bank large-50000.
import { randomUUID } from 'node:crypto'
import { signedIn } from './shared/signedIn.mjs'

const BANK = 'large-50000'
const ROUNDS = 40
/** Opening, at 95 %: so many times the trivial route, and what the questions themselves cost. */
const OPENS = 3
const SAVES_MS = 120
const BLOCKED_MS = 50

const { browser, page } = await signedIn()
const call = (method, path, body, headers = {}) =>
  page.evaluate(
    async ([method, path, body, headers]) => {
      const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)?.[1] ?? '')
      const from = performance.now()
      const response = await fetch(`/api/v1${path}`, {
        method,
        headers: {
          Accept: 'application/json',
          'X-XSRF-TOKEN': token,
          ...(body ? { 'Content-Type': 'application/json' } : {}),
          ...headers,
        },
        ...(body ? { body: JSON.stringify(body) } : {}),
      })
      const text = await response.text()
      return { status: response.status, ms: performance.now() - from, bytes: text.length, body: text === '' ? null : JSON.parse(text) }
    },
    [method, path, body, headers],
  )
const must = async (...request) => {
  const answer = await call(...request)
  if (answer.status >= 300) throw new Error(`${request[0]} ${request[1]}: ${answer.status} ${JSON.stringify(answer.body).slice(0, 300)}`)
  return answer
}
const at = (times, share) => [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))]
const say = (name, figure) => console.log(`${name.padEnd(34)} ${figure}`)

// 180 questions one by one, and 20 draws, each of a few hundred to a few thousand questions
const bank = (await must('GET', `/banks/${BANK}`)).body.data
const picks = []
for (let cursor = ''; picks.length < 180; ) {
  const after = cursor === '' ? '' : `&cursor=${encodeURIComponent(cursor)}`
  const rows = (await must('GET', `/banks/${BANK}/questions?status=approved${after}`)).body
  picks.push(...rows.data.map((row) => row.id))
  cursor = rows.meta.next_cursor
}
const facets = (await must('GET', `/banks/${BANK}/facets?of=topic&exact=1`)).body.facets.topic
const topics = facets
  .filter((one) => one.count >= 50 && one.count <= 4000)
  .slice(0, 20)
const draws = Array.from({ length: 20 }, (_, i) => ({
  id: `d${i}`,
  draw: 3,
  points: 1,
  from: [
    {
      draw: 3,
      conditions: { topic: [topics[i % topics.length].value], difficulty: [String((i % 5) + 1)] },
      banks: [bank.id],
    },
  ],
}))
const make = async (entries) => {
  const once = { 'Idempotency-Key': randomUUID() }
  const made = (await must('POST', '/assessments', { title: `Bench ${Date.now()}`, bank: BANK }, once)).body.data
  const content = { ...made.content, sections: [0, 1, 2, 3].map((n) => ({ id: `s${n}`, entries: entries.filter((_, i) => i % 4 === n) })) }
  return (await must('PUT', `/assessments/${made.id}`, { content }, { 'If-Match': `"${made.version}"` })).body.data
}
const asked = picks.slice(0, 180).map((question, i) => ({ id: `e${i}`, question }))
const whole = await make([...asked, ...draws])
const bare = await make(asked)
const pool = Object.values(whole.entries).reduce((sum, fact) => sum + (fact.pool ?? 0), 0)
say('the assessment', `${asked.length} questions and ${draws.length} draws over ${pool.toLocaleString('en')} questions`)

const times = { me: [], bare: [], whole: [] }
for (let round = 0; round < ROUNDS; round++) {
  times.me.push((await must('GET', '/me')).ms)
  times.bare.push((await must('GET', `/assessments/${bare.id}`)).ms)
  times.whole.push((await must('GET', `/assessments/${whole.id}`)).ms)
}
const [me, alone, opened] = [times.me, times.bare, times.whole].map((one) => at(one, 0.95))
// what the questions cost: 180 read one by one, and what the same twenty searches take when somebody looks for them
const searches = []
for (const { from } of draws) {
  const query = Object.entries(from[0].conditions).flatMap(([name, values]) => values.map((value) => `${name}=${value}`)).join('&')
  const rounds = []
  for (let round = 0; round < 5; round++) rounds.push((await must('GET', `/banks/${BANK}/count?${query}`)).ms - at(times.me, 0.5))
  searches.push(at(rounds, 0.5))
}
const own = alone - me + searches.reduce((sum, ms) => sum + ms, 0)
const good = opened <= OPENS * me + own
say('a trivial route, p95', `${me.toFixed(0)} ms`)
say('180 questions alone, p95', `${alone.toFixed(0)} ms`)
say('20 searches like the draws', `${(own - alone + me).toFixed(0)} ms`)
say(
  'opened, p95',
  `${opened.toFixed(0)} ms of at most ${(OPENS * me + own).toFixed(0)}: ${OPENS} × ${me.toFixed(0)}, ` +
    `and ${own.toFixed(0)} that the questions cost   ${good ? 'good' : 'MISSED'}`,
)

// saved: the server's time is that of the request less the trivial one's
let now = whole
const saves = []
for (let round = 0; round < 15; round++) {
  const content = { ...now.content, title: `Bench ${round}` }
  const answer = await must('PUT', `/assessments/${whole.id}`, { content }, { 'If-Match': `"${now.version}"` })
  saves.push(answer.ms - at(times.me, 0.5))
  now = answer.body.data
}
const saved = at(saves, 0.5)
say('saved, in the middle', `${saved.toFixed(0)} ms of at most ${SAVES_MS}   ${saved <= SAVES_MS ? 'good' : 'MISSED'}`)

// dragged: an entry over the outline, one step after the other
await page.goto(`/assessments/${bare.id}`)
const handle = page.getByRole('button', { name: /^Move / }).first()
await handle.waitFor()
await page.waitForTimeout(2000)
await page.evaluate(() => {
  window.blocked = []
  const note = (list) => window.blocked.push(...list.getEntries().map((one) => one.duration))
  new PerformanceObserver(note).observe({ entryTypes: ['longtask'] })
})
const box = await handle.boundingBox()
await page.mouse.move(box.x + 5, box.y + 5)
await page.mouse.down()
for (let step = 1; step <= 40; step++) {
  await page.mouse.move(box.x + 5, box.y + 5 + step * 10)
  await page.waitForTimeout(20)
}
const blocked = Math.max(0, ...(await page.evaluate(() => window.blocked)))
await page.keyboard.press('Escape')
await page.mouse.up()
const isFluent = blocked <= BLOCKED_MS ? 'good' : 'MISSED'
say('dragging over 180 entries', `blocked for ${blocked.toFixed(0)} ms at most, of at most ${BLOCKED_MS}   ${isFluent}`)
if (!process.env.KEEP) for (const one of [whole, bare]) await call('DELETE', `/assessments/${one.id}`)
await browser.close()
process.exit(good && saved <= SAVES_MS && blocked <= BLOCKED_MS ? 0 : 1)
