import { describe, expect, it } from 'vitest'
import type { Content } from '@/api/assembly'
import { inserted, moved, stepped, withoutSection, withPoints, withSection } from './edit'

const make = (...sections: string[]): Content => ({
  format: 'wide-quarry/assessment',
  version: 1,
  id: 'x',
  title: 'T',
  sections: sections.map((entries, i) => ({ id: `s${i + 1}`, entries: [...entries].map((id) => ({ id, question: id })) })),
})
const read = (content: Content) => content.sections.map((section) => section.entries.map((entry) => entry.id).join('')).join(' ')

describe('moving entries', () => {
  it.each([
    ['down within a section', ['abcd'], ['a'], 's1', 3, 'bcad'],
    ['up within a section', ['abcd'], ['d'], 's1', 1, 'adbc'],
    ['to where they are', ['abcd'], ['b'], 's1', 1, 'abcd'],
    ['several, in their order', ['abcd'], ['d', 'a'], 's1', 2, 'badc'],
    ['to another section', ['ab', 'cd'], ['a'], 's2', 1, 'b cad'],
    ['to the end', ['ab', ''], ['a', 'b'], 's2', 0, ' ab'],
    ['to nowhere', ['ab'], ['a'], 's9', 0, 'ab'],
  ] as const)('%s', (_, sections, ids, to, at, after) => {
    expect(read(moved(make(...sections), [...ids], to, at))).toBe(after)
  })
  it.each([
    ['b', -1, 'bac d'],
    ['a', -1, 'abc d'],
    ['c', 1, 'ab cd'],
    ['d', -1, 'abcd '],
    ['d', 1, 'abc d'],
  ] as const)('%s by %i', (id, by, after) => {
    expect(read(stepped(make('abc', 'd'), id, by))).toBe(after)
  })
})

it('puts a question in once', () => {
  expect(read(inserted(make('ab'), 'c', 1, 's1', 1))).toBe('ae-cb')
  expect(read(inserted(make('ab'), 'b', 1, 's1', 0))).toBe('ab')
})

it('sets points and takes them back', () => {
  const set = withPoints(make('ab'), ['b'], 2)
  expect(set.sections[0]?.entries).toEqual([
    { id: 'a', question: 'a' },
    { id: 'b', question: 'b', points: 2 },
  ])
  expect(withPoints(set, ['b'], null)).toEqual(make('ab'))
})

it('adds a section under a name of its own, and removes one without losing questions', () => {
  expect(withSection(make('a', 'b')).sections.map((one) => one.id)).toEqual(['s1', 's2', 's3'])
  expect(read(withoutSection(make('a', 'b', 'c'), 's2'))).toBe('ab c')
  expect(read(withoutSection(make('a', 'b'), 's1'))).toBe('ab')
  expect(read(withoutSection(make('a'), 's1'))).toBe('a')
})
