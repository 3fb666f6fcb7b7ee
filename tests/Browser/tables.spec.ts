import { readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { accessible, signIn } from './helpers'
import { expect, type Page, test } from './test'

const table = (page: Page) => page.getByRole('region', { name: 'Table', exact: true })

async function give(page: Page, file: string) {
  await page.goto('/intakes/new')
  await page.locator('input[type=file]').setInputFiles(file)
  await page.getByRole('button', { name: 'Read 1 file' }).click()
  await expect(page.getByRole('button', { name: 'Table', exact: true })).toBeVisible({ timeout: 20_000 })
}

test('a spreadsheet with ten bad cells is mended, imported, changed and imported again as revisions', async ({ page }) => {
  const run = Date.now()
  await signIn(page, 'orla')
  await give(page, 'demo/files/tables/rock-cycle-with-mistakes.csv')
  await expect(table(page).getByRole('heading', { name: '10 rows have something wrong in them' })).toBeVisible()

  // what a column is can be chosen above it, and taken back
  await table(page).getByLabel('What column M is').selectOption('notes')
  await expect(page.getByText('Columns as you chose them')).toBeVisible()
  await page.getByRole('button', { name: 'Take back: Columns as you chose them' }).click()
  await expect(page.getByText('Columns as you chose them')).toBeHidden()
  await accessible(page)

  // from cell to cell with Enter, as down a column
  const cell = (address: string) => table(page).getByLabel(new RegExp(`, cell ${address}$`))
  await cell('H3').fill('B')
  await cell('H3').press('Enter')
  await expect(cell('I4')).toBeFocused()
  await page.keyboard.press('Control+A')
  await page.keyboard.type('2\n')
  await expect(cell('H5')).toBeFocused()
  await page.keyboard.press('Control+A')
  await page.keyboard.type('true\n')
  for (const [address, text] of [
    ['H6', '2.65'],
    ['B8', 'multiple choice'],
    ['H9', 'C'],
    ['A10', 'RC-09'],
    ['J11', 'medium'],
    ['E12', 'granite = deep below'],
  ] as const) {
    await cell(address).fill(text)
    await cell(address).press('Tab')
  }
  await expect(table(page).getByRole('heading', { name: 'One row has something wrong in it' })).toBeVisible({ timeout: 20_000 })
  await table(page).getByRole('button', { name: 'Leave out row 13' }).click()
  await expect(table(page).getByRole('heading', { name: 'Nothing is wrong in the table' })).toBeVisible({ timeout: 20_000 })

  // how it was read is kept by name
  await page.getByRole('button', { name: 'Kept mappings' }).click()
  await page.getByRole('menuitem', { name: 'Keep this mapping' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Rock cycle tables')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('The mapping is kept as “Rock cycle tables”.').first()).toBeVisible()

  await page.getByRole('button', { name: 'Choose destination' }).click()
  await page.getByLabel('A new bank').check()
  await page.getByLabel('Name of the new bank').fill(`Rock cycle ${run}`)
  await page.getByRole('button', { name: 'Use this destination' }).click()
  await page.getByRole('button', { name: 'Import 13 questions' }).click()
  await expect(page.getByRole('heading', { name: `Imported: Rock cycle ${run}` })).toBeVisible({ timeout: 30_000 })

  // out as a table with the columns one chooses, edited, and back
  await page.goto(`/dispatches/new?bank=rock-cycle-${run}`)
  await page.getByLabel(/^Table as text/).check()
  await page.getByLabel('Choose columns').check()
  await page.getByLabel('Author', { exact: true }).uncheck()
  await page.getByRole('button', { name: 'Export file' }).click()
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download file' }).click()])
  const file = join(tmpdir(), `rock-cycle-${run}.csv`)
  writeFileSync(
    file,
    readFileSync(await download.path(), 'utf8')
      .replace('gabbro', 'peridotite')
      .replace('Think of islands', 'Think of isles'),
  )
  await give(page, file)
  await page.getByRole('button', { name: 'Choose destination' }).click()
  await page.getByLabel('An existing bank').check()
  await page.getByLabel('Bank', { exact: true }).selectOption(`rock-cycle-${run}`)
  await page.getByRole('button', { name: 'Use this destination' }).click()
  await page.getByRole('button', { name: 'Questions', exact: true }).click()
  await page.getByRole('option', { name: /Which rock forms when lava cools/ }).click()
  const twin = page.getByRole('region', { name: 'exported from this bank' })
  await expect(twin).toContainText('They differ')
  await twin.getByRole('combobox').selectOption('replace')
  await page.getByRole('button', { name: 'Import 1 question', exact: true }).click()
  await expect(page.getByRole('heading', { name: `Imported: Rock cycle ${run}` })).toBeVisible({ timeout: 30_000 })
})

test('tables to fill in are downloaded and come back without a word', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/intakes/new')
  const templates = page.getByRole('region', { name: 'Tables to fill in' })
  await templates.getByLabel('Tables to fill in').selectOption('All kinds')
  const [download] = await Promise.all([page.waitForEvent('download'), templates.getByRole('link', { name: 'Workbook (XLSX)' }).click()])
  const file = join(tmpdir(), `template-${Date.now()}.xlsx`)
  writeFileSync(file, readFileSync(await download.path()))
  await give(page, file)
  await expect(page.getByText('adds 9 questions')).toBeVisible()
})
