import { expect, type Page, test } from '@playwright/test'
import { accessible, paste, signIn, stem, tryPane, write } from './helpers'

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
  await expect(page.getByText('A picture on another server was left out.').first()).toBeVisible()
  const text = stem(page)
  await expect(text.getByRole('img', { name: 'A thin section' })).toBeVisible()
  await expect(text.locator('b, strong').first()).toHaveText('Slate')
  await expect(text.locator('sub')).toHaveText('2')
  await expect(text.getByRole('listitem')).toHaveText(['clay', 'mica'])
  await expect(text).toContainText('into sheets.')
  await expect(tryPane(page).getByRole('img', { name: 'A thin section' })).toBeVisible()
})
