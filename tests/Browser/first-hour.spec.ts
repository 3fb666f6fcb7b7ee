import { readFileSync } from 'node:fs'
import { accessible, ask, into, signIn, stem, tryPane, write } from './helpers'
import { expect, type Page, test } from './test'

const focused = (page: Page) => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.tagName)
const dialog = (page: Page) => page.getByRole('dialog')

test('a new question is without errors until a field was left; a question without a title is not scolded', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a number/, 'How many? ')
  await page.getByRole('tab', { name: /Checks/ }).click()
  const part = page.getByRole('region', { name: /types a number/ })
  await page.getByLabel('The answer 1: value').click()
  await expect(part.getByText('A number is missing here.')).toHaveCount(0)
  await page.getByPlaceholder(/^Title/).click()
  await expect(part.getByText('A number is missing here.')).toBeVisible()
  await page.getByLabel('The answer 1: value').fill('12')
  await expect(part.getByText('A number is missing here.')).toHaveCount(0)
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  await page.goto('/banks/tams-drafts?words=how+many')
  await expect(page.getByText(/nhelpful title/)).toHaveCount(0)
})

test('the topic tree shows the topics of its bank; all of the team on request', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/water')
  await page.getByRole('tab', { name: 'Topics' }).click()
  const topics = page.getByRole('treeitem')
  await expect(topics.first()).toBeVisible()
  const own = await topics.count()
  expect(await page.getByRole('treeitem', { name: /, 0 questions/ }).count()).toBe(0)
  await page.getByRole('button', { name: /^All topics of the team/ }).click()
  await expect.poll(() => topics.count()).toBeGreaterThan(own)
})

test('help opens the guide at the page that fits, and finds a word in it', async ({ page }) => {
  await signIn(page, 'tam')
  await page.goto('/banks/rocks')
  await expect(page.getByRole('listbox', { name: 'Questions' }).getByRole('option').first()).toBeVisible()
  await page.keyboard.press('F1')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await accessible(page)
  await page.getByRole('searchbox').fill('significant')
  await expect(
    page
      .getByRole('main')
      .getByText(/significant/i)
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: /Tam/ }).click()
  await expect(page.getByRole('menuitem', { name: 'Settings' })).toBeVisible()
  await expect(page.getByRole('menuitem', { name: 'Help' })).toBeVisible()
})

test('what one may not read is said, counts, and is neither printed nor sent', async ({ page }) => {
  await signIn(page, 'orla')
  const asked = (await ask(page, 'GET', '/assessments')).body.data as { id: string; title: string }[]
  const id = asked.find((one) => one.title.startsWith('Year 9, unit 3'))?.id
  await page.goto(`/assessments/${id}`)
  const total =
    (
      await page
        .getByText(/^10 questions, \d+ points/)
        .first()
        .textContent()
    )
      ?.split(',')
      .slice(0, 2)
      .join(',') ?? 'none'
  // Who shares the bank is told whom this keeps from printing.
  await page.goto('/banks/rocks')
  await page.getByRole('button', { name: 'Share', exact: true }).click()
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(dialog(page).getByText('Petra Lindqvist cannot view 3 questions of “Year 9, unit 3: rocks and maps”.')).toBeVisible()
  await page.goto('about:blank') // no answer on its way brings the cookie back
  await page.context().clearCookies()
  await signIn(page, 'petra') // reads the bank of rocks, not that of maps
  await page.goto(`/assessments/${id}`)
  await expect(page.getByText('You cannot view this question’s bank').first()).toBeVisible()
  await expect(page.getByText(total).first()).toBeVisible()
  await expect(page.getByText('no longer in its bank')).toHaveCount(0)
  await accessible(page)
  await page.getByRole('button', { name: 'Print' }).click()
  await expect(page.getByText(/^This cannot be printed as it stands\. Question 8: you cannot view its bank/).first()).toBeVisible()
  await expect(page.getByRole('link', { name: 'Download PDF' })).toHaveCount(0)
  await accessible(page)
})

