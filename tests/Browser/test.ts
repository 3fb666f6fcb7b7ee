import { test as base, expect } from '@playwright/test'

export { expect, type Locator, type Page } from '@playwright/test'

type Options = {
  /** Whether the test hands the page something hostile: Chromium reports a handler in it as soon as it is parsed, wherever that is. */
  isHostile: boolean
}

/** Every test fails where a page did something that its Content-Security-Policy forbids: Chromium says so on the console. */
export const test = base.extend<Options & { policy: undefined }>({
  isHostile: [false, { option: true }],
  policy: [
    async ({ context, isHostile }, use) => {
      const broken: string[] = []
      context.on('console', (message) => {
        if (message.type() === 'error' && message.text().includes('Content Security Policy')) broken.push(message.text())
      })
      await use(undefined)
      if (!isHostile) expect(broken).toEqual([])
    },
    { auto: true },
  ],
})
