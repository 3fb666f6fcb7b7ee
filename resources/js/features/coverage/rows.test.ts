import { expect, it } from 'vitest'
import type { Coverage } from '@/api/standards'
import { amount, rowsOf, totalOf } from './rows'

const node = (id: string, parent_id: string | null, cells: Record<string, [number, number]>, retired = false) => ({
  id,
  parent_id,
  code: id,
  title: '',
  text: id,
  level: '',
  notes: '',
  retired,
  cells: Object.fromEntries(Object.entries(cells).map(([value, [questions, points]]) => [value, { questions, approved: 0, points }])),
})
const coverage: Coverage = {
  values: ['1', '2'],
  nodes: [
    node('a', null, { 1: [3, 6], 2: [1, 4] }),
    node('a.1', 'a', { 1: [3, 6] }),
    node('a.1.i', 'a.1', {}),
    node('a.2', 'a', {}, true),
    node('b', null, {}),
  ],
  thin: [{ node: 'b', none: true, missing: ['1', '2'], short: 2 }],
  totals: { all: 4, points: 10, without: 0, no_difficulty: 0, no_purpose: 0 },
}

it('shows the levels that are asked for, and no retired statement that nothing names', () => {
  const shown = (levels: number) => rowsOf(coverage, levels, 'questions').map((row) => [row.node.id, row.depth])
  expect(shown(1)).toEqual([
    ['a', 0],
    ['b', 0],
  ])
  expect(shown(2)).toEqual([
    ['a', 0],
    ['a.1', 1],
    ['b', 0],
  ])
  expect(shown(9)).toEqual([
    ['a', 0],
    ['a.1', 1],
    ['a.1.i', 2],
    ['b', 0],
  ])
})

it('adds up questions or points, says what is thin and what can be opened', () => {
  const [a, , b] = rowsOf(coverage, 2, 'points')
  expect([a?.total, a?.hasMore, a?.thin]).toEqual([10, true, undefined])
  expect([b?.total, b?.hasMore, b?.thin?.none]).toEqual([0, false, true])
  expect([amount(coverage.nodes[0], '2', 'questions'), amount(undefined, '2', 'questions'), totalOf(undefined, 'points')]).toEqual([
    1, 0, 0,
  ])
})