test('losses stand beside the format before anything is written; each is in the receipt', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/dispatches/new?bank=rocks')
  await page.getByLabel(/^Common Cartridge/).check()
  await expect(page.getByText(/^What this format cannot express/)).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Export file' }).click()
  await expect(page.getByRole('link', { name: 'Download file' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Send to the receiving desk' })).toHaveCount(0) // it does not take cartridges
  await expect(page.getByText(/^\d+ losses in this format:/)).toBeVisible()
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download receipt (CSV)' }).click()])
  expect(readFileSync(await download.path(), 'utf8').split('\n').length).toBeGreaterThan(5)
  await accessible(page)
})

test('a key list in one line is read', async ({ page }) => {
  await signIn(page, 'tam')
  await page.goto('/intakes/new')
  await page
    .getByLabel('Or paste typed questions')
    .fill('1. Which is harder?\na) talc\nb) quartz\n\n2. Which is softer?\na) talc\nb) quartz\nc) topaz\n\nAnswers: 1 B, 2 a')
  await page.getByRole('button', { name: /^Read/ }).click()
  const found = page.getByRole('listbox', { name: 'Questions found' }).getByRole('option')
  await expect(found).toHaveCount(2)
  await expect(page.getByText('not complete')).toHaveCount(0)
  // An import that was not brought in is taken off the list.
  await page.goto('/transfers')
  await page
    .getByRole('button', { name: /^Delete/ })
    .first()
    .click()
  await dialog(page)
    .getByRole('button', { name: /Delete/ })
    .click()
  await expect(dialog(page)).toHaveCount(0)
})

test('a question is written into the open folder, and the focus stays', async ({ page }) => {
  await signIn(page, 'tam')
  await page.goto('/banks/tams-drafts')
  await page.getByRole('tab', { name: 'Folders' }).click()
  await page.getByRole('button', { name: 'New folder' }).click()
  await dialog(page).getByLabel('Name', { exact: true }).fill('Rivers, week 2')
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await page.getByRole('treeitem', { name: /^Rivers, week 2/ }).click()
  await expect(page).toHaveURL(/folder=/)
  await expect(page.locator('option', { hasText: 'Manual order' })).toHaveCount(1)
  await page
    .getByRole('button', { name: /^Write/ })
    .first()
    .click()
  const again = page.getByRole('button', { name: 'Start blank' })
  const choice = page.getByRole('button', { name: /^type a number/ })
  await expect(again.or(choice).first()).toBeVisible()
  if (await again.isVisible()) await again.click()
  await choice.click()
  await stem(page).click()
  await page.keyboard.press('Control+Home')
  await page.keyboard.type('How long is the Fell?')
  await page.getByLabel('The answer 1: value').fill('12')
  await page.getByRole('tab', { name: 'Classify' }).click()
  await expect(page.getByRole('tabpanel').getByText('Rivers, week 2')).toBeVisible()
  await accessible(page)
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  await expect.poll(() => focused(page)).not.toBe('BODY')
  await page.goto('/banks/tams-drafts?words=fell')
  await page.getByRole('button', { name: 'Clear all' }).press('Enter')
  await expect(page.getByRole('button', { name: 'Clear all' })).toHaveCount(0)
  await expect.poll(() => focused(page)).not.toBe('BODY')
  await page.goto('/banks/tams-drafts')
  await page.getByRole('tab', { name: 'Folders' }).click()
  await expect(page.getByRole('treeitem', { name: /^Rivers, week 2, 1/ })).toBeVisible()
})

test('the pick pane reads what is clicked, adds by a button and keeps its bank; who saves learns which assessments follow', async ({
  page,
}) => {
  await signIn(page, 'tam')
  const made = await ask(page, 'POST', '/assessments', { bank: 'tams-drafts', title: 'A first paper' })
  expect(made.status).toBe(201)
  const address = `/assessments/${made.body.data.id}`
  await page.goto(address)
  await page.getByRole('tab', { name: 'Add' }).click()
  await page.getByLabel('Questions of').selectOption('rocks')
  const question = page.getByRole('listbox', { name: 'Questions', exact: true }).getByRole('option', { name: /Crystals and cooling/ })
  await question.click()
  const reading = page.getByRole('region', { name: 'Question to add' })
  await expect(reading.getByRole('radio').first()).toBeVisible()
  await accessible(page)
  await reading.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText(/^1 question, /).first()).toBeVisible()
  await page.goto(address)
  await page.getByRole('tab', { name: 'Add' }).click()
  await expect(page.getByLabel('Questions of')).toHaveValue('rocks')
  // Corrected in its bank, and kept as it was.
  const found = (await ask(page, 'GET', '/banks/rocks/questions?words=crystals+and+cooling')).body.data as { id: string; title: string }[]
  await page.goto(`/questions/${found.find((one) => one.title === 'Crystals and cooling')?.id}`)
  await into(page, 'Question')
  await page.keyboard.press('Control+End')
  await page.keyboard.type(' Think of lava.')
  await page.keyboard.press('Control+s')
  await expect(page.getByText(/now use this revision|now uses this revision/).first()).toBeVisible()
  await page.getByRole('button', { name: /^Keep revision \d+ there/ }).click()
  await expect(page.getByText(/keeps? revision \d+\./).first()).toBeVisible()
})

test('F6 goes from pane to pane, a skip of Tab leaves out deleting, and Ctrl K finds by name', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose one/, 'Which is hardest?')
  const reached: string[] = []
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press('F6')
    reached.push(await page.evaluate(() => document.activeElement?.getAttribute('role') ?? document.activeElement?.tagName ?? ''))
  }
  expect(reached).toContain('tab') // those of the pane beside the page
  await page.keyboard.press('Control+k')
  await page.keyboard.type('hazards')
  await page
    .getByRole('option', { name: /Hazards and resources/ })
    .first()
    .click()
  await expect(page).toHaveURL(/\/banks\/hazards/)
  await page.keyboard.press('Control+k')
  await page.keyboard.type('entry check')
  await page
    .getByRole('option', { name: /Entry check: measuring/ })
    .first()
    .click()
  await expect(page).toHaveURL(/\/assessments\//)
  await expect(page.getByText(/^\d+ questions, /).first()).toBeVisible()
})

