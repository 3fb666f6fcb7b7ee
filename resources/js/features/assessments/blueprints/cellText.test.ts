import { describe, expect, it } from 'vitest'
import { cellText, rangeText, readCell, sumOf } from './cellText'

const words = { all: 'all' }

describe('what a cell asks for', () => {
  it.each([
    ['4', { count: { min: 4, max: 4 } }, '4'],
    ['0', { count: { min: 0, max: 0 } }, '0'],
    ['2-4', { count: { min: 2, max: 4 } }, '2–4'],
    ['2 – 4', { count: { min: 2, max: 4 } }, '2–4'],
    ['2 to 4', { count: { min: 2, max: 4 } }, '2–4'],
    ['3+', { count: { min: 3 } }, '3+'],
    ['>= 3', { count: { min: 3 } }, '3+'],
    ['≤5', { count: { max: 5 } }, '≤5'],
    [' All ', { all: true }, 'all'],
  ])('reads %s', (typed, wanted, shown) => {
    expect(readCell(typed, 'count', words)).toEqual(wanted)
    expect(cellText(readCell(typed, 'count', words) ?? undefined, 'count', words)).toBe(shown)
  })

  it('leaves an empty cell empty', () => expect(readCell('  ', 'count', words)).toBeUndefined())

  it.each(['4-2', 'many', '-1', '1.5', '1e9', '2-3-4'])('cannot read %s', (typed) => expect(readCell(typed, 'count', words)).toBeNull())

  it('takes half points', () => expect(readCell('2,5', 'points', words)).toEqual({ points: { min: 2.5, max: 2.5 } }))

  it('adds up, as far as there is an end', () => {
    expect(rangeText(sumOf([{ min: 2, max: 3 }, { min: 4, max: 4 }, undefined]))).toBe('6+')
    expect(
      rangeText(
        sumOf([
          { min: 2, max: 3 },
          { min: 4, max: 4 },
        ]),
      ),
    ).toBe('6–7')
    expect(rangeText(sumOf([{ min: 2 }, { max: 4 }]))).toBe('2+')
  })
})
