import { describe, expect, it } from 'vitest'
import type { Content, Entry } from '@/api/assembly'
import {
  dissolved,
  gathered,
  inserted,
  isDraw,
  moved,
  pooled,
  questionsOf,
  stepped,
  unasked,
  withCopies,
  withDraw,
  withNewDraw,
  withoutSection,
  withPoints,
  withSection,
  withSources,
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
    expect(read(dissolved(withDraw(drawn, 'd1', { points: 2 }), 'd1', ['b', 'c', 'd']))).toBe('ae-be-ce-d e')
    expect(dissolved(withDraw(drawn, 'd1', { points: 2 }), 'd1', ['b', 'c', 'd']).sections[0]?.entries[1]).toMatchObject({ points: 2 })
  })
  it('takes no question that is asked already, and loses what is taken out', () => {
    expect(questionsOf(pooled(drawn, 'd1', ['e', 'f']))).toEqual(['a', 'b', 'c', 'd', 'f', 'e'])
    expect(questionsOf(unasked(unasked(drawn, 'c'), 'a'))).toEqual(['b', 'd', 'e'])
    expect(read(inserted(drawn, 'b', 1, 's1', 0))).toBe('ad1 e')
  })
})

describe('what a draw draws from', () => {
  const easy = { draw: 2, conditions: { difficulty: ['1'] }, banks: ['rocks'] }
  const [one, id] = withNewDraw(make('ab'), 's1', 'Easy ones', easy, 1.5)
  const draw = (content: Content) => content.sections[0]?.entries.find(isDraw)
  it('is whatever meets conditions, at the end of a section', () => {
    expect(id).toBe('d1')
    expect(draw(one)).toEqual({ id: 'd1', title: 'Easy ones', draw: 2, points: 1.5, from: [easy] })
    expect(questionsOf(one)).toEqual(['a', 'b'])
  })
  it('may be several, which draw so many together', () => {
    const two = withSources(one, 'd1', (from) => [...from, { draw: 3, pool: ['x', 'y', 'z'] }])
    expect(draw(two)?.draw).toBe(5)
    expect(questionsOf(two)).toEqual(['a', 'b', 'x', 'y', 'z'])
    expect(draw(unasked(two, 'y'))?.from?.[1]?.pool).toEqual(['x', 'z'])
    expect(draw(withSources(two, 'd1', (from) => from.slice(1)))).toMatchObject({ draw: 3, pool: ['x', 'y', 'z'] })
    expect(draw(withSources(two, 'd1', () => []))).toEqual(draw(two))
  })
  it('takes questions that are added as a list beside its conditions', () => {
    expect(draw(pooled(one, 'd1', ['a', 'x']))?.from).toEqual([easy, { draw: 1, pool: ['x'] }])
  })
})

it('copies entries of another assessment as they stand there, each once', () => {
  const there: Entry[] = [
    { id: 'e1', question: 'b', points: 3 },
    { id: 'e2', question: 'c', points: 4 },
    { id: 'd1', draw: 1, pool: ['a', 'x'] },
  ]
  expect(withCopies(make('ab'), 's1', there).sections[0]?.entries.slice(2)).toEqual([
    { id: 'c1', question: 'c', points: 4 },
    { id: 'c2', draw: 1, pool: ['a', 'x'] },
  ])
})
