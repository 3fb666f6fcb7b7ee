import { accessible, into, paste, signIn, tabTo, tryPane, write } from './helpers'
import { expect, type Page, test } from './test'

const scored = (page: Page, text: string | RegExp) =>
  expect(page.getByRole('region', { name: 'How it was scored' }).getByText(text).first()).toBeVisible()
const check = (page: Page) => tryPane(page).getByRole('button', { name: 'Check answer' }).click()
const again = (page: Page) => tryPane(page).getByRole('button', { name: 'Try again' }).click()
const saved = async (page: Page) => {
  await page.keyboard.press('Control+s')
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
}

/** Selects words of a text editor. */
const select = (page: Page, field: string, wanted: string) =>
  page.evaluate(
    ([name, words]) => {
      const editor = document.querySelector(`.ProseMirror[aria-label="${name}"]`) as HTMLElement
      editor.focus()
      const walk = document.createTreeWalker(editor, NodeFilter.SHOW_TEXT)
      for (let node = walk.nextNode(); node; node = walk.nextNode()) {
        const at = (node.textContent ?? '').indexOf(words ?? '')
        if (at < 0) continue
        getSelection()?.setBaseAndExtent(node, at, node, at + (words ?? '').length)
        return
      }
      throw new Error(`no ${words}`)
    },
    [field, wanted],
  )

test('a sequence: pasted lines, two of one rank, one given; ordered by mouse, arrows and drag', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^put in order/, 'Order by density.')
  await into(page, 'Item 1')
  await paste(page, { 'text/plain': 'ice\nwater\ngranite\ngneiss\niron ore' })
  await expect(page.getByRole('textbox', { name: 'Item 5', exact: true })).toHaveText('iron ore')
  await page.getByRole('button', { name: 'Item 4 has the same rank as the one above' }).click()
  await page.getByRole('button', { name: 'Item 1 is given' }).click()
  const item = (name: string) => tryPane(page).getByRole('button', { name: new RegExp(`^${name}, \\d of 5`) })
  await expect(tryPane(page).getByRole('listitem').first()).toHaveText('ice')
  // To the front by arrows: iron ore first is wrong for every pair it is in.
  for (let i = 0; i < 4; i++) await tryPane(page).getByRole('button', { name: 'Move iron ore up' }).click()
  await check(page)
  await expect(page.getByRole('region', { name: 'How it was scored' })).toBeVisible()
  await again(page)
  await item('iron ore').focus()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Alt+ArrowDown')
  await expect(item('iron ore')).toHaveAccessibleName('iron ore, 5 of 5')
  await item('water').click()
  await expect(page.getByText('“water” picked up')).toBeVisible()
  const second = tryPane(page).getByRole('button', { name: /, 2 of 5$/ })
  if ((await second.getAttribute('aria-label')) !== 'water, 2 of 5') await second.click()
  else await page.keyboard.press('Escape')
  await check(page)
  await scored(page, '4 of 4 put in order: 100%')
  await accessible(page)
  await saved(page)
})

test('words of a text picked: right, partly, wrong, with feedback', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^pick words in a text/, 'Pick the minerals.')
  await page.getByRole('textbox', { name: 'Text to pick from' }).click()
  await page.keyboard.type('The box holds quartz, granite and mica.')
  for (const word of ['quartz', 'granite', 'mica']) {
    await select(page, 'Text to pick from', word)
    await page.getByRole('button', { name: 'Make it a piece' }).click()
  }
  await page.getByRole('button', { name: '“quartz” is right' }).click()
  await page.getByRole('button', { name: '“mica” is right' }).click()
  await page.getByLabel('If they choose').selectOption('granite')
  await page.getByRole('textbox', { name: 'Feedback: granite' }).click()
  await page.keyboard.press('Control+a')
  await page.keyboard.type('A rock, not a mineral.')
  const piece = (name: string) => tryPane(page).getByRole('button', { name, exact: true })
  await piece('granite').click()
  await check(page)
  await scored(page, 'wrong')
  await scored(page, 'A rock, not a mineral.')
  await again(page)
  await piece('quartz').click()
  await piece('granite').click()
  await check(page)
  await scored(page, /^1 of 2 right,/)
  await again(page)
  await piece('mica').press('Enter')
  await check(page)
  await scored(page, /^2 of 2 right,/)
  await accessible(page)
  await saved(page)
})

