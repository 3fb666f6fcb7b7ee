import { describe, expect, it } from 'vitest'
import type { Line } from '@/api/documents'
import { lookOf, withCorrection, withoutLines, withPoints, wordOf } from './corrections'

const line = (option: number | null, looks: string[]): Line => ({ number: 1, html: '', option, looks })

describe('corrections', () => {
  it('adds one and takes it back without leaving anything behind', () => {
    const one = withCorrection({}, 'lines', '4', 'question')
    expect(one).toEqual({ lines: { 4: 'question' } })
    expect(withCorrection(one, 'keys', '2', [0])).toEqual({ lines: { 4: 'question' }, keys: { 2: [0] } })
    expect(withCorrection(one, 'lines', '4', null)).toEqual({})
  })

  it('leaves out all paragraphs of a question', () => {
    expect(withoutLines({ lines: { 4: 'question' } }, [7, 8])).toEqual({ lines: { 4: 'question', 7: 'unused', 8: 'unused' } })
  })

  it('sets and removes points', () => {
    expect(withPoints({ looks: { bold: 'key' } }, '2')).toEqual({ looks: { bold: 'key' }, points: '2' })
    expect(withPoints({ points: '2' }, ' ')).toEqual({})
  })

  it.each([
    ['R: because it cools', 'R:'],
    ['<strong>Reason why:</strong> heat', 'Reason why:'],
    ['A sentence without one', null],
    ['12:30 is the time', null],
    ['Nothing behind it:', null],
  ])('finds the words before a colon in %s', (html, word) => {
    expect(wordOf(html)).toBe(word)
  })

  it('names what sets an option apart from the others', () => {
    const lines = [line(null, ['bold']), line(0, ['italic']), line(1, ['italic', 'highlight:ffff00', 'highlight']), line(2, ['italic'])]
    expect(lookOf(lines, 1)).toBe('highlight')
    expect(lookOf(lines, 0)).toBeNull()
    expect(lookOf([line(0, ['bold']), line(1, ['bold'])], 0)).toBeNull()
  })
})
