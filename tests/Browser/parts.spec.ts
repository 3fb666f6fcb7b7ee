import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { accessible, signIn } from './helpers'
import { expect, test } from './test'

test('of a package with five quizzes only one is read', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/stand-ins/sending')
  const link = page.getByRole('link', { name: 'Its quizzes, flat (QTI 1.2.1)' })
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()])
  const file = join(tmpdir(), `${Date.now()}-${download.suggestedFilename()}`)
  await download.saveAs(file)

  await page.goto('/intakes/new')
  await expect(page.getByLabel('Choose what to read from packages first')).toHaveCount(0)
  await page.locator('input[type=file]').setInputFiles(file)
  await page.getByLabel('Choose what to read from packages first').check()
  await page.getByRole('button', { name: 'Read 1 file' }).click()

  await expect(page.getByRole('heading', { name: 'Choose what to read' })).toBeVisible({ timeout: 20_000 })
  await expect(page.getByRole('checkbox')).toHaveCount(5)
  await expect(page.getByRole('button', { name: 'Read 5 parts (130 questions)' })).toBeEnabled()
  await accessible(page)
  await page.getByRole('button', { name: 'Tick none' }).click()
  await expect(page.getByText('Tick at least one.')).toBeVisible()
  await page.getByRole('checkbox', { name: /^Maps/ }).focus()
  await page.keyboard.press('Space')
  await page.getByRole('button', { name: 'Read 1 part (' }).press('Enter')

  await expect(page.getByRole('button', { name: 'Choose destination' })).toBeVisible({ timeout: 20_000 })
  await page.getByText('1 note about the files').click()
  await expect(page.getByText('4 parts were not read, as chosen: ')).toBeVisible()
})
