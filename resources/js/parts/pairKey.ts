import type { Rule } from '@/api/question'
import { isPositive, isZero } from '@/lib/credit'
import { freshId } from './fresh'

export type PairRule = Rule<[string, string]>
export type Row = { id: string; html: string }

export const isRight = (rule: PairRule) => isPositive(rule.credit)
export const rightOf = (rules: PairRule[], first: string) =>
  rules.filter((rule) => rule.on[0] === first && isRight(rule)).map((rule) => rule.on[1])

/** A pair marked as right, or no longer; what it says stays. */
export function withPair(rules: PairRule[], first: string, second: string, on: boolean, credit = '1'): PairRule[] {
  const known = rules.find((rule) => rule.on[0] === first && rule.on[1] === second)
  if (!known) return on ? [...rules, { id: freshId(rules, 'k'), on: [first, second], credit }] : rules
  if (on) return rules.map((rule) => (rule === known ? { ...rule, credit } : rule))
  return rules.flatMap((rule) => (rule === known ? (rule.feedback ? [{ ...rule, credit: '0' }] : []) : [rule]))
}

/** One rule with something changed; one that neither earns nor says anything is left out. */
export function withPairRule(rules: PairRule[], first: string, second: string, changed: Partial<PairRule>): PairRule[] {
  const known = rules.find((rule) => rule.on[0] === first && rule.on[1] === second)
  const rule: PairRule = { id: freshId(rules, 'k'), on: [first, second], credit: '0', ...known, ...changed }
  const kept = !isZero(rule.credit) || (rule.feedback !== undefined && rule.feedback !== '' && rule.feedback.html !== '') ? [rule] : []
  return known ? rules.flatMap((one) => (one === known ? kept : [one])) : [...rules, ...kept]
}

/** The rules that name none of what was taken away. */
export const without = (rules: PairRule[], id: string) => rules.filter((rule) => !rule.on.includes(id))