test('a faulty text: by comparing with the right one, mended in the try pane; a false find costs', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^correct a text/, 'Two words are wrong.')
  await page.getByRole('button', { name: 'Compare with the correct text …' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Text with errors').fill('Granite cools quickly at the surface.')
  await dialog.getByRole('textbox', { name: 'Correct text' }).fill('Granite cools slowly at depth.')
  await accessible(page)
  await dialog.getByRole('button', { name: 'Find errors' }).click()
  await expect(page.getByLabel('Instead of “quickly”', { exact: true })).toHaveValue('slowly')
  const mend = (word: string) => tryPane(page).getByRole('button', { name: `Correct “${word}”` })
  await mend('quickly').click()
  await page.keyboard.type('slowly')
  await mend('cools').click()
  await page.keyboard.type('melts')
  await check(page)
  await scored(page, 'Marked as an error, but correct')
  await again(page)
  await tryPane(page).getByRole('button', { name: 'Leave “cools” as it is' }).click()
  // A phrase looks like the words around it.
  await mend('the').click()
  await mend('surface').click()
  await page.keyboard.type('depth')
  await check(page)
  await scored(page, '2 errors, 0 false alarms: 100%')
  await accessible(page)
  // A fault marked in the text itself.
  await select(page, 'Text with errors', 'Granite')
  await page.getByRole('button', { name: 'Mark as error' }).click()
  await page.getByLabel('Instead of “Granite”', { exact: true }).fill('Gabbro')
  await saved(page)
})

test('a scale set by keys, and an opinion that nothing judges', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^set a value/, 'Set the hardness of fluorite.')
  await page.getByLabel('from', { exact: true }).fill('1')
  await page.getByLabel('The answer 1: value').fill('4')
  const scale = tryPane(page).getByRole('slider')
  await expect(scale).toHaveAttribute('max', '9') // 1 to 10 now, counted in steps
  await expect(scale).toHaveAttribute('aria-valuetext', 'not set yet')
  await scale.focus()
  await page.keyboard.press('Home')
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
  await expect(scale).toHaveAttribute('aria-valuetext', '4')
  await check(page)
  await scored(page, 'right')
  await accessible(page)
  await page.getByLabel('in steps of').fill('0')
  await expect(page.getByText(/This is no scale/)).toBeVisible()
  await page.getByLabel('in steps of').fill('1')
  await saved(page)
  await write(page, 'tams-drafts', /^give an opinion/, 'How hard was it?')
  await page.getByRole('button', { name: 'Settings' }).click()
  await page.getByLabel('Answered').selectOption('scale')
  await tryPane(page).getByRole('radio', { name: '3' }).check()
  await check(page)
  await scored(page, 'Opinion: not scored')
  await accessible(page)
  await saved(page)
})

test('by keyboard alone and on a phone', async ({ browser, page }) => {
  await signIn(page, 'wren')
  await page.goto('/banks/field-notes?words=%22minerals+not+rocks%22')
  await expect(page.getByRole('heading', { level: 2, name: 'Minerals, not rocks' })).toBeVisible()
  for (const word of ['quartz', 'feldspar', 'mica']) {
    await tabTo(page, word)
    await page.keyboard.press('Enter')
  }
  await tabTo(page, 'Check answer')
  await page.keyboard.press('Enter')
  await scored(page, /^3 of 3 right,/)
  const context = await browser.newContext({ viewport: { width: 390, height: 780 }, hasTouch: true, isMobile: true })
  const phone = await context.newPage()
  await signIn(phone, 'wren')
  await phone.goto('/banks/field-notes?words=%22from+the+surface+down%22')
  await phone.getByRole('option', { name: /From the surface down/ }).tap()
  for (const [i, name] of ['crust', 'mantle', 'outer core', 'inner core'].entries()) {
    const here = phone.getByRole('button', { name: new RegExp(`, ${i + 1} of 4$`) })
    if ((await here.getAttribute('aria-label'))?.startsWith(`${name},`)) continue
    await phone.getByRole('button', { name: new RegExp(`^${name}, `) }).tap()
    await here.tap()
  }
  await phone.getByRole('button', { name: 'Check answer' }).tap()
  await scored(phone, '4 of 4 put in order: 100%')
  await accessible(phone)
  expect(await phone.evaluate(() => document.documentElement.scrollWidth <= innerWidth)).toBe(true)
  await context.close()
})
