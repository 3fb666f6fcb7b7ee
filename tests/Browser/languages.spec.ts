import { signIn } from './helpers'
import { expect, type Page, test } from './test'

/** The main screens, by where they are. Questions and assessments are the first of their lists. */
const screens = [
  '/desk',
  '/banks',
  '/banks/rocks',
  '/banks/rocks/order',
  '/banks/rocks/write',
  '/assessments',
  '/blueprints',
  '/transfers',
  '/intakes/new',
  '/account',
]

async function speak(page: Page, language: string) {
  await page.addInitScript((language) => localStorage.setItem('quarry.language', language), language)
}

/** Every text on the screen and every label read aloud that has letters. */
const visibleTexts = (page: Page) =>
  page.evaluate(() => {
    const found: string[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const parent = node.parentElement
      if (!parent || parent.closest('script, style, noscript, [contenteditable], textarea, option')) continue
      if (parent.checkVisibility()) found.push(node.textContent ?? '')
    }
    for (const one of document.querySelectorAll('[aria-label], [title], [placeholder]'))
      for (const name of ['aria-label', 'title', 'placeholder']) found.push(one.getAttribute(name) ?? '')
    return found.map((one) => one.replace(/\s+/g, ' ').trim()).filter((one) => /\p{L}{2}/u.test(one))
  })

const date = /^\d{1,2} \p{L}{3,4} \d{4}$/u
/** Keys have the same names in every language. */
const keys = /^Ctrl( \S+)*$/

/** What is left when the catalogue's words are taken out, piece by piece, and is not in what the server sent: that has its own words. */
function untranslated(texts: string[], sent: string): string[] {
  const data = sent.toLowerCase()
  const isData = (piece: string) => !/\p{L}{2}/u.test(piece) || date.test(piece) || keys.test(piece) || data.includes(piece.toLowerCase())
  return texts.filter((text) => {
    const rest = text.replace(/⟦[^⟧]*⟧/g, '\n').trim()
    return !isData(rest) && !rest.split(/[,:·→›“”\n()]/).every((piece) => isData(piece.trim()))
  })
}

/** All strings of an answer, with the words of rich text run together as the screen does. */
function strings(value: unknown): string {
  if (typeof value === 'string') return `${value.replace(/<[^>]*>/g, ' ')}\n`
  if (Array.isArray(value)) return value.map(strings).join('')
  return value && typeof value === 'object'
    ? Object.entries(value)
        .map(([key, one]) => `${key}\n${strings(one)}`)
        .join('')
    : ''
}

for (const [language, direction] of [
  ['en-XA', 'ltr'],
  ['ar-XB', 'rtl'],
] as const)
  test(`in ${language} every text is from the catalogue, and nothing breaks`, async ({ page }) => {
    await signIn(page, 'orla')
    await speak(page, language)
    const answers: Promise<string>[] = []
    page.on('response', (response) => {
      if (response.url().includes('/api/') && response.headers()['content-type']?.includes('json'))
        answers.push(response.json().then(strings, () => ''))
    })
    for (const path of screens) {
      await page.goto(path)
      await expect(page.locator('html')).toHaveAttribute('dir', direction)
      await page.locator('h1').first().waitFor({ state: 'attached' })
      await page.waitForLoadState('networkidle')
      const texts = await visibleTexts(page)
      expect(
        texts.some((text) => text.includes('⟦')),
        path,
      ).toBe(true)
      expect(untranslated(texts, `Wide Quarry\n${(await Promise.all(answers)).join('')}`), path).toEqual([])
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
      expect(wide, `${path} is wider than the window`).toBeLessThanOrEqual(0)
    }
  })
