import { act, renderHook } from '@testing-library/react'
import type { PropsWithChildren } from 'react'
import { BrowserRouter, useLocation } from 'react-router'
import { expect, test } from 'vitest'
import { useFilter } from './useFilter'

function render(address: string) {
  window.history.replaceState(null, '', address)
  const wrapper = ({ children }: PropsWithChildren) => <BrowserRouter>{children}</BrowserRouter>
  return renderHook(() => ({ filter: useFilter(), search: useLocation().search }), { wrapper })
}

test('reads every condition from the address, and nothing else', () => {
  const { result } = render('/banks/rocks?words=slate&kind=choice&kind=text&not-tag=old&points=1..3&question=q1&group=place&empty=')
  const { filter } = result.current
  expect(filter.words).toBe('slate')
  expect(filter.values('kind')).toEqual(['choice', 'text'])
  expect(filter.left('tag')).toEqual(['old'])
  expect(filter.range('points')).toEqual(['1', '3'])
  expect([filter.sort, filter.group, filter.question, filter.any]).toEqual(['best', 'place', 'q1', true])
  expect(filter.query).toBe('words=slate&kind=choice&kind=text&not-tag=old&points=1..3')
})

test('a value is wanted or excluded, never both, and a second time neither', () => {
  const { result } = render('/banks/rocks?tag=old&tag=new')
  act(() => result.current.filter.leaveOut('tag', 'old'))
  expect([result.current.filter.values('tag'), result.current.filter.left('tag')]).toEqual([['new'], ['old']])
  act(() => result.current.filter.leaveOut('tag', 'old'))
  expect(result.current.filter.left('tag')).toEqual([])
  act(() => result.current.filter.toggle('tag', 'new'))
  expect(result.current.filter.any).toBe(false)
})

test('groups and ungroups without touching the conditions', () => {
  const { result } = render('/banks/rocks?kind=choice')
  act(() => result.current.filter.setGroup('place'))
  expect(result.current.search).toBe('?kind=choice&group=place')
  act(() => result.current.filter.setGroup(''))
  expect(result.current.search).toBe('?kind=choice')
})

test('one folder alone is shown in its own order, and clearing keeps the sort', () => {
  const { result } = render('/banks/rocks?folder=a&folder=b')
  act(() => result.current.filter.setPlace('b'))
  expect(result.current.search).toBe('?place=b&sort=own')
  act(() => result.current.filter.clear())
  expect(result.current.search).toBe('?sort=own')
})

test('an empty range or empty words are no condition', () => {
  const { result } = render('/banks/rocks?words=slate&points=1..2')
  act(() => result.current.filter.setWords('  '))
  act(() => result.current.filter.setRange('points', '', ''))
  expect(result.current.filter.any).toBe(false)
})
