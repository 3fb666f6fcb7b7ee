import { accessible, signIn, stem, tabTo, tryPane, write } from './helpers'
import { expect, type Locator, type Page, test } from './test'

/** A drawing that no other run has given to the bank. */
const drawing = () =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="500"><title>${Date.now()}${Math.random()}</title>
  <rect width="800" height="500" fill="#e8f0f3"/><circle cx="600" cy="250" r="120" fill="#d1622b"/></svg>`

async function upload(page: Page) {
  await page.getByRole('button', { name: 'Choose a picture …' }).click()
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByRole('button', { name: 'Upload a file' }).click()])
  await chooser.setFiles({ name: `plain ${Date.now()}.svg`, mimeType: 'image/svg+xml', buffer: Buffer.from(drawing()) })
  await expect(page.getByRole('toolbar', { name: 'Drawing tools' })).toBeVisible()
  await page.getByLabel('The picture shows').fill('A plain with a red disc on the right')
}

/** Drags over the picture, from one share of its width and height to another. */
async function drag(page: Page, on: Locator, from: [number, number], to: [number, number]) {
  await on.scrollIntoViewIfNeeded()
  const box = await on.boundingBox()
  if (!box) throw new Error('no picture')
  const at = ([x, y]: [number, number]): [number, number] => [box.x + box.width * x, box.y + box.height * y]
  await page.mouse.move(...at(from))
  await page.mouse.down()
  await page.mouse.move(...at([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]))
  await page.mouse.move(...at(to))
  await page.mouse.up()
}

const saved = async (page: Page) => {
  await page.getByRole('button', { name: 'Save revision 1' }).click()
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
}

test('a hotspot is drawn by mouse, named on the picture, reshaped, undone, and answered', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^pick places/, 'Where is the disc? ')
  await upload(page)
  const canvas = page.getByRole('group', { name: 'Regions on the picture' })
  const list = page.getByRole('textbox', { name: /^Name of/ })

  await page.getByRole('button', { name: 'Circle', exact: true }).click()
  await drag(page, canvas, [0.75, 0.5], [0.9, 0.5])
  await page.keyboard.type('the disc')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Polygon', exact: true }).click()
  await canvas.click({ position: { x: 60, y: 60 } })
  await canvas.click({ position: { x: 200, y: 60 } })
  await canvas.click({ position: { x: 130, y: 180 } })
  await page.keyboard.press('Enter')
  await page.keyboard.type('the plain')
  await page.keyboard.press('Enter')
  await expect(list).toHaveCount(2)
  await page.getByRole('button', { name: 'the disc is right' }).click()

  // Moved by the pointer in one step, which is taken back as one.
  await page.getByRole('button', { name: 'Coordinates of the disc' }).click()
  const x = page.getByRole('textbox', { name: 'x: the disc' })
  await expect(x).toHaveValue('600')
  await drag(page, canvas, [0.75, 0.5], [0.6, 0.5])
  await expect(x).not.toHaveValue('600')
  await page.keyboard.press('Control+z')
  await expect(x).toHaveValue('600')
  await x.fill('twelve')
  await expect(page.getByText(/twelve.*exact number/).first()).toBeVisible()
  await x.fill('600')
  await accessible(page)

  const pane = tryPane(page)
  await pane.getByRole('button', { name: 'the plain' }).click()
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await expect(pane.getByText('“the plain” is not right')).toBeVisible()
  await pane.getByRole('button', { name: 'Try again' }).click()
  await pane.getByRole('button', { name: 'the disc' }).click()
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await expect(pane.getByText('“the disc” is right')).toBeVisible()

  // Hidden, nothing of the regions reaches the learner; the place that is clicked is judged on the server.
  await page.getByRole('button', { name: 'Settings' }).click()
  await page.getByRole('combobox', { name: /^Regions/ }).selectOption('hidden')
  await expect(pane.getByRole('button', { name: 'the disc' })).toHaveCount(0)
  const [answer] = await Promise.all([
    page.waitForResponse((response) => response.url().includes('/present') && response.ok()),
    page.getByLabel('Title').fill('Find the disc'),
  ])
  expect(await answer.text()).not.toContain('the disc"')
  await pane.getByRole('button', { name: 'Start again' }).click()
  const picture = pane.getByRole('application')
  const box = await picture.boundingBox()
  await picture.click({ position: { x: (box?.width ?? 0) * 0.75, y: (box?.height ?? 0) * 0.5 } })
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await expect(pane.getByText('“the disc” is right')).toBeVisible()
  await accessible(page)
  await saved(page)
})

test('labels are set up and placed by keyboard alone', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^put labels/, 'Name the parts. ')
  await upload(page)
  await stem(page).focus()
  await tabTo(page, 'Target')
  await page.keyboard.press('Enter')
  await expect(page.locator('.ProseMirror-focused')).toHaveAttribute('aria-label', 'Label 1')
  await page.keyboard.type('the disc')
  await tabTo(page, 'Target', true)
  await page.keyboard.press('Enter')
  await expect(page.locator('.ProseMirror-focused')).toHaveAttribute('aria-label', 'Label 2')
  await page.keyboard.type('the sky')
  await page.keyboard.press('Enter')
  await page.keyboard.type('the sea')

  // The second target goes to the left by arrows, which say where it is; its name is typed in the list.
  await tabTo(page, /^1: without a name, target/, true)
  await page.keyboard.press('PageDown')
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowLeft')
  await page.keyboard.press('ArrowUp')
  await expect(page.getByRole('status').filter({ hasText: /^312, 269$/ })).toBeAttached()
  await tabTo(page, 'Name of target 2')
  await page.keyboard.type('on the left')
  const pane = tryPane(page)
  await tabTo(page, 'the sky')
  await page.keyboard.press('Enter')
  await expect(pane.getByText('“the sky” picked up.')).toBeVisible()
  await tabTo(page, /^2\. on the left/, true)
  await page.keyboard.press('Enter')
  await tabTo(page, 'the sea')
  await page.keyboard.press('Enter')
  await tabTo(page, /^1\. Target/, true)
  await page.keyboard.press('Enter')
  await tabTo(page, 'Check answer')
  await page.keyboard.press('Enter')
  await expect(pane.getByText('“the sky” at 2 (on the left) is right')).toBeVisible()
  await expect(pane.getByText('“the sea” at 1 is not right')).toBeVisible()
  await accessible(page)
  await saved(page)
})

test('an area within another one decides first, and another picture may take its places along', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^mark points/, 'Mark the middle of the disc. ')
  await upload(page)
  const canvas = page.getByRole('group', { name: 'Areas on the picture' })
  await page.getByRole('button', { name: 'Ellipse', exact: true }).click()
  await drag(page, canvas, [0.55, 0.2], [0.95, 0.8])
  await page.keyboard.type('the disc')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Circle', exact: true }).click()
  await drag(page, canvas, [0.75, 0.5], [0.8, 0.5])
  await page.keyboard.type('its middle')
  await page.keyboard.press('Enter')

  // What was drawn last lies within what was drawn first, so it stands first, and the other earns half.
  await expect(page.getByRole('textbox', { name: /^Name of/ }).first()).toHaveValue('its middle')
  await page.getByRole('textbox', { name: 'Credit: the disc' }).fill('50')
  const pane = tryPane(page)
  const picture = pane.getByRole('application')
  await picture.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(pane.getByRole('status').filter({ hasText: '440, 250 of 800 × 500' })).toBeAttached()
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('Enter')
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await expect(pane.getByText('“its middle” is right')).toBeVisible()

  await page.getByRole('button', { name: 'Change the picture …' }).click()
  const half = '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="250"><rect width="400" height="250" fill="#c9b58f"/></svg>'
  const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByRole('button', { name: 'Upload a file' }).click()])
  await chooser.setFiles({
    name: 'half.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(half.replace('#c9b58f', `#${(Date.now() % 900000) + 100000}`)),
  })
  await expect(page.getByText('The new picture is 400 × 250, the old one was 800 × 500.')).toBeVisible()
  await page.getByRole('button', { name: 'Scale to the new size' }).click()
  await page.getByRole('button', { name: 'Coordinates of its middle' }).click()
  await expect(page.getByRole('textbox', { name: 'x: its middle' })).toHaveValue('300')
  await saved(page)
})

