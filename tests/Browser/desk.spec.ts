import { expect, type Page, test } from '@playwright/test'
import { accessible, into, paste, row, signIn, stem, tabTo, tryPane, write } from './helpers'

const scored = (page: Page, text: string) => expect(page.getByRole('region', { name: 'Why it scored so' }).getByText(text)).toBeVisible()

test('by mouse: a choice with pasted options, a fixed last one, feedback; wrong, partly and right', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose/, 'Which of these rocks is foliated?')
  await into(page, 'Option A')
  await paste(page, { 'text/plain': 'A) granite\nB) schist\nC) sandstone\nD) gneiss\nE) none of these' })
  await expect(page.getByRole('textbox', { name: 'Option E', exact: true })).toHaveText('none of these')
  await expect(page.getByRole('textbox', { name: 'Option A', exact: true })).toHaveText('granite')
  await page.getByRole('button', { name: 'Option B is the key' }).click()
  await page.getByLabel('Credit: Option D').fill('50')
  await page.getByRole('button', { name: 'Option E stays in its place' }).click()
  await into(page, 'Feedback when chosen: Option D')
  await page.keyboard.type('Banded rather than foliated.')
  const options = tryPane(page).getByRole('radio')
  await expect(options).toHaveCount(5)
  await expect(options.last()).toHaveAccessibleName(/none of these/)
  await tryPane(page)
    .getByRole('radio', { name: /granite/ })
    .check()
  await page.getByRole('button', { name: 'Check' }).click()
  await scored(page, 'wrong')
  // Another try is asked for, and nothing is scored until it is.
  let scores = 0
  page.on('request', (request) => {
    if (request.url().endsWith('/score')) scores++
  })
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByRole('button', { name: 'Check' })).toBeVisible()
  await page.waitForTimeout(300)
  expect(scores).toBe(0)
  await tryPane(page)
    .getByRole('radio', { name: /gneiss/ })
    .check()
  await page.getByRole('button', { name: 'Check' }).click()
  await scored(page, 'partly right')
  await scored(page, 'Banded rather than foliated.')
  await page.getByRole('button', { name: 'Try again' }).click()
  await tryPane(page)
    .getByRole('radio', { name: /schist/ })
    .check()
  await page.getByRole('button', { name: 'Check' }).click()
  await scored(page, 'right')
  await accessible(page)
  // Several may be right: the scheme says its formula.
  await page.getByRole('button', { name: 'Settings' }).click()
  await page.getByLabel('May choose').selectOption('several')
  await page.getByLabel('When several are right').selectOption('judge')
  await expect(page.getByText('Each option chosen or left as it should be earns its share.')).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Save revision 1' }).click()
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
})

test('a typed word and a typed number, each with rules as sentences', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a word/, 'The dyke is made of ')
  await page.getByLabel('The answer 1: words').fill('dolerite / diabase')
  await page.getByLabel('The answer 1: words').press('Enter')
  await page.getByLabel('The answer 2', { exact: true }).selectOption('slips')
  await page.getByLabel('The answer 2: words').fill('dolerite')
  await page.getByLabel('Credit: The answer 2').fill('50')
  const typed = tryPane(page).getByLabel('The learner types a word or phrase')
  for (const [answer, state] of [
    ['Diabase', '1 of 1 point right'],
    ['dolorite', '0.5 of 1 point partly right'],
    ['granite', '0 of 1 point wrong'],
  ] as const) {
    await typed.fill(answer)
    await page.getByRole('button', { name: 'Check' }).click()
    await expect(page.getByText(state)).toBeVisible()
    await page.getByRole('button', { name: 'Start afresh' }).click()
  }
  await accessible(page)

  await write(page, 'tams-drafts', /^type a number/, 'The density in g/cm³ is ')
  await page.getByLabel('The answer 1: value').fill('2.7')
  await page.getByLabel('The answer 1: how near').selectOption('absolute')
  await page.getByLabel('The answer 1: give or take').fill('0.05')
  const number = tryPane(page).getByLabel('The learner types a number')
  await number.fill('2,74')
  await page.getByRole('button', { name: 'Check' }).click()
  await expect(page.getByText('1 of 1 point right')).toBeVisible()
  await page.getByRole('button', { name: 'Start afresh' }).click()
  await number.fill('much')
  await page.getByRole('button', { name: 'Check' }).click()
  await expect(page.getByText('cannot be read, no try lost')).toBeVisible()
  await accessible(page)
})

