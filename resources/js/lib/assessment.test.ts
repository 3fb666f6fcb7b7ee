import { describe, expect, it } from 'vitest'
import type { Content } from '@/api/assembly'
import {
  dissolved,
  gathered,
  inserted,
  moved,
  pooled,
  questionsOf,
  stepped,
  unasked,
  withDraw,
  withoutSection,
  withPoints,
  withSection,
} from './assessment'

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

describe('draws', () => {
  const drawn = gathered(make('abc', 'de'), ['b', 'd', 'c'])
  it('stands where the first of its pool stood, with half of them', () => {
    expect(read(drawn)).toBe('ad1 e')
    expect(drawn.sections[0]?.entries[1]).toEqual({ id: 'd1', draw: 1, pool: ['b', 'c', 'd'] })
    expect(questionsOf(drawn)).toEqual(['a', 'b', 'c', 'd', 'e'])
  })
  it('needs two, and takes their points when they are the same', () => {
    expect(gathered(make('ab'), ['a'])).toEqual(make('ab'))
    expect(gathered(drawn, ['d1', 'a'])).toEqual(drawn)
    expect(gathered(withPoints(make('ab'), ['a', 'b'], 3), ['a', 'b']).sections[0]?.entries[0]).toMatchObject({ id: 'd1', points: 3 })
    expect(gathered(withPoints(make('ab'), ['a'], 3), ['a', 'b']).sections[0]?.entries[0]).not.toHaveProperty('points')
  })
  it('takes another identifier than the draw before', () => {
    expect(read(gathered(gathered(make('abcd'), ['a', 'b']), ['c', 'd']))).toBe('d1d2')
  })
  it('is asked one by one again', () => {
    expect(read(dissolved(withDraw(drawn, 'd1', { points: 2 }), 'd1'))).toBe('ae-be-ce-d e')
    expect(dissolved(withDraw(drawn, 'd1', { points: 2 }), 'd1').sections[0]?.entries[1]).toMatchObject({ points: 2 })
  })
  it('takes no question that is asked already, and loses what is taken out', () => {
    expect(questionsOf(pooled(drawn, 'd1', ['e', 'f']))).toEqual(['a', 'b', 'c', 'd', 'f', 'e'])
    expect(questionsOf(unasked(unasked(drawn, 'c'), 'a'))).toEqual(['b', 'd', 'e'])
    expect(read(inserted(drawn, 'b', 1, 's1', 0))).toBe('ad1 e')
  })
})
