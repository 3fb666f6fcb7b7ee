import { hashKey } from '@tanstack/react-query'
import type { BlueprintCell, BlueprintContent, BlueprintLine, BlueprintTable, Where } from '@/api/blueprints'

/** Places of a table are called as the server calls them. */
export const placeId = (table: string, row: string | null, column: string | null) => `${table}|${row ?? ''}|${column ?? ''}`
export const TOTAL = 'total'

export const tablesOf = (content: BlueprintContent): BlueprintTable[] => content.tables ?? []

/** Lines as they are shown: one that is split stands for its parts. */
export type Shown = { line: BlueprintLine; within?: BlueprintLine }
export const shownLines = (lines: BlueprintLine[] | undefined): Shown[] =>
  (lines ?? []).flatMap((line): Shown[] => (line.lines?.length ? line.lines.map((part) => ({ line: part, within: line })) : [{ line }]))

export const cellAt = (table: BlueprintTable, row: string | null, column: string | null): BlueprintCell | undefined =>
  table.cells?.find((cell) => (cell.row ?? null) === row && (cell.column ?? null) === column)

export const withTable = (content: BlueprintContent, id: string, edit: (table: BlueprintTable) => BlueprintTable): BlueprintContent => ({
  ...content,
  tables: tablesOf(content).map((table) => (table.id === id ? edit(table) : table)),
})

export function withCell(
  table: BlueprintTable,
  row: string | null,
  column: string | null,
  wanted: Pick<BlueprintCell, 'all' | 'count' | 'points'> | undefined,
): BlueprintTable {
  const others = (table.cells ?? []).filter((cell) => (cell.row ?? null) !== row || (cell.column ?? null) !== column)
  return { ...table, cells: wanted ? [...others, { row, column, ...wanted }] : others }
}

export type Side = 'rows' | 'columns'
const BY = { rows: 'rows_by', columns: 'columns_by' } as const
const idsOf = (lines: BlueprintLine[]): string[] => lines.flatMap((line) => [line.id, ...(line.lines ?? []).map((part) => part.id)])

/** An id that no line of a side has. */
export function freshId(table: BlueprintTable, side: Side, besides: string[] = []): string {
  const taken = new Set([...idsOf(table[side] ?? []), ...besides])
  const letter = side === 'rows' ? 'r' : 'c'
  let n = taken.size + 1
  while (taken.has(`${letter}${n}`)) n++
  return `${letter}${n}`
}

/** Lines put at the end of a side; those with the same conditions as one that is there are left out. */
export function withLines(table: BlueprintTable, side: Side, lines: { title: string; where: Where }[], by: string): BlueprintTable {
  const there = new Set((table[side] ?? []).map((line) => hashKey([line.where ?? {}])))
  const added: BlueprintLine[] = []
  for (const line of lines) {
    if (there.has(hashKey([line.where]))) continue
    added.push({ id: freshId(table, side, idsOf(added)), ...line })
  }
  return { ...table, [side]: [...(table[side] ?? []), ...added], [BY[side]]: [...new Set([...(table[BY[side]] ?? []), by])].slice(0, 2) }
}

/** Every line of a side split into the same parts; cells of what is split would mean all of them, so they go. */
export function withSplit(table: BlueprintTable, side: Side, parts: { title: string; where: Where }[], by: string): BlueprintTable {
  const taken: string[] = []
  const lines = (table[side] ?? []).map((line): BlueprintLine => {
    const its = parts.map((part) => {
      const id = freshId(table, side, taken)
      taken.push(id)
      return { id, ...part }
    })
    return { ...line, lines: its }
  })
  const outer = table[BY[side]]?.slice(0, 1) ?? []
  return pruned({ ...table, [side]: lines, [BY[side]]: [...outer, by] })
}

export const withoutSplit = (table: BlueprintTable, side: Side): BlueprintTable =>
  pruned({
    ...table,
    [side]: (table[side] ?? []).map(({ lines: _, ...line }) => line),
    [BY[side]]: table[BY[side]]?.slice(0, 1) ?? [],
  })

export const isSplit = (table: BlueprintTable, side: Side): boolean => (table[side] ?? []).some((line) => line.lines?.length)

export function withoutLine(table: BlueprintTable, side: Side, id: string): BlueprintTable {
  const lines = (table[side] ?? [])
    .filter((line) => line.id !== id)
    .map((line) => (line.lines ? { ...line, lines: line.lines.filter((part) => part.id !== id) } : line))
    .map((line) => {
      if (line.lines?.length !== 0) return line
      const { lines: _, ...whole } = line
      return whole
    })
  return pruned({ ...table, [side]: lines })
}

/** Without cells of lines that are gone, or are split now. */
function pruned(table: BlueprintTable): BlueprintTable {
  const known = (side: Side) => new Set(shownLines(table[side]).map(({ line }) => line.id))
  const [rows, columns] = [known('rows'), known('columns')]
  const stays = (id: string | null | undefined, ids: Set<string>) => id === null || id === undefined || ids.has(id)
  return { ...table, cells: (table.cells ?? []).filter((cell) => stays(cell.row, rows) && stays(cell.column, columns)) }
}

/** What the numbers of the banks depend on. The database returns keys in an order of its own, so the order does not count. */
export const linesKey = (content: BlueprintContent): string =>
  hashKey([
    content.banks,
    content.conditions,
    content.statuses,
    content.unused_since,
    tablesOf(content).map((table) => [table.id, table.rows, table.columns]),
  ])

/** Everything a test depends on. */
export const demandsKey = (content: BlueprintContent): string => {
  const { title: _, notes: __, into: ___, ...rest } = content
  return hashKey([rest])
}
