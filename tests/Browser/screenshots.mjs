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
await page.getByRole('heading', { name: 'Needs attention' }).waitFor()
await shot(page, 'home')

await page.goto('/banks/rocks?words=splits')
await row(page, /Why slate splits/).click()
await page.getByRole('button', { name: 'Key hidden' }).click()
await shot(page, 'bank')
await page.goto('/banks/rocks?difficulty=2&difficulty=3')
await page.getByRole('tab', { name: 'Folders' }).click()
for (const i of [0, 1, 3]) await page.locator('[data-tick]').nth(i).click()
await page.getByRole('button', { name: 'Change', exact: true }).click()
const dialog = page.getByRole('dialog')
await dialog.getByLabel('Add tags', { exact: true }).fill('autumn walk')
await dialog.getByLabel('Add tags', { exact: true }).press('Enter')
await dialog.getByLabel('Level', { exact: true }).fill('Year 10')
await dialog.getByLabel('Points', { exact: true }).fill('3')
await dialog.getByText('3 questions change.').waitFor()
await dialog.getByLabel('Add tags', { exact: true }).focus()
await shot(page, 'change')
await page.keyboard.press('Escape')
await page.getByRole('button', { name: 'Clear tray' }).click()
await page.goto('/banks/maps/media')
await page.getByRole('button', { name: /Beds bent up/ }).click()
await page.getByRole('region', { name: 'Details' }).getByRole('link').first().waitFor()
await shot(page, 'media')

await page.goto('/banks/evidence/stimuli')
await page.getByText(/^Used by 4 questions/).waitFor()
await shot(page, 'stimuli')

