import type { TreeNode } from '@/api/question'

export type Sorted = Record<string, string[]>
export type ItemShown = { id: string; body: TreeNode[] }
export type GroupShown = ItemShown & { max: number | null }

/** An item in a group, and in no other; '' takes it out of all. A full group gives back what came first. */
export function put(sorted: Sorted, item: string, group: GroupShown | null): Sorted {
  const rest: Sorted = {}
  for (const [id, items] of Object.entries(sorted)) {
    const others = items.filter((one) => one !== item)
    if (others.length > 0) rest[id] = others
  }
  if (group === null) return rest
  const here = rest[group.id] ?? []
  const room = group.max !== null && here.length >= group.max ? here.slice(1) : here
  return { ...rest, [group.id]: [...room, item] }
}

export const lies = (sorted: Sorted, item: string) => Object.keys(sorted).find((id) => sorted[id]?.includes(item)) ?? null
