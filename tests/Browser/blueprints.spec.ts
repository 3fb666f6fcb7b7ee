import { accessible, ask, signIn } from './helpers'
import { expect, type Page, test } from './test'

const dialog = (page: Page) => page.getByRole('dialog')
const cell = (page: Page, name: string) => page.getByLabel(`Wanted: ${name}`, { exact: true })
const found = (page: Page) => page.getByRole('region', { name: 'Questions found' }).getByRole('listitem')

/** Ticks values of an attribute and makes them lines. */
async function addLines(page: Page, button: string, of: string, values: RegExp[], together = false) {
  await page.getByRole('button', { name: button }).click()
  await dialog(page).getByLabel('Attribute').selectOption({ label: of })
  for (const value of values) await dialog(page).getByRole('checkbox', { name: value }).first().check()
  if (together) await dialog(page).getByLabel('They become').selectOption({ label: 'one line for all of them' })
  await accessible(page)
  await dialog(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(dialog(page)).toHaveCount(0)
}

test('a builder states a test over difficulty and standard, is told what is short, and makes A and B of it', async ({ page }) => {
  const title = `Year 9 blueprint ${Date.now()}`
  await signIn(page, 'orla')
  await page.goto('/blueprints')
  await page.getByRole('button', { name: 'New blueprint' }).click()
  await dialog(page).getByRole('textbox', { name: 'Name' }).fill(title)
  await dialog(page).getByLabel('Bank').selectOption('rocks')
  await accessible(page)
  await dialog(page).getByRole('button', { name: 'Create blueprint' }).click()
  await expect(page.getByText('First, add rows')).toBeVisible()
  for (const bank of [
    'Maps, sections and field skills',
    'Water, weathering and landscapes',
    'Reading the evidence',
    'Field notes and deep time',
  ]) {
    await page.getByRole('button', { name: 'Add bank' }).click()
    await page.getByRole('menuitem', { name: bank }).click()
  }
  await accessible(page)

  // Rows of standards and columns of difficulty, two of which are one.
  await addLines(page, 'Add rows …', 'Standard', [/^FEF\.1\.1 /, /^FEF\.2\.1 /, /^FEF\.2\.4 /, /^FEF\.3\.2 /, /^No standard/])
  await addLines(page, 'Add columns …', 'Difficulty', [/^difficulty 1/i, /^difficulty 2/i], true)
  await addLines(page, 'Add columns …', 'Difficulty', [/^difficulty 3/i])
  await addLines(page, 'Add columns …', 'Difficulty', [/^difficulty 4/i, /^difficulty 5/i], true)
  await expect(page.getByRole('button', { name: /^Tag these/ })).toBeVisible()

  // Any cell opens its questions before a number is asked for.
  const rows = page.getByRole('rowheader')
  const name = async (row: number) => ((await rows.nth(row).locator('span span').first().textContent()) ?? '').trim()
  const minerals = await name(0)
  await page.getByRole('button', { name: new RegExp(`read the questions for ${minerals.slice(0, 12)}.*, Difficulty 1–2`) }).click()
  const place = page.getByRole('region', { name: `${minerals}, Difficulty 1–2` })
  await place.getByRole('listitem').first().getByRole('button').click()
  await expect(place.getByRole('button', { name: 'Must include' })).toBeVisible()
  await accessible(page)
  await place.getByRole('button', { name: 'Close' }).click()

  // Numbers by keyboard: down goes to the next row. What cannot be read is said at the cell, and not taken.
  await cell(page, `${minerals}, Difficulty 1–2`).fill('4-2')
  await expect(page.getByRole('alert')).toHaveText(/Enter a number/)
  await cell(page, `${minerals}, Difficulty 1–2`).fill('3')
  await cell(page, `${minerals}, Difficulty 1–2`).press('ArrowDown')
  await expect(cell(page, `${await name(1)}, Difficulty 1–2`)).toBeFocused()
  await page.keyboard.type('2-4')
  await cell(page, `${await name(2)}, Difficulty 1–2`).fill('3')
  await cell(page, `${await name(3)}, Difficulty 4–5`).fill('9')
  await page.getByLabel('points', { exact: true }).fill('12-42')
  await page.getByRole('button', { name: 'Add a rule' }).click()
  await page.getByRole('menuitem', { name: 'At most … with the same …' }).click()
  await page.getByRole('button', { name: 'Add a rule' }).click()
  await page.getByRole('menuitem', { name: 'None used since …' }).click()
  await accessible(page)

  // It says which cell is short; asking for less is one click.
  await page.keyboard.press('Control+Enter')
  const reasons = page.getByRole('region', { name: 'This cannot be met.' })
  await expect(reasons).toContainText(/Difficulty 4–5 asks for 9; the banks have/)
  await accessible(page)
  await reasons
    .getByRole('button', { name: /^Ask for/ })
    .first()
    .click()
  await expect(page.getByText('You changed the blueprint since.')).toBeVisible()
  await page.getByRole('button', { name: 'Assemble' }).click()
  await expect(reasons).toHaveCount(0)
  const before = await found(page).allTextContents()
  expect(before.length).toBeGreaterThan(8)
  await expect(page.getByRole('region', { name: 'Asked and found' })).toBeVisible()
  await accessible(page)

  // One is exchanged, one is locked, and another test keeps it.
  const first = found(page).first()
  const text = await first.getByRole('link').textContent()
  await first.getByRole('button', { name: /^Exchange/ }).click()
  await expect(page.getByText(/was exchanged for/).first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Questions found' }).getByRole('link', { name: text ?? '', exact: true })).toHaveCount(0)
  const locked = await found(page).nth(1).getByRole('link').textContent()
  await found(page).nth(1).getByRole('button', { name: /^Keep/ }).click()
  await page.getByRole('button', { name: 'Another one' }).click()
  await expect.poll(() => found(page).allTextContents()).not.toEqual(before)
  await expect(page.getByRole('region', { name: 'Questions found' }).getByRole('link', { name: locked ?? '', exact: true })).toHaveCount(1)

  // Two at once that share nothing but what is locked.
  await found(page).getByRole('button', { name: /^Keep/, pressed: true }).click()
  await cell(page, `${await name(1)}, Difficulty 1–2`).fill('2')
  await cell(page, `${minerals}, Difficulty 1–2`).fill('2')
  await cell(page, `${await name(2)}, Difficulty 1–2`).fill('2')
  await cell(page, `${await name(3)}, Difficulty 4–5`).fill('')
  await page.getByLabel('points', { exact: true }).fill('')
  await page.getByLabel('Tests at once').selectOption('2')
  await page.getByRole('button', { name: 'Assemble' }).click()
  await expect(page.getByRole('button', { name: 'Test B' })).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Create 2 assessments …' }).click()
  await dialog(page).getByRole('textbox', { name: 'Name' }).fill(title)
  await dialog(page).getByLabel('Sections').selectOption({ label: 'one for each row' })
  await accessible(page)
  await dialog(page).getByRole('button', { name: 'Create assessments' }).click()
  await page.getByRole('link', { name: `${title} A` }).click()

  // The assessment knows its blueprint, and shows what is missing once a question is gone.
  await page.getByRole('tab', { name: 'Blueprint' }).click()
  await expect(page.getByText('It meets everything the blueprint asks for.')).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: /^1\. / }).click()
  await page.getByRole('button', { name: 'Remove from this assessment' }).click()
  await page.getByRole('tab', { name: 'Blueprint' }).click()
  await expect(page.getByRole('region', { name: 'Short of the blueprint' })).toBeVisible()
  await page.getByRole('button', { name: 'Add what is missing' }).click()
  await expect(page.getByText('It meets everything the blueprint asks for.')).toBeVisible()

  // Another one like it begins from what it was made of.
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Blueprint of this assessment …' }).click()
  await dialog(page).getByRole('button', { name: 'Create blueprint' }).click()
  await expect(page).toHaveURL(/\/blueprints\//)
  await expect(page.getByText(`None of the questions of`)).toBeVisible()
})

test('a blueprint goes to the bin and comes back, and numbers that a split clears come back too', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/blueprints')
  await accessible(page)
  await page.getByRole('button', { name: 'More for “Rocks: a quick test”' }).click()
  await page.getByRole('menuitem', { name: 'Move to the bin' }).click()
  await expect(page.getByRole('link', { name: 'Rocks: a quick test' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Bin' }).click()
  await page.getByRole('button', { name: 'Restore “Rocks: a quick test”' }).click()
  await page.getByRole('button', { name: 'Back to the list' }).click()
  await page.getByRole('link', { name: 'Rocks: a quick test' }).click()
  await expect(page.getByLabel('Wanted: Igneous rocks, Choice')).toHaveValue('3')

  // Split rows show what the banks have for each part; the numbers they had are told, and come back.
  await page.getByRole('button', { name: 'Table options' }).click()
  await page.getByRole('menuitem', { name: 'Split rows by …' }).click()
  for (const level of [/^Difficulty 1/, /^Difficulty 2/]) await dialog(page).getByRole('checkbox', { name: level }).check()
  await dialog(page).getByRole('button', { name: 'Split', exact: true }).click()
  await expect(page.getByRole('button', { name: /^of \d+: read the questions for Igneous rocks, Difficulty 1 of 5, Choice/ })).toBeVisible()
  await expect(page.getByText('3 numbers were cleared.', { exact: true })).toBeVisible()
  await accessible(page)
  await page.locator('li', { hasText: '3 numbers were cleared.' }).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Wanted: Igneous rocks, Choice', { exact: true })).toHaveValue('3')
  await expect(page.getByRole('button', { name: /^of \d+: read the questions for Igneous rocks, Choice/ })).toBeVisible()
  const id = page.url().split('/').at(-1) ?? ''
  const refused = await ask(page, 'PUT', `/blueprints/${id}`, { content: { format: 'wide-quarry/blueprint' } }, { 'If-Match': '"1"' })
  expect(refused.status).toBe(422)
})
