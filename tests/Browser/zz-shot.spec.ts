import { signIn } from './helpers'
import { test } from './test'
test('shot', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await signIn(page, 'orla')
  await page.goto('/assessments')
  await page.getByRole('link', { name: 'Year 9, unit 3: rocks and maps' }).first().click()
  await page.getByRole('tab', { name: 'Add' }).click()
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/shot/pick.png' })
  await page.keyboard.press('w')
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/shot/wide.png' })
  await page.getByRole('button', { name: 'Draw from this list' }).click()
  await page.waitForTimeout(500)
  await page.screenshot({ path: '/tmp/shot/draw.png' })
})
