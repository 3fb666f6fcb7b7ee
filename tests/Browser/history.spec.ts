import { accessible, signIn } from './helpers'
import { expect, test } from './test'

test('an assessment goes into the bin and out of it, and is brought back as it was', async ({ page }) => {
  const name = `Rocks and maps ${Date.now()}`
  await signIn(page, 'orla')
  await page.goto('/assessments')
  await page.getByRole('link', { name: 'Year 9, unit 3: rocks and maps' }).first().click()
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByRole('menuitem', { name: 'Duplicate' }).click()
  await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill(name)
  await page.getByRole('button', { name: 'Create assessment' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
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
