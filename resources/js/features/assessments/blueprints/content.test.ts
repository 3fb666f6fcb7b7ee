import { describe, expect, it } from 'vitest'
import type { BlueprintContent, BlueprintTable } from '@/api/blueprints'
import { cellAt, freshId, linesKey, shownLines, withCell, withLines, withoutLine, withoutSplit, withSplit } from './content'

const table: BlueprintTable = {
  id: 't1',
  rows: [
    { id: 'r1', title: 'Rivers', where: { topic: ['a'] } },
    { id: 'r2', title: 'Rocks', where: { topic: ['b'] } },
  ],
  columns: [{ id: 'c1', title: '3', where: { difficulty: ['3'] } }],
  cells: [
    { row: 'r1', column: 'c1', count: { min: 2, max: 2 } },
    { row: 'r2', column: null, count: { min: 1, max: 3 } },
  ],
}

describe('a table of demands', () => {
  it('has one cell at a place, and none when it is emptied', () => {
    const changed = withCell(table, 'r1', 'c1', { all: true })
    expect(cellAt(changed, 'r1', 'c1')).toEqual({ row: 'r1', column: 'c1', all: true })
    expect(withCell(changed, 'r1', 'c1', undefined).cells).toHaveLength(1)
  })

  it('adds lines that are not there yet, under ids of their own', () => {
    const added = withLines(
      table,
      'rows',
      [
        { title: 'Rocks', where: { topic: ['b'] } },
        { title: 'Maps', where: { topic: ['c'] } },
      ],
      'topic',
    )
    expect(added.rows?.map((line) => line.id)).toEqual(['r1', 'r2', 'r3'])
    expect(freshId({ ...table, rows: [{ id: 'r3' }] }, 'rows')).toBe('r2')
  })

  it('loses the cells of a line that goes', () => {
    expect(withoutLine(table, 'rows', 'r2').cells).toEqual([table.cells?.[0]])
    expect(withoutLine(table, 'columns', 'c1').cells).toEqual([table.cells?.[1]])
  })

  it('splits every row, and puts them together again', () => {
    const kinds = [
      { title: 'Choice', where: { kind: ['choice'] } },
      { title: 'Text', where: { kind: ['text'] } },
    ]
    const split = withSplit({ ...table, rows_by: ['topic'] }, 'rows', kinds, 'kind')
    expect(shownLines(split.rows)).toHaveLength(4)
    expect(new Set(shownLines(split.rows).map(({ line }) => line.id)).size).toBe(4)
    expect(split.cells).toEqual([])
    expect(split.rows_by).toEqual(['topic', 'kind'])
    expect(shownLines(withoutSplit(split, 'rows').rows)).toHaveLength(2)
    expect(withoutSplit(split, 'rows').rows_by).toEqual(['topic'])
  })

  it('is the same table whatever the order of its keys', () => {
    const lines = [{ title: 'Rivers', id: 'r1', where: { topic: ['a'] } }]
    const again = [{ where: { topic: ['a'] }, id: 'r1', title: 'Rivers' }]
    const key = (rows: typeof lines) => linesKey({ tables: [{ id: 't1', rows }] } as unknown as BlueprintContent)
    expect(key(again)).toBe(key(lines))
    expect(key([{ ...lines[0], id: 'r2' } as (typeof lines)[0]])).not.toBe(key(lines))
  })
})
