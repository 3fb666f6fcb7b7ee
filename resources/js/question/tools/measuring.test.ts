import { describe, expect, test } from 'vitest'
import { along, angleTo, byKey, turned } from './measuring'

const laid = { x: 100, y: 100, turn: 0, mark: 3 }

describe('a ruler or protractor', () => {
  test.each([
    [{ x: 10, y: 0 }, 0],
    [{ x: 0, y: -10 }, 90],
    [{ x: -10, y: 0 }, 180],
    [{ x: 10, y: 10 }, 315],
  ])('the angle to %o is %i', (to, angle) => {
    expect(angleTo({ x: 0, y: 0 }, to)).toBe(angle)
  })

  test('is turned by the shorter way', () => {
    expect([turned(270), turned(-190), turned(180), turned(540)]).toEqual([-90, 170, 180, 180])
  })

  test('measures along itself, however it is turned', () => {
    expect(along(laid, { x: 150, y: 90 })).toBeCloseTo(50)
    expect(along({ ...laid, turn: 90 }, { x: 110, y: 60 })).toBeCloseTo(40) // up is along it
  })

  test('moves, turns and is set by keys, and leaves others alone', () => {
    expect(byKey(laid, 'ArrowUp', false, 10, 0.1)).toMatchObject({ x: 100, y: 92 })
    expect(byKey(laid, ',', true, 10, 0.1)?.turn).toBe(1)
    expect(byKey(laid, 'PageUp', false, 10, 2)?.mark).toBe(10)
    expect(byKey(laid, 'Enter', false, 10, 0.1)).toBeNull()
  })
})
