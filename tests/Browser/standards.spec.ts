import { accessible, signIn } from './helpers'
import { expect, type Page, test } from './test'

const outline = (name: string) => `${name}.1 Rocks
  ${name}.1.a Explains the size of crystals in igneous rocks such as granite and basalt by how lava and magma cooled
  ${name}.1.b Recognises sedimentary rocks, grains, limestone and fossils
  ${name}.1.c Describes metamorphic rocks such as slate and marble
  ${name}.1.d Tells minerals apart by hardness, streak and acid
${name}.2 Field maths
  ${name}.2.a Calculates density, mass and volume
  ${name}.2.b Calculates speed, rates, percentages and gradients
  ${name}.2.c Reads contours, scale and bearings on a map
${name}.3 The restless Earth
  ${name}.3.a Describes plates, volcanoes and earthquakes
  ${name}.3.b Describes rivers, ice, weathering and the water cycle
  ${name}.3.c Describes the tides of the moon
  ${name}.3.d Names lichens`

/** Pastes a framework, looks at what it would do, and brings it in. */
async function bringIn(page: Page, title: string, text: string, how?: string) {
  await page.goto('/frameworks')
  await page.getByRole('button', { name: 'Bring in a framework…' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Or paste an outline').fill(text)
  await dialog.getByLabel('Name').fill(title)
  await dialog.getByRole('button', { name: 'Read it' }).click()
  await expect(dialog.getByRole('heading', { name: title })).toBeVisible()
  if (how) await dialog.getByLabel(how).check()
  await dialog.getByRole('button', { name: 'Bring it in' }).click()
  await expect(page.getByRole('heading', { level: 1, name: title })).toBeVisible()
  return new URL(page.url()).pathname.split('/').at(-1) ?? ''
}

test('a lead brings a framework in, tags by keys alone, sees the gap close and writes into an empty place; a new version takes over', async ({
  page,
}) => {
  const name = `T${String(Date.now()).slice(-6)}`
  const title = `Ladder ${name}`
  await signIn(page, 'orla')
  const framework = await bringIn(page, title, outline(name))
  await accessible(page)

  // nothing is there yet
  await page.goto(`/coverage?framework=${framework}&bank=old-system`)
  const picture = page.getByRole('list', { name: `Coverage of ${title} as layers` })
  await expect(picture.getByRole('button', { name: new RegExp(`${name}\\.1\\.a.*nothing yet`) })).toBeVisible()
  const none = page.getByText(/^\d+ questions stand under none of these/)
  await expect(none).toBeVisible()
  const all = Number.parseInt((await none.textContent()) ?? '', 10)
  expect(all).toBeGreaterThan(23)
  await accessible(page)

  // twenty questions, with keys alone
  await page.getByRole('link', { name: 'Tag them' }).click()
  await expect(page.getByText(`0 of ${all}`)).toBeVisible()
  await accessible(page)
  for (let n = 1; n <= 20; n++) {
    const proposals = page.getByRole('region', { name: 'What to decide' }).locator('ol > li')
    await expect(page.getByText('Nothing chosen yet')).toBeVisible()
    if ((await proposals.count()) > 0) await page.keyboard.press('1')
    else {
      await page.keyboard.press('/')
      await page.keyboard.type(`${name}.2.b`)
      await page.keyboard.press('Enter')
    }
    await expect(page.getByText('Nothing chosen yet')).toBeHidden()
    await page.keyboard.press('Alt+2')
    await page.keyboard.press('Enter')
    await expect(page.getByText(`${n} of ${all}`)).toBeVisible()
  }
  // one back, and again as before
  await page.keyboard.press('u')
  await expect(page.getByText(`19 of ${all}`)).toBeVisible()
  await page.keyboard.press('=')
  await expect(page.getByText(`20 of ${all}`)).toBeVisible()

  await page.goto(`/coverage?framework=${framework}&bank=old-system`)
  await expect(page.getByText(`${all - 20} questions stand under none of these`)).toBeVisible()
  await expect(picture.getByRole('button', { name: new RegExp(`${name}\\.1\\.a.*2: \\d`) })).toBeVisible()

  // the tides are covered by nothing: written from here, and there
  const empty = page
    .getByRole('listitem')
    .filter({ hasText: `${name}.3.c` })
    .filter({ hasText: 'Write one here' })
  await empty.getByRole('button', { name: /^Write one here/ }).click()
  await page
    .getByRole('button', { name: /^choose/ })
    .first()
    .click()
  await page.getByLabel('Title').fill(`Spring tides ${name}`)
  await page.getByRole('tab', { name: 'Classify' }).click()
  await expect(page.getByText(`${name}.3.c`).first()).toBeVisible()
  await page.keyboard.press('Control+s')
  await expect(page).toHaveURL(/\/questions\//)
  await page.goto(`/coverage?framework=${framework}&bank=old-system`)
  await expect(picture.getByRole('button', { name: new RegExp(`${name}\\.3\\.c.*: 1`) })).toBeVisible()

  // a newer version beside: reworded, one code gone; the questions go over by the links between the two
  const next = outline(name)
    .replace('the tides of the moon', 'tides, currents and waves')
    .replace(/\n.*lichens/, '')
  const newer = await bringIn(page, title, next, 'As a new version beside the one that is here')
  await page.goto(`/coverage?framework=${newer}&bank=old-system`)
  await expect(page.getByText(`${all + 1} questions stand under none`)).toBeVisible()
  await page.getByText('An assessment, crosswalks, a comparison').click()
  await page.getByLabel('Count through crosswalks').click()
  await expect(page.getByText(`${all - 20} questions stand under none`)).toBeVisible()
  await page.goto(`/frameworks/${framework}`)
  await page.getByRole('button', { name: 'More' }).click()
  await page.getByRole('menuitem', { name: 'Move questions over…' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('To').selectOption(newer)
  await expect(dialog.getByText('1 statement has no counterpart')).toBeVisible()
  await dialog.getByRole('button', { name: 'Move over' }).click()
  await expect(page.getByText('21 questions were moved over. Each bank’s receipt can undo it.', { exact: true })).toBeVisible()
  await page.goto(`/coverage?framework=${newer}&bank=old-system&view=table`)
  await expect(page.getByText(`${all - 20} questions stand under none`)).toBeVisible()
  await accessible(page)
})

test('standards are searched, ticked with what is below them, left out and changed beside a question', async ({ page }) => {
  await signIn(page, 'tam')
  await page.goto('/banks/rocks')
  await page.getByRole('tab', { name: 'Standards' }).click()
  const tree = page.getByRole('tree', { name: 'Frameworks of standards' })
  await page.getByRole('searchbox', { name: 'Search statements' }).fill('crystal size')
  await tree.getByRole('treeitem', { name: /^1\.2\.a Crystal size and cooling, 2$/ }).click()
  await expect(page.getByText('2 of 21 questions')).toBeVisible()
  await accessible(page)
  await page.reload()
  await expect(page.getByText('2 of 21 questions')).toBeVisible()

  // one of them is said to touch it only; the bank says so, and takes it back
  const record = page.getByRole('region', { name: 'Classification' })
  await record.getByRole('combobox', { name: 'Add to Standards' }).fill('FEF.1.1.c')
  await record.getByRole('option', { name: /Mineral or rock/ }).click()
  await expect(record.getByText('Mineral or rock')).toBeVisible()
  await record.getByRole('button', { name: /^FEF\.1\.1\.c: assesses/ }).click()
  await expect(record.getByRole('button', { name: /^FEF\.1\.1\.c: touches/ })).toBeVisible()
  await record.getByRole('button', { name: 'Remove FEF.1.1.c' }).click()
  await expect(record.getByText('Mineral or rock')).toBeHidden()
})

test('coverage is printed whole, over as many pages as it takes', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/coverage')
  await page.getByLabel('Coverage of').selectOption('Fellmoor Earth Framework 2026')
  await expect(page.getByRole('button', { name: /Telling minerals apart/ }).first()).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.getByRole('link', { name: 'Desk' })).toBeHidden()
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeGreaterThan(3000)
})

test('a framework is put in order and thinned out by keys', async ({ page }) => {
  const name = `K${String(Date.now()).slice(-6)}`
  await signIn(page, 'orla')
  await bringIn(page, `Order ${name}`, outline(name))
  const tree = page.getByRole('tree', { name: 'Statements' })
  const item = (code: string) => tree.getByRole('treeitem', { name: new RegExp(`^${name}\\.${code} `) })
  const order = () => tree.getByRole('treeitem').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')?.split(' ')[0]))

  // moved among its siblings, taken back, then put under another
  await item('1\\.b').focus()
  await page.keyboard.press('Alt+ArrowUp')
  await expect.poll(async () => (await order()).slice(0, 3)).toEqual([`${name}.1`, `${name}.1.b`, `${name}.1.a`])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await order()).slice(0, 3)).toEqual([`${name}.1`, `${name}.1.a`, `${name}.1.b`])
  await item('1\\.a').focus()
  await page.keyboard.press('Control+x')
  await expect(page.getByText('picked up. Choose where to drop it.')).toBeVisible()
  await accessible(page)
  await item('3').focus()
  await page.keyboard.press('Enter')
  await expect(item('1\\.a')).toHaveAttribute('aria-posinset', '5')

  // words changed: it stays where it is
  await item('3\\.a').focus()
  await page.keyboard.press('Enter')
  await page.getByRole('textbox', { name: 'Statement', exact: true }).fill('Describes plates and what they do')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(`“${name}.3.a” saved.`, { exact: true })).toBeVisible()
  await expect(item('3\\.a')).toHaveAttribute('aria-posinset', '1')

  // a branch goes only after it was asked
  await item('2').focus()
  await page.keyboard.press('Delete')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('The 3 statements below it are deleted too.')).toBeVisible()
  await dialog.getByRole('button', { name: 'Delete' }).click()
  await expect(tree.getByRole('treeitem')).toHaveCount(10)
})
