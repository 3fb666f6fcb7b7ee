import { freshId } from '../fresh'
import { toHtml } from '../html'
import { isRight, type PairRule, type Row } from '../pairKey'
import { withRows } from '../withRows'

export type Lists = { items: Row[]; rules: PairRule[] }

/** The group an item is written in: the first of those it is right in. */
export const homeOf = (rules: PairRule[], groups: Row[], item: string): string | null =>
  groups.find((group) => rules.some((rule) => rule.on[0] === item && rule.on[1] === group.id && isRight(rule)))?.id ?? null

export const itemsOf = ({ items, rules }: Lists, groups: Row[], group: string | null): Row[] =>
  items.filter((item) => homeOf(rules, groups, item.id) === group)

const rule = (rules: PairRule[], item: string, group: string | null): PairRule[] =>
  group === null ? rules : [...rules, { id: freshId(rules, 'k'), on: [item, group], credit: '1' }]

/** An empty item in a group, after another or last. */
export function withFreshItem({ items, rules }: Lists, group: string | null, after?: string): Lists & { id: string } {
  const id = freshId(items, 'i')
  const at = after === undefined ? items.length : items.findIndex((item) => item.id === after) + 1
  return { items: [...items.slice(0, at), { id, html: '' }, ...items.slice(at)], rules: rule(rules, id, group), id }
}

/** An item in another group, or in none; what was said of wrong places stays. */
export function withHome({ items, rules }: Lists, item: string, group: string | null): Lists {
  return {
    items,
    rules: rule(
      rules.filter((one) => one.on[0] !== item || !(isRight(one) || one.on[1] === group)),
      item,
      group,
    ),
  }
}

/** Pasted lines as items of a group, from one of its items on. */
export function withItems(lists: Lists, group: string | null, at: string, lines: string[]): Lists {
  const items = withRows(
    lists.items,
    lists.items.findIndex((item) => item.id === at),
    lines,
    toHtml,
    (rows) => ({ id: freshId(rows, 'i'), html: '' }),
  )
  const made = items.filter((item) => !lists.items.some((known) => known.id === item.id))
  return { items, rules: made.reduce((rules, item) => rule(rules, item.id, group), lists.rules) }
}
