import type { KeyboardEvent } from 'react'
import { expect, it, vi } from 'vitest'
import { deskKey } from './deskKeys'
import type { Thing } from './things'

const thing = (id: string) => ({ id }) as Thing
const desk = () => ({
  things: [thing('a'), thing('b')],
  selected: ['a'],
  tool: 'select' as const,
  gesture: { corners: [] } as unknown as Parameters<typeof deskKey>[1]['gesture'],
  focus: vi.fn(),
  by: vi.fn(),
  setTool: vi.fn(),
  setSpace: vi.fn(),
  setNaming: vi.fn(),
  onSelect: vi.fn(),
  onRemove: vi.fn(),
  onDuplicate: vi.fn(),
})
function pressed(key: string, on: string, more: Partial<KeyboardEvent> = {}) {
  const target = document.createElementNS('http://www.w3.org/2000/svg', 'g')
  target.dataset.thing = on
  return { key, target, ...more } as KeyboardEvent
}

it('gives the next thing the focus at once: a key that follows in the same moment is for it', () => {
  const on = desk()
  expect(deskKey(pressed('PageDown', 'a'), on)).toBe(true)
  expect(on.focus).toHaveBeenCalledWith('b')
  expect(on.onSelect).toHaveBeenCalledWith(['b'])
})

it.each([
  ['ArrowLeft', false, [-1, 0]],
  ['ArrowDown', true, [0, 10]],
])('moves what is selected by %s, by ten with Shift (%s)', (key, shiftKey, by) => {
  const on = desk()
  expect(deskKey(pressed(key, 'a', { shiftKey }), on)).toBe(true)
  expect(on.by).toHaveBeenCalledWith(...by)
})

it('selects first what is not selected, and removes it alone', () => {
  const on = desk()
  deskKey(pressed('ArrowLeft', 'b'), on)
  expect(on.by).not.toHaveBeenCalled()
  expect(on.onSelect).toHaveBeenCalledWith(['b'])
  deskKey(pressed('Delete', 'b'), on)
  expect(on.onRemove).toHaveBeenCalledWith(['b'])
})