test('a row of a key goes by Alt Delete, not on the way of Tab; the focus stays near', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose one/, 'Which is softest?')
  await into(page, 'Option A')
  await page.keyboard.type('talc')
  await into(page, 'Option B')
  await page.keyboard.type('quartz')
  const options = page.getByRole('textbox', { name: /^Option [A-Z]$/ })
  const before = await options.count()
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press('Tab')
    expect(await focused(page)).not.toMatch(/^(Remove|Delete) option/i)
  }
  await into(page, 'Option B')
  await page.keyboard.press('Alt+Delete')
  await expect(options).toHaveCount(before - 1)
  expect(await focused(page)).not.toBe('BODY')
})

test('something is dragged to the end of an outline', async ({ page }) => {
  await signIn(page, 'orla')
  const all = (await ask(page, 'GET', '/assessments')).body.data as { id: string; title: string }[]
  await page.goto(`/assessments/${all.find((one) => one.title.startsWith('Drawing on grids'))?.id}`)
  const moves = page.getByRole('button', { name: /^Move / })
  await expect(moves.nth(2)).toBeVisible()
  const name = await moves.nth(0).getAttribute('aria-label')
  await moves.nth(0).hover()
  await page.mouse.down()
  await moves.nth(1).hover()
  // where something can be put opens while it is carried: the place is looked up now
  const box = await page.getByRole('listitem').filter({ has: moves }).last().boundingBox()
  for (const up of [8, 4]) await page.mouse.move((box?.x ?? 0) + 40, (box?.y ?? 0) + (box?.height ?? 0) - up)
  await page.mouse.up()
  await expect(moves.last()).toHaveAttribute('aria-label', name ?? '')
  await page.keyboard.press('Control+z')
  await expect(moves.nth(0)).toHaveAttribute('aria-label', name ?? '')
})

test('tries show from the start, and a phrase of a faulty text looks like any other words', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^correct a text/, 'One thing is wrong.')
  await page.getByRole('button', { name: 'Compare with the correct text …' }).click()
  await dialog(page).getByLabel('Text with errors').fill('Basalt cools deep down in the crust.')
  await dialog(page).getByRole('textbox', { name: 'Correct text' }).fill('Basalt cools at the surface.')
  await dialog(page).getByRole('button', { name: 'Find errors' }).click()
  await expect(dialog(page)).toHaveCount(0)
  const words = tryPane(page).getByRole('button', { name: /^Correct / })
  await expect(words).toHaveCount(7)
  await expect(words.nth(2)).toHaveAccessibleName('Correct “deep”')
  await page.getByRole('button', { name: 'Feedback, hints and attempts' }).click()
  await page
    .getByLabel(/^Tries|Attempts/)
    .first()
    .fill('3')
  await expect(tryPane(page).getByText('Try 1 of 3')).toBeVisible()
})

test('archiving is confirmed and takes its assessments off the list; a new assessment chooses no shared bank by itself', async ({
  page,
}) => {
  await signIn(page, 'orla')
  const made = await ask(page, 'POST', '/banks', { name: 'Old papers' })
  expect(made.status).toBe(201)
  const slug = made.body.data.slug
  await ask(page, 'POST', '/assessments', { bank: slug, title: 'Paper of 1999' })
  await page.goto('/assessments')
  await expect(page.getByRole('link', { name: 'Paper of 1999' }).first()).toBeVisible()
  await page.goto(`/banks/${slug}`)
  await page.getByRole('button', { name: 'This bank' }).click()
  await page.getByRole('menuitem', { name: 'Archive bank' }).click()
  await page.getByRole('button', { name: 'Archive bank' }).click()
  await expect(page.getByText('“Old papers” archived.').first()).toBeVisible()
  await page.goto('/assessments')
  await expect(page.getByRole('heading', { name: 'Assessments' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Paper of 1999' })).toHaveCount(0)
  // a bank of one's own may be there by now: a test before this one may have made it
  const banks: { slug: string; shared_with: string[]; may_manage: boolean; archived: boolean }[] = (await ask(page, 'GET', '/banks')).body
    .data
  const own = banks.find((one) => one.shared_with.length === 0 && one.may_manage && !one.archived)
  await page.getByRole('button', { name: /^New assessment/ }).click()
  await expect(dialog(page).getByLabel('Bank')).toHaveValue(own?.slug ?? '')
  await accessible(page)
})
