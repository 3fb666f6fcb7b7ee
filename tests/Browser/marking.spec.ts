import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, type Page } from '@playwright/test'
import { accessible, newAssessment, pagesOf, paste, signIn, stem, tryPane, write } from './helpers'
import { test } from './test'

const quarry = (...given: string[]) => JSON.parse(execFileSync('bin/quarry', given, { encoding: 'utf8' }))

const CELLS =
  '\tBoth sides 4\tOne side 2–3\tNeither 0\nProcess\tErosion outside, deposition inside, and why.\tOne of the two.\tNeither.\nTerms 2\t2: Used well.\t1: Used loosely.\t0: Not used.'

/** Selects some words of the text that is being written. */
const select = (page: Page, words: string) =>
  page.evaluate((sought) => {
    const editor = document.activeElement
    const walk = document.createTreeWalker(editor as Node, NodeFilter.SHOW_TEXT)
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
      const at = node.textContent?.indexOf(sought) ?? -1
      if (at >= 0) getSelection()?.setBaseAndExtent(node, at, node, at + sought.length)
    }
  }, words)

const save = async (page: Page) => {
  await page.getByRole('button', { name: /^Save revision/ }).click()
  await expect(page.getByText(/saved/i).first()).toBeVisible()
  await page.waitForURL(/\/questions\/[0-9a-f-]{36}/)
  await expect(page.getByText(/^revision \d+$/)).toBeVisible() // the desk of the stored question is there
}

