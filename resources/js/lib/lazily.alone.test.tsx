import { fireEvent } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'

beforeEach(() => {
  vi.useFakeTimers()
  vi.resetModules()
})
afterEach(() => vi.useRealTimers())
const rest = (ms: number) => vi.advanceTimersByTimeAsync(ms)

test('code of what may be shown next comes one after another, and not while somebody types', async () => {
  const { later, loadAhead } = await import('./lazily')
  let arrive = () => {}
  const screen = vi.fn(() => new Promise<void>((loaded) => (arrive = loaded)))
  const broken = later(vi.fn(() => Promise.reject(new Error('no connection'))))
  const dialog = later(vi.fn(() => Promise.resolve()))
  loadAhead([screen])
  await rest(3000)
  expect(screen).toHaveBeenCalledOnce()
  expect(broken, 'before the one ahead is there').not.toHaveBeenCalled()
  fireEvent.keyDown(document.body, { key: 'e' })
  arrive()
  await rest(900)
  expect(broken, 'while somebody types').not.toHaveBeenCalled()
  await rest(300)
  expect(broken).toHaveBeenCalledOnce()
  expect(dialog).toHaveBeenCalledOnce()
})
