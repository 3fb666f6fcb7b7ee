import type { Part, Rule } from '@/api/question'
import type { Row } from '../pairKey'

export type Item = Row & { given?: boolean }

/** The ranks of a key: items in the order they are written, those marked as equal together with the one above. */
export const ranksOf = (items: Item[], equal: string[]): string[][] =>
  items.reduce<string[][]>((ranks, item) => {
    const last = ranks.at(-1)
    if (last && equal.includes(item.id)) last.push(item.id)
    else ranks.push([item.id])
    return ranks
  }, [])

/** The items in the order of the key, and those that have the rank of the one above. */
export function written(part: Part): { items: Item[]; equal: string[] } {
  const items = (part.settings?.items ?? []) as Item[]
  const ranks = ((part.key?.rules?.[0] as Rule<string[][]> | undefined)?.on ?? []).map((rank) =>
    rank.filter((id) => items.some((item) => item.id === id)),
  )
  const ordered = ranks.flat().flatMap((id) => items.filter((item) => item.id === id))
  return {
    items: [...ordered, ...items.filter((item) => !ordered.includes(item))],
    equal: ranks.flatMap((rank) => rank.slice(1)),
  }
}

export function withItems(part: Part, items: Item[], equal: string[]): Part {
  const rule = (part.key?.rules?.[0] ?? { id: 'r1', credit: '1' }) as Rule<string[][]>
  return { ...part, settings: { ...part.settings, items }, key: { ...part.key, rules: [{ ...rule, on: ranksOf(items, equal) }] } }
}
