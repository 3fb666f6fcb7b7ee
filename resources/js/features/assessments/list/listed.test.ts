import { describe, expect, it } from 'vitest'
import type { AssessmentRow } from '@/api/assembly'
import { foldersOf, type Listed, shownOf, valuesOf } from './listed'

const row = (id: string, more: Partial<AssessmentRow> = {}): AssessmentRow => ({
  id,
  title: id,
  state: 'draft',
  bank: 'rocks',
  bank_name: 'Rocks',
  may_write: true,
  archived: false,
  questions: 3,
  updated_at: '2026-11-01T10:00:00Z',
  binned_at: null,
  folder: [],
  course: '',
  term: '',
  points: null,
  minutes: null,
  strata: {},
  opened_at: null,
  used: [],
  ...more,
})
const all: Listed = { words: '', bank: '', folder: [], state: '', used: '', group: '', course: '', term: '', sort: '' }
const rows = [
  row('b', { folder: ['Year 9', 'Autumn'], used: [{ on: '2026-10-02', with: '9b' }], state: 'used' }),
  row('a', { folder: ['Year 9'], course: 'Earth', updated_at: '2026-11-05T10:00:00Z' }),
  row('c', { bank: 'maps', bank_name: 'Maps', term: 'Spring', used: [{ on: '2025-03-01', with: '8a' }], state: 'used' }),
  row('old', { state: 'archived' }),
  row('shut', { archived: true }),
]

describe('the list of assessments', () => {
  it.each<[string, Partial<Listed>, string]>([
    ['all but what is archived, as they come', {}, 'b a c'],
    ['what is archived', { state: 'archived' }, 'old shut'],
    ['a state', { state: 'used' }, 'b c'],
    ['a bank', { bank: 'maps' }, 'c'],
    ['a folder, with what is below it', { folder: ['Year 9'] }, 'b a'],
    ['a folder below', { folder: ['Year 9', 'Autumn'] }, 'b'],
    ['words of any place or group', { words: 'YEAR autumn' }, 'b'],
    ['a group', { group: '8a' }, 'c'],
    ['never used', { used: 'never' }, 'a'],
    ['used in a year', { used: '2026' }, 'b'],
    ['a course', { course: 'Earth' }, 'a'],
    ['by title', { sort: 'title' }, 'a b c'],
    ['by the last change', { sort: 'changed' }, 'a b c'],
    ['by the last use', { sort: 'used' }, 'b c a'],
  ])('shows %s', (_, asked, ids) => {
    expect(
      shownOf(rows, { ...all, ...asked })
        .map((one) => one.id)
        .join(' '),
    ).toBe(ids)
  })
  it('knows banks and folders, each with all that is below it', () => {
    expect(foldersOf(rows).map((node) => `${'-'.repeat(node.depth)}${node.name} ${node.count}`)).toEqual([
      'Maps 1',
      'Rocks 2',
      '-Year 9 2',
      '--Autumn 1',
    ])
  })
  it('names each group once', () => {
    expect(valuesOf([...rows, ...rows], (one) => one.used.map((use) => use.with))).toEqual(['8a', '9b'])
  })
})
