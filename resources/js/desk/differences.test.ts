import { expect, it } from 'vitest'
import type { QuestionJson } from '@/api/question'
import { differences, merged } from './differences'

const base: QuestionJson = {
  format: 'wide-quarry/question',
  version: 1,
  id: 'x',
  title: 'A',
  language: 'en',
  body: '<p>a</p>',
  parts: [
    { id: 'p1', kind: 'text', points: 1 },
    { id: 'p2', kind: 'text', points: 1 },
  ],
}

it('names what differs and merges thing by thing', () => {
  const mine = { ...base, title: 'Mine', parts: [{ id: 'p1', kind: 'text', points: 5 }, base.parts[1] as never] }
  const theirs = { ...base, title: 'Theirs', body: '<p>theirs</p>', parts: [base.parts[0] as never, { id: 'p2', kind: 'text', points: 7 }] }
  expect(differences(mine, theirs).map((one) => one.field)).toEqual(['title', 'body', 'part p1', 'part p2'])
  const both = merged(mine, theirs, { body: 'theirs', 'part p2': 'theirs' })
  expect([both.title, both.body, both.parts.map((part) => part.points)]).toEqual(['Mine', '<p>theirs</p>', [5, 7]])
})

it('treats another set of parts as one thing', () => {
  const theirs = { ...base, parts: [] }
  expect(differences(base, theirs).map((one) => one.field)).toEqual(['parts'])
  expect(merged(base, theirs, { parts: 'theirs' }).parts).toEqual([])
  expect(merged(base, theirs, {}).parts).toHaveLength(2)
})
