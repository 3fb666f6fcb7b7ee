// Takes the pictures of docs/screenshots from a freshly loaded demo: node tests/Browser/screenshots.mjs http://127.0.0.1:8080 [folder]
import { chromium } from '@playwright/test'

const [base = 'http://127.0.0.1:8080', folder = 'docs/screenshots'] = process.argv.slice(2)
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' })
const open = async (colorScheme) =>
  (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: base, colorScheme })).newPage()
const shot = async (page, name) => {
  await page.evaluate(() => document.fonts.ready)
  await page.waitForLoadState('networkidle')
  await page.waitForTimeout(300)
  await page.mouse.move(2, 2)
  await page.screenshot({ path: `${folder}/${name}.png` })
}
const signIn = async (page) => {
  await page.goto('/sign-in')
  await page.getByRole('button', { name: 'orla@fellmoor.example' }).click()
}
const enter = async (page) => {
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.getByRole('heading', { name: 'Desk' }).waitFor()
}
const row = (page, words) => page.getByRole('listbox', { name: 'Questions' }).getByRole('option', { name: words })
const page = await open('light')
await signIn(page)
await enter(page)
await page.goto('/banks')
await page.getByRole('heading', { name: 'Banks' }).waitFor()
await shot(page, 'banks')

await page.goto('/banks/rocks?words=splits')
await row(page, /Why slate splits/).click()
await page.getByRole('button', { name: 'Key hidden' }).click()
await shot(page, 'bank')
await page.goto('/banks/rocks?difficulty=2&difficulty=3')
await page.getByRole('tab', { name: 'Folders' }).click()
for (const i of [0, 1, 3]) await page.locator('[data-tick]').nth(i).click()
await shot(page, 'bank-selection')
await page.getByRole('button', { name: 'Empty the tray' }).click()

await page.goto('/banks/evidence/stimuli')
await page.getByText(/^Shown with 4 questions/).waitFor()
await shot(page, 'stimuli')

await page.goto('/banks/rocks/write')
await page.getByRole('heading', { name: 'The learner will …' }).waitFor()
await shot(page, 'start')

const desk = async (bank, words, name, then) => {
  await page.goto(`/banks/${bank}?words=${encodeURIComponent(words)}`)
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await page.getByLabel('Title').waitFor()
  await then?.()
  await shot(page, name)
}
const pane = page.getByRole('region', { name: 'Try', exact: true })
await desk('rocks', '"why slate splits"', 'desk-choice-try', async () => {
  await pane.getByRole('radio', { name: /minerals were there before/ }).check()
  await pane.getByRole('button', { name: 'Check' }).click()
  await pane.getByText('partly right').waitFor()
})
await desk('rocks', '"two sedimentary structures"', 'desk-typed')
await desk('field-maths', '"density of a hand sample"', 'desk-number', async () => {
  await pane.getByRole('button', { name: 'Roll new values' }).click()
  await page.getByRole('button', { name: 'Settings' }).click()
})
await desk('hazards', '"hard water from fellmoor"', 'desk-gaps', async () => {
  await pane.getByRole('button', { name: 'carbon dioxide', exact: true }).click()
  await pane.getByRole('button', { name: /^Gap 1:/ }).click()
  await pane.getByRole('button', { name: 'oxygen', exact: true }).click()
})
await desk('hazards', '"three kinds of seismic wave"', 'desk-grid', async () => {
  await pane.getByRole('radio', { name: 'arrives first – P wave' }).check()
  await pane.getByRole('radio', { name: 'cannot pass through liquids – P wave' }).check()
  await pane.getByRole('button', { name: 'Check' }).click()
})
await desk('hazards', '"layers of the earth"', 'desk-table', async () => {
  await pane.getByRole('textbox').first().fill('silicates')
})
await desk('field-notes', '"notes on a glacier"', 'desk-amend')
await desk('field-notes', '"an old rule"', 'desk-history', async () => {
  await page.getByRole('textbox', { name: 'Question', exact: true }).click()
  await page.keyboard.press('Control+End')
  await page.keyboard.type(' It is one of geology’s oldest.')
  await page.getByLabel(/^Points/).fill('2')
  await page.getByLabel('What changed, for the history').fill('Says what it is; two points')
  await page.getByRole('button', { name: 'Save revision 2' }).click()
  await page.getByRole('tab', { name: 'History' }).click()
  await page.getByRole('button', { name: /two points/ }).click()
  await page.getByRole('button', { name: 'Close' }).first().click()
})

await page.goto('/transfers')
await page.getByRole('link', { name: 'quarry-visit.zip' }).click()
await page.getByRole('option', { name: /The face of the quarry/ }).click()
await page.getByText('What is the dark band').last().waitFor()
await shot(page, 'review')
await page.getByRole('button', { name: /^Bring in \d/ }).click()
await page.getByRole('heading', { name: /^Brought in/ }).waitFor()
await page.getByRole('region', { name: 'Added' }).waitFor()
await shot(page, 'receipt')
await page.getByRole('button', { name: 'Take back' }).click()
await page.getByRole('button', { name: /^Bring in \d/ }).waitFor()
await page.goto('/assessments')
await page.getByRole('link', { name: /Year 9, unit 3/ }).click()
await page.getByRole('button', { name: /^2\./ }).click()
await page.getByRole('button', { name: 'Edit', exact: true }).waitFor()
await shot(page, 'assessment')
await page.getByRole('button', { name: 'Print' }).click()
await page.getByLabel('School or heading').fill('Fellmoor Schools Partnership')
await page.waitForTimeout(1200)
await page.getByRole('img', { name: /^Page 1 of/ }).waitFor()
await page.getByRole('link', { name: 'Fetch the PDF' }).waitFor()
await shot(page, 'print')

const dark = await open('dark')
await signIn(dark)
await enter(dark)
await dark.goto('/banks/rocks?kind=choice')
await row(dark, /./).nth(2).click()
await shot(dark, 'bank-dark')

await page.setViewportSize({ width: 390, height: 800 })
await page.goto('/banks/rocks')
await row(page, /index fossil/).click()
await shot(page, 'phone')
await browser.close()
