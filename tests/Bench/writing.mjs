// Typing where much stands: an answer of 5,000 words in the try pane, and a cell of a rubric of 12 criteria and 6 levels. What one key
// costs the page, and the longest it was blocked, beside a bare text area with the same text. BASE_URL names a running installation; EMAIL,
// PASSWORD and BANK may name another author and bank.
import { randomUUID } from 'node:crypto'
import { signedIn } from './shared/signedIn.mjs'

const bank = process.env.BANK ?? 'large-200000'
const LETTERS = 60
/** The longest a key may block the page, in ms (issue 20). */
const MOST = 50
const { browser, page } = await signedIn()

const essay = (format) => ({
  format: 'wide-quarry/question',
  version: 1,
  id: randomUUID(),
  title: `A long answer, ${format}`,
  language: 'en-GB',
  body: '<p>Explain how a meander grows.</p><div data-part="p1"></div>',
  stimuli: [],
  parts: [
    {
      id: 'p1',
      kind: 'essay',
      points: 36,
      settings: { lines: 24, format, words: { min: null, max: 6000 } },
      key: {
        rubric: {
          scheme: 'analytic',
          criteria: Array.from({ length: 12 }, (_, i) => ({
            id: `c${i}`,
            title: `Criterion ${i + 1}`,
            levels: Array.from({ length: 6 }, (_, k) => ({
              id: `l${k}`,
              points: 3 - k * 0.5,
              html: '<p>What an answer at this level is like, in a sentence.</p>',
            })),
          })),
        },
        models: [],
      },
      scoring: { scheme: 'person' },
    },
  ],
  record: {},
})
const store = (question) =>
  page.evaluate(
    async ([bank, question]) => {
      const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '')
      const answer = await fetch(`/api/v1/banks/${bank}/questions`, {
        method: 'POST',
        headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token, 'Content-Type': 'application/json' },
        body: JSON.stringify({ question }),
      })
      if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`)
      const { data } = await answer.json()
      return data.id ?? data.question.id
    },
    [bank, question],
  )

const session = await page.context().newCDPSession(page)
await session.send('Performance.enable')
const worked = async () => {
  const { metrics } = await session.send('Performance.getMetrics')
  const of = (name) => metrics.find((one) => one.name === name).value
  return (of('ScriptDuration') + of('LayoutDuration') + of('RecalcStyleDuration')) * 1000
}
/** What a key costs, and the longest the page was blocked meanwhile, in ms; tasks below 50 are not reported by the browser. */
async function typed() {
  await page.evaluate(() => {
    window.blocked = []
    window.watch = new PerformanceObserver((list) => window.blocked.push(...list.getEntries().map((one) => one.duration)))
    window.watch.observe({ entryTypes: ['longtask'] })
  })
  const before = await worked()
  for (let i = 0; i < LETTERS; i++) {
    await page.keyboard.press(i % 6 === 5 ? 'Space' : 'e')
    await page.waitForTimeout(30)
  }
  const work = ((await worked()) - before) / LETTERS
  await page.waitForTimeout(200)
  const blocked = await page.evaluate(() => {
    window.watch.disconnect()
    return window.blocked
  })
  return { work, longest: Math.max(0, ...blocked), times: blocked.length }
}

const words = 'The water is fastest on the outside of the bend. '.repeat(500)
const rows = []
for (const format of ['plain', 'rich']) {
  const id = await store(essay(format))
  await page.goto(`/questions/${id}`)
  const field = page.getByRole('region', { name: 'Try', exact: true }).getByRole('textbox', { name: 'The learner writes at length' })
  await field.waitFor()
  if (format === 'plain') await field.fill(words)
  else {
    await field.click()
    await page.keyboard.insertText(words)
  }
  await page.getByText('5,000 words').waitFor()
  await page.keyboard.press('Control+End')
  await page.waitForTimeout(1500)
  rows.push([`a letter in an answer of 5,000 words, ${format}`, await typed()])
}
const cell = page.getByRole('textbox', { name: 'What it is like: level 3 of Criterion 6' })
await cell.scrollIntoViewIfNeeded()
await cell.click()
await page.keyboard.press('End')
await page.waitForTimeout(1500)
rows.push(['a letter in a rubric of 12 × 6', await typed()])
await page.setContent('<textarea rows="24" cols="60"></textarea>')
await page.locator('textarea').fill(words)
await page.keyboard.press('Control+End')
const bare = await typed()
await browser.close()

let missed = false
for (const [name, { work, longest, times }] of rows) {
  const good = longest <= MOST
  missed ||= !good
  const blocked = longest === 0 ? `never blocked ${MOST} ms` : `blocked ${times} ×, at most ${longest.toFixed(0)} ms`
  console.log(`${name.padEnd(52)} ${work.toFixed(1)} ms   yardstick ${bare.work.toFixed(1)} ms   ${blocked}   ${good ? 'good' : 'MISSED'}`)
}
process.exit(missed ? 1 : 0)
