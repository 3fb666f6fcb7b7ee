import type { TreeNode } from '@/api/question'
import { treeWords } from './treeWords'

/** The words of one piece of a text. */
export function pieceWords(nodes: TreeNode[], id: string): string | null {
  for (const node of nodes) {
    if (!Array.isArray(node)) continue
    if (node[1]['data-piece'] === id) return treeWords(node.slice(2) as TreeNode[])
    const inside = pieceWords(node.slice(2) as TreeNode[], id)
    if (inside !== null) return inside
  }
  return null
}
