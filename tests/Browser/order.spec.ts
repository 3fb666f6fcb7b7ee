import { accessible, signIn, tabTo } from './helpers'
import { expect, type Page, test } from './test'

/** Everything a filter finds, meant for what is done next. */
async function all(page: Page, query: string, found: RegExp) {
  await page.goto(`/banks/old-system?${query}`)
  await expect(page.getByText(found).first()).toBeVisible()
  await page.locator('[id^="row-"] [data-tick]').first().click()
  const every = page.getByRole('button', { name: /^Select all/ })
  if (await every.isVisible()) await every.click()
}

const tray = (page: Page) => page.getByRole('region', { name: 'Tray' })
const dialog = (page: Page) => page.getByRole('dialog')

/** What is done is said; then the tray is empty for the next. */
async function change(page: Page, fill: () => Promise<void>, said: string | RegExp) {
  await tray(page).getByRole('button', { name: 'Change', exact: true }).click()
  await fill()
  await expect(dialog(page).getByText(/questions? changes?\./)).toBeVisible()
  await dialog(page)
    .getByRole('button', { name: /^Change \d+ questions?$/ })
    .click()
  await expect(page.getByText(said).first()).toBeVisible()
  await tray(page).getByRole('button', { name: 'Clear tray' }).click()
}

const count = (page: Page, query: string) =>
  page.evaluate(async (query) => (await (await fetch(`/api/v1/banks/old-system/questions?${query}`)).json()).meta.found as number, query)

