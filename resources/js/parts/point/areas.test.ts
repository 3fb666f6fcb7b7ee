import { expect, test } from 'vitest'
import { type AreaRule, creditOf, innerFirst } from './areas'

const circle = (id: string, x: number, r: number, credit = '1'): AreaRule => ({
  id,
  on: { shape: 'circle', at: [String(x), '50', String(r)] },
  credit,
})
const ids = (rules: AreaRule[]) => rules.map((rule) => rule.id).join(' ')

test('an area within another one stands before it; others stay where their author put them', () => {
  expect(ids(innerFirst([circle('out', 50, 40), circle('in', 50, 10), circle('far', 300, 10)]))).toBe('in out far')
  expect(ids(innerFirst([circle('c', 50, 40), circle('b', 50, 20), circle('a', 50, 5)]))).toBe('a b c')
  expect(ids(innerFirst([circle('one', 50, 10), circle('two', 55, 10)]))).toBe('one two')
  expect(ids(innerFirst([circle('same', 50, 10), circle('twin', 50, 10)]))).toBe('same twin')
  const undrawn = { ...circle('undrawn', 0, 0), on: { shape: 'circle' as const, at: ['x'] } }
  expect(ids(innerFirst([circle('out', 50, 40), undrawn, circle('in', 50, 10)]))).toBe('in out undrawn')
})

test('a new area earns all, and half where it lies around one that earns', () => {
  expect(creditOf({ shape: 'circle', n: [50, 50, 40] }, [])).toBe('1')
  expect(creditOf({ shape: 'circle', n: [50, 50, 40] }, [circle('in', 50, 10)])).toBe('1/2')
  expect(creditOf({ shape: 'circle', n: [50, 50, 40] }, [circle('in', 50, 10, '0')])).toBe('1')
})
