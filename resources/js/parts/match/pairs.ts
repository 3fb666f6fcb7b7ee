import type { TreeNode } from '@/api/question'

export type Pair = [string, string]
export type SideShown = { id: string; body: TreeNode[]; uses: number | null }

export const has = (pairs: Pair[], left: string, right: string) => pairs.some((pair) => pair[0] === left && pair[1] === right)

/** Two joined, or taken apart again; what would be joined too often leaves its oldest join. */
export function toggled(pairs: Pair[], left: SideShown, right: SideShown): Pair[] {
  if (has(pairs, left.id, right.id)) return pairs.filter((pair) => pair[0] !== left.id || pair[1] !== right.id)
  const leftFree = freed(pairs, 0, left)
  return [...freed(leftFree, 1, right), [left.id, right.id]]
}

function freed(pairs: Pair[], side: 0 | 1, item: SideShown): Pair[] {
  const own = pairs.filter((pair) => pair[side] === item.id)
  return item.uses !== null && own.length >= item.uses ? pairs.filter((pair) => pair !== own[0]) : pairs
}