test('a lead takes an untidy bank to everything classified and well placed', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/old-system')
  await expect(page.getByText('24 questions have no topic.')).toBeVisible()

  // A tree of topics from an outline.
  await page.getByRole('link', { name: 'Organise' }).click()
  await page.getByRole('button', { name: 'From an outline…' }).click()
  await page
    .getByLabel('Outline', { exact: true })
    .fill('Rocks\n\tIgneous\n\tSedimentary\n\tMetamorphic\nMaps\nForces at work\n\tWater and ice\n\tEarthquakes\nResources\nMeasuring')
  await expect(dialog(page).getByText('10 names')).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Create' }).click()
  await expect(page.getByText('10 created.').first()).toBeVisible()

  // Moved by keys: picked up, put down; and among its siblings. A name is changed where it stands.
  const topic = (name: string | RegExp) => page.getByRole('treeitem', { name })
  await topic(/^Measuring/).focus()
  await page.keyboard.press('Control+x')
  await expect(page.getByText('“Measuring” picked up.')).toBeVisible()
  await page.keyboard.press('Home')
  await expect(topic(/^Forces at work/)).toBeFocused()
  await accessible(page)
  await page.keyboard.press('Shift+Enter')
  await expect.poll(async () => (await page.getByRole('treeitem').first().getAttribute('aria-label')) ?? '').toContain('Measuring')
  await topic(/^Resources/).focus()
  await page.keyboard.press('F2')
  await dialog(page).getByLabel('Name', { exact: true }).fill('What we use')
  await page.keyboard.press('Enter')
  await expect(topic(/^What we use/)).toBeVisible()

  // Tags that mean the same become one.
  await page.getByRole('tab', { name: 'Tags' }).click()
  for (const [old, to] of [
    ['rock-cycle', 'rock cycle'],
    ['Rock cycle', 'rock cycle'],
    ['Maps', 'maps'],
  ] as const) {
    await page.getByRole('button', { name: `Rename or merge “${old}”`, exact: true }).click()
    await dialog(page).getByLabel('New name').fill(to)
    await page.keyboard.press('Enter')
    await expect(dialog(page)).toHaveCount(0)
    await expect(page.getByRole('button', { name: `Rename or merge “${old}”`, exact: true })).toHaveCount(0)
  }
  await expect(page.getByRole('listitem').filter({ hasText: 'rock cycle' })).toContainText('5')

  // Folders: two made one, one moved into another by drag.
  await page.getByRole('tab', { name: 'Folders' }).click()
  await topic(/^misc \(2\)/).focus()
  await page.keyboard.press('Alt+Shift+M')
  await dialog(page).getByLabel('Into').selectOption({ label: 'Misc (9)' })
  await dialog(page).getByRole('button', { name: 'Merge', exact: true }).click()
  await expect(dialog(page)).toHaveCount(0)
  await expect(topic(/^misc \(2\)/)).toHaveCount(0)
  await expect(topic(/^Misc, 13/)).toBeVisible()
  await topic(/^maths/).dragTo(topic(/^New folder/), { targetPosition: { x: 200, y: 16 } })
  await expect(topic(/^maths/)).toHaveAttribute('aria-level', '2')
  await topic(/^New folder/).focus()
  await page.keyboard.press('F2')
  await dialog(page).getByLabel('Name', { exact: true }).fill('Maps and measuring')
  await page.keyboard.press('Enter')
  await expect(topic(/^Maps and measuring, 8/)).toBeVisible()

  // Names that say nothing, from the content.
  await all(page, 'no=name', /^24 questions$/)
  await change(
    page,
    async () => {
      await dialog(page).getByLabel('Replace unhelpful titles with a suggestion from the question text').check()
      await expect(dialog(page).getByText('Slate splits into thin sheets', { exact: false }).first()).toBeVisible()
      await accessible(page)
    },
    /^Changed \d+ questions\./,
  )
  expect(await count(page, 'no=name')).toBe(0)

  // One of two that are nearly the same, into the bin.
  await page.goto('/banks/old-system?words=granite+crystals+beneath')
  await page.locator('[id^="row-"]').first().click()
  await page.getByRole('region', { name: 'Question' }).getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Move to bin' }).click()
  await expect(page.getByText('Changed 1 question.').first()).toBeVisible()
  expect(await count(page, '')).toBe(23)

  // Topics by what the tags say.
  for (const [tags, path] of [
    ['tag=igneous', 'Rocks › Igneous'],
    ['tag=fossils&tag=strata', 'Rocks › Sedimentary'],
    ['tag=metamorphic', 'Rocks › Metamorphic'],
    ['tag=maps&tag=scale', 'Maps'],
    ['tag=rivers&tag=ice&tag=frost', 'Forces at work › Water and ice'],
    ['tag=earthquakes', 'Forces at work › Earthquakes'],
    ['tag=energy', 'What we use'],
    ['tag=density&tag=gradient', 'Measuring'],
    ['no=topic', 'Rocks'],
  ] as const) {
    await all(page, tags, /of 23 questions/)
    await change(
      page,
      async () => {
        await dialog(page).getByLabel('Add topics', { exact: true }).selectOption(path)
      },
      /^Changed/,
    )
  }
  expect(await count(page, 'no=topic')).toBe(0)

  // Level, difficulty, licence, points: for all of them at once, undone, and done again.
  await all(page, '', /^23 questions$/)
  const classify = async () => {
    await dialog(page).getByLabel('Level', { exact: true }).fill('Year 9')
    await dialog(page).getByLabel('Difficulty', { exact: true }).selectOption('2')
    await dialog(page).getByLabel('Licence', { exact: true }).fill('CC-BY-4.0')
    await dialog(page).getByLabel('Written by', { exact: true }).fill('Tam Brisco')
    await dialog(page).getByLabel('Points', { exact: true }).fill('2')
  }
  await change(page, classify, 'Changed 23 questions.')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(page.getByText('Restored 23 questions.').first()).toBeVisible()
  expect(await count(page, 'no=level')).toBe(23)
  await all(page, '', /^23 questions$/)
  await change(page, classify, 'Changed 23 questions.')

  // What was done is written down, and every place is filled.
  await page.getByRole('button', { name: 'This bank' }).click()
  await page.getByRole('menuitem', { name: 'Bulk changes' }).click()
  await expect(page.getByRole('button', { name: /^Change: .*level.*points/ }).first()).toBeVisible()
  await expect(page.getByText('Year 9').first()).toBeVisible()
  await accessible(page)
  for (const missing of ['topic', 'folder', 'level', 'difficulty', 'licence', 'author', 'tag', 'name'])
    expect([missing, await count(page, `no=${missing}`)]).toEqual([missing, 0])

  // By where they live, walked by arrows; and back out of the bin.
  await page.goto('/banks/old-system?group=place')
  await expect(page.getByRole('button', { name: /^Misc/ })).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: /^Misc/ }).focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('t')
  await expect(page.getByText('1 question in the tray')).toBeVisible()
  await page.goto('/banks/old-system?is=binned')
  await page.getByRole('region', { name: 'Questions' }).getByRole('button', { name: 'Restore' }).click()
  await expect(page.getByText('The bin is empty.')).toBeVisible()
})

