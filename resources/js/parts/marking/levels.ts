import type { Criterion, Rubric, RubricLevel } from '@/api/question'

/** Points as they are typed: 2, 0.5, -1, 1–3. */
const TYPED = /^([-−]?\d+(?:[.,]\d{1,4})?)(?:\s*(?:[–-]|to)\s*([-−]?\d+(?:[.,]\d{1,4})?))?$/
const number = (typed: string) => Number(typed.replace(',', '.').replace('−', '-'))

export const writePoints = (points: RubricLevel['points']): string =>
  points === null ? '' : typeof points === 'number' ? String(points).replace('-', '−') : `${points.from}–${points.to}`

/** undefined where what was typed is no number. */
export function readPoints(typed: string): RubricLevel['points'] | undefined {
  const said = typed.trim()
  if (said === '') return null
  const [, from, to] = TYPED.exec(said) ?? []
  if (from === undefined) return undefined
  return to === undefined ? number(from) : { from: number(from), to: number(to) }
}

export const schemeOf = (rubric: Rubric) => rubric.scheme ?? 'analytic'

/** A criterion with levels like those of another, or with three to begin with. */
export function freshCriterion(id: string, scheme: Rubric['scheme'], like?: Criterion): Criterion {
  if (scheme === 'checklist') return { id, title: '', levels: [{ id: 'l1', points: 1, html: '' }] }
  const levels = like?.levels.length
    ? like.levels.map((level) => ({ ...level, html: '' }))
    : [2, 1, 0].map((points, i) => ({ id: `l${i + 1}`, points, html: '' }))
  return { id, title: '', levels }
}

export const freshRubric = (scheme: NonNullable<Rubric['scheme']>): Rubric => ({ scheme, criteria: [freshCriterion('c1', scheme)] })

/** The same rubric by another scheme; nothing that was written is lost. */
export const withScheme = (rubric: Rubric, scheme: NonNullable<Rubric['scheme']>): Rubric => ({
  ...rubric,
  scheme,
  criteria: rubric.criteria.map((one) => (one.levels.length === 0 ? { ...one, levels: freshCriterion('x', scheme).levels } : one)),
})

/** Whether nobody has written anything into it yet. */
export const isBlank = (rubric: Rubric) =>
  rubric.criteria.every((one) => one.title === '' && !one.html && one.levels.every((level) => level.html === '' && !level.title))

/** A level as people call it: its name and points. */
export const levelName = (level: RubricLevel) => [level.title, writePoints(level.points)].filter(Boolean).join(' · ')
