import type { Rule } from '@/api/question'
import { isPositive } from '@/lib/credit'
import { type Area, drawn, type ShapeName, written } from '@/ui/picture/area'
import { type Form, isArea, type Thing } from '@/ui/picture/things'

export type Region = Area & { id: string; label?: string }

/** Regions as they are drawn; what cannot be drawn stands in the list alone. */
export const thingsOf = (regions: Region[], rules: Rule<string>[]): Thing[] =>
  regions.flatMap((region, i) => {
    const n = drawn(region)
    const right = rules.some((rule) => rule.on === region.id && isPositive(rule.credit))
    return n
      ? [{ id: region.id, number: i + 1, name: region.label ?? '', tone: right ? 'right' : 'plain', form: { shape: region.shape, n } }]
      : []
  })

export const withForms = (regions: Region[], forms: Map<string, Form>): Region[] =>
  regions.map((region) => {
    const form = forms.get(region.id)
    return form && isArea(form) ? { ...region, shape: form.shape as ShapeName, at: written(form.n) } : region
  })
