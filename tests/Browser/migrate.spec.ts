import { join } from 'node:path'
import { expect, type Page, test } from '@playwright/test'
import { accessible, signIn } from './helpers'

const list = (page: Page) => page.getByRole('listbox', { name: 'Questions found' })

/** Sends the assessment at hand out in a format, hands it to the receiving desk, and gives what was counted there beside what was sent. */
async function handedOver(page: Page, format: string) {
  await page.getByRole('button', { name: 'Send out' }).click()
  await page.getByRole('radio', { name: new RegExp(`^${format}`) }).check()
  await page.getByRole('button', { name: /^Write/ }).click()
  await page.getByRole('button', { name: 'Hand it to the receiving desk' }).click()
  await expect(page.getByText('What was sent and what was counted agree.')).toBeVisible()
}

test('pools of an old system become folders and an assessment with draws, and arrive elsewhere', async ({ page }) => {
  test.setTimeout(120_000)
  await signIn(page, 'orla')
  await page.goto('/intakes/new')
  await page.locator('input[type=file]').setInputFiles([join('demo/files', 'old-quizzes-with-pools-1.2.zip')])
  await page.getByRole('button', { name: /^Read/ }).click()
  await expect(page.getByText('would add 25 questions')).toBeVisible()
  // The groups of the source narrow the list, and become folders under names of one's own.
  await page.getByLabel('Group').selectOption({ label: 'Soil (12)' })
  await expect(list(page).getByRole('option')).toHaveCount(12)
  await page.getByLabel('Group').selectOption('')
  await page.getByRole('button', { name: 'Choose the place' }).click()
  await page.getByLabel('A new bank').check()
  await page.getByLabel('Name of the new bank').fill('Autumn archive')
  await page.getByLabel('Make folders of the groups they came in').check()
  await page.getByLabel('Folder for Fossils').fill('Life of the past')
  await accessible(page)
  await page.getByRole('button', { name: 'Use this place' }).click()
  await page.getByRole('button', { name: 'Bring in 25 questions' }).click()
  await expect(page.getByRole('heading', { name: 'Brought in: Autumn archive' })).toBeVisible()
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
  await expect(page.getByText('Drawn from 12 questions').first()).toBeVisible()
  await page.getByRole('button', { name: 'Show a drawing' }).click()
  await expect(page.getByText('In this drawing: 4 questions')).toBeVisible()
  await accessible(page)
  // A draw is changed: fewer, other points, a smaller pool; what is wrong with it is said; and it is undone.
  await page.getByLabel('Questions to draw').fill('3')
  await expect(page.getByText('7 questions, 10 points').first()).toBeVisible()
  await page.getByRole('button', { name: /^Take “Where fossils are found” out of the pool/ }).click()
  await expect(page.getByText('Drawn from 11 questions').first()).toBeVisible()
  await page.getByLabel('Questions to draw').fill('12')
  await expect(page.getByText('The pool has 11 questions, fewer than the 12 to be drawn.')).toBeVisible()
  await page.getByLabel('Questions to draw').fill('3')
  await expect(page.getByText(/fewer than/)).toHaveCount(0)
  // By keyboard: two questions asked one by one become a draw, and are asked one by one again.
  await page.getByRole('button', { name: 'Ask all of them' }).click()
  await expect(page.getByText(/^15 questions/).first()).toBeVisible()
  for (const name of ['Select A trace of life', 'Select Fossil resin']) await page.getByRole('checkbox', { name }).press('Space')
  await page.getByRole('button', { name: 'Draw some of these' }).press('Enter')
  await expect(page.getByText(/^14 questions/).first()).toBeVisible()
  await page.getByLabel('What these questions are about').fill('Traces')
  await expect(page.getByRole('button', { name: /Traces 1 of 2 questions, drawn/ })).toBeVisible()
  // More for its pool, from the list beside.
  await page.getByRole('tab', { name: 'Pick' }).click()
  await expect(page.getByLabel('Where what is picked goes')).toHaveValue(/.+/)
  await page.getByLabel('Bank to pick from').selectOption('rocks')
  await page
    .getByRole('listbox', { name: 'Questions', exact: true })
    .getByRole('option', { name: /A good index fossil/ })
    .dblclick()
  await expect(page.getByRole('button', { name: /Traces 1 of 3 questions, drawn/ })).toBeVisible()
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
  await page.getByRole('link', { name: 'What each format keeps' }).click()
  await expect(page.getByRole('row', { name: /^choice one right whole whole whole whole whole whole$/ })).toBeVisible()
  await page.getByRole('button', { name: 'order, pairs in order: show what is said otherwise' }).click()
  await expect(page.getByText('Parts of the right order earn nothing there')).toBeVisible()
  await accessible(page)
})
