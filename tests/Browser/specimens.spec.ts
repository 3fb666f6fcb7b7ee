import { accessible, into, paste, row, signIn, tryPane, write } from './helpers'
import { expect, test } from './test'

test('responses from a table guard a question: one that does not hold shows everywhere and keeps it from being approved', async ({
  page,
}) => {
  const name = `Splitting ${Date.now() % 1_000_000}`
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose/, 'Which rock splits into thin sheets?')
  await page.getByLabel('Title').fill(name)
  await into(page, 'Option A')
  await paste(page, { 'text/plain': 'A) granite\nB) slate\nC) chalk' })
  await page.getByRole('button', { name: 'Option B is the key' }).click()
  await page.getByRole('button', { name: 'Save revision 1' }).click()
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()

  // A table of what a class answered: letters, words, one that is no option, one that was marked otherwise.
  const specimens = page.getByRole('region', { name: 'Specimens' })
  await specimens.getByRole('button', { name: 'From a table' }).click()
  await page
    .getByRole('textbox', { name: 'Table' })
    .fill('Name\tAnswer\tPoints\tRemark\nMia\tB\t1\tright\nTom\tgranite\t1\tmarked by hand\nAda\tmarble\t0\t\nBo\tslate\t1\tthe same')
  await expect(page.getByRole('row', { name: /granite.*scores 0 now/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /There is nothing called “marble” here/ })).toBeVisible()
  await expect(page.getByRole('row', { name: /slate.*already a specimen/ })).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Keep 2 specimens' }).click()
  await expect(specimens.getByRole('row', { name: /slate.*passes/ })).toBeVisible()
  await expect(specimens.getByRole('row', { name: /granite/ }).getByText('0', { exact: true })).toBeVisible()
  await accessible(page)

  // It stands in the checks, in the list, in the facets; and it cannot be approved.
  await page.getByRole('tab', { name: 'Checks' }).click()
  await expect(page.getByText('A specimen must score 1 but scores 0.')).toBeVisible()
  await page.getByRole('tab', { name: 'Classify' }).click()
  await page.getByRole('combobox', { name: 'Status' }).selectOption('approved')
  await expect(page.getByText('One of its specimens does not score as stated').first()).toBeVisible()
  await page.goto(`/banks/tams-drafts?is=failing&words=${encodeURIComponent(name)}`)
  await expect(row(page, new RegExp(`${name}.*1 of 2 specimens fails`))).toBeVisible()
  await page.getByRole('tab', { name: 'More' }).click()
  await expect(page.getByRole('button', { name: /a specimen fails/, pressed: true })).toBeVisible()
  await accessible(page)

  // All of the bank are run, and lead to exactly those that fail.
  await page.getByRole('button', { name: 'This bank' }).click()
  await page.getByRole('menuitem', { name: 'Check specimens and rolls' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Check/ })
    .click()
  const result = page
    .getByRole('dialog')
    .getByRole('link', { name: /^Show the/ })
    .first()
  await expect(result).toBeVisible()
  await accessible(page)
  await result.click()
  await expect(row(page, new RegExp(name))).toBeVisible()

  // What it scores now is what was meant: it holds, and the question may be approved.
  await row(page, new RegExp(name)).dblclick()
  await specimens.getByRole('button', { name: /^Expect 0 instead for granite/ }).click()
  await expect(specimens.getByRole('row', { name: /granite.*passes/ })).toBeVisible()
  await tryPane(page).getByRole('radio', { name: /chalk/ }).check()
  await page.getByRole('button', { name: 'Check answer' }).click()
  await page.getByRole('button', { name: 'Keep as specimen' }).click()
  await expect(specimens.getByRole('row', { name: /chalk.*passes/ })).toBeVisible()
  await page.getByRole('tab', { name: 'Classify' }).click()
  const status = page.getByRole('combobox', { name: 'Status' })
  await status.selectOption('approved')
  await expect(status).toHaveValue('approved') // it shows what is stored, so the list has it too
  await page.goto(`/banks/tams-drafts?words=${encodeURIComponent(name)}`)
  await expect(row(page, new RegExp(`${name}.*approved`))).toBeVisible()
})
