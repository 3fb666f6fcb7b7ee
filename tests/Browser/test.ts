import { test as base, expect } from '@playwright/test'

export { expect, type Locator, type Page } from '@playwright/test'

/** Every test fails where a page did something that its Content-Security-Policy forbids: Chromium says so on the console. */
export const test = base.extend<{ policy: undefined }>({
  policy: [
    async ({ context }, use) => {
      const broken: string[] = []
      context.on('console', (message) => {
        if (message.type() === 'error' && message.text().includes('Content Security Policy')) broken.push(message.text())
      })
      await use(undefined)
      expect(broken).toEqual([])
    },
    { auto: true },
  ],
})
