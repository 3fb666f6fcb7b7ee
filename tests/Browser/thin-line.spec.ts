import { execFileSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { accessible, into, ownEnvironment, row, signIn, tryPane, write } from './helpers'
import { expect, test } from './test'

const quarry = (...given: string[]) => JSON.parse(execFileSync('bin/quarry', given, { encoding: 'utf8', env: ownEnvironment() }))

test('signing in refuses a wrong password with one sentence for every reason', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByRole('button', { name: 'Sign in', exact: true })).toBeVisible()
  await accessible(page)
  await page.getByLabel('Email address').fill('tam@fellmoor.example')
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('alert')).toHaveText('This address and password do not belong together.')
})

test('the whole line: bring in, read, answer, write, save, send out', async ({ page }) => {
  const folder = mkdtempSync(join(tmpdir(), 'line-'))
  const before = quarry('export', '--bank=tams-drafts', 'pack', `--out=${folder}/before.zip`).questions
  const brought = quarry('import', 'demo/files/maps.zip', '--bank=tams-drafts', '--duplicates=add', '--as=tam@fellmoor.example')
  expect(brought.result.added).toBeGreaterThan(10)

  await signIn(page, 'tam')
  await page.goto('/banks')
  await accessible(page)
  await page.getByRole('link', { name: 'Tam’s drafts' }).click()
  await expect(row(page)).toBeVisible()
  await expect(page.getByText(`${before + brought.result.added} questions`)).toBeVisible()

  // Read a question with its key, and answer it wrongly, then rightly.
  await row(page, /Close contours/).click()
  await expect(page.getByRole('heading', { name: 'Close contours' })).toBeVisible()
  await page.getByRole('button', { name: 'Key hidden' }).click()
  await expect(page.getByText('key', { exact: true })).toBeVisible()
  await accessible(page)
  await page.getByRole('radio', { name: /a gentle slope/ }).check()
  await page.getByRole('button', { name: 'Check answer' }).click()
  await expect(page.getByText('0 of 1 point wrong')).toBeVisible()
  await expect(page.getByRole('region', { name: 'How it was scored' }).getByText('On a gentle slope one walks far')).toBeVisible()
  await page.getByRole('button', { name: 'Start again' }).click()
  await page.getByRole('radio', { name: /a steep slope/ }).check()
  await page.getByRole('button', { name: 'Check answer' }).click()
  await expect(page.getByText('1 of 1 point right')).toBeVisible()
  await accessible(page)

  // Write a question beside it.
  await write(page, 'tams-drafts', /^choose/, 'What does a cairn on a summit mark?')
  await page.getByLabel('Title').fill('What a cairn marks')
  await into(page, 'Option A')
  for (const option of ['the highest point', 'a spring', 'a boundary of rocks']) {
    await page.keyboard.type(option)
    await page.keyboard.press('Enter')
  }
  await page.getByRole('button', { name: 'Remove Option D' }).click()
  await page.getByLabel('Credit: Option C').fill('50')
  await into(page, 'Feedback when chosen: Option C')
  await page.keyboard.type('Sometimes, but not on a summit.')
  await expect(tryPane(page).getByText('What does a cairn on a summit mark?')).toBeVisible()
  await tryPane(page)
    .getByRole('radio', { name: /a boundary of rocks/ })
    .check()
  await page.getByRole('button', { name: 'Check answer' }).click()
  await expect(page.getByText('0.5 of 1 point partly right')).toBeVisible()
  await accessible(page)
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  await page.getByLabel('Title').fill('What a cairn on a summit marks')
  await page.getByRole('button', { name: 'Save revision 2' }).click()
  await expect(page.getByText('Saved as revision 2').first()).toBeVisible()

  // The bank goes out, with what was written in it.
  const sent = quarry('export', '--bank=tams-drafts', 'qti30', `--out=${folder}/out.zip`)
  expect(sent.questions).toBe(before + brought.result.added + 1)
  const back = quarry('read', `${folder}/out.zip`)
  const written = back.questions.find((one: { title: string }) => one.title === 'What a cairn on a summit marks')
  expect(written.parts[0].key.rules).toEqual([
    { id: 'r1', on: 'a', credit: '1' },
    { id: 'r2', on: 'c', credit: '1/2', feedback: { html: '<p>Sometimes, but not on a summit.</p>', show: 'both' } },
  ])
})

test('a reader reads and tries, and is offered no writing', async ({ page }) => {
  await signIn(page, 'petra')
  await page.goto('/banks')
  await expect(page.getByRole('link', { name: 'Tam’s drafts' })).toHaveCount(0)
  await page.getByRole('link', { name: 'Rocks, minerals and deep time' }).click()
  await row(page).click()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('button', { name: 'Check answer' })).toBeVisible()
  for (const name of ['Open', 'Write a question', 'Share', 'Import', 'New topic'])
    await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0)
  await accessible(page)
})

test('every building block, light and dark, has no finding', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/gallery')
  await expect(page.getByRole('heading', { name: 'Component gallery' })).toBeVisible()
  await accessible(page)
  await page.emulateMedia({ colorScheme: 'dark' })
  await accessible(page)
  await page.getByRole('button', { name: 'Notice' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('It was put back.', { exact: true }).first()).toBeVisible()
})

test('a written question of each screen is usable on a phone', async ({ page }) => {
  await signIn(page, 'petra')
  await page.setViewportSize({ width: 390, height: 800 })
  await page.goto('/banks/rocks')
  await row(page).click()
  await expect(page.getByRole('button', { name: 'Check answer' })).toBeVisible()
  const width = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(width).toBeLessThanOrEqual(390)
  await accessible(page)
  await page.getByRole('button', { name: 'Back to the list' }).click()
  await page.getByRole('button', { name: 'Filter' }).click()
  await page.getByRole('tab', { name: 'More' }).click()
  await page.getByRole('button', { name: /^choice/ }).click()
  await page.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('button', { name: 'Remove filter choice' })).toBeVisible()
})
