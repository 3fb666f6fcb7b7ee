import { act, renderHook } from '@testing-library/react'
import { expect, it } from 'vitest'
import { useSelection } from './useSelection'

const rows = ['a', 'b', 'c', 'd'].map((id) => ({ id }))

it('selects one by one and runs, in either direction', () => {
  const { result } = renderHook(() => useSelection(rows, ''))
  act(() => result.current.toggle('d'))
  act(() => result.current.extend('c', 'a'))
  expect(result.current.ids).toEqual(['d', 'a', 'b', 'c'])
  act(() => result.current.toggle('b'))
  expect(result.current.ids).toEqual(['d', 'a', 'c'])
  act(() => result.current.clear())
  expect(result.current.ids).toEqual([])
})

it('everything that matches ends when the filter changes or one is taken out', () => {
  const { result, rerender } = renderHook(({ filter }) => useSelection(rows, filter), { initialProps: { filter: 'kind=text' } })
  act(() => result.current.toggle('a'))
  act(() => result.current.selectAll())
  expect(result.current.all).toBe(true)
  rerender({ filter: 'kind=choice' })
  expect(result.current.all).toBe(false)
  rerender({ filter: 'kind=text' })
  act(() => result.current.toggle('b'))
  expect(result.current.all).toBe(false)
})
