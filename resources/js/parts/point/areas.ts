import type { Rule } from '@/api/question'
import { isPositive, isZero } from '@/lib/credit'
import { type Area, drawn, isWithin, written } from '@/ui/picture/area'
import { type Form, isArea, type Thing } from '@/ui/picture/things'

export type AreaRule = Rule<Area>

export const thingsOf = (rules: AreaRule[]): Thing[] =>
  rules.flatMap((rule, i) => {
    const n = drawn(rule.on)
    const tone = rule.credit === '1' ? 'right' : isPositive(rule.credit) ? 'partly' : 'plain'
    return n ? [{ id: rule.id, number: i + 1, name: rule.note ?? '', tone, form: { shape: rule.on.shape, n } }] : []
  })

export const withForms = (rules: AreaRule[], forms: Map<string, Form>): AreaRule[] =>
  rules.map((rule) => {
    const form = forms.get(rule.id)
    return form && isArea(form) ? { ...rule, on: { shape: form.shape, at: written(form.n) } } : rule
  })

/** The rules with every area that lies within another one before it, since the first that holds a point decides; else as they stood. */
export function innerFirst(rules: AreaRule[]): AreaRule[] {
  const shapes = new Map(rules.map((rule) => [rule.id, { shape: rule.on.shape, n: drawn(rule.on) }]))
  const lies = (inner: AreaRule, outer: AreaRule) => {
    const [one, two] = [shapes.get(inner.id), shapes.get(outer.id)]
    return one?.n && two?.n ? isWithin({ shape: one.shape, n: one.n }, { shape: two.shape, n: two.n }) : false
  }
  const next: AreaRule[] = []
  for (const rule of rules) {
    const at = next.findIndex((other) => lies(rule, other) && !lies(other, rule))
    next.splice(at < 0 ? next.length : at, 0, rule)
  }
  return next
}

/** What a new area earns at first: all, or half of what the one within it earns. */
export function creditOf(form: Form, rules: AreaRule[]): string {
  if (!isArea(form)) return '0'
  const around = rules.some((rule) => {
    const n = drawn(rule.on)
    return n !== null && !isZero(rule.credit) && isWithin({ shape: rule.on.shape, n }, form)
  })
  return around ? '1/2' : '1'
}
