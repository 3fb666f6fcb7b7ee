import { signIn } from './helpers'
import { test } from './test'
test('shot', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 800 })
  await signIn(page, 'orla')
  await page.goto('/assessments')
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/shot/list.png' })
  await page.getByRole('button', { name: 'New assessment' }).click()
  await page.waitForTimeout(700)
  await page.screenshot({ path: '/tmp/shot/new.png' })
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Rocks drawn anew' }).click()
  await page.getByRole('list').getByRole('button', { name: /Igneous and/ }).last().click()
  await page.waitForTimeout(1500)
  await page.screenshot({ path: '/tmp/shot/drawn.png' })
})
