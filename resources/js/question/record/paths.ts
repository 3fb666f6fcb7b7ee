import type { TreeNodeRow } from '@/api/queries'
import { ordered } from '@/ui/tree/treeOrder'

/** The nodes of a tree in its order, each with its path of names. */
export const pathsOf = (nodes: TreeNodeRow[]): [string, string[]][] =>
  ordered(nodes.map((node) => ({ id: node.id, parent: node.parent_id, name: node.name }))).map(({ item, path }) => [item.id, path])
