import { act, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useHistory } from './useHistory'

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())

it('undoes typing by runs and other changes one by one, and redoes them until something else is done', () => {
  const { result } = renderHook(() => useHistory(''))
  const type = (text: string, place = 'title') => act(() => result.current.change(() => text, place))
  type('a')
  type('ab')
  vi.advanceTimersByTime(2000)
  type('abc')
  type('abc!', 'other')
  act(() => void result.current.undo())
  expect(result.current.value).toBe('abc')
  act(() => void result.current.undo())
  expect(result.current.value).toBe('ab')
  act(() => void result.current.undo())
  expect(result.current.value).toBe('')
  expect(result.current.canUndo).toBe(false)
  act(() => void result.current.redo())
  act(() => void result.current.redo())
  expect(result.current.value).toBe('abc')
  type('else')
  expect(result.current.canRedo).toBe(false)
})
