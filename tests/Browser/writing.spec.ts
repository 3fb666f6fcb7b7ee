import { accessible, row, signIn, stem, tryPane, write } from './helpers'
import { expect, type Page, test } from './test'

/** Counts what is pressed besides the text; a combination is one press. */
function counting(page: Page) {
  let presses = 0
  return {
    press: async (key: string) => {
      presses++
      await page.keyboard.press(key)
    },
    type: (text: string) => page.keyboard.type(text),
    taken: () => presses,
  }
}
/** The bank, with nothing begun in it by a test before. */
async function bank(page: Page) {
  await page.goto('/banks/tams-drafts/write')
  const old = page.getByRole('button', { name: 'Start blank' })
  const starts = page.getByRole('heading', { name: 'Quick starts' })
  await expect(old.or(starts)).toBeVisible()
  if (await old.isVisible()) await old.click()
  await expect(starts).toBeVisible()
  await page.goto('/banks/tams-drafts')
  await expect(page.getByRole('heading', { name: 'Tam’s drafts' })).toBeVisible()
}

const writing = (page: Page, name: string) => expect(page.locator('.ProseMirror-focused')).toHaveAttribute('aria-label', name)

test('a choice of four with its key and feedback on every option takes 12 key presses besides its text', async ({ page }) => {
  await signIn(page, 'tam')
  await bank(page)
  const keys = counting(page)
  await keys.press('n')
  await expect(page.getByRole('heading', { name: 'The learner will …' })).toBeVisible()
  await keys.press('1')
  await writing(page, 'Question')
  await keys.type('Which of these is a metamorphic rock?')
  const texts: [string, string][] = [
    ['granite', 'Granite cooled from magma.'],
    ['gneiss', 'Yes: banded by heat and pressure.'],
    ['chalk', 'Chalk is made of shells.'],
    ['basalt', 'Basalt is a lava.'],
  ]
  for (const [i, [option, feedback]] of texts.entries()) {
    const name = `Option ${'ABCD'[i]}`
    await keys.press('Alt+Shift+ArrowDown')
    await writing(page, name)
    await keys.type(option)
    if (i === 1) await keys.press('Alt+Enter')
    await keys.press('Alt+Shift+ArrowDown')
    await writing(page, `Feedback when chosen: ${name}`)
    await keys.type(feedback)
  }
  await keys.press('Control+Enter')
  // The next one waits for its text already.
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  await writing(page, 'Question')
  await expect(stem(page)).not.toContainText('which', { ignoreCase: true })
  expect(keys.taken()).toBeLessThanOrEqual(14)
  await page.goto('/banks/tams-drafts?words=%22which+of+these+is+a+metamorphic%22')
  await row(page, /metamorphic rock/).click()
  await page
    .getByRole('radio', { name: /gneiss/ })
    .first()
    .check()
  await page.getByRole('button', { name: 'Check answer' }).click()
  await expect(page.getByText('Yes: banded by heat and pressure.').first()).toBeVisible()
})

test('ten questions in a row without leaving the keyboard, typing on while each is saved', async ({ page }) => {
  const mark = `Row${Date.now() % 1_000_000}`
  await signIn(page, 'tam')
  await bank(page)
  await page.keyboard.press('n')
  await expect(page.getByRole('heading', { name: 'The learner will …' })).toBeVisible()
  await page.keyboard.press('1')
  await writing(page, 'Question')
  // The way of a save is slow: what is typed meanwhile belongs to the next question.
  let stored = 0
  await page.route('**/api/v1/banks/*/questions', async (route) => {
    await new Promise((done) => setTimeout(done, 400))
    await route.continue()
  })
  page.on('response', (response) => {
    if (response.request().method() === 'POST' && response.url().endsWith('/questions') && response.ok()) stored++
  })
  for (let i = 1; i <= 10; i++) {
    await page.keyboard.type(`${mark} number ${i}: which is right?`)
    await writing(page, 'Question')
    await expect(stem(page)).toContainText(`${mark} number ${i}: which is right?`)
    for (const option of ['one', 'two', 'three', 'four']) {
      await page.keyboard.press('Alt+Shift+ArrowDown')
      await page.keyboard.type(`${option} ${i}`)
      if (option === 'three') await page.keyboard.press('Alt+Enter')
      await page.keyboard.press('Alt+Shift+ArrowDown')
    }
    await page.keyboard.press('Control+Enter')
  }
  await expect(stem(page)).not.toContainText('which', { ignoreCase: true })
  await expect.poll(() => stored).toBe(10)
  await page.goto(`/banks/tams-drafts?words=${mark}`)
  await expect(page.getByText('10 of')).toBeVisible()
  await row(page, new RegExp(`${mark} number 7`)).click()
  await expect(page.getByRole('radio', { name: /four 7/ }).first()).toBeVisible()
})

