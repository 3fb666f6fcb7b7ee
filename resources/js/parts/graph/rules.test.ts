import { expect, test } from 'vitest'
import type { Figure } from '@/ui/graph/graph'
import { asRegion, type FigureRule, figuresOf, withFigures } from './rules'

const line = (x: string): Figure =>
  ({
    figure: 'line',
    points: [
      [x, '0'],
      [x, '1'],
    ],
  }) as Figure
const half = (y: string): Figure => ({ figure: 'inequality', y }) as unknown as Figure
const rule = (id: string, figure: Figure, credit = '1'): FigureRule => ({ id, on: { figure, tolerance: '0' }, credit })
const shown = (rules: FigureRule[]) => rules.map((one) => [one.id, figuresOf(one).length, one.credit])

test('a figure that is drawn becomes an answer of its own', () => {
  expect(withFigures([rule('r1', line('1'))], [line('1'), line('2')], '0')).toEqual([rule('r1', line('1')), rule('r2', line('2'), '0')])
})

test('a figure that is moved stays the answer it was, with what it earns', () => {
  expect(withFigures([rule('r1', line('1'), '1/2'), rule('r2', line('2'))], [line('9'), line('2')], '0')).toEqual([
    rule('r1', line('9'), '1/2'),
    rule('r2', line('2')),
  ])
})

test('a figure that is taken away takes its answer along, and no other', () => {
  const rules = [rule('r1', line('1')), rule('r2', line('2'), '1/2'), rule('r3', line('3'))]
  expect(withFigures(rules, [line('1'), line('3')], '0')).toEqual([rules[0], rules[2]])
  const alike = [rule('r1', line('1')), rule('r2', line('1'), '1/2')]
  expect(withFigures(alike, [line('1')], '0')).toHaveLength(1)
})

test('an answer that asks for properties has no figure, and is left alone', () => {
  const asks: FigureRule = { id: 'r1', on: { asks: [{ property: 'slope', value: '2' }], tolerance: '0' }, credit: '1' }
  expect(withFigures([asks, rule('r2', line('1'))], [], '0')).toEqual([asks])
})

test('inequalities become one region and single ones again', () => {
  const rules = [rule('r1', half('1')), rule('r2', line('1'), '1/2'), rule('r3', half('2'))]
  const together = asRegion(rules, true)
  expect(shown(together)).toEqual([
    ['r2', 1, '1/2'],
    ['r1', 2, '1'],
  ])
  expect(together[1]?.on.figure).toBeUndefined()
  expect(shown(asRegion(together, false))).toEqual([
    ['r2', 1, '1/2'],
    ['r1', 1, '1'],
    ['r3', 1, '1'],
  ])
  expect(asRegion([rule('r1', line('1'))], true)).toEqual([rule('r1', line('1'))])
})

test('one more inequality goes to the region, and one taken away leaves it', () => {
  const region = asRegion([rule('r1', half('1')), rule('r2', half('2'))], true)
  expect(shown(withFigures(region, [half('1'), half('2'), half('3')], '0'))).toEqual([['r1', 3, '1']])
  expect(shown(withFigures(region, [half('2')], '0'))).toEqual([['r1', 1, '1']])
  expect(withFigures(region, [], '0')).toEqual([])
})
