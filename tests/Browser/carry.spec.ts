import { accessible, signIn } from './helpers'
import { expect, test } from './test'

test('a unit of last year goes into the bank of this year, and back again', async ({ page }) => {
  const name = `Rocks ${Date.now()}`
  await signIn(page, 'orla')
  await page.goto('/banks/rocks')
  await page.getByRole('button', { name: 'This bank' }).click()
  await page.getByRole('menuitem', { name: 'Carry over to another bank' }).click()

  await page.getByLabel('A new bank').check()
  await page.getByLabel('Name of the new bank').fill(name)
  await page.getByLabel('Folder there').fill('2027')
  await page.getByLabel('The folders I choose').check()
  const happens = page.getByRole('region', { name: 'What happens' })
  await expect(happens.getByText('Choose what to carry over.')).toBeVisible()
  await page.getByRole('list', { name: 'Folders' }).getByLabel('Minerals').check()
  await page.getByLabel('Year 9, unit 3: rocks and maps').check()
  await expect(happens.getByText('“Year 9, unit 3: rocks and maps”')).toBeVisible()
  await expect(happens.getByText('2027 › Year 9 › Minerals')).toBeVisible()
  await page.getByLabel('Maps and sections › Scale becomes').fill('Measuring › Scale')
  await page.getByLabel('Standards of Field Numeracy Ladder 3').selectOption({ label: 'are left out' })
  await accessible(page)
  await page.getByRole('button', { name: /^Carry over \d+ questions and 1 assessment$/ }).press('Enter')

  await expect(page.getByText(/^Carried over \d+ questions and 1 assessment\./)).toBeVisible({ timeout: 20_000 })
  const act = page.url()
  await page.goto('/banks')
  await page.getByRole('link', { name, exact: true }).click()
  await expect(page.getByRole('treeitem', { name: /^Measuring/ })).toBeVisible()
  await page.getByRole('tab', { name: 'Folders' }).click()
  await expect(page.getByRole('treeitem', { name: /^2027/ })).toBeVisible()
  await page.goto('/assessments')
  await expect(page.getByRole('row', { name: new RegExp(`Year 9, unit 3.*${name}`) })).toBeVisible()

  await page.goto(act)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText(/^Restored \d+ questions/).first()).toBeVisible({ timeout: 20_000 })
  await page.goto('/assessments')
  await expect(page.getByText('Year 9, unit 3: rocks and maps').first()).toBeVisible()
  await expect(page.getByText(name)).toHaveCount(0)
})