test('what new questions of a bank begin with, quick starts, one of one’s own', async ({ page }) => {
  await signIn(page, 'tam')
  await bank(page)
  await page.getByRole('button', { name: 'This bank' }).click()
  await page.getByRole('menuitem', { name: 'Defaults for new questions' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Points of an answer').fill('3')
  await dialog.getByLabel('Order of options').selectOption('no')
  await dialog.getByLabel('Tries').fill('2')
  await dialog.getByLabel('Cost of each further try').fill('25')
  await dialog.getByLabel('Feedback shows').selectOption('after')
  await dialog.getByLabel('Capital letters').selectOption('keep')
  await dialog.getByLabel('Language').fill('not a language')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(dialog.getByText('a language tag such as en-GB').last()).toBeVisible()
  await accessible(page)
  await dialog.getByLabel('Language').fill('en-GB')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Defaults saved.').first()).toBeVisible()

  await page.keyboard.press('n')
  await expect(page.getByRole('heading', { name: 'Quick starts' })).toBeVisible()
  await accessible(page)
  await page.keyboard.press('d')
  await writing(page, 'Question')
  await page.keyboard.type('Name two minerals of granite.')
  await expect(page.getByRole('spinbutton', { name: /Points: 1\. The learner types/ })).toHaveValue('3')
  await expect(page.getByText('2 attempts')).toBeVisible()
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Save as a quick start' }).click()
  const name = `Name two ${Date.now() % 1_000_000}`
  await page.getByRole('dialog').getByLabel('Name').fill(name)
  await accessible(page)
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(`“${name}” saved. Find it where you start new questions.`).first()).toBeVisible()
  await page.goto('/banks/tams-drafts/write')
  await page.getByRole('button', { name: 'Start blank' }).click()
  await page.getByRole('button', { name, exact: true }).click()
  await expect(stem(page)).toContainText('Name two minerals of granite.')
  await page.goto('/banks/tams-drafts/write')
  const begin = page.getByRole('button', { name: 'Start blank' })
  await expect(begin.or(page.getByRole('heading', { name: 'Your own' }))).toBeVisible()
  if (await begin.isVisible()) await begin.click()
  await page.getByRole('button', { name: `Delete “${name}”` }).click()
  await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0)

  // Back as the other tests know the bank.
  await page.goto('/banks/tams-drafts')
  await page.getByRole('button', { name: 'This bank' }).click()
  await page.getByRole('menuitem', { name: 'Defaults for new questions' }).click()
  for (const field of ['Points of an answer', 'Tries', 'Language']) await dialog.getByLabel(field).fill('')
  await dialog.getByLabel('Cost of each further try').fill('0')
  await dialog.getByLabel('Order of options').selectOption('')
  await dialog.getByLabel('Feedback shows').selectOption('both')
  await dialog.getByLabel('Capital letters').selectOption('')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('Defaults saved.').first()).toBeVisible()
})

test('find and replace within a question, each place seen before, undone in one step', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose/, 'Why does slate split? Old slate splits too.')
  await page.getByLabel('Title').fill('Why slate splits')
  await page.keyboard.press('Alt+Shift+F')
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('textbox', { name: 'Find' }).fill('slate')
  await dialog.getByLabel('Replace with').fill('schist')
  await dialog.getByLabel('Whole words only').check()
  const places = dialog.getByRole('listitem')
  await expect(places.first()).toBeVisible()
  const all = await places.count()
  expect(all).toBeGreaterThan(1)
  await expect(places.first().getByRole('deletion')).toHaveText('slate')
  await accessible(page)
  await places.first().getByRole('checkbox').uncheck()
  await dialog.getByRole('button', { name: `Replace at ${all === 2 ? '1 place' : `${all - 1} places`}` }).click()
  await expect(page.getByLabel('Title')).toHaveValue('Why slate splits')
  await expect(stem(page)).toContainText('schist')
  await expect(
    tryPane(page)
      .getByText(/schist/)
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(stem(page)).not.toContainText('schist')
  await page.keyboard.press('Alt+Shift+F')
  await dialog.getByRole('textbox', { name: 'Find' }).fill('gneissose')
  await expect(dialog.getByText('No matches.')).toBeVisible()
})
