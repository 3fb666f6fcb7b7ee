import { accessible, newAssessment, pagesOf, signIn, tryPane, write } from './helpers'
import { expect, type Locator, type Page, test } from './test'

/** The drawing of a part: the try pane's, or the desk's. */
const board = (place: Page | Locator) => place.getByRole('application')
/** What is drawn, in words. */
const drawn = (place: Page | Locator) => place.getByRole('list', { name: 'What is drawn' })
const desk = (page: Page) => page.getByRole('region', { name: /^The learner draws on/ })

/** Where a place of the grid is on the screen; the usual grid runs from −5 to 5, its drawing 520 units wide with 40 to the left. */
async function at(drawing: Locator, x: number, y: number): Promise<{ x: number; y: number }> {
  const box = await drawing.boundingBox()
  const [, , width = 1] = ((await drawing.getAttribute('viewBox')) ?? '').split(' ').map(Number)
  if (!box) throw new Error('The drawing is not shown.')
  const step = ((width - 80) / 10) * (box.width / width)
  const left = 40 * (box.width / width)
  const top = 24 * (box.width / width)
  return { x: box.x + left + (x + 5) * step, y: box.y + top + (5 - y) * step }
}

async function click(page: Page, drawing: Locator, ...places: [number, number][]) {
  await drawing.scrollIntoViewIfNeeded()
  for (const [x, y] of places) {
    const place = await at(drawing, x, y)
    await page.mouse.click(place.x, place.y)
  }
}

/** Walks the crosshair from where it is, by arrow keys alone. */
async function walk(page: Page, right: number, up: number) {
  for (let i = 0; i < Math.abs(right); i++) await page.keyboard.press(right > 0 ? 'ArrowRight' : 'ArrowLeft')
  for (let i = 0; i < Math.abs(up); i++) await page.keyboard.press(up > 0 ? 'ArrowUp' : 'ArrowDown')
  await page.keyboard.press('Enter')
}

async function tools(page: Page, ...names: string[]) {
  for (const name of ['Line', ...names]) {
    const box = desk(page).getByRole('checkbox', { name, exact: true })
    await box.setChecked(names.includes(name))
  }
}

test('a polygon is made and answered by mouse, moved, undone and printed', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^draw on a grid/, 'Draw the triangle of the three pegs. ')
  await page.getByLabel('Title').fill(`Pegs ${Date.now()}`)
  await tools(page, 'Polygon')
  await click(page, board(desk(page)), [0, 0], [4, 0], [0, 3], [0, 0])
  await expect(desk(page).getByText('the triangle with corners (0, 0), (4, 0), (0, 3)').first()).toBeVisible()
  await accessible(page)

  // the learner draws it from another corner, drags one into its place, and takes a step back
  const drawing = board(tryPane(page))
  await click(page, drawing, [4, 0], [0, 3], [-1, 0], [4, 0])
  await expect(drawn(tryPane(page)).getByText('the triangle with corners (4, 0), (0, 3), (−1, 0)')).toBeVisible()
  const [from, to] = [await at(drawing, -1, 0), await at(drawing, 0, 0)]
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  await page.mouse.move(to.x, to.y, { steps: 4 })
  await page.mouse.up()
  await expect(drawn(tryPane(page)).getByText('the triangle with corners (4, 0), (0, 3), (0, 0)')).toBeVisible()
  await tryPane(page).getByRole('button', { name: 'Undo' }).click()
  await tryPane(page).getByRole('button', { name: 'Check answer' }).click()
  await expect(tryPane(page).getByText('2 of 3 right')).toBeVisible()
  await tryPane(page)
    .getByLabel(/^Numbers of the triangle/)
    .fill('(4, 0) (0, 3) (0, 0)')
  await tryPane(page).getByRole('button', { name: 'Check answer' }).click()
  await expect(tryPane(page).getByText('1 of 1').first()).toBeVisible()
  await accessible(page)

  await page.getByRole('button', { name: /Save revision 1/ }).click()
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  const made = await newAssessment(page, 'Pegs', [new URL(page.url()).pathname.split('/').at(-1) ?? ''])
  await page.goto(`/assessments/${made}/print`)
  await page.getByRole('checkbox', { name: 'Answer key', exact: true }).check()
  await expect(page.getByText('2 pages')).toBeVisible()
  await expect(async () => {
    const [, key = ''] = await pagesOf(page, (await page.getByRole('link', { name: 'Download PDF' }).getAttribute('href')) ?? '')
    expect(key).toContain('the triangle with corners (0, 0), (4, 0), (0, 3)')
  }).toPass({ timeout: 60_000 })
})

