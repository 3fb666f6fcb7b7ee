import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { accessible, signIn } from './helpers'
import { expect, type Page, test } from './test'

async function take(page: Page, name: string) {
  await page.goto('/stand-ins/sending')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()])
  const file = join(tmpdir(), `${Date.now()}-${download.suggestedFilename()}`)
  await download.saveAs(file)
  return file
}

/** Asks the server as the application does. */
const ask = (page: Page, path: string) => page.evaluate(async (to) => (await fetch(`/api/v1${to}`)).json(), path)

test('flat quizzes of an old system get their folders, titles and draws back, and arrive elsewhere with them', async ({ page }) => {
  const run = Date.now()
  await signIn(page, 'orla')
  const flat = await take(page, 'Its quizzes, flat (QTI 1.2.1)')
  const truth = await take(page, 'What it has, as a table (CSV)')

  await page.goto('/intakes/new')
  await page.locator('input[type=file]').setInputFiles(flat)
  await page.getByRole('button', { name: 'Read 1 file' }).click()
  await page.getByRole('button', { name: 'Folders and draws' }).click({ timeout: 20_000 })
  const migration = page.getByRole('region', { name: 'Folders and draws' })

  // folders for all five quizzes in one step, one of them called otherwise
  await migration.getByRole('combobox', { name: 'Folders' }).selectOption('By quiz, then kind')
  await expect(migration.getByText('15 folders')).toBeVisible()
  await migration.getByLabel('Name of Maps › short text').fill('map words')
  await migration.getByLabel('Name of Maps › short text').press('Enter')

  await migration.getByRole('button', { name: 'Give titles' }).click()
  await expect(migration.getByText('130 questions have titles now.')).toBeVisible({ timeout: 20_000 })

  // one quiz in words, one line of it wrong, and the same of the others
  await migration.getByRole('button', { name: 'From text' }).click()
  await page
    .getByLabel('What the old system had', { exact: true })
    .last()
    .fill('Minerals: drew 6 of the 15 multiple choice questions, 2 points each; 3 of the short text questions; 2 of the number questions')
  await page.getByRole('button', { name: 'Read', exact: true }).click()
  await expect(migration.getByText('15 were stated to draw from, and 14 are here: one is missing.')).toBeVisible()
  await accessible(page)
  await migration.getByRole('button', { name: 'Copy to quizzes like it' }).click()
  await expect(migration.getByText('12 lines are assumed')).toBeVisible()

  // the truth instead: everything adds up
  await migration.getByRole('button', { name: 'Remove line 2', exact: true }).click()
  await migration.getByRole('button', { name: 'Remove all lines' }).click()
  await expect(migration.getByText('Nothing is stated yet.')).toBeVisible()
  await migration.locator('input[type=file]').setInputFiles(truth)
  await expect(migration.getByText('All 15 lines agree with what was found.')).toBeVisible()
  await migration.getByLabel('Certain?, line 15').selectOption('assumed')
  await expect(migration.getByText('One line is assumed')).toBeVisible()

  await page.getByRole('button', { name: 'Choose destination' }).click()
  await page.getByLabel('A new bank').check()
  await page.getByLabel('Name of the new bank').fill(`Old quizzes ${run}`)
  await page.getByRole('button', { name: 'Use this destination' }).click()
  await page.getByRole('button', { name: 'Import 130 questions' }).click()
  await expect(page.getByRole('heading', { name: `Imported: Old quizzes ${run}` })).toBeVisible({ timeout: 60_000 })

  // the receipt has the tally, and what was assumed goes to who knows it
  await expect(page.getByRole('region', { name: 'The tally' }).getByText('✓ agrees')).toHaveCount(15)
  const assumed = page.getByRole('region', { name: 'What was assumed of the old system' })
  await assumed.getByRole('button', { name: 'Ask someone' }).click()
  await page.getByLabel('Email').fill('tam@fellmoor.example')
  await page.getByRole('button', { name: 'Ask', exact: true }).click()
  await expect(assumed.getByText(/was asked/)).toBeVisible()

  const trees = JSON.stringify(await ask(page, `/banks/old-quizzes-${run}/trees`))
  for (const name of ['Minerals', 'map words', 'Weather', 'short text']) expect(trees).toContain(`"${name}"`)

  // out as QTI 2.1, and there: a draw is a draw
  await page.goto('/assessments')
  await page.getByRole('link', { name: 'Minerals' }).first().click()
  await expect(page.getByText(/Draw 6|6 of 14/).first()).toBeVisible()
  const assessment = /assessments\/([0-9a-f-]{36})/.exec(page.url())?.[1] ?? ''
  await page.goto(`/dispatches/new?assessment=${assessment}`)
  await page.getByLabel(/^QTI 2.1/).check()
  await page.getByRole('button', { name: 'Export file' }).click()
  await page.getByRole('button', { name: 'Send to the receiving desk' }).click()
  await expect(page.getByText('Arrived at the receiving desk').first()).toBeVisible({ timeout: 20_000 })

  // who was asked confirms
  await page.context().clearCookies()
  await signIn(page, 'tam')
  const told = await ask(page, '/me/notifications')
  await page.goto(told.data.find((one: { kind: string }) => one.kind === 'assumptions').link)
  await page.getByRole('button', { name: 'Confirm' }).click()
  await expect(page.getByText(/Confirmed by/)).toBeVisible()
})
