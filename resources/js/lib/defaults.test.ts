import { expect, test } from 'vitest'
import type { Part, QuestionJson } from '@/api/question'
import { partWith, questionWith } from './defaults'

const part = (points: number, settings: Record<string, unknown>): Part => ({ id: 'p1', kind: 'choice', points, settings }) as Part
const question = (parts: Part[]): QuestionJson =>
  ({ format: 'wide-quarry/question', version: 1, id: 'x', title: '', language: 'en', body: '', parts }) as QuestionJson

test.each([
  ['points of the bank', 1, { points: 3 }, 3],
  ['none where the bank says none', 1, {}, 1],
  ['none for an opinion, which earns nothing', 0, { points: 3 }, 0],
])('a new part begins with %s', (_, points, defaults, expected) => {
  expect(partWith(part(points, {}), defaults).points).toBe(expected)
})

test('a new part is shuffled as the bank says, where it can be shuffled', () => {
  expect(partWith(part(1, { shuffle: true, width: 8 }), { shuffle: false }).settings).toEqual({ shuffle: false, width: 8 })
  expect(partWith(part(1, { width: 8 }), { shuffle: false }).settings).toEqual({ width: 8 })
  expect(partWith(part(1, { shuffle: true }), {}).settings).toEqual({ shuffle: true })
})

test('a new question takes over what the bank begins with, and nothing that it does not say', () => {
  const plain = question([part(1, { shuffle: true })])
  expect(questionWith(plain, {})).toEqual(plain)
  expect(questionWith(plain, { time_limit: null })).toEqual(plain)
  const defaults = {
    language: 'de',
    attempts: { allowed: 3, cost: '1/3' },
    normalise: { case: 'keep' },
    tools: { ruler: true },
    time_limit: 90,
  }
  expect(questionWith(plain, { ...defaults, points: 2 })).toMatchObject({ ...defaults, parts: [{ points: 2 }] })
  expect(plain).toEqual(question([part(1, { shuffle: true })])) // what was given is left alone
})