test('an essay with a pasted rubric and two example answers, marked by keys, on paper, and back from a package', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^write at length/, 'Explain how a meander grows. ')
  await page.getByRole('textbox', { name: 'Fewest words' }).fill('10')
  await page.getByRole('textbox', { name: 'Most words' }).fill('20')

  // The rubric, from cells of a spreadsheet: names and points of levels from its head, others from the cells.
  await page.getByRole('button', { name: 'Criteria and levels' }).click()
  await page.getByRole('textbox', { name: 'Criterion 1', exact: true }).focus()
  await paste(page, { 'text/plain': CELLS })
  await expect(page.getByRole('textbox', { name: 'Criterion 2', exact: true })).toHaveValue('Terms 2')
  await page.getByRole('textbox', { name: 'Criterion 2', exact: true }).fill('Terms')
  await expect(page.getByText('Gives up to 6 of 6 points')).toBeVisible()
  await page.getByRole('textbox', { name: 'Points: level 1 of Terms' }).fill('3')
  await expect(page.getByText(/up to 7, 1 more than the 6 of this part/).first()).toBeVisible()
  await page.getByRole('textbox', { name: 'Points: level 1 of Terms' }).fill('2')
  // Alt and an arrow key move a criterion, as dragging does.
  await page.getByRole('textbox', { name: 'Criterion 2', exact: true }).press('Alt+ArrowUp')
  await expect(page.getByRole('textbox', { name: 'Criterion 1', exact: true })).toHaveValue('Terms')
  await page.getByRole('textbox', { name: 'Criterion 1', exact: true }).press('Alt+ArrowDown')
  await accessible(page)

  // Two example answers; the first with a remark on some of its words.
  await page.getByRole('tab', { name: 'Example answers' }).click()
  await page.getByRole('button', { name: 'Add example answer' }).click()
  await page.getByRole('textbox', { name: 'Name of example answer 1' }).fill('Full')
  await page.getByRole('textbox', { name: 'The answer' }).click()
  await page.keyboard.type('The water is fastest on the outside and cuts the bank.')
  await select(page, 'fastest on the outside')
  await page.getByRole('button', { name: 'Remark', exact: true }).click()
  await expect(page.getByRole('textbox', { name: 'remark 1' })).toBeFocused()
  await page.keyboard.type('Says where.')
  await page.getByRole('combobox', { name: 'Process' }).selectOption({ label: 'Both sides · 4' })
  await page.getByRole('combobox', { name: 'Terms' }).selectOption({ label: 'One side · 1' })
  await accessible(page)
  await page.getByRole('button', { name: 'Hide Full' }).click()
  await page.getByRole('button', { name: 'Add example answer' }).click()
  await page.getByRole('textbox', { name: 'Name of example answer 2' }).fill('Weak')
  await page.getByRole('textbox', { name: 'The answer' }).click()
  await page.keyboard.type('Rivers bend.')

  // Written, counted, marked by the numbers of the levels.
  const pane = tryPane(page)
  const answer = pane.getByRole('textbox', { name: 'The learner writes at length' })
  await answer.fill(`${'word '.repeat(21)}`)
  await expect(pane.getByText('Over the limit of 20 words.')).toBeVisible()
  await answer.fill('The water is fastest on the outside, so it cuts the bank there.')
  await expect(pane.getByText('13 words')).toBeVisible()
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await expect(pane.getByText('2 criteria still to be marked')).toBeVisible()
  await pane.getByRole('radiogroup', { name: 'Process' }).getByRole('radio').first().focus()
  await page.keyboard.press('2')
  await expect(pane.getByRole('textbox', { name: 'Points from 2 to 3: Process' })).toBeFocused()
  await page.keyboard.type('3')
  await pane.getByRole('radiogroup', { name: 'Terms' }).getByRole('radio').first().focus()
  await page.keyboard.press('2')
  await expect(pane.getByText('All marked')).toBeVisible()
  await expect(pane.getByText('of 6 points')).toBeVisible()
  await expect(pane.getByText('By the rubric: 4')).toBeVisible()
  await pane.getByRole('button', { name: 'Compare with example answers …' }).click()
  const beside = page.getByRole('dialog', { name: 'Compare with example answers' })
  await expect(beside.getByText('Says where.')).toBeVisible()
  await accessible(page)
  await page.keyboard.press('Escape')
  await pane.getByRole('button', { name: 'Keep as specimen' }).click()
  await expect(pane.getByRole('button', { name: /^Mark it too: The water/ })).toBeVisible()
  await pane.getByRole('button', { name: 'Keep as example answer' }).click()
  await expect(page.getByRole('tab', { name: 'Example answers (3)' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await save(page)

  // Another person marks the specimen without seeing the marks, and the two are compared.
  await pane.getByRole('button', { name: /^Mark it too: The water/ }).click()
  const too = page.getByRole('dialog', { name: 'Mark it too' })
  await too.getByRole('radiogroup', { name: 'Process' }).getByRole('radio').first().focus()
  await page.keyboard.press('1')
  await page.keyboard.press('2')
  await too.getByRole('button', { name: 'Keep my marks' }).click()
  await expect(page.getByText('Kept. The marks that count come to 4, yours to 5.', { exact: true })).toBeVisible()
  await expect(pane.getByRole('region', { name: 'How far markers agree' }).getByRole('row', { name: /Tam Brisco 1 50/ })).toBeVisible()

  // Out as a package of an open standard and in again: rubric, examples and remarks are the same.
  const id = page.url().split('/').at(-1) ?? ''
  const question = await page.evaluate(async (one) => (await (await fetch(`/api/v1/questions/${one}`)).json()).data.question, id)
  const folder = mkdtempSync(join(tmpdir(), 'marking-'))
  writeFileSync(join(folder, 'q.json'), JSON.stringify({ questions: [question] }))
  quarry('write', 'qti30', join(folder, 'q.json'), `--out=${join(folder, 'q.zip')}`)
  const back = quarry('read', join(folder, 'q.zip'))
  expect(back.questions[0].parts[0].key).toEqual(question.parts[0].key)
  expect(question.parts[0].key.models[0].passages[0].html).toContain('Says where.')

  // Sheet, mark scheme and notes in one file, each with its own pages.
  const made = await newAssessment(page, 'Rivers, written', [id])
  await page.goto(`/assessments/${made}/print`)
  await page.getByText('Answer space by question').click()
  await page.getByRole('combobox', { name: /^Space: 1\./ }).selectOption('squared')
  await page.getByRole('spinbutton', { name: /^Lines: 1\./ }).fill('6')
  for (const paper of ['Mark scheme', 'Notes for markers']) await page.getByRole('checkbox', { name: paper }).check()
  await expect(page.getByText('3 pages')).toBeVisible({ timeout: 60_000 })
  await accessible(page)
  const [sheet, scheme, notes] = await pagesOf(page, (await page.getByRole('link', { name: 'Download PDF' }).getAttribute('href')) ?? '')
  expect(sheet).toContain('Write 10 to 20 words.')
  expect(sheet).not.toContain('Erosion outside')
  for (const words of ['Mark scheme', 'Erosion outside, deposition inside, and why.', '2–3', 'Page 1 of 1']) expect(scheme).toContain(words)
  for (const words of ['Notes for markers', 'fastest on the outside', 'Says where.', 'earns 5', 'Rivers bend.', 'Page 1 of 1'])
    expect(notes).toContain(words)
})

test('a rubric of the bank is kept, followed by another question, and changed for both with undo', async ({ page }) => {
  await signIn(page, 'tam')
  const begin = async (text: string) => {
    await write(page, 'tams-drafts', /^write at length/, text)
    await expect(stem(page)).toContainText(text.trim())
  }
  await begin('Explain how a waterfall moves. ')
  await page.getByRole('button', { name: 'Points to look for' }).click()
  await page.getByRole('textbox', { name: 'Name of the rubric' }).fill(`Waterfall ${Date.now()}`)
  const title = await page.getByRole('textbox', { name: 'Name of the rubric' }).inputValue()
  await page.getByRole('textbox', { name: 'Point 1', exact: true }).fill('The hard bed is undercut')
  await page.getByRole('textbox', { name: 'Point 1', exact: true }).press('Enter')
  await page.keyboard.type('The overhang falls')
  await page.getByRole('button', { name: 'Keep in the bank' }).click()
  await expect(page.getByText(`This is “${title}” of Tam’s drafts.`)).toBeVisible()
  await save(page)

  await begin('Why do gorges lie below waterfalls? ')
  await page.getByRole('button', { name: 'Use a rubric of a bank …' }).click()
  const chooser = page.getByRole('dialog', { name: 'Use a rubric of a bank' })
  await chooser.getByRole('radio', { name: new RegExp(title) }).check()
  await accessible(page)
  await chooser.getByRole('button', { name: 'Follow' }).click()
  await save(page)

  await page.getByRole('link', { name: 'Change it for all questions' }).click()
  await page.getByRole('textbox', { name: 'Point 2', exact: true }).fill('The overhang breaks and falls')
  await page.getByRole('button', { name: 'Save …' }).click()
  const asked = page.getByRole('dialog', { name: '2 questions use this rubric' })
  await expect(asked.getByRole('listitem')).toHaveCount(2)
  await accessible(page)
  await asked.getByRole('button', { name: 'Change 2 questions too' }).click()
  await expect(page.getByText(/2 questions/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('textbox', { name: 'Point 2', exact: true })).toHaveValue('The overhang falls')
})

test('files are chosen, judged by kind, and stay in the browser', async ({ page }) => {
  await signIn(page, 'tam')
  await write(page, 'tams-drafts', /^hand in files/, 'Hand in your sketch. ')
  const pane = tryPane(page)
  await expect(pane.getByText('Hand in your sketch.')).toBeVisible() // drawn for the last letter, too
  await pane.locator('input[type=file]').setInputFiles({ name: 'notes.docx', mimeType: 'application/zip', buffer: Buffer.from('x') })
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await expect(pane.getByText('“notes.docx” is not one of the kinds of file asked for: pictures, PDF.')).toBeVisible()
  await pane.getByRole('button', { name: 'Remove notes.docx' }).click()
  await pane.locator('input[type=file]').setInputFiles({ name: 'sketch.png', mimeType: 'image/png', buffer: Buffer.from('x') })
  await pane.getByRole('button', { name: 'Check answer' }).click()
  await expect(pane.getByText('1 file handed in')).toBeVisible()
  await pane.getByRole('textbox', { name: 'Points out of 5' }).fill('4')
  await expect(pane.getByText('All marked')).toBeVisible()
  await accessible(page)
})
