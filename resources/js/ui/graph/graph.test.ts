import { describe, expect, test } from 'vitest'
import { kept, pixelOf, spotAt } from './frame'
import { type Ground, made, otherSide, read, sideOf, snapped, written } from './graph'

const axis = { from: '-5', to: '5', step: '1', name: '', unit: '' }
const ground: Ground = {
  surface: 'plane',
  tools: [],
  dashes: false,
  max: null,
  snap: '1/2',
  x: axis,
  y: { ...axis, from: '0', to: '20' },
  frame: { width: 280, height: 260, left: 40, top: 20, right: 240, bottom: 220 },
  grid: '',
  figures: '',
}

describe('places of a grid', () => {
  test.each([
    [0.26, '1/2', '1/2'],
    [-1.24, '1/2', '-1'],
    [0.3, '0.1', '0.3'], // no 0.30000000000000004
    [7 / 3, '1/3', '7/3'],
    [2.34567, null, '2.35'],
  ])('%d kept to %s is %s', (at, step, text) => {
    expect(snapped(at, step, 0.01)).toBe(text)
  })

  test('pixels and units are each other’s way back, and nothing lies outside', () => {
    expect(pixelOf(ground, 0, 10)).toEqual([140, 120])
    expect(spotAt(ground, { x: 140, y: 120 })).toEqual({ x: '0', y: '10' })
    expect(spotAt(ground, { x: 1000, y: -50 })).toEqual({ x: '5', y: '20' })
    expect(kept({ ...ground, y: null }, 1.2, 7)).toEqual({ x: '1', y: '0' })
  })
})

describe('figures from places', () => {
  const places = [
    { x: '0', y: '1' },
    { x: '2', y: '5' },
    { x: '0', y: '9' },
  ]
  test('an inequality has its side last, and says how it is drawn', () => {
    expect(made('inequality', places, true, [], false)).toEqual({
      figure: 'inequality',
      points: [
        ['0', '1'],
        ['2', '5'],
      ],
      side: ['0', '9'],
      dashed: true,
    })
    expect(made('inequality', places.slice(0, 1), true, [], false)).toBeNull()
  })

  test('a line says how it is drawn only where there is a choice', () => {
    expect(made('line', places.slice(0, 2), null, [], false)).not.toHaveProperty('dashed')
    expect(made('line', places.slice(0, 2), false, [], false)).toHaveProperty('dashed', false)
    expect(made('point', places.slice(0, 1), true, [], false)).not.toHaveProperty('dashed')
  })

  test('the other side of a boundary, by points or by a formula', () => {
    const byPoints = {
      figure: 'inequality',
      points: [
        ['0', '1/2'],
        ['2', '5'],
      ],
      side: ['0', '9'],
    }
    expect(otherSide(byPoints).side).toEqual(['0', '-8'])
    const byFormula = { figure: 'inequality', expression: 'x^2', side: sideOf(axis, true) }
    expect([byFormula.side, otherSide(byFormula).side]).toEqual([
      ['0', '1000000'],
      ['0', '-1000000'],
    ])
  })

  test('a polygon needs three corners, an interval has ends', () => {
    expect(made('polygon', places.slice(0, 2), null, [], false)).toBeNull()
    expect(made('interval', places.slice(0, 2), null, ['open', 'closed'], true)).toEqual({
      figure: 'interval',
      points: [['0'], ['2']],
      ends: ['open', 'closed'],
    })
  })

  test.each([
    ['(0, 1) (2, 5)', '(0, 1) (2, 5)'],
    ['( 0 ,1 )(−2,1/3)', '(0, 1) (-2, 1/3)'],
    ['(0, = 2(a + 1)) (1, 3)', '(0, = 2(a + 1)) (1, 3)'],
  ])('%s is read as %s', (typed, back) => {
    expect(written({ figure: 'line', points: read(typed, false) ?? [] })).toBe(back)
  })

  test.each(['', '(0, 1', '(one, 2)', '(1, 2, 3)'])('“%s” is no row of places', (typed) => {
    expect(read(typed, false)).toBeNull()
  })
})
