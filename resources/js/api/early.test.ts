import { expect, it, vi } from 'vitest'
import { askEarly, early, forgetEarly } from './early'

it('gives an answer asked for early to the first who asks, once, and not when it is old', async () => {
  vi.useFakeTimers({ toFake: ['performance'] })
  askEarly('/me', (path) => Promise.resolve(new Response(path)))
  askEarly('/tray', (path) => Promise.resolve(new Response(path)))
  expect(await (await early('/me'))?.text()).toBe('/me')
  expect(early('/me')).toBeUndefined()
  expect(early('/banks')).toBeUndefined()
  vi.advanceTimersByTime(11_000)
  expect(early('/tray')).toBeUndefined()
  askEarly('/tray', (path) => Promise.resolve(new Response(path)))
  forgetEarly()
  expect(early('/tray')).toBeUndefined()
  vi.useRealTimers()
})