test('by keyboard alone: a three-part question with a hint, saved, kept as specimen, classified', async ({ page }) => {
  await signIn(page, 'tam')
  await page.goto('/banks/tams-drafts/write')
  await expect(page.getByRole('button', { name: /^choose|Begin with nothing/ }).first()).toBeVisible()
  if (await page.getByRole('button', { name: 'Begin with nothing' }).isVisible()) {
    await tabTo(page, 'Begin with nothing')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: /^choose/ })).toBeVisible()
  }
  await page.keyboard.press('0')
  await expect(page.getByLabel('Title')).toBeVisible()
  await tabTo(page, 'Title')
  await page.keyboard.type('Three things about slate')
  await tabTo(page, 'Question')
  await page.keyboard.press('/')
  await expect(page.getByRole('menuitem', { name: 'choose' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(stem(page)).toBeFocused()
  await page.keyboard.type('Slate was once ')
  const add = async (kind: string) => {
    await tabTo(page, 'Add an answer', true)
    await page.keyboard.press('Enter')
    const item = page.getByRole('menuitem', { name: kind })
    await expect(item).toBeVisible()
    for (let i = 0; i < 6 && !(await item.evaluate((one) => one === document.activeElement)); i++) await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
  }
  await add('type a word')
  await expect(page.getByRole('region', { name: /types a word/ })).toBeVisible()
  await expect(stem(page)).toBeFocused()
  await page.keyboard.type(' and splits in ')
  await add('type a number')
  await expect(page.getByRole('region', { name: /2\. .*types a number/ })).toBeVisible()
  await page.keyboard.type(' main direction.')
  await add('choose')
  await expect(page.getByRole('region', { name: /3\. .*chooses one/ })).toBeVisible()
  await tabTo(page, 'The answer 1: words')
  await page.keyboard.type('mud')
  await tabTo(page, 'The answer 1: value')
  await page.keyboard.type('1')
  await tabTo(page, 'Option A')
  await page.keyboard.type('metamorphic')
  await page.keyboard.press('Enter')
  await page.keyboard.type('igneous')
  await page.keyboard.press('Alt+Enter')
  await expect(page.getByRole('button', { name: 'Option B is the key' })).toHaveAttribute('aria-pressed', 'true')
  await page.keyboard.press('Alt+ArrowUp')
  await expect(page.getByRole('textbox', { name: 'Option A', exact: true })).toHaveText('igneous')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('textbox', { name: 'Option B', exact: true })).toHaveText('igneous')
  for (const name of ['Remove Option D', 'Remove Option C']) {
    await tabTo(page, name)
    await page.keyboard.press('Enter')
  }
  await tabTo(page, /Feedback, hints and attempts/)
  await page.keyboard.press('Enter')
  await tabTo(page, 'Add a hint')
  await page.keyboard.press('Enter')
  await tabTo(page, 'Hint 1', true)
  await page.keyboard.type('Think of the sea bed.')
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()

  // Try it: partly right; why; keep as specimen.
  const pane = tryPane(page)
  await pane.getByLabel('The learner types a word or phrase').focus()
  await page.keyboard.type('mud')
  await tabTo(page, 'The learner types a number')
  await page.keyboard.type('2')
  await page.keyboard.press('Enter')
  await expect(page.getByText('1 of 3 points partly right')).toBeVisible()
  await tabTo(page, 'Keep as specimen')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Specimens' }).getByText('1 · scores as stated')).toBeVisible()
  await accessible(page)

  // Classify it.
  await page.getByRole('tab', { name: 'Try' }).focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('tab', { name: 'Classify' })).toHaveAttribute('aria-selected', 'true')
  await tabTo(page, 'Add to Tags')
  await page.keyboard.type('sea bed')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Take off sea bed' })).toBeVisible()
  await tabTo(page, 'Difficulty')
  await page.keyboard.press('3')
  await expect(page.getByLabel('Difficulty')).toHaveValue('3')
  await accessible(page)
})

test('rolling shows what changed; finishing and the answer; as on a phone', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/field-maths?words=hand+sample')
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  const pane = tryPane(page)
  await expect(pane.getByText('A basalt sample of 56 g')).toBeVisible()
  await pane.getByRole('button', { name: 'Roll new values' }).click()
  await expect(pane.getByText(/56 → \d+/)).toBeVisible()
  await pane.getByRole('button', { name: 'Take a hint (1 left)' }).click()
  await pane.getByRole('button', { name: 'Finish' }).click()
  await expect(pane.getByText('not answered')).toBeVisible()
  await pane.getByRole('button', { name: 'Show the answer' }).click()
  await expect(pane.getByText(/The answer is mass\/volume/).first()).toBeVisible()
  await pane.getByRole('button', { name: 'As on a phone' }).click()
  expect((await pane.locator('form').boundingBox())?.width).toBeLessThanOrEqual(390)
  await accessible(page)
})

