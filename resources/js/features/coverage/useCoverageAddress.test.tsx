import { act, renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { MemoryRouter, useLocation } from 'react-router'
import { expect, test } from 'vitest'
import { useCoverageAddress } from './useCoverageAddress'

const at = (address: string) =>
  renderHook(() => ({ coverage: useCoverageAddress(), search: useLocation().search }), {
    wrapper: ({ children }: { children: ReactNode }) => <MemoryRouter initialEntries={[`/coverage?${address}`]}>{children}</MemoryRouter>,
  }).result
const asked = (address: string, framework: string, banks: string[]) =>
  Object.fromEntries(new URLSearchParams(at(address).current.coverage.query(framework, banks)))

test('nothing is asked for before a tree is chosen', () => {
  expect(at('').current.coverage.query('', [])).toBe('')
})

test('a framework over some banks, with what is usual', () => {
  expect(at('').current.coverage.query('f1', ['rocks', 'maps'])).toBe('tree=f1&bank=rocks&bank=maps&layers=difficulty&least=1&levels=3')
})

test('topics are those of their own bank, unless another is looked at', () => {
  expect(asked('topics=rocks', 'f1', [])).toMatchObject({ topics: 'rocks', bank: 'rocks' })
  expect(asked('topics=rocks', '', ['maps'])).toMatchObject({ topics: 'rocks', bank: 'maps' })
})

test.each([
  ['least=0&levels=x', { least: '1', levels: '3' }],
  ['least=-4', { least: '1' }],
  ['layers=colour', { layers: 'difficulty' }],
  ['layers=points&approved=1', { layers: 'points', approved: '1' }],
  ['through=1&touches=1', { through: '1' }],
])('what the address says badly is taken as usual: %s', (address, expected) => {
  expect(asked(address, 'f1', [])).toMatchObject(expected)
})

test('counting through crosswalks leaves out what is only touched', () => {
  expect(asked('through=1&touches=1', 'f1', [])).not.toHaveProperty('touches')
})

test.each([
  ['', 'n1', null, '/find?assesses=n1'],
  ['bank=rocks', 'n1', '3', '/banks/rocks?assesses=n1&difficulty=3'],
  ['bank=rocks&bank=maps', 'n1', '3', '/find?assesses=n1&difficulty=3&bank=rocks&bank=maps'],
  ['bank=rocks&touches=1', 'n1', '', '/banks/rocks?standard=n1&no=difficulty'],
  ['bank=rocks&through=1&layers=points', 'n1', '2-3', '/banks/rocks?covers=n1&points=2..3.9999'],
  ['bank=rocks&layers=points', 'n1', '7+', '/banks/rocks?assesses=n1&points=7..'],
  ['topics=rocks', 't1', '2', '/banks/rocks?topic=t1&difficulty=2'],
  ['assessment=a1&bank=rocks', 'n1', '2', null],
])('the questions of a cell (%s) are listed at their address', (address, node, value, expected) => {
  expect(at(address).current.coverage.listOf(node, value)).toBe(expected)
})

test.each([
  ['', 's1', '4', '/banks/rocks/write?standard=s1&difficulty=4'],
  ['layers=kind', 's1', 'choice', '/banks/rocks/write?standard=s1'],
  ['topics=maps', 't1', '', '/banks/rocks/write?topic=t1&topics=maps'],
])('a new question for a cell (%s) is classified so', (address, node, value, expected) => {
  expect(at(address).current.coverage.writeAt('rocks', node, value)).toBe(expected)
})

test('what is changed stands in the address', () => {
  const result = at('framework=f1&bank=rocks')
  act(() => result.current.coverage.set('layers', 'kind'))
  expect(new URLSearchParams(result.current.search).get('layers')).toBe('kind')
  expect(result.current.coverage.by).toBe('kind')
})
