import { expect, it } from 'vitest'
import { movesBetween } from './movesBetween'

const statement = (id: string) => ({ id, parent_id: null, code: id, title: '', text: id, level: '', notes: '', retired: false })
const link = (from_id: string, to_id: string, kind: string) => ({ from_id, to_id, kind, other: null, code: '', text: '', framework: '' })

it('goes by what says the same, in either direction, and by successors; what is only related or elsewhere does not count', () => {
  const old = {
    statements: ['a', 'b', 'c', 'd'].map(statement),
    associations: [
      link('a', 'A', 'exact'),
      link('B', 'b', 'exact'),
      link('c', 'C1', 'replaced_by'),
      link('c', 'C2', 'replaced_by'),
      link('d', 'A', 'related'),
      link('B', 'a', 'replaced_by'),
      link('a', 'x', 'exact'),
    ],
  }
  const next = { statements: ['A', 'B', 'C1', 'C2'].map(statement), associations: [] }
  expect(movesBetween(old, next)).toEqual({
    pairs: [
      ['a', 'A'],
      ['b', 'B'],
      ['c', 'C1'],
      ['c', 'C2'],
    ],
    without: ['d'],
  })
})
