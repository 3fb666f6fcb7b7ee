import { act, renderHook } from '@testing-library/react'
import { useState } from 'react'
import { expect, it } from 'vitest'
import type { Content } from '@/api/assembly'
import { useCarry } from './useCarry'

const start: Content = {
  format: 'wide-quarry/assessment',
  version: 1,
  id: 'x',
  title: 'T',
  sections: [
    { id: 's1', entries: ['a', 'b'].map((id) => ({ id, question: id })) },
    { id: 's2', entries: [{ id: 'c', question: 'c' }] },
  ],
}
const use = () =>
  renderHook(() => {
    const [content, setContent] = useState(start)
    return { carry: useCarry(content, (edit) => setContent(edit)), content }
  })
const read = (content: Content) => content.sections.map((section) => section.entries.map((entry) => entry.id).join('')).join(' ')

it('is taken up, moved by steps over borders, and put down', () => {
  const { result } = use()
  act(() => result.current.carry.pickUp(['a'], { section: 's1', at: 0 }))
  act(() => result.current.carry.step(1))
  act(() => result.current.carry.step(1))
  act(() => result.current.carry.step(1))
  expect(result.current.carry.isAt('s2', 0)).toBe(true)
  act(() => result.current.carry.putDown())
  expect(read(result.current.content)).toBe('b ac')
  expect(result.current.carry.held).toBeNull()
})

it('goes no further than the ends, and stays where it was when left', () => {
  const { result } = use()
  act(() => result.current.carry.pickUp(['c'], { section: 's2', at: 0 }))
  act(() => result.current.carry.step(9))
  expect(result.current.carry.isAt('s2', 1)).toBe(true)
  act(() => result.current.carry.step(-99))
  expect(result.current.carry.isAt('s1', 0)).toBe(true)
  act(() => result.current.carry.leave())
  expect(read(result.current.content)).toBe('ab c')
})

it('is put down where one clicks, whatever was aimed at', () => {
  const { result } = use()
  act(() => result.current.carry.pickUp(['c'], { section: 's2', at: 0 }))
  act(() => result.current.carry.aim({ section: 's1', at: 2 }))
  act(() => result.current.carry.putDown({ section: 's1', at: 1 }))
  expect(read(result.current.content)).toBe('acb ')
})
