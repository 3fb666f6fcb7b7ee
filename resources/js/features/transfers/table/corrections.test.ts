import { describe, expect, it } from 'vitest'
import type { SheetMapping } from '@/api/tables'
import { withCell, withMapping, withMeaning, withSheet, withSkipped } from './corrections'

const sheet = (is: string[]): SheetMapping => ({
  sheet: 'Rocks',
  read: true,
  header: 1,
  first: 2,
  rows: 'question',
  keys: 'letter',
  decimal: '.',
  columns: is.map((one, i) => ({ column: String.fromCharCode(65 + i), heading: '', is: one })),
})

describe('corrections of a table', () => {
  it('leave nothing behind when they are taken back', () => {
    const one = withCell({}, 'C7', 'A')
    expect(one).toEqual({ cells: { C7: 'A' } })
    expect(withCell(one, 'C7', null)).toEqual({})
    const two = withSkipped(one, ['3', '4'], true)
    expect(two).toEqual({ cells: { C7: 'A' }, skipped: ['3', '4'] })
    expect(withSkipped(two, ['3', '4'], false)).toEqual(one)
    expect(withMapping(withMapping(one, { sheets: [] }), null)).toEqual(one)
  })

  it('keep an empty cell, which says something', () => {
    expect(withCell({}, 'C7', '')).toEqual({ cells: { C7: '' } })
  })
})

describe('a column with another meaning', () => {
  it('takes it from the column that had it, where there is one at most', () => {
    expect(withMeaning(sheet(['question', 'ignored']), 'B', 'question').columns.map((one) => one.is)).toEqual(['ignored', 'question'])
    expect(withMeaning(sheet(['hint', 'ignored']), 'B', 'hint').columns.map((one) => one.is)).toEqual(['hint', 'hint'])
  })

  it('counts options as they stand, and gives marks and feedback to the one before', () => {
    const changed = withMeaning(sheet(['question', 'option', 'mark', 'ignored', 'option feedback']), 'D', 'option')
    expect(changed.columns.map((one) => one.option)).toEqual([undefined, 1, 1, 2, 2])
  })

  it('changes its own sheet alone', () => {
    const mapping = { sheets: [sheet(['question']), sheet(['title'])] }
    expect(withSheet(mapping, 1, { read: false }).sheets.map((one) => one.read)).toEqual([true, false])
  })
})
