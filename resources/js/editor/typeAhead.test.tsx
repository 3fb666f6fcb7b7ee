import { expect, test } from 'vitest'
import { beginTypeAhead, takeTypeAhead } from './typeAhead'

const press = (key: string, more: KeyboardEventInit = {}) => {
  const event = new KeyboardEvent('keydown', { key, cancelable: true, ...more })
  window.dispatchEvent(event)
  return event.defaultPrevented
}

test('keeps letters and taken-back letters while nothing can take them, and nothing before or after', () => {
  expect(press('x')).toBe(false)
  beginTypeAhead()
  expect([press('W'), press('é'), press('z'), press('Backspace'), press('y')]).toEqual([true, true, true, true, true])
  expect([press('s', { ctrlKey: true }), press('Tab')]).toEqual([false, false])
  expect(takeTypeAhead()).toBe('Wéy')
  expect(press('x')).toBe(false)
  expect(takeTypeAhead()).toBe('')
})