test('questions are placed, copied and moved to other banks, and put in an order by hand', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/water')
  await page.getByRole('button', { name: 'Share', exact: true }).click()
  await dialog(page).getByLabel('Allow its questions in folders of other banks').check()
  await dialog(page).getByRole('button', { name: 'Save' }).click()
  await expect(dialog(page)).toHaveCount(0)
  const title = ((await page.locator('[id^="row-"] .font-semibold').first().textContent()) ?? '').trim()
  await page.locator('[id^="row-"] [data-tick]').nth(0).click()
  await page.locator('[id^="row-"] [data-tick]').nth(1).click()
  await page.locator('[id^="row-"] [data-tick]').nth(2).click()
  await tray(page).getByRole('button', { name: 'Place', exact: true }).click()
  await dialog(page).getByLabel('Bank', { exact: true }).selectOption('Hazards and resources')
  await dialog(page).getByLabel('Folder', { exact: true }).selectOption('a new folder …')
  await dialog(page).getByLabel('Name of the new folder').fill('Borrowed')
  await expect(dialog(page).getByText('3 questions change.')).toBeVisible()
  await accessible(page)
  await dialog(page).getByRole('button', { name: 'Place', exact: true }).click()
  await expect(page.getByText('Changed 3 questions.').first()).toBeVisible()
  await page.locator('[id^="row-"]').first().click()
  await expect(page.getByRole('region', { name: 'Also in' })).toContainText('Hazards and resources › Borrowed')

  // Where they are placed they show, in an order of their own.
  await page.goto('/banks/hazards')
  await page.getByRole('tab', { name: 'Folders' }).click()
  await page.getByRole('button', { name: 'Actions for Borrowed' }).click()
  await page.getByRole('menuitem', { name: 'Sort this folder by hand' }).click()
  await expect(page.getByText(/^3 of \d+ questions$/)).toBeVisible()
  const order = () => page.locator('[id^="row-"] .font-semibold').allTextContents()
  const before = await order()
  await page.locator('[id^="row-"]').nth(2).click()
  await page.keyboard.press('Alt+ArrowUp')
  await expect.poll(order).toEqual([before[0], before[2], before[1]])
  await page.locator('[id^="row-"]').first().dragTo(page.locator('[id^="row-"]').nth(2))
  await expect.poll(order).toEqual([before[2], before[0], before[1]])

  // Taken out of there again from where it lives; and copied, as a draft of its own.
  await page.goto('/banks/water')
  await page.getByText(title, { exact: true }).first().click()
  await page.getByRole('button', { name: 'Remove Hazards and resources › Borrowed' }).click()
  await expect(page.getByRole('region', { name: 'Also in' })).toHaveCount(0)
  await page.getByRole('region', { name: 'Question' }).getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Place, move or copy…' }).click()
  await dialog(page).getByLabel('Bank', { exact: true }).selectOption('Hazards and resources')
  await dialog(page).getByLabel('Copy').check()
  await dialog(page).getByRole('button', { name: 'Copy', exact: true }).click()
  await expect(page.getByText('Copied 1 question.').first()).toBeVisible()
  await page.goto(`/banks/hazards?words=${encodeURIComponent(`"${title}"`)}&no=folder`)
  await expect(page.getByText(title).first()).toBeVisible()
})

