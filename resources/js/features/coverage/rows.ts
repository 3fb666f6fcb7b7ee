import type { Coverage } from '@/api/standards'

export type Node = Coverage['nodes'][number]
export type Thin = Coverage['thin'][number]
export type Unit = 'questions' | 'points'
/** A node as a layer of the picture. */
export type Row = { node: Node; depth: number; total: number; hasMore: boolean; thin: Thin | undefined }

export const amount = (node: Node | undefined, value: string, unit: Unit): number => node?.cells[value]?.[unit] ?? 0
export const totalOf = (node: Node | undefined, unit: Unit): number =>
  Object.values(node?.cells ?? {}).reduce((sum, cell) => sum + cell[unit], 0)

/** The nodes of the first levels in tree order, retired ones only where something names them. */
export function rowsOf(coverage: Coverage, levels: number, unit: Unit): Row[] {
  const thin = new Map(coverage.thin.map((one) => [one.node, one]))
  const depth = new Map<string, number>()
  const branches = new Set(coverage.nodes.map((one) => one.parent_id))
  const rows: Row[] = []
  for (const node of coverage.nodes) {
    const deep = node.parent_id === null ? 0 : (depth.get(node.parent_id) ?? 0) + 1
    depth.set(node.id, deep)
    const total = totalOf(node, unit)
    if (deep >= levels || (node.retired && total === 0)) continue
    rows.push({ node, depth: deep, total, hasMore: branches.has(node.id), thin: thin.get(node.id) })
  }
  return rows
}
