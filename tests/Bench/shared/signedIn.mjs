import { chromium } from '@playwright/test'

export const base = process.env.BASE_URL ?? 'http://127.0.0.1:8080'

/**
 * A page of the installation that BASE_URL names, 1280 × 800, signed in as the person that EMAIL and PASSWORD name.
 * @returns {Promise<{browser: import('@playwright/test').Browser, page: import('@playwright/test').Page}>}
 */
export async function signedIn() {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium' })
  const page = await (await browser.newContext({ baseURL: base, viewport: { width: 1280, height: 800 } })).newPage()
  await page.goto('/banks')
  await page.getByLabel('Email address').fill(process.env.EMAIL ?? 'bench@fellmoor.example')
  await page.getByLabel('Password').fill(process.env.PASSWORD ?? 'limestone-7')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.getByRole('heading', { name: 'Banks' }).waitFor()
  return { browser, page }
}
