import { accessible, ask, row, signIn } from './helpers'
import { expect, test } from './test'

/** Asks the server as the application does. */
test('a bank and its copy are compared and brought together, then put into folders by kind', async ({ page }) => {
  const name = `Maps ${Date.now()}`
  await signIn(page, 'orla')
  const { body: copy } = await ask(page, 'POST', '/banks/maps/copy', { name })
  await expect.poll(async () => (await ask(page, 'GET', `/acts/${copy.act.act}`)).body.state, { timeout: 20_000 }).toBe('done')
  const { body: list } = await ask(page, 'GET', `/banks/${copy.slug}/questions?sort=title`)
  const [changed, gone] = list.data
  const one = await ask(page, 'GET', `/questions/${changed.id}`)
  const question = { ...one.body.data.question, body: `<p>Look first.</p>${one.body.data.question.body}` }
  const saved = await ask(page, 'PUT', `/questions/${changed.id}`, { question }, { 'If-Match': one.etag })
  expect(saved.status).toBe(200)
  await ask(page, 'POST', `/banks/${copy.slug}/acts`, { ids: [gone.id], bin: true })

  await page.goto(`/banks/${copy.slug}/compare`)
  const comparison = page.getByRole('region', { name: 'Compare', exact: true })
  await comparison.getByLabel('Bank', { exact: true }).selectOption({ label: 'Maps, sections and field skills' })
  await comparison.getByRole('button', { name: 'Compare' }).click()
  const differing = comparison.getByRole('region', { name: 'Differing' })
  await expect(differing.getByText('Look first.')).toBeVisible()
  await accessible(page)
  await differing.getByRole('checkbox').check()
  await differing.getByRole('button', { name: 'Take theirs for the one selected' }).press('Enter')
  await expect(page.getByText('One question has their content now, as a revision.').first()).toBeVisible()
  await expect(differing).toHaveCount(0)
  const there = comparison.getByRole('region', { name: 'Only there' })
  await there.getByRole('checkbox').check()
  await there.getByRole('button', { name: 'Bring it here' }).click()
  await expect(page.getByText('One question is being copied.').first()).toBeVisible()
  await expect(async () => {
    await comparison.getByRole('button', { name: 'Compare' }).click()
    await expect(comparison.getByText('Everything is the same.')).toBeVisible({ timeout: 2_000 })
  }).toPass()

  await page.goto(`/banks/${copy.slug}`)
  await page.getByRole('button', { name: 'This bank' }).click()
  await page.getByRole('menuitem', { name: 'Put into folders by a pattern' }).click()
  const dialog = page.getByRole('dialog', { name: 'Put into folders' })
  await expect(dialog.getByText('multiple choice')).toBeVisible()
  await accessible(page)
  await dialog.getByRole('button', { name: /^Put \d+ questions into folders$/ }).click()
  await expect(dialog).toHaveCount(0)
  await page.getByRole('tab', { name: 'Folders' }).click()
  await expect(page.getByRole('treeitem', { name: /^multiple choice/ })).toBeVisible()
  await expect(row(page)).toBeVisible()
})