const desk = async (bank, words, name, then) => {
  await page.goto(`/banks/${bank}?words=${encodeURIComponent(words)}`)
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await page.getByLabel('Title').waitFor()
  await then?.()
  await shot(page, name)
}
const pane = page.getByRole('region', { name: 'Try', exact: true })
await desk('diagrams', '"where a river eats its bank"', 'picture-regions', async () => {
  const drawing = page.getByRole('group', { name: 'Regions on the picture' })
  await drawing.locator('[data-thing]').nth(1).focus()
  await page.keyboard.press('Enter')
  await drawing.evaluate((svg) => svg.closest('[data-scroll]').parentElement.scrollIntoView({ block: 'start' }))
})
await desk('diagrams', '"parts of a volcano"', 'picture-labels', async () => {
  for (const [label, place] of [
    ['crater', 1],
    ['magma chamber', 3],
  ]) {
    await pane.getByRole('button', { name: label, exact: true }).click()
    await pane
      .getByRole('button', { name: new RegExp(`^(Place|Target) ${place}|^${place}`) })
      .first()
      .click()
  }
})
await desk('long-answers', '"why a slope slides"', 'rubric', async () => {
  await page.getByRole('combobox', { name: 'How it is marked' }).evaluate((one) => one.scrollIntoView({ block: 'start' }))
  await page.getByText('Gives up to 4 of 4 points').waitFor()
})
await desk('long-answers', '"how a meander grows"', 'marking', async () => {
  const answer = 'The water is fastest on the outside of the bend, so it undercuts the bank there. On the inside it drops its load.'
  await pane.getByRole('textbox', { name: 'The learner writes at length' }).fill(answer)
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await pane.getByRole('radiogroup', { name: 'Chain of causes' }).getByRole('radio').first().click()
  await pane.getByRole('radiogroup', { name: 'Terms' }).getByRole('radio').nth(1).click()
  await pane.getByText('All marked').waitFor()
  await page.getByRole('tab', { name: /^Example answers/ }).click()
  await page.getByRole('button', { name: 'Show Full' }).click()
  await page.getByRole('textbox', { name: 'The answer' }).evaluate((one) => one.scrollIntoView({ block: 'center' }))
  await pane.getByText('All marked').evaluate((one) => one.scrollIntoView({ block: 'center' }))
})
await desk('rocks', '"why slate splits"', 'desk-choice-try', async () => {
  await pane.getByRole('radio', { name: /minerals were there before/ }).check()
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await pane.getByText('partly right').waitFor()
})
await desk('measuring', '"draft area or sum"', 'values', async () => {
  await page.getByRole('tab', { name: 'Values' }).click()
  await page.getByRole('region', { name: 'Study of the rolls' }).evaluate((one) => one.scrollIntoView({ block: 'start' }))
  await page.getByText('A right option is the same as a wrong one, in 4 rolls.').waitFor()
})
await desk('measuring', '"discharge of a stream"', 'unit', async () => {
  const answer = pane.getByRole('textbox', { name: 'The learner types a number' })
  await answer.fill('360 L/s')
  await pane.getByText('read as 360 L/s').waitFor()
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await pane.getByText('360 L/s = 0.36 m³/s').waitFor()
  await page.getByRole('button', { name: 'Settings' }).first().click()
})
await desk('graphs', '"above the flood line"', 'graph', async () => {
  const drawing = pane.getByRole('application')
  await drawing.waitFor()
  await page.waitForLoadState('networkidle')
  for (const place of ['0, 1', '2, 2', '1, 6']) {
    await pane.getByLabel('or type it').fill(place)
    await page.keyboard.press('Enter')
  }
  await pane.getByRole('listitem').getByText('solid; the side above it').waitFor()
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await pane.getByText('dashed and solid are mixed up').waitFor()
  await drawing.evaluate((svg) => svg.scrollIntoView({ block: 'start' }))
  const card = page.getByRole('region', { name: /^The learner draws on/ })
  await card.getByRole('application').evaluate((svg) => svg.scrollIntoView({ block: 'center' }))
})
await desk('field-notes', '"an old rule"', 'desk-history', async () => {
  await page.getByRole('textbox', { name: 'Question', exact: true }).click()
  await page.keyboard.press('Control+End')
  await page.keyboard.type(' It is one of geology’s oldest.')
  await page.getByLabel(/^Points/).fill('2')
  await page.getByLabel('Note for the history').fill('Says what it is; two points')
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
await page.getByRole('button', { name: /^Import \d/ }).click()
await page.getByRole('heading', { name: /^Import/ }).waitFor()
await page.getByRole('region', { name: 'Added' }).waitFor()
await page.getByRole('button', { name: 'Undo import' }).click()
await page.getByRole('button', { name: /^Import \d/ }).waitFor()
await page.goto('/assessments')
await page.getByRole('link', { name: /Year 9, unit 3/ }).click()
await page.getByRole('button', { name: /^2\./ }).click()
await page.getByRole('button', { name: 'Edit', exact: true }).waitFor()
await shot(page, 'assessment')
await page.getByRole('button', { name: 'Print' }).click()
await page.getByLabel('School or heading').fill('Fellmoor Schools Partnership')
await page.waitForTimeout(1200)
await page.getByRole('img', { name: /^Page 1 of/ }).waitFor()
await page.getByRole('link', { name: 'Download PDF' }).waitFor()
await shot(page, 'print')

// What markers get of a written paper.
await page.goto('/assessments')
await page.getByRole('link', { name: /Written paper: rivers and ice/ }).click()
await page.getByRole('button', { name: 'Print' }).click()
await page.getByLabel('Mark scheme').check()
await page.getByLabel('Learner’s sheet').uncheck()
await page.waitForTimeout(1500)
await page.getByRole('img', { name: /^Page 1 of/ }).waitFor()
await page.getByRole('link', { name: 'Download PDF' }).waitFor()
await shot(page, 'mark-scheme')

// Grids to draw on.
await page.goto('/assessments')
await page.getByRole('link', { name: 'Drawing on grids' }).click()
await page.getByRole('button', { name: 'Print' }).click()
await page.waitForTimeout(1500)
await page.getByRole('img', { name: /^Page 1 of/ }).waitFor()
await page.getByRole('link', { name: 'Download PDF' }).waitFor()
await shot(page, 'graph-sheet')

// Pools of an old package, which become draws, go out as 2.1, and arrive.
await page.goto('/intakes/new')
await page.locator('input[type=file]').setInputFiles('demo/files/old-quizzes-with-pools-1.2.zip')
await page.getByRole('button', { name: /^Read/ }).click()
await page.getByRole('button', { name: 'Choose destination' }).click()
await page.getByLabel('A new bank').check()
await page.getByLabel('Name of the new bank').fill('Autumn archive')
await page.getByRole('button', { name: 'Use this destination' }).click()
await page.getByRole('button', { name: 'Import 25 questions' }).click()
await page.getByRole('heading', { name: 'Imported: Autumn archive' }).waitFor()
await page.goto('/assessments')
await page.getByRole('link', { name: 'Autumn quiz' }).first().click()
await page.getByRole('button', { name: /^2\.–5\. Fossils/ }).click()
await page.getByRole('button', { name: 'Show a sample draw' }).click()
await page.getByText('In this sample: 4 questions').waitFor()
await page.frameLocator('iframe').locator('article.question').first().waitFor()
await browser.close()
