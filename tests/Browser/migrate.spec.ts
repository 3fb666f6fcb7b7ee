import { join } from 'node:path'
import { accessible, signIn } from './helpers'
import { expect, type Page, test } from './test'

const list = (page: Page) => page.getByRole('listbox', { name: 'Questions found' })

/** Sends the assessment at hand out in a format, hands it to the receiving desk, and gives what was counted there beside what was sent. */
async function handedOver(page: Page, format: string) {
  await page.getByRole('button', { name: 'Export', exact: true }).click()
  await page.getByRole('radio', { name: new RegExp(`^${format}`) }).check()
  await page.getByRole('button', { name: 'Export file' }).click()
  await page.getByRole('button', { name: 'Send to the receiving desk' }).click()
  await expect(page.getByText('What was sent and what was counted agree.')).toBeVisible()
}

test('pools of an old system become folders and an assessment with draws, and arrive elsewhere', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/intakes/new')
  await page.locator('input[type=file]').setInputFiles([join('demo/files', 'old-quizzes-with-pools-1.2.zip')])
  await page.getByRole('button', { name: /^Read/ }).click()
  await expect(page.getByText('adds 25 questions')).toBeVisible()
  // The groups of the source narrow the list, and become folders under names of one's own.
  await page.getByLabel('Group').selectOption({ label: 'Soil (12)' })
  await expect(list(page).getByRole('option')).toHaveCount(12)
  await page.getByLabel('Group').selectOption('')
  await page.getByRole('button', { name: 'Choose destination' }).click()
  await page.getByLabel('A new bank').check()
  await page.getByLabel('Name of the new bank').fill('Autumn archive')
  await page.getByLabel('Create folders from the groups in the file').check()
  await page.getByLabel('Folder for Fossils').fill('Life of the past')
  await accessible(page)
  await page.getByRole('button', { name: 'Use this destination' }).click()
  await expect(page.getByText('The import also creates an assessment: “Autumn quiz”.')).toBeVisible()
  await page.getByRole('button', { name: 'Import 25 questions' }).click()
  await expect(page.getByRole('heading', { name: 'Imported: Autumn archive' })).toBeVisible()
  await expect(page.getByRole('row', { name: 'Draws 2 2' })).toBeVisible()
  await expect(page.getByRole('row', { name: 'Groups 6 3 folders' })).toBeVisible()
  await page.getByRole('button', { name: 'Go to Autumn archive' }).click()
  await page.getByRole('tab', { name: 'Folders' }).click()
  await expect(page.getByRole('treeitem', { name: /^Life of the past/ })).toBeVisible()
  await expect(page.getByRole('treeitem', { name: /^Autumn quiz/ })).toBeVisible()

  // The quiz draws as the old system did: 1 + 4 of 12 at 2 points + 3 of 12 at 1 point.
  await page.goto('/assessments')
  await page.getByRole('link', { name: 'Autumn quiz' }).first().click()
  await expect(page.getByText('8 questions, 12 points').first()).toBeVisible()
  await expect(page.frameLocator('iframe').locator('article.question')).toHaveCount(8)
  await page.getByRole('button', { name: /^2\.–5\. Fossils/ }).click()
  await expect(page.getByText('Pool of 12 questions').first()).toBeVisible()
  await page.getByRole('button', { name: 'Show a sample draw' }).click()
  await expect(page.getByText('In this sample: 4 questions')).toBeVisible()
  await accessible(page)
  // A draw is changed: fewer, other points, a smaller pool; what is wrong with it is said; and it is undone.
  await page.getByLabel('Questions to draw').fill('3')
  await expect(page.getByText('7 questions, 10 points').first()).toBeVisible()
  await page.getByRole('button', { name: /^Remove “Where fossils are found” from the pool/ }).click()
  await expect(page.getByText('Pool of 11 questions').first()).toBeVisible()
  await page.getByLabel('Questions to draw').fill('12')
  await expect(page.getByText('The pool has 11 questions, fewer than the 12 to be drawn.')).toBeVisible()
  await page.getByLabel('Questions to draw').fill('3')
  await expect(page.getByText(/fewer than/)).toHaveCount(0)
  // By keyboard: two questions asked one by one become a draw, and are asked one by one again.
  await page.getByRole('button', { name: 'Include all' }).click()
  await expect(page.getByText(/^15 questions/).first()).toBeVisible()
  for (const name of ['Select A trace of life', 'Select Fossil resin']) await page.getByRole('checkbox', { name }).press('Space')
  await page.getByRole('button', { name: 'Draw at random' }).press('Enter')
  await expect(page.getByText(/^14 questions/).first()).toBeVisible()
  await page.getByLabel('Title of the draw').fill('Traces')
  await expect(page.getByRole('button', { name: /Traces Random draw: 1 of 2/ })).toBeVisible()
  // More for its pool, from the list beside.
  await page.getByRole('tab', { name: 'Add' }).click()
  await expect(page.getByLabel('Add questions to')).toHaveValue(/.+/)
  await page.getByLabel('Questions of').selectOption('rocks')
  await page
    .getByRole('listbox', { name: 'Questions', exact: true })
    .getByRole('option', { name: /A good index fossil/ })
    .dblclick()
  await expect(page.getByRole('button', { name: /Traces Random draw: 1 of 3/ })).toBeVisible()
  await accessible(page)

  await handedOver(page, 'QTI 2.1 package')
  await expect(page.getByRole('row', { name: 'Autumn quiz: draws 2 2' })).toBeVisible()
  await accessible(page)
  await page.goto('/assessments')
  await page.getByRole('link', { name: 'Autumn quiz' }).first().click()
  await handedOver(page, 'QTI 3.0 package')
  await page.getByRole('link', { name: 'See the receiving desk' }).click()
  await expect(page.getByText('Taken: QTI 3.0').first()).toBeVisible()
  await expect(page.getByText('Taken: QTI 2.1').first()).toBeVisible()
  await accessible(page)
  // What that desk does not take it says.
  await page.getByLabel('Package').setInputFiles(join('demo/files', 'soil-course-1.3.zip'))
  await page.getByRole('button', { name: 'Hand it in' }).click()
  await expect(page.getByText('Not taken.').first()).toBeVisible()
})

test('what each format keeps is told before anything is sent', async ({ page }) => {
  await signIn(page, 'tam')
  await page.goto('/dispatches/new?bank=maps')
  await page.getByRole('link', { name: 'What each format preserves' }).click()
  await expect(page.getByRole('row', { name: /^choice one right fully fully fully fully fully fully$/ })).toBeVisible()
  await page.getByRole('button', { name: 'order, pairs in order: show differences' }).click()
  await expect(page.getByText('Parts of the right order earn nothing there')).toBeVisible()
  await accessible(page)
})
