import { accessible, into, paste, row, signIn, stem, tryPane, write } from './helpers'
import { expect, test } from './test'

const kept = (page: import('@playwright/test').Page) =>
  page.waitForResponse((response) => response.url().includes('/autosaves/') && response.request().method() === 'PUT' && response.ok())

test('a tab closed before saving', async ({ page }) => {
  await signIn(page, 'ines')
  await write(page, 'maps', /^type a word/, 'A contour joins points of equal ')
  await page.getByLabel('Title').fill('What a contour joins')
  // Closed within a moment, before the server has it.
  await page.goto('about:blank')
  await page.goto('/banks/maps/write')
  await expect(page.getByText('Your unsaved draft has been restored.')).toBeVisible()
  await expect(page.getByLabel('Title')).toHaveValue('What a contour joins')
  await expect(stem(page)).toContainText('A contour joins points of equal')
  await accessible(page)
  await page.getByRole('button', { name: 'Start blank' }).click()
  await expect(page.getByRole('heading', { name: 'The learner will …' })).toBeVisible()
})

test('a session that ends while typing', async ({ page }) => {
  await signIn(page, 'ines')
  await write(page, 'maps', /^type a word/, 'North is ')
  await page.context().clearCookies()
  await page.getByLabel('Title').fill('Where north is')
  const dialog = page.getByRole('dialog', { name: 'You are signed out' })
  await expect(dialog).toBeVisible()
  await accessible(page)
  await dialog.getByLabel('Email address').fill('ines@fellmoor.example')
  await dialog.getByLabel('Password').fill('limestone-7')
  const again = kept(page)
  await dialog.getByRole('button', { name: 'Sign in' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByLabel('Title')).toHaveValue('Where north is')
  await page.getByLabel('Title').fill('Where north is on a map')
  await again
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
})

test('offline for a while', async ({ page, context }) => {
  await signIn(page, 'ines')
  await write(page, 'maps', /^type a word/, 'A bearing is ')
  await context.setOffline(true)
  await page.getByLabel('Title').fill('What a bearing is')
  await expect(page.getByText('server not reachable; draft saved in this browser')).toBeVisible()
  await page.keyboard.press('Control+s')
  await expect(
    page.getByRole('alert').filter({ hasText: 'The server cannot be reached. What you typed is kept; try again in a moment.' }),
  ).toBeVisible()
  await context.setOffline(false)
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
})

test('two people at once: both shown, merged thing by thing', async ({ page, browser }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/rocks?words=%22oldest+bed%22')
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await expect(page.getByLabel('Title')).toHaveValue('Oldest bed')
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'tam')
  await other.goto(page.url())
  await other.getByLabel('Title').fill('The oldest bed')
  await other.getByLabel(/^Points/).fill('4')
  await other.getByRole('button', { name: 'Save revision 2' }).click()
  await expect(other.getByText('Saved as revision 2').first()).toBeVisible()
  await page.getByLabel('Title').fill('Which bed is oldest')
  await page.getByRole('button', { name: 'Save revision 2' }).click()
  await expect(page.getByText('Someone else saved revision 2 while you were writing.')).toBeVisible()
  await page.getByRole('button', { name: 'Compare versions' }).click()
  const dialog = page.getByRole('dialog', { name: 'Two versions' })
  await expect(dialog.getByRole('region', { name: 'Theirs' }).getByText('The oldest bed')).toBeVisible()
  await dialog
    .getByRole('group', { name: /answer/ })
    .getByLabel('Theirs')
    .check()
  await accessible(page)
  await dialog.getByRole('button', { name: 'Save selection as revision 3' }).click()
  await expect(page.getByText('Saved as revision 3').first()).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Title')).toHaveValue('Which bed is oldest')
  await expect(page.getByLabel(/^Points/)).toHaveValue('4')
})

test.describe('hostile', () => {
  test.use({ isHostile: true })
  test('pasted HTML with scripts, emoji and right-to-left text', async ({ page }) => {
    await signIn(page, 'tam')
    await write(page, 'tams-drafts', /^type a word/, '')
    await stem(page).click()
    await page.keyboard.press('Control+Home')
    await page.evaluate(() => {
      const data = new DataTransfer()
      data.setData(
        'text/html',
        '<p onclick="window.hit=1">Rock 🪨 <b>حجر</b><script>window.hit=1</script><img src=x onerror="window.hit=1"><a href="javascript:window.hit=1">x</a></p>',
      )
      data.setData('text/plain', 'Rock 🪨 حجر x')
      document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
    })
    await expect(tryPane(page).getByText('حجر')).toBeVisible()
    await page.getByLabel('The answer 1: words').fill('🪨 / حجر')
    await page.keyboard.press('Control+s')
    await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
    await page.reload()
    await expect(stem(page)).toContainText('Rock 🪨 حجر')
    expect(await page.evaluate(() => (window as never as { hit?: number }).hit)).toBeUndefined()
    await tryPane(page).getByLabel('The learner types a word or phrase').fill('حجر')
    await page.getByRole('button', { name: 'Check answer' }).click()
    await expect(page.getByText('1 of 1 point right')).toBeVisible()
  })
})

test('a stem of 200,000 characters and 500 options', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose/, 'Long: ')
  await paste(page, { 'text/plain': 'basalt and schist '.repeat(11_112) })
  await into(page, 'Option A')
  await paste(page, { 'text/plain': Array.from({ length: 500 }, (_, i) => `${i + 1}. option number ${i + 1}`).join('\n') })
  await expect(page.locator('[data-option]')).toHaveCount(500)
  await page.getByLabel('Title').fill('A very long one')
  // however long a busy machine takes: what counts is that it is answered
  const saved = page.waitForResponse((response) => response.request().method() === 'POST' && response.url().endsWith('/questions'), {
    timeout: 0,
  })
  await page.keyboard.press('Control+s')
  expect((await saved).status()).toBe(201)
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  await page.goto('/banks/tams-drafts?words=499')
  await expect(row(page, /A very long one/)).toBeVisible()
})

test('a search of 2,000 words', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/rocks')
  await page.getByRole('searchbox').fill(Array.from({ length: 2000 }, (_, i) => `word${i}`).join(' '))
  await expect(page.getByText('Only the first 60 words are used.')).toBeVisible()
  await expect(page.getByText('No questions match all of these filters.')).toBeVisible()
})

test('an assessment changed while the server cannot be reached, and the tab closed', async ({ page, context }) => {
  await signIn(page, 'orla')
  await page.goto('/assessments')
  await page.getByRole('link', { name: /^Year 9, unit 3/ }).click()
  const title = page.getByRole('textbox', { name: 'Name', exact: true })
  await expect(title).toBeVisible()
  const before = await title.inputValue()
  let asked = 0
  page.on('request', (request) => {
    if (request.method() === 'PUT') asked++
  })
  await context.setOffline(true) // what a page sends while it is left does not get through either
  await title.fill(`${before}, again`)
  await expect(page.getByText('changes kept in this browser')).toBeVisible()
  await page.waitForTimeout(1000)
  expect(asked).toBeLessThan(3)
  const address = page.url()
  await page.close()
  await context.setOffline(false)
  const later = await context.newPage()
  await later.goto(address)
  await expect(later.getByText('have been restored from this browser').first()).toBeVisible()
  const again = later.getByRole('textbox', { name: 'Name', exact: true })
  await expect(again).toHaveValue(`${before}, again`)
  await again.fill(before)
  await expect(later.getByRole('status').getByText('saved', { exact: true })).toBeVisible()
})
