import { freshId } from '../fresh'
import { isRight, type PairRule, rightOf, without } from '../pairKey'
import type { Side } from './Editor'

/** Whether each on the left has one partner at most, and no partner is shared: then pairs are rows. */
export function isPaired(left: Side[], right: Side[], rules: PairRule[]): boolean {
  const partners = rules.filter(isRight).map((rule) => rule.on[1])
  return left.every((one) => rightOf(rules, one.id).length <= 1) && right.every((one) => partners.filter((id) => id === one.id).length <= 1)
}

export type PairRow = { left: Side | null; right: Side | null; key: string }

/** The pairs in the order of the left side, then the partners that belong to none. */
export function pairRows(left: Side[], right: Side[], rules: PairRule[]): PairRow[] {
  const taken = new Set<string>()
  const pairs = left.map((one): PairRow => {
    const partner = right.find((other) => other.id === rightOf(rules, one.id)[0]) ?? null
    if (partner) taken.add(partner.id)
    return { left: one, right: partner, key: one.id }
  })
  return [...pairs, ...right.filter((one) => !taken.has(one.id)).map((one): PairRow => ({ left: null, right: one, key: one.id }))]
}

export const withUses = (side: Side[], uses: number | null): Side[] => side.map((one) => ({ ...one, uses }))

type Lists = { left: Side[]; right: Side[]; rules: PairRule[] }

/** A fresh pair after a row, or a partner that belongs to none. */
export function withFreshPair({ left, right, rules }: Lists, after: number, onlyRight: boolean): Lists & { id: string } {
  const partner: Side = { id: freshId(right, 'r'), html: '', uses: right[0]?.uses === undefined ? 1 : right[0].uses }
  if (onlyRight) return { left, right: [...right, partner], rules, id: partner.id }
  const item: Side = { id: freshId(left, 'l'), html: '', uses: left[0]?.uses === undefined ? 1 : left[0].uses }
  const at = Math.min(after, left.length)
  return {
    left: [...left.slice(0, at), item, ...left.slice(at)],
    right: [...right, partner],
    rules: [...rules, { id: freshId(rules, 'k'), on: [item.id, partner.id], credit: '1' }],
    id: item.id,
  }
}

export function withoutRow({ left, right, rules }: Lists, row: PairRow): Lists {
  const gone = [row.left?.id, row.right?.id].filter((id): id is string => id !== undefined)
  return {
    left: left.filter((one) => one.id !== row.left?.id),
    right: right.filter((one) => one.id !== row.right?.id),
    rules: gone.reduce(without, rules),
  }
}

/** Pairs put into the rows from one on: empty rows are filled, more are made; null leaves that side as it is. */
export function withPairs(lists: Lists, at: number, pairs: [string | null, string | null][], toHtml: (line: string) => string): Lists {
  let now = lists
  pairs.forEach(([one, other], i) => {
    const row = pairRows(now.left, now.right, now.rules)[at + i]
    const free = (side: Side | null | undefined, given: string | null) => given === null || !side || side.html === ''
    const filled = row?.left && free(row.left, one) && free(row.right, other) ? row.left.id : null
    const made = filled === null ? withFreshPair(now, at + i, false) : { ...now, id: filled }
    const partner = rightOf(made.rules, made.id)[0]
    now = {
      left: one === null ? made.left : made.left.map((side) => (side.id === made.id ? { ...side, html: toHtml(one) } : side)),
      right: other === null ? made.right : made.right.map((side) => (side.id === partner ? { ...side, html: toHtml(other) } : side)),
      rules: made.rules,
    }
  })
  return now
}
