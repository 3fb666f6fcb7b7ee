import { groupBy } from '@/lib/groupBy'

export type TreeItem = { id: string; parent: string | null; name: string; count?: number; retired?: boolean }

/** What everything at the top is in. */
export const ROOT = ''

/** A flat list as a tree: an item by its id, and what is below each. */
export function treeOf(items: TreeItem[]) {
  const byId = new Map(items.map((item) => [item.id, item]))
  const below = groupBy(items, (item) => item.parent ?? ROOT)
  return {
    item: (id: string): TreeItem => byId.get(id) ?? { id, parent: null, name: '' },
    childrenOf: (id: string): string[] => (below.get(id) ?? []).map((item) => item.id),
    branches: items.filter((item) => below.has(item.id)).map((item) => item.id),
  }
}