test('save and write another, duplicate beside the original, undo and redo', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a word/, 'The oldest era is ')
  await page.getByLabel('Title').fill('Oldest era')
  await page.getByLabel('The answer 1: words').fill('Palaeozoic')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('The answer 1: words')).toHaveValue('')
  await page.keyboard.press('Control+Shift+z')
  await expect(page.getByLabel('The answer 1: words')).toHaveValue('Palaeozoic')
  await page.keyboard.press('Control+Enter')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  await expect(page.getByLabel('Title')).toHaveValue('')
  await expect(page.getByRole('region', { name: /types a word/ })).toBeVisible()

  await page.goto('/banks/tams-drafts?words=oldest+era')
  await page.getByRole('button', { name: 'Open', exact: true }).click()
  await expect(page.getByLabel('Title')).toHaveValue('Oldest era')
  await page.keyboard.press('Alt+Shift+d')
  await expect(page.getByText('A copy of “Oldest era”')).toBeVisible()
  await page.getByLabel('Title').fill('Youngest era')
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
})

test('problems stand at their fields, and in the list of checks', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a number/, 'How many? ')
  await page.getByLabel('The answer 1: value').fill('12 eggs and')
  await expect(page.getByRole('region', { name: /types a number/ }).getByText(/is not an exact number/)).toBeVisible()
  await page.getByRole('tab', { name: /Checks/ }).click()
  await expect(page.getByText('To mend before it can be approved')).toBeVisible()
  await accessible(page)
})

test('by mouse: a three-part question, each part tried, found again by its words and state', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^answer several/, 'A granite holds ')
  await page.getByLabel('Title').fill('What granite is made of')
  const add = async (kind: string) => {
    await page.getByRole('button', { name: 'Add an answer' }).first().click()
    await page.getByRole('menuitem', { name: kind }).click()
    await expect(stem(page)).toBeFocused()
  }
  await add('type a word')
  await page.keyboard.type(' and has ')
  await add('type a number')
  await page.keyboard.type(' main minerals.')
  await add('choose')
  await page.getByLabel('The answer 1: words').fill('quartz')
  await page.getByLabel('The answer 1: value').fill('3')
  for (const [i, option] of ['slowly', 'fast'].entries()) {
    await into(page, `Option ${'AB'[i]}`)
    await page.keyboard.type(option)
  }
  await page.getByRole('button', { name: 'Remove Option D' }).click()
  await page.getByRole('button', { name: 'Remove Option C' }).click()
  const pane = tryPane(page)
  await pane.getByLabel('The learner types a word or phrase').fill('quartz')
  await pane.getByLabel('The learner types a number').fill('4')
  await pane.getByRole('radio', { name: /slowly/ }).check()
  await page.getByRole('button', { name: 'Check' }).click()
  await scored(page, 'of 3 points')
  await expect(page.getByText('2 of 3 points partly right')).toBeVisible()
  await page.getByRole('tab', { name: 'Classify' }).click()
  await page.getByLabel('State', { exact: true }).selectOption('in_review')
  await page.getByRole('button', { name: 'Save revision 1' }).click()
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  await page.goto('/banks/tams-drafts?status=in_review&words=granite+minerals')
  await expect(row(page, /What granite is made of/)).toContainText('typed, number, choice')
})

test('by keyboard alone: one of each kind, in a row', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'field-maths', /^choose/, 'Which is softest?')
  await page.goto('/banks/field-maths')
  const fields: Record<string, [string, string][]> = {
    '1': [
      ['Option A', 'talc'],
      ['Option B', 'quartz'],
      ['Option C', 'topaz'],
      ['Option D', 'diamond'],
    ],
    '2': [['The answer 1: words', 'talc']],
    '3': [['The answer 1: value', '1']],
  }
  for (const [key, answers] of Object.entries(fields)) {
    await page.goto('/banks/field-maths')
    await expect(row(page)).toBeVisible()
    await tabTo(page, 'Questions')
    await page.keyboard.press('n')
    await expect(page.getByText('The learner will …').or(page.getByText('is here again')).first()).toBeVisible()
    if (await page.getByRole('button', { name: 'Begin with nothing' }).isVisible()) {
      await tabTo(page, 'Begin with nothing')
      await page.keyboard.press('Enter')
      await expect(page.getByRole('heading', { name: 'The learner will …' })).toBeVisible()
    }
    await page.keyboard.press(key)
    await expect(page.getByLabel('Title')).toBeVisible()
    await tabTo(page, 'Title')
    await page.keyboard.type(`The softest mineral ${key}`)
    await tabTo(page, 'Question')
    await page.keyboard.press('Control+Home')
    await page.keyboard.type('The softest mineral is ')
    for (const [field, words] of answers) {
      await tabTo(page, field)
      await page.keyboard.type(words)
    }
    await page.keyboard.press('Control+s')
    await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
    await expect(page.getByRole('button', { name: 'Save revision 2' })).toBeVisible()
  }
})
