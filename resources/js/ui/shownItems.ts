import { groupBy } from '@/lib/groupBy'
import type { TreeItem } from './Tree'

export type Shown = { item: TreeItem; level: number; branch: boolean }

/** The items of a tree from top to bottom as they are shown, those below a closed one left out; and what is below each. */
export function shownItems(items: TreeItem[], closed: string[]) {
  const children = groupBy(items, (item) => item.parent ?? '')
  const shown: Shown[] = []
  const walk = (parent: string, level: number) => {
    for (const item of children.get(parent) ?? []) {
      const branch = children.has(item.id)
      shown.push({ item, level, branch })
      if (branch && !closed.includes(item.id)) walk(item.id, level + 1)
    }
  }
  walk('', 1)
  return { shown, children }
}
