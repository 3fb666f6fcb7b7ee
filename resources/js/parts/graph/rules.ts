import type { Rule } from '@/api/question'
import type { Figure, Num } from '@/ui/graph/graph'
import { freshId } from '../fresh'

export type Ask = { property: string; value?: Num; at?: Num[]; is?: string }
export type On = {
  figure?: Figure
  figures?: Figure[]
  asks?: Ask[]
  tolerance?: string
  properties?: { property: string; credit: string }[]
}
export type FigureRule = Rule<On>

export const figuresOf = (rule: FigureRule): Figure[] => rule.on.figures ?? (rule.on.figure ? [rule.on.figure] : [])

/** The rules after their figures were drawn, changed or taken away on the grid; what is new becomes an answer of its own. */
export function withFigures(rules: FigureRule[], next: Figure[], credit: string): FigureRule[] {
  const before = rules.flatMap((rule) => figuresOf(rule).map((figure) => ({ rule: rule.id, figure })))
  const left = next.length < before.length ? remaining(before, next) : next.slice(0, before.length)
  let at = 0
  const kept = rules.flatMap((rule) => {
    const count = figuresOf(rule).length
    if (count === 0) return [rule]
    const mine = left.slice(at, at + count).filter((one): one is Figure => one !== null)
    at += count
    if (mine.length === 0) return []
    return [{ ...rule, on: rule.on.figures ? { ...rule.on, figures: mine } : { ...rule.on, figure: mine[0] as Figure } }]
  })
  return next.slice(before.length).reduce((all, figure) => added(all, figure, credit), kept)
}

/** Of what stood there, what is still there; null where it is not. */
function remaining(before: { figure: Figure }[], next: Figure[]): (Figure | null)[] {
  const found = next.map((one) => JSON.stringify(one))
  return before.map(({ figure }) => {
    const i = found.indexOf(JSON.stringify(figure))
    if (i < 0) return null
    found.splice(i, 1)
    return figure
  })
}

function added(rules: FigureRule[], figure: Figure, credit: string): FigureRule[] {
  const region = figure.figure === 'inequality' ? rules.findIndex((rule) => rule.on.figures) : -1
  if (region >= 0)
    return rules.map((rule, i) => (i === region ? { ...rule, on: { ...rule.on, figures: [...figuresOf(rule), figure] } } : rule))
  return [...rules, { id: freshId(rules, 'r'), on: { figure, tolerance: '0' }, credit }]
}

export const isInequality = (rule: FigureRule): boolean => rule.on.figure?.figure === 'inequality'

/** All answers that are inequalities as one region, or each by itself again. */
export function asRegion(rules: FigureRule[], wished: boolean): FigureRule[] {
  const isMeant = (rule: FigureRule) => (wished ? isInequality(rule) : rule.on.figures !== undefined)
  const first = rules.find(isMeant)
  if (!first) return rules
  const figures = rules.filter(isMeant).flatMap(figuresOf)
  const others = rules.filter((rule) => !isMeant(rule))
  if (wished) {
    const { figure: _, ...on } = first.on
    return [...others, { ...first, on: { ...on, figures } }]
  }
  return figures.reduce((all, figure) => added(all, figure, first.credit), others)
}
