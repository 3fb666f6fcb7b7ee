import { expect, test } from 'vitest'
import { freshRubric, isBlank, readPoints, withScheme, writePoints } from './levels'

test.each([
  ['2', 2],
  ['0.5', 0.5],
  ['1,5', 1.5],
  ['-1', -1],
  ['−1', -1],
  ['1-3', { from: 1, to: 3 }],
  ['1 – 3', { from: 1, to: 3 }],
  ['1 to 3', { from: 1, to: 3 }],
  ['-2–-1', { from: -2, to: -1 }],
  ['', null],
  ['two', undefined],
  ['1-', undefined],
  ['0.12345', undefined],
])('%s is read as %s', (typed, points) => {
  expect(readPoints(typed)).toEqual(points)
  if (points !== undefined && points !== null && typeof points !== 'object') expect(readPoints(writePoints(points))).toEqual(points)
})

test('another scheme loses nothing that was written', () => {
  const rubric = freshRubric('analytic')
  const first = rubric.criteria[0]
  if (!first) throw new Error('no criterion')
  const written = { ...rubric, criteria: [{ ...first, title: 'Process' }] }
  expect(withScheme(withScheme(written, 'checklist'), 'analytic')).toEqual(written)
  expect([isBlank(rubric), isBlank(written)]).toEqual([true, false])
})
