import { accessible, ask, signIn } from './helpers'
import { expect, type Page, test } from './test'

const name = (page: Page) => page.getByRole('textbox', { name: 'Name', exact: true })
const listed = (page: Page) => page.getByRole('listbox', { name: 'Questions', exact: true })
const status = (page: Page, text: RegExp) => expect(page.getByText(text).first()).toBeVisible()

test('a builder makes a test from three banks, two draws by condition and an earlier test, exchanges, rehearses, and uses it', async ({
  page,
}) => {
  const title = `Autumn test ${Date.now()}`
  await signIn(page, 'orla')
  await page.goto('/assessments')
  await page.getByRole('button', { name: 'New assessment' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox', { name: 'Name' }).fill(title)
  await dialog.getByLabel('Bank').selectOption('rocks')
  await dialog.getByLabel('Folder').fill('Year 9 › Spring')
  await accessible(page)
  await dialog.getByRole('button', { name: 'Create assessment' }).click()
  await status(page, /created in Rocks, minerals and deep time › Year 9 › Spring/)

  // Read whole, at full width, then taken with Enter; from three banks.
  await page.getByRole('button', { name: 'Full width' }).click()
  await listed(page).getByRole('option').nth(1).click()
  await expect(page.getByRole('region', { name: 'Question to add' }).getByRole('heading').first()).toBeVisible()
  await accessible(page)
  await page.keyboard.press('Enter')
  await status(page, /^1 question, /)
  for (const [i, bank] of ['maps', 'evidence'].entries()) {
    await page.getByLabel('Questions of').selectOption(bank)
    await listed(page).getByRole('option').nth(2).click()
    await page.keyboard.press('Enter')
    await status(page, new RegExp(`^${i + 2} questions, `))
  }

  // Two draws of whatever meets conditions, now and later.
  for (const topic of ['Metamorphic rocks', 'Deep time']) {
    await page.getByLabel('Questions of').selectOption('rocks')
    await page.getByRole('treeitem', { name: new RegExp(`^${topic}`) }).click()
    await expect(page.getByRole('button', { name: 'Clear all' })).toBeVisible()
    await page.getByRole('button', { name: 'Draw from this list' }).click()
    await expect(dialog.getByText(/^The list finds/)).toBeVisible()
    await dialog.getByLabel('Questions to draw').fill('2')
    await dialog.getByLabel('Points each').fill('2')
    await accessible(page)
    await dialog.getByRole('button', { name: 'Add draw' }).click()
    await page.getByRole('button', { name: 'Clear all' }).click()
  }
  await status(page, /^7 questions, /)

  // Some of an earlier test.
  await page.getByRole('button', { name: 'More ways to add questions' }).click()
  await page.getByRole('menuitem', { name: 'From another assessment' }).click()
  await dialog.getByLabel('Assessment', { exact: true }).selectOption({ label: 'Drawing on grids (Grids and graphs)' })
  await dialog.getByRole('button', { name: /^Select all/ }).click()
  await accessible(page)
  await dialog.getByRole('button', { name: 'Take 5' }).click()
  await status(page, /^12 questions, /)
  await page.keyboard.press('w')

  // One is exchanged for the nearest other by its digit.
  const second = page.getByRole('button', { name: /^2\. / })
  const before = await second.textContent()
  await second.click()
  await page.getByRole('button', { name: 'Exchange' }).click()
  await expect(dialog.getByText('Instead', { exact: true })).toBeVisible()
  await accessible(page)
  await page.keyboard.press('1')
  await expect(dialog).toHaveCount(0)
  await expect(second).not.toHaveText(before ?? '')

  // Settings are marked, and act in the rehearsal.
  await page.getByRole('tab', { name: 'Settings' }).click()
  await page.getByLabel('Feedback').selectOption('at_once')
  await page.getByLabel('Time for all, in minutes').fill('20')
  await accessible(page)
  await expect(page.getByRole('status').getByText('saved')).toBeVisible()
  const address = page.url()

  await page.getByRole('button', { name: 'Rehearse as a learner' }).click()
  await page.getByRole('button', { name: 'Begin', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^Question 1 of 12/ })).toBeVisible()
  await expect(page.getByText(/^Time left:/)).toBeVisible()
  await accessible(page)
  await page.setViewportSize({ width: 390, height: 800 })
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.getByRole('button', { name: 'Next' }).press('Enter')
  await expect(page.getByRole('heading', { name: /^Question 2 of 12/ })).toBeFocused()
  await page.getByRole('button', { name: 'Hand in' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'Report' })).toBeFocused()
  await page.getByText('For the author: how it was scored').click()
  await accessible(page)
  await page.setViewportSize({ width: 1280, height: 800 })

  // A colleague changes it meanwhile: both edits are in it.
  await page.goto(address)
  await expect(name(page)).toHaveValue(title)
  const id = /assessments\/([0-9a-f-]+)/.exec(address)?.[1] ?? ''
  const stored = (await ask(page, 'GET', `/assessments/${id}`)).body.data
  const content = { ...stored.content, instructions: '<p>Bring a ruler.</p>' }
  expect((await ask(page, 'PUT', `/assessments/${id}`, { content }, { 'If-Match': `"${stored.version}"` })).status).toBe(200)
  await name(page).fill(`${title}, final`)
  await status(page, /Both edits are in it now/)
  await expect(name(page)).toHaveValue(`${title}, final`)
  await expect(page.getByText('Bring a ruler.').first()).toBeVisible()

  // Ready, used, and frozen.
  await page.getByRole('button', { name: 'State: draft' }).click()
  await page.getByRole('menuitem', { name: 'Check and mark as ready' }).click()
  await dialog.getByRole('button', { name: 'Mark as ready' }).click()
  await page.getByRole('button', { name: 'State: ready' }).click()
  await page.getByRole('menuitem', { name: 'Mark as used' }).click()
  await dialog.getByLabel('Date').fill('2026-11-30')
  await dialog.getByLabel('With whom').fill('9b')
  await dialog.getByRole('button', { name: 'Mark as used' }).click()
  await status(page, /^Used on .* with 9b/)

  // It is found in its folder, by the group it was used with.
  await page.goto('/assessments')
  await page
    .getByRole('navigation', { name: 'Folders' })
    .getByRole('button', { name: /^Spring/ })
    .click()
  await page.getByLabel('Used with').selectOption('9b')
  await expect(page.getByRole('link', { name: `${title}, final` })).toBeVisible()
  await accessible(page)
})

test('what two people changed of the same thing is chosen with both in sight', async ({ page }) => {
  await signIn(page, 'tam')
  const made = (await ask(page, 'POST', '/assessments', { bank: 'tams-drafts', title: `Two of us ${Date.now()}` })).body.data
  await page.goto(`/assessments/${made.id}`)
  await expect(name(page)).toHaveValue(made.title)
  const content = { ...made.content, title: 'Theirs' }
  await ask(page, 'PUT', `/assessments/${made.id}`, { content }, { 'If-Match': `"${made.version}"` })
  await name(page).fill('Mine')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('and is “Mine”', { exact: false })).toBeVisible()
  await accessible(page)
  await dialog.getByRole('radio', { name: /^Yours/ }).check()
  await dialog.getByRole('button', { name: 'Put together' }).click()
  await expect(name(page)).toHaveValue('Mine')
})
