import type { TreeItem } from '@/ui/tree/items'

/** Where something is put: in what, and before which sibling; last when null, where its name puts it when left out. */
export type Spot = { parent: string | null; before?: string | null }

/** Where an item that is held may be put: nowhere inside itself. */
export function spotsFor(items: TreeItem[], held: string | null) {
  const parents = new Map(items.map((item) => [item.id, item.parent]))
  const within = (id: string | null | undefined): boolean => id != null && (id === held || within(parents.get(id)))
  return {
    inside: (item: TreeItem) => held !== null && !within(item.id),
    before: (item: TreeItem): Spot => ({ parent: item.parent, before: item.id }),
    after: (item: TreeItem): Spot => {
      const siblings = items.filter((one) => one.parent === item.parent && one.id !== held)
      return { parent: item.parent, before: siblings[siblings.findIndex((one) => one.id === item.id) + 1]?.id ?? null }
    },
  }
}