test('a teacher finds one question in 50,000 by three different ways', async ({ page }) => {
  await signIn(page, 'orla')
  // It is picked by chance from the middle of the bank, and has to be found by what a teacher may know of it.
  const one = await page.evaluate(async () => {
    const list = await (
      await fetch('/api/v1/banks/large-50000/questions?words=%22porosity+of%22&kind=number&difficulty=4&sort=-updated')
    ).json()
    return list.data[Math.floor(list.data.length / 2)] as { id: string; title: string; tags: string[] }
  })
  const row = page.locator(`#row-${one.id}`)

  // By words, one of them misspelt.
  await page.goto('/banks/large-50000')
  await expect(page.getByText(/^50,000 questions$/)).toBeVisible()
  await page.getByLabel('Find questions').fill(`${one.title.replace(/Porosity/i, 'porosty')}`)
  await page.getByRole('button', { name: /^Search for “/ }).click()
  await expect(row).toBeVisible()

  // By what it is: kind, difficulty, tags and a range of points, step by step, with numbers that say how far one is.
  await page.goto('/banks/large-50000')
  await page.getByRole('tab', { name: 'More' }).click()
  await page
    .getByRole('button', { name: /^number/ })
    .first()
    .click()
  await page.getByRole('button', { name: /^difficulty 4 of 5/ }).click()
  await page.getByRole('tab', { name: 'Tags' }).click()
  for (const tag of one.tags.slice(0, 1))
    await page
      .getByRole('button', { name: new RegExp(`^${tag}`) })
      .first()
      .click()
  await page.getByLabel('Find questions').fill(one.title.split(' ').slice(0, 3).join(' '))
  await expect(page.getByText(/^[\d,]+ of 50,000 questions$/)).toBeVisible()
  await page.getByRole('listbox', { name: 'Questions' }).press('End')
  await expect(row).toHaveCount(1)

  // By its identifier, from the catalogue over all banks.
  await page.goto('/find')
  await page.getByLabel('Find questions').fill(one.id)
  await expect(row).toBeVisible()
  await row.click()
  await expect(page.getByRole('heading', { level: 2, name: one.title })).toBeVisible()
})

test('many are changed in the background, with how far it is, and by keyboard alone', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks/large-50000?tag=basalt')
  await expect(page.getByText(/of 50,000 questions$/)).toBeVisible()
  await tabTo(page, 'Questions')
  await page.keyboard.press(' ')
  await expect(page.getByText('1 question in the tray')).toBeVisible()
  await tabTo(page, /^Select all/)
  await page.keyboard.press('Enter')
  await tabTo(page, 'Change')
  await page.keyboard.press('Enter')
  await tabTo(page, 'Level')
  await page.keyboard.type('Year 13')
  await expect(dialog(page).getByText(/^[\d,]+ questions\. Of the first 200 checked/)).toBeVisible()
  await accessible(page)
  await page.keyboard.press('Enter')
  await expect(dialog(page).getByText(/^Changed [\d,]+ questions\./)).toBeVisible({ timeout: 60_000 })
  await tabTo(page, 'Undo')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/in the background|^Restored/).first()).toBeVisible()
  await expect
    .poll(() => page.evaluate(async () => (await (await fetch('/api/v1/banks/large-50000/questions?level=Year+13')).json()).meta.found), {
      timeout: 60_000,
    })
    .toBe(0)
})

