import '@testing-library/jest-dom/vitest'
import { cleanup, configure } from '@testing-library/react'
import { afterEach, vi } from 'vitest'

// What is waited for comes or it does not; a machine busy with other tests may take its time.
configure({ asyncUtilTimeout: 20_000 })

// jsdom draws nothing, so it has no rectangles, and nothing in it changes size; an editor asks for them when it scrolls to its cursor.
if ('Range' in globalThis) {
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  }
  const nowhere = () => Object.assign([new DOMRect()], { item: () => new DOMRect() }) as unknown as DOMRectList
  Range.prototype.getClientRects ??= nowhere
  Range.prototype.getBoundingClientRect ??= () => new DOMRect()
}

// Files share their modules, so nothing of one test may be left for the next.
afterEach(() => {
  vi.useRealTimers()
  if (!('document' in globalThis)) return
  cleanup()
  window.localStorage.clear()
  window.sessionStorage.clear()
})
