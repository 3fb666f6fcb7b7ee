import { expect, test } from 'vitest'
import type { QuestionJson } from '@/api/question'
import { fitting } from './marks'

const levels = [{ id: 'l1', points: 1, html: '' }]
const question = (criteria: string[], scheme = 'person') =>
  ({
    parts: [
      {
        id: 'p1',
        kind: 'essay',
        points: 2,
        key: { rubric: { criteria: criteria.map((id) => ({ id, title: id, levels })) } },
        scoring: { scheme },
      },
    ],
  }) as unknown as QuestionJson

test.each([
  ['all still there', question(['a', 'b']), { a: { level: 'l1' }, b: { points: '0' } }, 0],
  ['a criterion deleted while marking', question(['a']), { a: { level: 'l1' } }, 1],
  [
    'the rubric taken off',
    { parts: [{ id: 'p1', kind: 'essay', points: 2, scoring: { scheme: 'person' } }] } as unknown as QuestionJson,
    undefined,
    2,
  ],
])('%s', (_, now, criteria, left) => {
  const kept = fitting(now, { p1: { criteria: { a: { level: 'l1' }, b: { points: '0' } }, note: 'good' } })
  expect(kept.left).toBe(left)
  expect(kept.marks.p1?.criteria).toEqual(criteria)
  expect(kept.marks.p1?.note).toBe('good')
})

test('a part that its key marks by now has no marks', () => {
  expect(fitting(question(['a'], 'weights'), { p1: { criteria: { a: { level: 'l1' } } } })).toEqual({ marks: {}, left: 1 })
})