test('each is answered by touch on a telephone', async ({ browser }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  const page = await context.newPage()
  await signIn(page, 'orla')
  const open = async (title: string) => {
    await page.goto(`/banks/diagrams?words=${encodeURIComponent(`"${title}"`)}`)
    await page
      .getByRole('option', { name: new RegExp(title) })
      .first()
      .tap()
    await expect(page.getByRole('button', { name: 'Check answer' })).toBeVisible()
  }
  const check = () => page.getByRole('button', { name: 'Check answer' }).tap()

  await open('The liquid layer')
  const ring = page.getByRole('button', { name: 'the outer core' })
  const box = await ring.boundingBox()
  await page.touchscreen.tap((box?.x ?? 0) + 20, (box?.y ?? 0) + (box?.height ?? 0) / 2)
  await expect(ring).toHaveAttribute('aria-pressed', 'true')
  await check()
  await expect(page.getByText('“the outer core” is right')).toBeVisible()

  await open('Find the epicentre')
  const map = page.getByRole('application')
  const at = await map.boundingBox()
  await page.touchscreen.tap((at?.x ?? 0) + (at?.width ?? 0) * (430 / 800), (at?.y ?? 0) + (at?.height ?? 0) * (300 / 640))
  await check()
  await expect(page.getByText('“the epicentre” is right')).toBeVisible()

  await open('Waves on a seismogram')
  for (const [label, place] of [
    ['P waves', /^1\./],
    ['S waves', /^2\./],
    ['surface waves', /^3\./],
  ] as const) {
    await page.getByRole('button', { name: label, exact: true }).tap()
    await page.getByRole('button', { name: place }).tap()
  }
  await check()
  await expect(page.getByText('3 of 3 right')).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await accessible(page)

  // Who cannot see it answers in words.
  await open('The steepest side of the hill')
  await page.getByRole('button', { name: 'Answer in words instead' }).tap()
  await page.getByText('the western slope, where contours lie close together').tap()
  await check()
  await expect(page.getByText('Answered in words instead')).toBeVisible()
  await expect(page.getByText('of 1 point')).toBeVisible()
  await context.close()
})