test('a dashed inequality and a parabola by keyboard alone', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^draw on a grid/, 'Draw where y is less than x + 1. ')
  await tools(page, 'Inequality', 'Parabola')
  await desk(page).getByRole('radio', { name: 'Inequality' }).press('Space')
  await desk(page).getByLabel('dashed').press('Space')
  await board(desk(page)).focus()
  await walk(page, 0, 1) // (0, 1)
  await walk(page, 2, 2) // (2, 3)
  await walk(page, 2, -5) // (4, −2), below it
  const words = 'the boundary through (0, 1) and (2, 3), dashed; the side below it'
  await expect(desk(page).getByText(words).first()).toBeVisible()

  // a right boundary, solid, with the wrong side is told as such
  const drawing = board(tryPane(page))
  await tryPane(page).getByRole('radio', { name: 'Inequality' }).press('Space')
  await drawing.focus()
  await expect(
    page
      .getByRole('status')
      .filter({ hasText: /\(0, 0\)|^$/ })
      .first(),
  ).toBeAttached()
  await walk(page, -1, 0) // (−1, 0)
  await walk(page, 3, 3) // (2, 3)
  await walk(page, -4, 2) // (−2, 5), above it
  await expect(drawn(tryPane(page)).getByText('the boundary through (−1, 0) and (2, 3), solid; the side above it')).toBeVisible()
  await tryPane(page).getByRole('button', { name: 'Check answer' }).press('Enter')
  await expect(tryPane(page).getByText('right boundary, but the wrong side, and dashed and solid are mixed up')).toBeVisible()
  await tryPane(page).getByRole('button', { name: 'other side' }).press('Enter')
  await tryPane(page).getByRole('listitem').getByRole('button', { name: 'dashed' }).press('Enter')
  await tryPane(page).getByRole('button', { name: 'Check answer' }).press('Enter')
  await expect(tryPane(page).getByText('1 of 1').first()).toBeVisible()
  await accessible(page)

  // another answer, typed: a parabola
  await desk(page).getByRole('radio', { name: 'Parabola' }).press('Space')
  await desk(page).getByLabel('or type it').fill('0, 4')
  await page.keyboard.press('Enter')
  await desk(page).getByLabel('or type it').fill('2, 0')
  await page.keyboard.press('Enter')
  await expect(desk(page).getByText('the parabola with vertex (0, 4) through (2, 0)').first()).toBeVisible()
  await desk(page).getByLabel('Credit: Answer 2', { exact: true }).fill('100')
  await tryPane(page).getByRole('button', { name: 'Start again' }).click()
  await tryPane(page).getByRole('radio', { name: 'Parabola' }).press('Space')
  await click(page, drawing, [0, 4], [1, 3])
  await expect(drawn(tryPane(page)).getByText('the parabola with vertex (0, 4) through (1, 3)')).toBeVisible()
  await tryPane(page).getByRole('button', { name: 'Check answer' }).click()
  await expect(tryPane(page).getByText('1 of 1').first()).toBeVisible()
})

test('an interval is made on a number line, and answered by touch on a narrow screen', async ({ browser, baseURL }) => {
  const wide = await browser.newPage({ baseURL: baseURL ?? '' })
  await signIn(wide, 'tam')
  await write(wide, 'tams-drafts', /^draw on a grid/, 'Draw the values from 1 to 3. ')
  await desk(wide).getByLabel('Drawn on').selectOption('a number line')
  await desk(wide).getByLabel('second end included').uncheck()
  await board(desk(wide)).focus()
  await walk(wide, 1, 0)
  await walk(wide, 2, 0)
  await expect(desk(wide).getByText('from 1 (included) to 3 (not included)').first()).toBeVisible()
  await accessible(wide)
  await wide.close()
  const context = await browser.newContext({
    viewport: { width: 390, height: 800 },
    hasTouch: true,
    isMobile: true,
    baseURL: baseURL ?? '',
  })
  const page = await context.newPage()
  await signIn(page, 'orla')
  await page.goto('/banks/graphs?words=trout')
  await page.getByRole('listbox', { name: 'Questions' }).getByRole('option').first().click()
  const drawing = board(page)
  await drawing.scrollIntoViewIfNeeded()
  const box = await drawing.boundingBox()
  const [, , width = 1] = ((await drawing.getAttribute('viewBox')) ?? '').split(' ').map(Number)
  if (!box) throw new Error('The drawing is not shown.')
  const scale = box.width / width
  const tap = (value: number) => page.touchscreen.tap(box.x + (40 + ((value - 5) / 4) * (width - 80)) * scale, box.y + box.height / 2)
  await page.getByLabel('second end included').uncheck()
  await drawing.scrollIntoViewIfNeeded()
  await tap(6.5)
  await tap(8)
  await expect(drawn(page).getByText('from 6.5 (included) to 8 (not included)')).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Check answer' }).tap()
  await expect(page.getByText('2 of 2').first()).toBeVisible()
  await context.close()
})
