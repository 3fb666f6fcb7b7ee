import { describe, expect, test } from 'vitest'
import { between, boxOf, contains, doOverlap, drawn, isWithin, middle, numbersOf, reshaped, scaled, shifted } from './area'
import { lined, snapped } from './snap'
import { formBox, formScaled, formShifted, marksOf, type Thing, within } from './things'

describe('numbers', () => {
  test.each([
    [
      ['1', '2.5', '3/4'],
      [1, 2.5, 0.75],
    ],
    [['1', ''], null],
    [['x', '2'], null],
    [['1', { expr: 'a' }], null],
    [['1/0', '2'], null],
  ])('%j are %j', (at, numbers) => expect(numbersOf(at as string[])).toEqual(numbers))

  test('a shape with too few of them is not drawn', () => {
    expect(drawn({ shape: 'circle', at: ['1', '2'] })).toBeNull()
    expect(drawn({ shape: 'polygon', at: ['1', '2', '3', '4', '5'] })).toBeNull()
    expect(drawn({ shape: 'polygon', at: ['0', '0', '3', '4', '5', '0'] })).toEqual([0, 0, 3, 4, 5, 0])
  })
})

describe('shapes', () => {
  const circle = { shape: 'circle' as const, n: [50, 50, 10] }
  const around = { shape: 'ellipse' as const, n: [50, 50, 30, 20] }
  const beside = { shape: 'rectangle' as const, n: [58, 40, 90, 60] }

  test('lie within one another, overlap, or neither', () => {
    expect([isWithin(circle, around), isWithin(around, circle)]).toEqual([true, false])
    expect([doOverlap(circle, beside), doOverlap(circle, { shape: 'rectangle' as const, n: [70, 70, 80, 80] })]).toEqual([true, false])
  })

  test.each([
    ['circle', [10, 20, 5], { left: 5, top: 15, right: 15, bottom: 25 }],
    ['ellipse', [10, 20, 5, 2], { left: 5, top: 18, right: 15, bottom: 22 }],
    ['rectangle', [10, 20, 5, 2], { left: 5, top: 2, right: 10, bottom: 20 }],
    ['polygon', [1, 9, 4, 2, 7, 5], { left: 1, top: 2, right: 7, bottom: 9 }],
  ] as const)('a %s has a box', (shape, n, box) => expect(boxOf(shape, [...n])).toEqual(box))

  test('move, grow and change form by their handles', () => {
    expect(shifted('circle', [1, 2, 3], 10, 20)).toEqual([11, 22, 3])
    expect(shifted('polygon', [0, 0, 1, 0, 0, 1], 2, 3)).toEqual([2, 3, 3, 3, 2, 4])
    expect(scaled('circle', [10, 10, 4], 2, 0.5)).toEqual([20, 5, 2])
    expect(reshaped('rectangle', [0, 0, 10, 10], 2, { x: 20, y: 30 })).toEqual([0, 0, 20, 30])
    expect(reshaped('rectangle', [0, 0, 10, 10], 1, { x: 20, y: 5 })).toEqual([0, 5, 20, 10])
    expect(reshaped('circle', [0, 0, 10], 0, { x: 3, y: 4 })).toEqual([0, 0, 5])
    expect(reshaped('polygon', [0, 0, 9, 0, 0, 9], 1, { x: 5, y: 5 })).toEqual([0, 0, 5, 5, 0, 9])
    expect(between('rectangle', { x: 9, y: 8 }, { x: 1, y: 2 })).toEqual([1, 2, 9, 8])
    expect(between('ellipse', { x: 0, y: 0 }, { x: 10, y: 4 })).toEqual([5, 2, 5, 2])
  })

  test('a number stands inside, even where the middle of the box does not', () => {
    const hook = [0, 0, 30, 0, 30, 4, 4, 4, 4, 30, 0, 30]
    const { x, y } = middle('polygon', hook)
    expect(contains('polygon', [-1, -1, 31, -1, 31, 5, 5, 5, 5, 31, -1, 31], { x, y })).toBe(true)
  })
})

describe('lines', () => {
  const box = (left: number, top: number, size = 10) => ({ left, top, right: left + size, bottom: top + size })
  test('a box that is near takes hold of the side of another, or of the picture', () => {
    expect(snapped(box(103, 200), [box(100, 50, 100)], { width: 800, height: 500 }, 6)).toEqual({ dx: -3, dy: 0, guides: [{ x: 100 }] })
    expect(snapped(box(4, 4), [], { width: 800, height: 500 }, 6)).toEqual({ dx: -4, dy: -4, guides: [{ x: 0 }, { y: 0 }] })
    expect(snapped(box(150, 150), [box(20, 20)], { width: 800, height: 500 }, 6)).toEqual({ dx: 0, dy: 0, guides: [] })
  })

  test('several stand in line, or as far from one another', () => {
    expect(lined([box(0, 0), box(30, 7)], 'top')).toEqual([
      { dx: 0, dy: 0 },
      { dx: 0, dy: -7 },
    ])
    expect(lined([box(0, 0), box(70, 0), box(15, 0)], 'across').map(({ dx }) => dx)).toEqual([0, 0, 20])
  })

  test('nothing leaves the picture', () => {
    expect(within(box(5, 5), { width: 20, height: 20 }, -50, 50)).toEqual([-5, 5])
  })
})

describe('targets', () => {
  const target = { at: { x: 10, y: 10 }, box: { x: 40, y: 20 } }
  test('move and grow with their boxes', () => {
    expect(formBox(target)).toEqual({ left: 10, top: 10, right: 40, bottom: 20 })
    expect(formShifted(target, 1, 2)).toEqual({ at: { x: 11, y: 12 }, box: { x: 41, y: 22 } })
    expect(formScaled({ at: { x: 10, y: 10 }, box: null }, 2, 3)).toEqual({ at: { x: 20, y: 30 }, box: null })
  })

  test('numbers that would stand on one another are apart', () => {
    const thing = (id: string, r: number): Thing => ({
      id,
      number: 1,
      name: '',
      tone: 'plain',
      form: { shape: 'circle', n: [100, 100, r] },
    })
    const marks = marksOf([thing('a', 10), thing('b', 60)], 1)
    expect([marks.get('a'), marks.get('b')]).toEqual([
      { x: 100, y: 100 },
      { x: 100, y: 40 },
    ])
  })
})
