import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { accessible, paste, signIn, write } from './helpers'
import { expect, type Page, test } from './test'

const demo = (name: string) => join('demo/files/documents', name)
const document = (page: Page) => page.getByRole('region', { name: 'The document beside its questions' })

async function give(page: Page, file: string) {
  await page.goto('/intakes/new')
  await page.locator('input[type=file]').setInputFiles(file)
  await page.getByRole('button', { name: 'Read 1 file' }).click()
  await expect(document(page)).toBeVisible({ timeout: 20_000 })
}

test('a typed exam of forty questions is in a bank in one sitting', async ({ page }) => {
  await signIn(page, 'orla')
  await give(page, demo('end-of-year-exam.docx'))

  // what went nowhere stands first
  await expect(page.getByRole('region', { name: '2 paragraphs were not used' }).getByText('Good luck!')).toBeVisible()
  const first = document(page).getByRole('article').first()
  await expect(first).toContainText('Answer: B')
  await first.getByRole('button', { name: 'Why?' }).click()
  await expect(first.getByText('answer: the option in bold')).toBeVisible()
  await page.getByRole('button', { name: 'Corrections for the whole document' }).click()
  await accessible(page)

  // one correction for all of them: with nothing found, one answer is told and applied to all alike
  await expect(page.getByText('in bold (40 questions)')).toBeVisible()
  await page.getByLabel('What it means: in bold').selectOption('nothing')
  await expect(first).not.toContainText('Answer: B')
  await page.getByRole('button', { name: 'What is paragraph 5?' }).click()
  await page.getByRole('menuitem', { name: 'This is the right answer' }).click()
  await page.getByRole('button', { name: 'Options in bold are the key: apply to all' }).click()
  await expect(document(page).getByRole('article').nth(2)).toContainText('Answer:')
  await page.getByLabel('Points of every question').fill('2')
  await page.getByRole('button', { name: 'Set', exact: true }).click()
  await expect(first).toContainText('2 points')
  await expect(page.getByText('2 points for every question')).toBeVisible()

  // classified by their heading, placed, imported
  await page.getByRole('button', { name: 'Choose destination' }).click()
  await page.getByLabel('A new bank').check()
  await page.getByLabel('Name of the new bank').fill('End of year')
  await page.getByRole('button', { name: 'Use this destination' }).click()
  await page.getByRole('button', { name: 'Import 40 questions' }).click()
  await expect(page.getByRole('heading', { name: 'Imported: End of year' })).toBeVisible({ timeout: 30_000 })
  await expect(page.getByRole('row', { name: /^Questions 40/ })).toBeVisible()
})

test('typed questions pasted at the desk become several on request', async ({ page }) => {
  await signIn(page, 'orla')
  await write(page, 'rocks', /choose one/, 'Typed elsewhere:')
  const text = '1. Which rock splits into sheets?\nA. slate\nB. chalk\nAnswer: A\n2. Which fizzes with acid?\nA. slate\nB. chalk\nAnswer: B'
  await paste(page, { 'text/plain': text })
  await page.getByRole('button', { name: 'Read as 2 questions' }).click()
  await expect(page.getByText('adds 2 questions')).toBeVisible({ timeout: 20_000 })
})

/** Changes words in a document as a colleague would: LibreOffice opens it, and saves it again. */
function edited(file: string, from: string, to: string): string {
  const folder = mkdtempSync(join(tmpdir(), 'colleague-'))
  const office = (what: string, form: string) =>
    execFileSync('soffice', [
      `-env:UserInstallation=file://${folder}/profile`,
      '--headless',
      '--convert-to',
      form,
      '--outdir',
      folder,
      what,
    ])
  office(file, 'fodt')
  const flat = join(folder, 'sent.fodt')
  const text = readFileSync(flat, 'utf8')
  expect(text).toContain(from)
  writeFileSync(flat, text.replace(from, to))
  office(flat, 'docx')
  return join(folder, 'sent.docx')
}

test('questions go out as a document, are edited in a word processor and come back as revisions', async ({ page }) => {
  await signIn(page, 'orla')
  await give(page, demo('highlighted-key.docx'))
  await page.getByRole('button', { name: 'Choose destination' }).click()
  await page.getByLabel('A new bank').check()
  await page.getByLabel('Name of the new bank').fill('For a colleague')
  await page.getByRole('button', { name: 'Use this destination' }).click()
  await page.getByRole('button', { name: 'Import 15 questions' }).click()
  await expect(page.getByRole('heading', { name: 'Imported: For a colleague' })).toBeVisible({ timeout: 30_000 })

  await page.goto('/dispatches/new?bank=for-a-colleague')
  await page.getByLabel(/^Word document/).check()
  await page.getByRole('button', { name: 'Export file' }).click()
  const link = page.getByRole('link', { name: 'Download file' })
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()])
  const file = join(mkdtempSync(join(tmpdir(), 'sent-')), 'sent.docx')
  await download.saveAs(file)

  await give(page, edited(file, 'Slate splits along flat planes', 'Slate splits along thin, flat planes'))
  await page.getByRole('button', { name: 'Choose destination' }).click()
  await page.getByLabel('An existing bank').check()
  await page.getByLabel('Bank', { exact: true }).selectOption('for-a-colleague')
  await page.getByRole('button', { name: 'Use this destination' }).click()
  await page.getByRole('button', { name: 'Questions', exact: true }).click()
  await page
    .getByRole('option', { name: /Which rock|What|Which/ })
    .first()
    .click()
  await expect(page.getByText('They are identical')).toBeVisible()
  await page.getByRole('option', { name: /thin, flat planes/ }).click()
  const twin = page.getByRole('region', { name: 'exported from this bank' })
  await expect(twin).toContainText('They differ')
  await twin.getByRole('combobox').selectOption('replace')
  await page.getByRole('button', { name: 'Import 1 question', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Imported: For a colleague' })).toBeVisible({ timeout: 30_000 })
  await page.goto('/banks/for-a-colleague')
  await expect(page.getByRole('option', { name: /thin, flat planes/ })).toBeVisible()
})
