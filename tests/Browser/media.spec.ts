import { readFileSync } from 'node:fs'
import { accessible, paste, signIn, stem, tabTo, tryPane, write } from './helpers'
import { expect, type Page, test } from './test'

/** A drawing that no other run has given to the bank. */
const drawing = (colour: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="400"><title>${Date.now()}</title><rect width="800" height="400" fill="${colour}"/></svg>`

/** Pastes a file, as a screenshot or a picture of another program. */
async function pasteFile(page: Page, name: string, text: string) {
  await page.evaluate(
    ([name, text]) => {
      const data = new DataTransfer()
      data.items.add(new File([text ?? ''], name ?? '', { type: 'image/svg+xml' }))
      document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
    },
    [name, text],
  )
}

test('a picture is pasted, described, made smaller, found in the library, and replaced everywhere', async ({ page }) => {
  const name = `Beds ${Date.now() % 1_000_000}`
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose/, 'Which of these beds is the oldest? ')
  await pasteFile(page, `${name}.svg`, drawing('#8a6f4e'))
  await expect(page.getByRole('dialog', { name: 'Picture' })).toBeVisible()
  await accessible(page)
  await page.getByLabel('Alternative text').fill('Four beds, the lowest dark')
  await page.getByRole('button', { name: 'Insert picture' }).click()
  await expect(tryPane(page).getByRole('img', { name: 'Four beds, the lowest dark' })).toBeVisible()

  // By keyboard: chosen by an arrow, smaller by a key, described again by Enter.
  const inText = stem(page).locator('.picture-node img')
  await expect(inText).toHaveAttribute('width', '640')
  await stem(page).click()
  await page.keyboard.press('Control+Home')
  await page.keyboard.press('End')
  await page.keyboard.press('Shift+ArrowLeft')
  await inText.click()
  for (let i = 0; i < 3; i++) await page.keyboard.press('-')
  await expect(inText).toHaveAttribute('width', '481')
  await page.keyboard.press('Enter')
  await page.getByLabel('Decorative').check()
  await page.getByLabel('Width in pixels').fill('300')
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click()
  await expect(inText).toHaveAttribute('width', '300')
  await expect(inText).toHaveAttribute('alt', '')
  await page.keyboard.press('Control+z')
  await expect(stem(page).getByRole('img', { name: 'Four beds, the lowest dark' })).toHaveAttribute('width', '481')

  // A table, a link and a sign beside it.
  await page.getByRole('button', { name: 'Table', exact: true }).click()
  await page.getByRole('menuitem', { name: 'New table' }).click()
  for (const [i, head] of ['bed', 'rock', 'age'].entries()) {
    if (i > 0) await page.keyboard.press('Tab')
    await page.keyboard.type(head)
  }
  await expect(stem(page).getByRole('columnheader', { name: 'bed' })).toBeVisible()
  await page.keyboard.press('Control+Home')
  await page.keyboard.press('Alt+Shift+L')
  await page.getByLabel('Address').fill('ground.example/beds')
  await page.getByLabel('Words').fill('more on beds')
  await page.keyboard.press('Enter')
  await expect(stem(page).getByRole('link', { name: 'more on beds' })).toHaveAttribute('href', 'https://ground.example/beds')
  await page.keyboard.press('Alt+Shift+S')
  await page.getByRole('button', { name: '±', exact: true }).click()
  await expect(stem(page)).toContainText('±')
  await accessible(page)
  await page.getByLabel('Title').fill(name)
  await page.getByRole('button', { name: 'Save revision 1' }).click()
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()

  // The library knows it, and what was said of it first.
  await page.goto(`/banks/tams-drafts/media?words=${encodeURIComponent(name)}`)
  const details = page.getByRole('region', { name: 'Details' })
  await expect(details.getByRole('link', { name })).toBeVisible()
  await expect(details.getByText('revision 1, in the text')).toBeVisible()
  await expect(details.getByLabel('Alternative text')).toHaveValue('Four beds, the lowest dark')
  await accessible(page)
  await details.getByRole('button', { name: 'Replace everywhere' }).click()
  const dialog = page.getByRole('dialog')
  const chosen = page.waitForEvent('filechooser')
  await dialog.getByRole('button', { name: 'New file' }).click()
  await (await chosen).setFiles({ name: 'other.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(drawing('#33566b')) })
  await expect(dialog.getByText('1 question changes.')).toBeVisible()
  await accessible(page)
  await dialog.getByRole('button', { name: 'Replace in one question' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('button', { name: `${name}.svg` })).toContainText('Used once')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(page.getByText(/^Restored/).first()).toBeVisible()

  // What is no picture is refused with a sentence, at its name.
  const next = page.waitForEvent('filechooser')
  await page.getByRole('button', { name: 'Upload files' }).click()
  await (await next).setFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('only words') })
  await expect(page.getByText('“notes.png” was not added. This is not a picture').first()).toBeVisible()
})

test('a page copied from elsewhere keeps its words and the pictures that came along', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a word/, '')
  const png = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
  await paste(page, {
    'text/plain': 'Slate splits',
    'text/html': `<html><body><p style="color:red"><b>Slate</b> splits H<sub>2</sub>O
      <img src="data:image/png;base64,${png}" alt="A thin section"><img src="https://x.example/a.png"> into sheets.</p>
      <ul><li>clay</li><li>mica</li></ul><script>alert(1)</script></body></html>`,
  })
  await expect(page.getByText('Left out: a picture on another server.').first()).toBeVisible()
  const text = stem(page)
  await expect(text.getByRole('img', { name: 'A thin section' })).toBeVisible()
  await expect(text.locator('b, strong').first()).toHaveText('Slate')
  await expect(text.locator('sub')).toHaveText('2')
  await expect(text.getByRole('listitem')).toHaveText(['clay', 'mica'])
  await expect(text).toContainText('into sheets.')
  await expect(tryPane(page).getByRole('img', { name: 'A thin section' })).toBeVisible()
})

/** Sound of one channel at 8 kHz, so many seconds of silence (RIFF, WAVE). */
function sound(seconds: number): Buffer {
  const data = Buffer.alloc(8000 * seconds, 0x80)
  const head = Buffer.from('RIFF....WAVEfmt ....................data....', 'latin1')
  head.writeUInt32LE(data.length + 36, 4)
  head.writeUInt32LE(16, 16)
  head.writeUInt16LE(1, 20)
  head.writeUInt16LE(1, 22)
  head.writeUInt32LE(8000, 24)
  head.writeUInt32LE(8000, 28)
  head.writeUInt16LE(1, 32)
  head.writeUInt16LE(8, 34)
  head.writeUInt32LE(data.length, 40)
  return Buffer.concat([head, data])
}

/** The roles that Chromium gives the mathematics on a page, in its order. */
async function mathRoles(page: Page): Promise<string[]> {
  const client = await page.context().newCDPSession(page)
  const { nodes } = await client.send('Accessibility.getFullAXTree')
  return nodes.map((node) => String(node.role?.value ?? '')).filter((role) => /^math/i.test(role))
}

test('by mouse: a figure with a caption, only a part of it shown, an equation, and sound with captions', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a word/, 'What is this? ')
  await pasteFile(page, `Section ${Date.now()}.svg`, drawing('#b9a27c'))
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Alternative text').fill('A section')
  await dialog.getByLabel('Position', { exact: true }).selectOption('figure in the centre')
  await dialog.getByRole('button', { name: 'Crop', exact: false }).click()
  await dialog.getByLabel('Width', { exact: true }).fill('400')
  await dialog.getByLabel('Height', { exact: true }).fill('200')
  await accessible(page)
  await dialog.getByRole('button', { name: 'Insert picture' }).click()
  await stem(page).locator('figcaption').click()
  await page.keyboard.type('Cut across the valley')
  await expect(tryPane(page).getByRole('figure')).toContainText('Cut across the valley')
  const shown = tryPane(page).locator('.viewed')
  const box = await shown.boundingBox()
  expect((box?.width ?? 0) / (box?.height ?? 1)).toBeCloseTo(2, 1)
  // Out of the figure, to a line below it.
  await page.keyboard.press('Enter')
  await page.keyboard.type('Its density is ')
  await page.getByRole('button', { name: 'Equation', exact: true }).click()
  await expect(dialog.locator('math-field')).toBeFocused()
  await dialog.getByRole('button', { name: 'Fraction', exact: true }).click()
  await page.keyboard.type('m')
  await page.keyboard.press('Tab')
  await page.keyboard.type('V')
  await expect(dialog.getByLabel('TeX')).toHaveValue('\\frac{m}{V}')
  await accessible(page)
  await dialog.getByLabel('TeX').fill('\\frac{m}{')
  await expect(dialog.getByText('This TeX cannot be read.')).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Insert equation' })).toHaveAttribute('aria-disabled', 'true')
  await dialog.getByLabel('TeX').fill('\\frac{m}{V}')
  await dialog.getByRole('button', { name: 'Insert equation' }).click()
  await expect(tryPane(page).locator('math mfrac')).toHaveCount(1)
  expect(await mathRoles(page)).toContain('MathMLFraction')

  // Edited again by Enter on it: the same TeX stands there.
  await stem(page).locator('.equation-node').click()
  await page.keyboard.press('Enter')
  await expect(dialog.getByLabel('TeX')).toHaveValue('\\frac{m}{V}')
  await dialog.getByRole('button', { name: 'Chemistry' }).click()
  await dialog.getByLabel('TeX').fill('\\ce{^{14}_{6}C}')
  await dialog.getByRole('button', { name: 'Change equation' }).click()
  await expect(tryPane(page).locator('math mprescripts')).toHaveCount(1)
  await page.keyboard.press('Control+z')
  await expect(tryPane(page).locator('math mfrac')).toHaveCount(1)

  await page.keyboard.press('Control+End')
  await page.getByRole('button', { name: 'Sound or film' }).click()
  const chosen = page.waitForEvent('filechooser')
  await dialog.getByRole('button', { name: 'Upload a file' }).click()
  await (await chosen).setFiles({ name: 'tide.wav', mimeType: 'audio/wav', buffer: sound(2) })
  await expect(dialog.getByText('No captions and no transcript yet.')).toBeVisible()
  await dialog.getByLabel('Title').fill('Tides at Saltwick')
  await dialog.getByLabel('Transcript').fill('High water is at nine.')
  await dialog.getByRole('button', { name: 'Make captions' }).click()
  await expect(dialog.getByText('Line 1 has no time.')).toBeVisible()
  await dialog.getByLabel('Transcript').fill('0:00 High water is at nine.\n0:01 Low water is at three.')
  await dialog.getByRole('button', { name: 'Make captions' }).click()
  await expect(dialog.getByText('Captions: tide.vtt')).toBeVisible()
  await dialog.getByLabel('Plays allowed').fill('1')
  await accessible(page)
  await dialog.getByRole('button', { name: 'Insert sound' }).click()
  const player = tryPane(page).locator('audio')
  await expect(player).toHaveAttribute('aria-label', 'Tides at Saltwick')
  await expect(tryPane(page).getByText('1 of 1 play left')).toBeVisible()
  await player.evaluate((element) => (element as HTMLAudioElement).play())
  await expect(tryPane(page).getByText('Played once: no more plays')).toBeVisible()
  await expect(player).not.toHaveAttribute('controls')
  await tryPane(page).getByRole('button', { name: 'Transcript' }).click()
  await expect(tryPane(page).getByText('0:01 Low water is at three.')).toBeVisible()
  await accessible(page)
})

test('by keyboard alone: a picture of the library, its caption, an equation and a table', async ({ page }) => {
  const name = `Fold ${Date.now() % 1_000_000}`
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a word/, 'What is ')
  await pasteFile(page, `${name}.svg`, drawing('#33566b'))
  await expect(page.getByLabel('Alternative text')).toBeFocused()
  await page.keyboard.press('Escape') // it is in the library, and not in the text

  await page.keyboard.press('Control+End')
  await page.keyboard.press('Alt+Shift+P')
  await expect(page.getByRole('searchbox', { name: 'Search by name' })).toBeFocused()
  await page.keyboard.type(name)
  await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(1)
  const card = page.getByRole('dialog').getByRole('button', { name: new RegExp(name) })
  for (let i = 0; i < 5 && !(await card.evaluate((button) => button === document.activeElement)); i++) await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Alternative text')).toBeFocused()
  await page.keyboard.type('A fold in three beds')
  for (let i = 0; i < 3; i++) await page.keyboard.press('Tab')
  await expect(page.getByRole('dialog').getByLabel('Position', { exact: true })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await tabTo(page, 'Insert picture')
  await page.keyboard.press('Enter')
  await expect(stem(page).locator('figure')).toBeVisible()
  await page.keyboard.type('At Fell Nab')
  await expect(stem(page).locator('figcaption')).toHaveText('At Fell Nab')
  await page.keyboard.press('Enter')
  await page.keyboard.type('Its angle: ')
  await page.keyboard.press('Alt+Shift+E')
  await expect(page.locator('math-field')).toBeFocused()
  await page.keyboard.type('tan a=1/2')
  await page.keyboard.press('Enter')
  await expect(stem(page).locator('.equation-node math mfrac')).toHaveCount(1)

  // The bar is one stop before the text; arrows go along it.
  await tabTo(page, /^(?:Bold|Picture|Equation|Table)$/, true)
  const table = page.getByRole('button', { name: 'Table', exact: true })
  for (let i = 0; i < 20 && !(await table.evaluate((button) => button === document.activeElement)); i++)
    await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('menuitem', { name: 'New table' })).toBeFocused()
  await page.keyboard.press('Enter')
  await page.keyboard.type('bed')
  await page.keyboard.press('Tab')
  await page.keyboard.type('angle')
  await expect(stem(page).getByRole('columnheader', { name: 'angle' })).toBeVisible()
  await expect(tryPane(page).getByRole('img', { name: 'A fold in three beds' })).toBeVisible()
})

test('a choice of four pictures: cards with letter, key and credit, the same for the learner', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^choose/, 'Which bed is the oldest?')
  await page
    .getByRole('button', { name: /^Settings/ })
    .first()
    .click()
  await page.getByRole('combobox').filter({ hasText: 'in a grid' }).first().selectOption('in a grid')
  await page.keyboard.press('Escape')
  for (const [i, colour] of ['#8a6f4e', '#b9a27c', '#33566b', '#5c5f63'].entries()) {
    await page.getByRole('textbox', { name: `Option ${'ABCD'[i]}`, exact: true }).click()
    await pasteFile(page, `bed ${i} ${Date.now()}.svg`, drawing(colour))
    await page.getByLabel('Alternative text').fill(`Bed ${i + 1}`)
    await page.getByRole('button', { name: 'Insert picture' }).click()
    await expect(tryPane(page).getByRole('img', { name: `Bed ${i + 1}` })).toBeVisible()
  }
  const [first, second] = await Promise.all(
    [0, 1].map((i) =>
      page
        .locator('[data-option]')
        .nth(i)
        .boundingBox()
        .then((box) => box?.y ?? -1),
    ),
  )
  expect(first).toBe(second)
  await page.getByRole('button', { name: 'Option C is the key' }).click()
  await expect(page.getByRole('textbox', { name: /Credit.*Option C|Option C.*credit/i })).toBeVisible()
  await tryPane(page).getByRole('radio').nth(0).check()
  await tryPane(page).getByRole('button', { name: 'Check answer' }).click()
  await accessible(page)
})

test('a page copied from Writer, and one copied in the browser, keep what they say', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a word/, '')
  const html = readFileSync('resources/js/ui/rich/paste/recorded/writer.html', 'utf8')
  await paste(page, { 'text/plain': 'Tides at Saltwick', 'text/html': html })
  await expect(stem(page).getByRole('heading', { name: 'Tides at Saltwick' })).toBeVisible()
  await expect(stem(page).getByRole('columnheader', { name: 'Height (m)' })).toBeVisible()
  await expect(stem(page).getByRole('listitem').filter({ hasText: 'weaker' }).last()).toBeVisible()
  await expect(page.getByText('Left out: a picture on another server.').first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(stem(page).getByRole('heading')).toHaveCount(0)

  // What Chromium itself puts on the clipboard.
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write'])
  const other = await page.context().newPage()
  await other.setContent(
    '<h1>Rocks</h1><p>Slate <b>splits</b> into <i>sheets</i>, H<sub>2</sub>O does not.</p><ul><li>clay</li><li>mica</li></ul>',
  )
  await other.keyboard.press('Control+a')
  await other.keyboard.press('Control+c')
  await page.bringToFront()
  await stem(page).click()
  await page.keyboard.press('Control+End')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Control+v')
  await expect(stem(page).getByRole('heading', { name: 'Rocks' })).toBeVisible()
  await expect(stem(page).locator('strong')).toHaveText('splits')
  await expect(stem(page).locator('em')).toHaveText('sheets')
  await expect(stem(page).locator('sub')).toHaveText('2')
  await expect(stem(page).getByRole('listitem')).toHaveText(['clay', 'mica'])
})
