import { accessible, ask, pagesOf, signIn } from './helpers'
import { expect, test } from './test'

test('what stands beside questions is chosen once: by keys in a bank, seen in an assessment, printed', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/rocks')
  const row = page.getByRole('listbox', { name: 'Questions' }).getByRole('option', { name: /Crystals and cooling/ })
  await row.click()
  await expect(page.getByRole('heading', { level: 2, name: 'Crystals and cooling' })).toBeVisible()
  await expect(row.getByText('approved')).toBeVisible()
  await page.keyboard.press('5') // place
  await expect(row.getByText('Year 9 › Rock cycle')).toBeVisible()
  await page.keyboard.press('7') // state
  await expect(row.getByText('approved')).toHaveCount(0)
  await page.keyboard.press('2') // feedback
  const said = page.getByRole('region', { name: 'Feedback' })
  await expect(said.getByText('Glass forms when there is no time for crystals at all.')).toBeVisible()
  await expect(said.getByText(/^Option [A-D]$/)).toHaveCount(2)
  await page.keyboard.press('k')
  await expect(page.getByRole('button', { name: 'Key shown' })).toBeVisible()
  await page.getByRole('button', { name: 'Details' }).click()
  await expect(page.getByRole('menuitemcheckbox', { name: 'Place' })).toBeChecked()
  await expect(page.getByRole('menuitemcheckbox', { name: 'State' })).not.toBeChecked()
  await page.getByRole('menuitemcheckbox', { name: 'Source' }).click()
  await page.keyboard.press('Escape')
  await accessible(page)

  // The same in an assessment, after a reload: the person has it, not the browser.
  const all = (await ask(page, 'GET', '/assessments')).body.data
  const unit = all.find((one: { title: string }) => one.title === 'Year 9, unit 3: rocks and maps')
  await page.goto(`/assessments/${unit.id}`)
  const entry = page.getByRole('button', { name: /^1\.\s*Crystals and cooling/ })
  await expect(entry.getByText('Year 9 › Rock cycle')).toBeVisible()
  await expect(entry.getByText('approved')).toHaveCount(0)
  await entry.click()
  await expect(page.getByRole('region', { name: 'Feedback' }).getByText('Glass forms when there is no time')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Key shown' })).toBeVisible()
  await accessible(page)

  // And on the author’s copy, where a tick more is a print more.
  await page.goto(`/assessments/${unit.id}/print`)
  const papers = page.getByRole('group', { name: 'What to print' })
  await papers.getByRole('checkbox', { name: 'Author’s copy' }).check()
  await papers.getByRole('checkbox', { name: 'Learner’s sheet', exact: true }).uncheck()
  const pdf = page.getByRole('link', { name: 'Download PDF' })
  const text = async () => ((await pdf.count()) > 0 ? (await pagesOf(page, (await pdf.getAttribute('href')) ?? '')).join('\n') : '')
  await expect.poll(text, { timeout: 60_000 }).toContain('Author’s copy')
  expect(await text()).toMatch(/Key +B\. granite/)
  expect(await text()).toContain('Glass forms when there is no time')
  expect(await text()).toContain('Year 9 › Rock cycle')
  expect(await text()).not.toMatch(/State +Approved/)
  await papers.getByRole('checkbox', { name: 'State', exact: true }).check()
  await expect.poll(text, { timeout: 60_000 }).toMatch(/State +Approved/)
  await accessible(page)
})
