import { expect, it } from 'vitest'
import { classificationOf } from './classificationOf'

it('finds what half of the questions have, and nothing that fewer have', () => {
  const slate = { topics: [['Rocks', 'Slate']], difficulty: 2 }
  expect(classificationOf([slate, slate, { topics: [['Rocks', 'Chalk']], difficulty: 3 }])).toEqual({
    topic: ['Rocks', 'Slate'],
    standard: undefined,
    difficulty: 2,
  })
  expect(classificationOf([slate, {}, {}])).toEqual({ topic: undefined, standard: undefined, difficulty: undefined })
  expect(classificationOf([])).toEqual({ topic: undefined, standard: undefined, difficulty: undefined })
})
