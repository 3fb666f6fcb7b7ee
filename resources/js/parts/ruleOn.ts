import type { Rule } from '@/api/question'
import { isZero } from '@/lib/credit'
import { freshId } from './fresh'

/** A rule without its credit: gone, unless it still says something. */
const without = (rule: Rule<string>): Rule<string>[] => (rule.feedback ? [{ ...rule, credit: '0' }] : [])

/** The rules with what one option earns or says changed; a rule that does neither is left out. */
export function withRule(rules: Rule<string>[], on: string, changed: Partial<Rule<string>>): Rule<string>[] {
  const known = rules.find((rule) => rule.on === on)
  const rule: Rule<string> = { id: freshId(rules, 'r'), on, credit: '0', ...known, ...changed }
  const kept = !isZero(rule.credit) || (rule.feedback !== undefined && rule.feedback !== '' && rule.feedback.html !== '') ? [rule] : []
  return known ? rules.flatMap((one) => (one.on === on ? kept : [one])) : [...rules, ...kept]
}

/** The rules with an option marked as the key, or no longer; where one may be chosen, it is the only one. */
export function withKey(rules: Rule<string>[], on: string, several: boolean): Rule<string>[] {
  const isKey = rules.some((rule) => rule.on === on && rule.credit === '1')
  if (several) return withRule(rules, on, { credit: isKey ? '0' : '1' })
  const others = rules.flatMap((rule) => (rule.credit === '1' && rule.on !== on ? without(rule) : [rule]))
  return withRule(others, on, { credit: '1' })
}
