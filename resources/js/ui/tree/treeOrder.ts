import type { TreeItem } from './items'

/** A tree read from top to bottom, each with the path that leads to it. */
export function ordered(items: TreeItem[], parent: string | null = null, above: string[] = []): { item: TreeItem; path: string[] }[] {
  return items
    .filter((one) => one.parent === parent)
    .flatMap((item) => [{ item, path: [...above, item.name] }, ...ordered(items, item.id, [...above, item.name])])
}
