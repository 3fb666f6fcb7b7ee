import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { type BrowserContext, expect, type Locator, type Page } from '@playwright/test'
import type { AxeResults, default as axe } from 'axe-core'
import { baseURL } from './baseURL'

/** What the command line is told to be in the application that this worker's tests look at. */
export function ownEnvironment() {
  const [database, storage] = ['DB_DATABASE', 'QUARRY_STORAGE'].map(
    (name) => process.env[`${name}_${process.env.TEST_PARALLEL_INDEX ?? 0}`],
  )
  return { ...process.env, ...(database ? { DB_DATABASE: database } : {}), ...(storage ? { QUARRY_STORAGE: storage } : {}) }
}

const USUAL_DETAILS = ['standards', 'difficulty', 'state']

/** Cookies of who has signed in before: signing in is tested by itself, and takes its time on purpose. */
const signedIn = new Map<string, Awaited<ReturnType<BrowserContext['cookies']>>>()

/** Somebody is signed in, and the page has an origin but no screen: loading one takes the browser as long as a dozen clicks. */
export async function signIn(page: Page, person: string) {
  await page.context().clearCookies()
  await page.context().addCookies(signedIn.get(person) ?? [])
  const me = await ask(page, 'GET', '/me')
  if (me.status === 200) await page.goto('/mark.svg')
  else {
    await page.goto('/banks')
    await page.getByLabel('Email address').fill(`${person}@fellmoor.example`)
    await page.getByLabel('Password').fill('limestone-7')
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Banks' })).toBeVisible()
    signedIn.set(person, await page.context().cookies())
  }
  // What a test before this one left in the person's tray, or chose to see, is not this one's.
  if (String(me.body.data?.details) !== String(USUAL_DETAILS)) await ask(page, 'PUT', '/me/details', { details: USUAL_DETAILS })
  await ask(page, 'PATCH', '/tray', { clear: true })
}

/** Half the size of `axe.source`; every page that is checked has to be sent it. */
const AXE = readFileSync('node_modules/axe-core/axe.min.js', 'utf8')

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']

/**
 * No finding of WCAG 2.2 A and AA on what is on the screen. Run in the page itself, and asked for violations alone: most of what the
 * tests take is this. A frame in which nothing may run cannot be looked into; what is around it can.
 */
export async function accessible(page: Page) {
  // A screen that is still being loaded has no heading yet; what is judged is what people get.
  await page.locator('h1').first().waitFor({ state: 'attached' })
  const isThere = await page.evaluate(() => 'axe' in window)
  if (!isThere) await page.evaluate(AXE)
  const { violations } = await page.evaluate(
    (tags): Promise<AxeResults> =>
      (window as unknown as { axe: typeof axe }).axe.run(document, {
        runOnly: { type: 'tag', values: tags },
        resultTypes: ['violations'],
        iframes: false,
      }),
    TAGS,
  )
  expect(violations.map((one) => `${one.id}: ${one.nodes.map((node) => node.html).join(' ')}`)).toEqual([])
}

export const stem = (page: Page) => page.getByRole('textbox', { name: 'Question', exact: true })
export const tryPane = (page: Page) => page.getByRole('region', { name: 'Try', exact: true })

/** Begins a new question of a kind in a bank, and types its text. */
export async function write(page: Page, bank: string, start: RegExp, text: string) {
  await page.goto(`/banks/${bank}/write`)
  const again = page.getByRole('button', { name: 'Start blank' })
  const choice = page.getByRole('button', { name: start })
  await expect(again.or(choice)).toBeVisible()
  if (await again.isVisible()) await again.click()
  await choice.click()
  await stem(page).click()
  await page.keyboard.press('Control+Home')
  await page.keyboard.type(text)
}

/** Presses Tab until something with this name has the focus. */
export async function tabTo(page: Page, name: string | RegExp, back = false) {
  for (let i = 0; i < 80; i++) {
    const here = await page.evaluate(() => {
      const at = document.activeElement as HTMLElement | null
      if (at === document.body) return ''
      return (
        at?.getAttribute('aria-label') ??
        (at instanceof HTMLInputElement || at instanceof HTMLSelectElement ? at.labels?.[0]?.textContent : null) ??
        at?.textContent ??
        ''
      )
    })
    if (typeof name === 'string' ? here.trim() === name : name.test(here)) return
    await page.keyboard.press(back ? 'Shift+Tab' : 'Tab')
  }
  throw new Error(`No way by Tab to ${name}`)
}

/** A row of the list of questions, by its words. */
export const row = (page: Page, words: RegExp = /./) =>
  page.getByRole('listbox', { name: 'Questions' }).getByRole('option', { name: words }).first()

/** Goes into a field that becomes an editor, and waits for it. */
export async function into(page: Page, name: string) {
  await page.getByRole('textbox', { name, exact: true }).click()
  await expect(page.locator('.ProseMirror-focused')).toHaveAttribute('aria-label', name)
}

export const paste = (page: Page, data: Record<string, string>) =>
  page.evaluate((given) => {
    const clipboard = new DataTransfer()
    for (const [type, text] of Object.entries(given)) clipboard.setData(type, text)
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: clipboard, bubbles: true, cancelable: true }))
  }, data)

/** Drags by the mouse in steps: on a busy machine one move alone can be over before the browser has begun to drag. */
export async function dragOnto(page: Page, from: Locator, to: Locator, position: { x: number; y: number }) {
  await from.hover()
  await page.mouse.down()
  await to.hover({ position, force: true })
  await to.hover({ position: { x: position.x + 1, y: position.y }, force: true })
  await page.mouse.up()
}

/** The words of a PDF, page by page. */
export async function pagesOf(page: Page, address: string): Promise<string[]> {
  const pdf = await page.evaluate(async (from) => {
    const bytes = new Uint8Array(await (await fetch(from)).arrayBuffer())
    return btoa(bytes.reduce((all, one) => all + String.fromCharCode(one), ''))
  }, address)
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], { input: Buffer.from(pdf, 'base64') }).toString()
  return text.replace(/\f$/, '').split('\f')
}

/** An assessment of these questions in Tam's drafts, made behind the screens. */
export const newAssessment = async (page: Page, title: string, questions: string[]): Promise<string> =>
  (await ask(page, 'POST', '/assessments', { title, questions, bank: 'tams-drafts' })).body.data.id

/** A request to the API by whoever is signed in on the page, whatever the page shows. */
export async function ask(page: Page, method: string, path: string, body?: object, headers: Record<string, string> = {}) {
  const token = (await page.context().cookies()).find((one) => one.name === 'XSRF-TOKEN')?.value ?? ''
  const answer = await page.request.fetch(`/api/v1${path}`, {
    method,
    // the origin of a page of ours: without it the session does not count
    headers: { Accept: 'application/json', Origin: baseURL, 'X-XSRF-TOKEN': decodeURIComponent(token), ...headers },
    ...(body ? { data: body } : {}),
  })
  const text = await answer.text()
  return { status: answer.status(), etag: answer.headers().etag ?? '', body: text === '' ? null : JSON.parse(text) }
}
