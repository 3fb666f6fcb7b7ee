import { expect, it } from 'vitest'
import { calculate } from './calculate'

it.each([
  ['1/3 + 1/6', { value: '0.5', fraction: '1/2' }],
  ['0.1 + 0.2', { value: '0.3', fraction: '3/10' }],
  ['2 + 3 × 4', { value: '14' }],
  ['(2 + 3) × 4', { value: '20' }],
  ['2^10', { value: '1024' }],
  ['2²', { value: '4' }],
  ['7 ÷ 2 − 5', { value: '−1.5', fraction: '-3/2' }],
  ['50% × 80', { value: '40' }],
  ['2,5 × 2', { value: '5' }],
  ['√(2)', { value: '1.414213562' }],
  ['sin(30)', { value: '0.5' }],
  ['tan(45)', { value: '1' }],
  ['asin(0.5)', { value: '30' }],
  ['log(1000)', { value: '3' }],
  ['ln(e)', { value: '1' }],
  ['5!', { value: '120' }],
  ['2π', { value: '6.283185307' }],
  ['M + 1', { value: '13' }],
  ['', { problem: 'empty' }],
  ['1/0', { problem: 'zero' }],
  ['tan(90)', { problem: 'zero' }],
  ['√(0 − 4)', { problem: 'none' }],
  ['ln(0)', { problem: 'none' }],
  ['(2 + 3', { problem: 'syntax' }],
  ['2 +', { problem: 'syntax' }],
  ['9^9^9^9', { problem: 'zero' }],
  ['((9^99)^99)^99', { problem: 'zero' }],
  ['foo(2)', { problem: 'unknown', name: 'foo' }],
])('%s', (typed, worked) => expect(calculate(typed, 'degrees', '12')).toEqual(worked))

it('takes angles in radians where asked', () => {
  expect(calculate('sin(π/2)', 'radians', '')).toEqual({ value: '1' })
  expect(calculate('atan(1) × 4', 'radians', '')).toEqual({ value: '3.141592654' })
})

it.each(['import("x")', 'createUnit("foo")', 'evaluate("1")', 'parse("1")', 'x = 2', 'f(x) = x'])(
  'does nothing but arithmetic: %s',
  (typed) => {
    expect(calculate(typed, 'degrees', '')).toHaveProperty('problem')
  },
)
