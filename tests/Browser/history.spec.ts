import { accessible, signIn } from './helpers'
import { expect, type Page, test } from './test'

async function duplicate(page: Page, title: string, name: string) {
  await page.goto('/assessments')
  await page.getByRole('link', { name: title }).first().click()
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill(name)
  await page.getByRole('button', { name: 'Create assessment' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
}

test('an assessment goes into the bin and out of it, and is brought back as it was', async ({ page }) => {
  const name = `Rocks and maps ${Date.now()}`
  await signIn(page, 'orla')
  await duplicate(page, 'Year 9, unit 3: rocks and maps', name)
  const title = page.getByRole('textbox', { name: 'Name', exact: true })
  await expect(title).toHaveValue(name)
  const here = page.url()

  // one question out, then everything as it was
  await page
    .getByRole('checkbox', { name: /^Select / })
    .first()
    .check()
  await page.getByRole('button', { name: 'Remove from this assessment' }).first().click()
  await expect(page.getByText('1 question removed from this assessment.').first()).toBeVisible()
  await page.getByRole('button', { name: 'More' }).first().click()
  await page.getByRole('menuitem', { name: 'History' }).click()
  const versions = page.getByRole('list', { name: 'Versions' })
  await expect(versions.getByText(/ was removed from /)).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Bring back: Version 1' }).press('Enter')
  await expect(page.getByText('Version 1 is back, as the newest.').first()).toBeVisible()

  await page.goto(here)
  await page.getByRole('button', { name: 'More' }).first().click()
  await page.getByRole('menuitem', { name: 'Move to the bin' }).click()
  await expect(page.getByText(`“${name}” is in the bin.`).first()).toBeVisible()
  await expect(page.getByRole('link', { name })).toHaveCount(0)
  await page.getByRole('button', { name: 'Bin', exact: true }).click()
  await accessible(page)
  await page.getByRole('link', { name }).click()
  await expect(page.getByText('This assessment is in the bin.')).toBeVisible()
  await expect(title).toBeDisabled()
  await page.getByRole('button', { name: 'Restore' }).click()
  await expect(title).toBeEnabled()
  await page.goto('/assessments')
  await expect(page.getByRole('link', { name })).toBeVisible()
})

test('an assessment is checked, made ready, used, and stays as it was then', async ({ page }) => {
  const name = `Used ${Date.now()}`
  await signIn(page, 'orla')
  await duplicate(page, 'Year 9, unit 3: rocks and maps', name)

  await page.getByRole('button', { name: 'State: draft' }).click()
  await page.getByRole('menuitem', { name: 'Check and mark as ready' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('button', { name: 'Mark as ready' })).toBeEnabled()
  await accessible(page)
  await dialog.getByRole('button', { name: 'Mark as ready' }).press('Enter')
  await page.getByRole('button', { name: 'State: ready' }).click()
  await page.getByRole('menuitem', { name: 'Mark as used' }).click()
  await dialog.getByLabel('Date').fill('2026-11-30')
  await dialog.getByLabel('With whom').fill('9b')
  await accessible(page)
  await dialog.getByRole('button', { name: 'Mark as used' }).click()
  await expect(page.getByText(/^Used on .* with 9b\. It stays as it was then\.$/)).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toBeDisabled()
  await accessible(page)
  await page.getByRole('button', { name: 'State: used' }).click()
  await page.getByRole('menuitem', { name: 'Not used after all' }).click()
  await expect(page.getByRole('textbox', { name: 'Name', exact: true })).toBeEnabled()
})

test('two assessments become one with the sections of both', async ({ page }) => {
  const name = `Final exam ${Date.now()}`
  await signIn(page, 'orla')
  await page.goto('/assessments')
  await page.getByLabel('Select “Drawing on grids”').check()
  await page.getByLabel('Select “Entry check: measuring”').check()
  await page.getByRole('button', { name: 'Merge 2 into one' }).click()
  const dialog = page.getByRole('dialog', { name: 'Merge into a new assessment' })
  await dialog.getByRole('textbox', { name: 'Name' }).fill(name)
  await dialog.getByLabel('Bank').selectOption({ label: 'Field maths' })
  await accessible(page)
  await dialog.getByRole('button', { name: 'Create assessment' }).click()
  await expect(dialog).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Drawing on grids' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Entry check: measuring' })).toBeVisible()
  await expect(page.getByText('10 questions, 17 points').first()).toBeVisible()

  await page.getByRole('button', { name: 'More' }).first().click()
  await page.getByRole('menuitem', { name: 'Compare with another' }).click()
  await page.getByLabel('Compare with').selectOption({ label: 'Drawing on grids (Grids and graphs)' })
  await expect(page.getByRole('region', { name: 'In both' }).getByRole('link')).toHaveCount(5)
  await expect(page.getByRole('region', { name: 'Only in “Drawing on grids”' }).getByText('None.')).toBeVisible()
  await accessible(page)
})
