import { expect, test } from 'vitest'
import { isPositive, isZero } from './credit'

test.each([
  ['1', true, false],
  ['1/3', true, false],
  ['0.25', true, false],
  ['+2', true, false],
  ['5e-1', true, false],
  ['0', false, true],
  ['0.0', false, true],
  ['0/7', false, true],
  ['-0', false, true],
  ['0e5', false, true],
  ['-1/2', false, false],
  ['-0.5', false, false],
])('%s is above zero: %s, is zero: %s', (credit, positive, zero) => {
  expect(isPositive(credit)).toBe(positive)
  expect(isZero(credit)).toBe(zero)
})
