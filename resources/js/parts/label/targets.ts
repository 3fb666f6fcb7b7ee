import type { Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { numbersOf, type Place, written } from '@/ui/picture/area'
import { type Form, isArea, type Thing } from '@/ui/picture/things'
import type { PairRule } from '../pairKey'
import type { TypedOn } from '../TextRule'

export type Target = { id: string; at: Place[]; box?: Place[] | null; label?: string }
export type Label = { id: string; html: string; uses?: number | null }
export type TypedRule = Rule<TypedOn & { piece?: string }>

export const pairsOf = (rules: Rule[]): PairRule[] => rules.filter((rule): rule is PairRule => Array.isArray(rule.on))
export const typedOf = (rules: Rule[]): TypedRule[] => rules.filter((rule): rule is TypedRule => !Array.isArray(rule.on))

const spot = (at: Place[] | null | undefined) => {
  const n = numbersOf(at ?? [])
  return n?.length === 2 ? { x: n[0] as number, y: n[1] as number } : null
}

/** Targets as they are drawn; what cannot be drawn stands in the list alone. */
export const thingsOf = (targets: Target[], rules: Rule[]): Thing[] =>
  targets.flatMap((target, i) => {
    const at = spot(target.at)
    const isRight = rules.some(
      (rule) => isPositive(rule.credit) && (Array.isArray(rule.on) ? rule.on[0] === target.id : (rule as TypedRule).on.piece === target.id),
    )
    return at
      ? [{ id: target.id, number: i + 1, name: target.label ?? '', tone: isRight ? 'right' : 'plain', form: { at, box: spot(target.box) } }]
      : []
  })

export const placesOf = (form: Form): Pick<Target, 'at' | 'box'> =>
  isArea(form)
    ? { at: [] }
    : { at: written([form.at.x, form.at.y]), ...(form.box ? { box: written([form.box.x, form.box.y]) } : { box: null }) }

export const withForms = (targets: Target[], forms: Map<string, Form>): Target[] =>
  targets.map((target) => {
    const form = forms.get(target.id)
    return form && !isArea(form) ? { ...target, ...placesOf(form) } : target
  })
