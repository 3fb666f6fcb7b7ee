import { beforeEach, expect, test } from 'vitest'
import { keepHere } from './localDraft'
import { unsaved } from './unsaved'

beforeEach(() => localStorage.clear())

const onServer = { content: { text: 'older' }, base_revision: 1 } as never

test('what never reached the server wins over an older draft there', () => {
  keepHere('q1', { content: { text: 'newest' }, base: 2, at: 1 })
  expect(unsaved('q1', onServer)).toMatchObject({ content: { text: 'newest' }, base: 2 })
})

test('without anything here, the draft of the server is used', () => {
  expect(unsaved('q1', onServer)).toEqual({ content: { text: 'older' }, base: 1 })
  expect(unsaved('q1', null)).toBeNull()
})

test('a draft of another question, or a broken one, is not used', () => {
  keepHere('q2', { content: { text: 'of another' }, base: 1, at: 1 })
  localStorage.setItem('typed:q1', '{"content":')
  expect(unsaved('q1', onServer)).toEqual({ content: { text: 'older' }, base: 1 })
})
