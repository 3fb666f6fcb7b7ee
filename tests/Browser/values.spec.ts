import { accessible, newAssessment, pagesOf, row, signIn, stem, tryPane, write } from './helpers'
import { expect, type Page, test } from './test'

const values = (page: Page) => page.getByRole('region', { name: 'Values', exact: true })
const study = (page: Page) => page.getByRole('region', { name: 'Study of the rolls' })

/** Selects a number of the stem and opens what can be done with it. */
async function atNumber(page: Page, number: string) {
  await stem(page).click()
  await stem(page).evaluate((element, sought) => {
    const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = (node.textContent ?? '').indexOf(` ${sought} `)
      if (at >= 0) getSelection()?.setBaseAndExtent(node, at + 1, node, at + 1 + sought.length)
    }
  }, number)
  await page.getByRole('button', { name: 'Value', exact: true }).click()
}

test('two numbers vary: a bad roll is seen, saved, marked, forbidden, and two versions are printed', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^type a number/, 'A path climbs 12 m on 8 m. Its slope in per cent is ')
  const title = `Slope of path ${Date.now()}`
  await page.getByLabel('Title').fill(title)
  await page.getByLabel('The answer 1: value').fill('100*12/8')

  // 12 is let vary here, 8 everywhere: also where it stands in the key
  await atNumber(page, '12')
  await expect(page.getByText('Let 12 vary')).toBeVisible()
  await page.getByRole('menuitem', { name: 'Only here' }).click()
  await expect(values(page).getByLabel('Value a: from')).toHaveValue('7')
  await expect(values(page).getByLabel('Value a: to')).toHaveValue('17')
  await expect(stem(page)).toContainText('climbs a m')
  await expect(page.getByRole('menu')).toHaveCount(0)
  await atNumber(page, '8')
  await page.getByRole('menuitem', { name: 'Everywhere it stands' }).click()
  await expect(values(page).getByLabel('Value b: to', { exact: true })).toHaveValue('13')
  await page.getByLabel('The answer 1: value').fill('100a/b')
  await page.getByLabel('The answer 1: tolerance').selectOption('figures')
  await page.getByRole('button', { name: 'Add answer' }).click()
  await page.getByLabel('The answer 2: value').fill('100b/a')
  await page.getByLabel('Credit: The answer 2').fill('0')
  const told = page.getByRole('textbox', { name: 'Feedback when chosen: The answer 2' })
  await told.click()
  await page.keyboard.type('You divided by ')
  await page.locator('.small-bar').getByRole('button', { name: 'Value', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Insert a' }).click()
  await expect(told).toContainText('You divided by a')

  // where the two are equal, who divides the wrong way is right
  await expect(study(page)).toContainText('All 121 possible rolls')
  await expect(study(page)).toContainText('Two answers of the key are the same, in 7 rolls')
  await accessible(page)
  await study(page)
    .getByRole('button', { name: /^Look at roll/ })
    .first()
    .click()
  await expect(
    tryPane(page)
      .getByText(/as before|→|\d/)
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: /Save revision 1/ }).click()
  await expect(page.getByText('Saved as revision 1').first()).toBeVisible()
  const address = page.url()
  await page.goto(`/banks/tams-drafts?words=${encodeURIComponent(title)}`)
  await expect(row(page, new RegExp(title)).getByText('some rolls are bad')).toBeVisible()

  await page.goto(address)
  await page.getByRole('tab', { name: 'Values' }).click()
  await study(page)
    .getByRole('button', { name: /^Forbid roll/ })
    .first()
    .click()
  await expect(study(page)).toContainText('All 120 possible rolls')
  await expect(study(page)).toContainText('in 6 rolls')
  await values(page).getByLabel('Condition 1', { exact: true }).fill('a/b > 1')
  await expect(study(page)).toContainText('Nothing wrong in any of them.')
  await page.getByRole('button', { name: /Save revision 2/ }).click()
  await expect(page.getByText('Saved as revision 2').first()).toBeVisible()
  await page.goto(`/banks/tams-drafts?words=${encodeURIComponent(title)}`)
  await expect(row(page, new RegExp(title)).getByText('values vary')).toBeVisible()

  // two versions with other numbers, each with its own key
  const id = new URL(address).pathname.split('/').at(-1) ?? ''
  const made = await newAssessment(page, 'Slopes', [id])
  await page.goto(`/assessments/${made}`)
  await page.getByRole('tab', { name: 'Rolls' }).click()
  await page.getByRole('button', { name: 'Roll this one: question 1' }).click()
  await expect(page.getByText(/a = \d+, b = \d+ \(changed\)/)).toBeVisible()
  await accessible(page)
  await page.getByRole('checkbox', { name: 'Keep roll 2 of question 1' }).uncheck()
  await expect(page.getByRole('checkbox', { name: 'Keep roll 1 of question 1' })).not.toBeChecked()
  await page.goto(`/assessments/${made}/print`)
  await page.getByRole('checkbox', { name: 'Answer key', exact: true }).check()
  const versions: string[] = []
  for (const roll of ['3', '4']) {
    await page.getByLabel('Roll', { exact: true }).fill(roll)
    await expect(async () => {
      await expect(page.getByText('2 pages')).toBeVisible()
      const [sheet = '', key = ''] = await pagesOf(
        page,
        (await page.getByRole('link', { name: 'Download PDF' }).getAttribute('href')) ?? '',
      )
      const [asked = '', climbs, over] = /A path climbs (\d+) m on (\d+) m/.exec(sheet) ?? []
      expect(versions).not.toContain(asked)
      expect(Number(climbs)).toBeGreaterThan(Number(over))
      expect(key).toContain(`${Number(((100 * Number(climbs)) / Number(over)).toPrecision(2))} to 2 figures`)
      versions.push(asked)
    }).toPass({ timeout: 60_000 })
  }
})
