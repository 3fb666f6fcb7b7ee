import { expect, it } from 'vitest'
import { shownValue, stepOf, stepsOf, valueAt } from './scale'

it('knows every value of a scale exactly', () => {
  expect([0, 1, 3].map((i) => valueAt('0', '0.1', i))).toEqual(['0', '1/10', '3/10'])
  expect([0, 1, 2].map((i) => valueAt('-1', '1/3', i))).toEqual(['-1', '-2/3', '-1/3'])
  expect(stepsOf('0', '1', '0.1')).toBe(10)
  expect(stepsOf('1', '10', '1')).toBe(9)
  expect(stepOf('0', '0.1', '3/10')).toBe(3)
  expect(shownValue('3/10')).toBe('0.3')
})
