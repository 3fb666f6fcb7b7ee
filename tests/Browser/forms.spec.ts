import { accessible, ask, pagesOf, signIn } from './helpers'
import { expect, type Page, test } from './test'

const paper = (page: Page, name: string) => page.getByRole('group', { name: 'What to print' }).getByRole('checkbox', { name, exact: true })
const pages = (page: Page) => page.getByRole('img', { name: /^Page \d+ of/ })
const pdf = (page: Page) => page.getByRole('link', { name: 'Download PDF' })

/** The exam of the demo once more, so that every run has its own. */
async function exam(page: Page, title: string): Promise<string> {
  const all = await ask(page, 'GET', '/assessments')
  const like = all.body.data.find((one: { title: string }) => one.title === 'Printed exam: rocks and maps')
  const made = await ask(page, 'POST', '/assessments', { title, bank: 'rocks', like: like.id })
  return made.body.data.id
}

test('a builder makes forms A to D, prints them with keys and scheme, and gets the old pages after a correction in the bank', async ({
  page,
}) => {
  await signIn(page, 'orla')
  const id = await exam(page, `Exam ${Date.now()}`)
  await page.goto(`/assessments/${id}`)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Forms (A, B, C …)' }).click()
  await expect(page.getByText('No forms have been made yet.')).toBeVisible()
  await page.getByLabel('Seed').fill('11')
  await page.getByRole('button', { name: 'Make forms' }).click()
  const keys = page.getByRole('region', { name: 'Keys of all forms' })
  await expect(keys.getByRole('columnheader', { name: 'Form D' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'How the forms compare' }).getByRole('row')).toHaveCount(5)
  await accessible(page)

  // All of them with their keys and the scheme, in one file.
  await page.getByRole('button', { name: 'Print forms' }).click()
  for (const name of ['Answer sheet', 'Answer key', 'Keys of all forms', 'Mark scheme']) await paper(page, name).check()
  await expect(page.getByRole('button', { name: /form D$/ }).first()).toBeVisible({ timeout: 90_000 })
  await expect(pages(page).first()).toBeVisible()
  await accessible(page)
  const before = await pagesOf(page, (await pdf(page).getAttribute('href')) ?? '')
  for (const letter of ['A', 'B', 'C', 'D']) {
    const own = before.filter((text) => text.includes(`Form ${letter}`) && !text.includes('Keys of all forms'))
    expect(own.some((text) => text.includes('Page 1 of'))).toBe(true)
  }
  const table = before.find((text) => text.includes('Keys of all forms')) ?? ''
  const sets = await ask(page, 'GET', `/assessments/${id}/forms`)
  const set = (await ask(page, 'GET', `/assessments/${id}/forms/${sets.body.data[0].id}`)).body.data
  const entry = set.forms[0].entries.find((one: { key: Record<string, string[]>; master: number }) => one.master === 2)
  expect(table).toMatch(new RegExp(`2\\. +${entry.number}\\. ${Object.values(entry.key)[0]}`))

  // It is kept as it was when somebody takes it away.
  const download = page.waitForEvent('download')
  await pdf(page).click()
  await download
  await page.getByText('Printed before', { exact: true }).click()
  const receipt = page.getByRole('link', { name: /Mark scheme: A, B, C, D/ })
  await expect(receipt).toBeVisible()

  // One form alone, and more room for the first question, by the handle beside it.
  await paper(page, 'Learner’s sheet').check()
  for (const name of ['Answer sheet', 'Answer key', 'Keys of all forms', 'Mark scheme']) await paper(page, name).uncheck()
  for (const letter of ['B', 'C', 'D']) {
    const form = page.getByRole('checkbox', { name: letter, exact: true })
    await form.click()
    await expect(form).not.toBeChecked()
  }
  const handle = page.getByRole('slider', { name: /^Height: 1\./ })
  await expect(handle).toHaveCount(1, { timeout: 60_000 })
  await expect(page.getByText(/^\d pages$/)).toBeVisible()
  const small = await pagesOf(page, (await pdf(page).getAttribute('href')) ?? '')
  await handle.focus()
  for (let i = 0; i < 6; i++) await page.keyboard.press('PageDown')
  await expect
    .poll(async () => (await pdf(page).count()) > 0 && (await pagesOf(page, (await pdf(page).getAttribute('href')) ?? '')).length, {
      timeout: 60_000,
    })
    .toBeGreaterThan(small.length)
  await accessible(page)

  // The bank is corrected; the receipt has the pages of that day, a new print has the correction.
  const question = set.forms[0].entries[0].question
  const whole = await ask(page, 'GET', `/questions/${question}`)
  const stored = whole.body.data.question
  const body = `<p>Corrected since: ${Date.now()}</p>${stored.body}`
  await ask(page, 'PUT', `/questions/${question}`, { question: { ...stored, body } }, { 'If-Match': whole.etag })
  await page.reload()
  await page.getByText('Printed before', { exact: true }).click()
  expect(await pagesOf(page, (await receipt.getAttribute('href')) ?? '')).toEqual(before)
  await expect(pdf(page)).toBeVisible({ timeout: 60_000 })
  expect((await pagesOf(page, (await pdf(page).getAttribute('href')) ?? '')).join()).toContain('Corrected since')
  await page.goto(`/assessments/${id}/forms`)
  await expect(page.getByText(/One question has changed since these forms were made/)).toBeVisible()
  const now = await ask(page, 'GET', `/questions/${question}`)
  await ask(page, 'PUT', `/questions/${question}`, { question: stored }, { 'If-Match': now.etag })
})

test('a paper says what its builder set, in the language of those who read it, and the settings become a template', async ({ page }) => {
  await signIn(page, 'orla')
  const id = await exam(page, `Settings ${Date.now()}`)
  await page.goto(`/assessments/${id}/print`)
  await page.getByLabel('School').fill('Harrow Crag School')
  await page.getByLabel('What is allowed').fill('ein Lineal')
  await page.getByText('Questions', { exact: true }).click()
  await page.getByLabel('Before each number').fill('Q')
  await page.getByLabel('Numbers', { exact: true }).selectOption('section')
  await page.getByText('Words on paper', { exact: true }).click()
  await page.getByLabel('Language').selectOption('de')
  await page.getByLabel('Made for').selectOption('reading')
  await expect
    .poll(async () => ((await pdf(page).count()) > 0 ? (await pagesOf(page, (await pdf(page).getAttribute('href')) ?? ''))[0] : ''), {
      timeout: 60_000,
    })
    .toMatch(/Harrow Crag School[\s\S]*Erlaubt: ein Lineal[\s\S]*Q1\.[\s\S]*Seite 1 von/)
  await accessible(page)
  const name = `Template ${Date.now()}`
  await page.getByRole('button', { name: 'Keep as a template …' }).click()
  await page.getByLabel('Name of the template').fill(name)
  await accessible(page)
  await page.getByRole('dialog').getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText(`“${name}” is kept for this bank.`, { exact: true })).toBeVisible()

  // Another assessment of the bank takes it.
  const other = await exam(page, `Other ${Date.now()}`)
  await page.goto(`/assessments/${other}/print`)
  await page.getByLabel('Template', { exact: true }).selectOption(name)
  await expect(page.getByLabel('School')).toHaveValue('Harrow Crag School')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Other formats' }).click()
  await page.getByRole('menuitem', { name: 'DOCX' }).click()
  expect((await download).suggestedFilename()).toMatch(/\.docx$/)
  await page.getByRole('button', { name: 'Delete this template' }).click()
  await expect(page.getByText(`“${name}” was deleted.`, { exact: true })).toBeVisible()
})
