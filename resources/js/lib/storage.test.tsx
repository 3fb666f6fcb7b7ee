import { afterEach, expect, test, vi } from 'vitest'
import { isNumbers, isTexts, removeStored, storedText, storedValue, storeText, storeValue } from './storage'

afterEach(() => {
  vi.restoreAllMocks()
  localStorage.clear()
  sessionStorage.clear()
})

test('keeps a text, for the tab or for good, and forgets it', () => {
  expect(storeText('a', 'one')).toBe(true)
  storeText('a', 'two', 'session')
  expect([storedText('a'), storedText('a', 'session')]).toEqual(['one', 'two'])
  removeStored('a')
  expect([storedText('a'), storedText('a', 'session')]).toEqual([null, 'two'])
})

test.each([
  ['what an older version left', '{"not": "a list"}'],
  ['numbers among texts', '["a", 1]'],
  ['what is no JSON', '[“a”]'],
  ['nothing', null],
])('takes the fallback instead of %s', (_, left) => {
  if (left !== null) storeText('list', left)
  expect(storedValue('list', isTexts, ['fallback'])).toEqual(['fallback'])
})

test('gives back the value that was kept', () => {
  storeValue('list', ['a', 'b'])
  storeValue('sizes', { left: 240.5 })
  expect(storedValue('list', isTexts, [])).toEqual(['a', 'b'])
  expect(storedValue('sizes', isNumbers, {})).toEqual({ left: 240.5 })
  storeValue('sizes', { left: '240' })
  expect(storedValue('sizes', isNumbers, {})).toEqual({})
})

test('a store that is full or forbidden says so, and breaks nothing', () => {
  const refuse = () => {
    throw new DOMException('', 'QuotaExceededError')
  }
  vi.spyOn(Storage.prototype, 'setItem').mockImplementation(refuse)
  vi.spyOn(Storage.prototype, 'getItem').mockImplementation(refuse)
  vi.spyOn(Storage.prototype, 'removeItem').mockImplementation(refuse)
  expect(storeText('a', 'x')).toBe(false)
  expect(storedText('a')).toBeNull()
  expect(storedValue('a', isTexts, ['f'])).toEqual(['f'])
  expect(() => removeStored('a')).not.toThrow()
})
