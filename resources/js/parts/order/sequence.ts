import type { TreeNode } from '@/api/question'

export type ItemShown = { id: string; body: TreeNode[]; given: boolean }

/** Items as they stand now: those that are given in their places, the others in the order of the response, or as they were shown. */
export function standing(items: ItemShown[], sequence: string[] | undefined): ItemShown[] {
  const loose = items.filter((item) => !item.given)
  const order = sequence ? sequence.flatMap((id) => loose.filter((item) => item.id === id)) : loose
  const rest = [...order, ...loose.filter((item) => !order.includes(item))]
  return items.map((item) => (item.given ? item : (rest.shift() ?? item)))
}

/** The sequence with an item in the place of another; what is given stays. */
export function placed(items: ItemShown[], from: string, to: string): string[] {
  const loose = items.filter((item) => !item.given).map((item) => item.id)
  const at = loose.indexOf(to)
  if (at < 0 || from === to) return loose
  const rest = loose.filter((id) => id !== from)
  rest.splice(at, 0, from)
  return rest
}

/** The sequence with an item moved by one among those that move. */
export function stepped(items: ItemShown[], id: string, by: -1 | 1): string[] {
  const loose = items.filter((item) => !item.given).map((item) => item.id)
  const other = loose[loose.indexOf(id) + by]
  return other === undefined ? loose : placed(items, id, other)
}