test('all of the bank screen by keyboard alone', async ({ page }) => {
  await signIn(page, 'ines')
  await page.goto('/banks/evidence')
  await expect(page.getByText(/^\d+ questions$/)).toBeVisible()
  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key)
  }
  // Where: a branch ticked in the tree, its chip taken away; another kind of place by the arrows of the tabs.
  await tabTo(page, 'Topics')
  await tabTo(page, /^.+, \d+$/)
  await press('ArrowDown', 'Space')
  await expect(page.getByText(/^\d+ of \d+ questions$/)).toBeVisible()
  await tabTo(page, 'Clear all')
  await press('Enter')
  await expect(page.getByText(/^\d+ questions$/)).toBeVisible()
  await tabTo(page, 'Topics', true)
  await press('ArrowRight')
  await expect(page.getByRole('tab', { name: 'Standards' })).toBeFocused()
  // The list: its order, its groups, walked; what is arrived at is read.
  await tabTo(page, 'Sort by')
  await press('End')
  await expect(page).toHaveURL(/sort=/)
  await tabTo(page, 'Group', true)
  await press('ArrowDown')
  await expect(page).toHaveURL(/group=place/)
  await tabTo(page, /^[▾▸]Practical › In the hand\d+$/)
  const group = page.getByRole('button', { name: /^Practical › In the hand/ })
  if ((await group.getAttribute('aria-expanded')) === 'false') await press('Enter')
  await expect(
    page
      .getByRole('list', { name: /^Practical/ })
      .first()
      .getByRole('listitem')
      .nth(2),
  ).toBeVisible()
  for (let step = 0; step < 3; step++) {
    await press('ArrowDown')
    const walked = await page.evaluate(() => document.activeElement?.querySelector('.font-semibold')?.textContent ?? '')
    expect(walked).not.toBe('')
    await expect(page.getByRole('heading', { level: 2, name: walked, exact: true })).toBeVisible()
  }
  // Reading: put aside, and classified in place.
  await press('t')
  await expect(page.getByText('1 question in the tray')).toBeVisible()
  await tabTo(page, 'Level')
  await page.keyboard.press('Control+a')
  const fresh = `By keyboard ${Date.now()}`
  await page.keyboard.type(fresh)
  await press('Enter')
  await expect(page.getByText('Changed 1 question.').first()).toBeVisible()
  // The tray: placed in a folder that is made on the way.
  await tabTo(page, 'Place')
  await press('Enter')
  await tabTo(page, 'Folder')
  await press('End')
  await tabTo(page, 'Name of the new folder')
  await page.keyboard.type(fresh)
  await expect(dialog(page).getByText('1 question changes.')).toBeVisible()
  await press('Enter')
  await expect(dialog(page)).toHaveCount(0)
  await expect(page.getByRole('button', { name: new RegExp(`^${fresh}`) })).toBeVisible()
  // Everything else by its name.
  await press('Control+k')
  await page.keyboard.type('bulk changes')
  await press('Enter')
  await expect(page.getByRole('heading', { name: 'Bulk changes' }).first()).toBeVisible()
})

test('a tree of four hundred: the rows in sight are drawn, and the first letters of a name lead to it', async ({ page }) => {
  await signIn(page, 'orla')
  await page.goto('/banks')
  await page.getByRole('button', { name: 'New bank' }).click()
  await dialog(page).getByLabel('Name', { exact: true }).fill(`Boreholes ${Date.now()}`)
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/banks\/boreholes/)
  await page.goto(`${page.url()}/order`)
  await page.getByRole('tab', { name: 'Folders' }).click()
  await page.getByRole('button', { name: 'From an outline…' }).click()
  const names = Array.from({ length: 400 }, (_, i) => `Core ${String(i + 1).padStart(3, '0')}`)
  await page.getByLabel('Outline', { exact: true }).fill([...names, 'Zircon ages'].join('\n'))
  await page.getByRole('button', { name: 'Create' }).click()
  const rows = page.getByRole('treeitem')
  await expect(rows.first()).toHaveAttribute('aria-setsize', '401')
  expect(await rows.count()).toBeLessThan(80)
  await rows.first().focus()
  await page.keyboard.type('zir')
  await expect(page.getByRole('treeitem', { name: /^Zircon ages/ })).toBeFocused()
  await page.keyboard.press('Control+x')
  await page.keyboard.press('Home')
  await expect(page.getByRole('treeitem', { name: /^Core 001/ })).toBeFocused()
  await page.keyboard.press('Shift+Enter')
  await expect(rows.first()).toHaveAttribute('aria-label', /^Zircon ages/)
  await accessible(page)
})
