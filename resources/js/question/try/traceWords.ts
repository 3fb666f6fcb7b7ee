import { decimal, percent } from '@/lib/format'
import { lookUp, texts } from '@/messages'

type Step = { step: string } & Record<string, unknown>

/** Steps whose values are points; "credit.clamped" has shares of the credit instead. */
const ofPoints = ['parts.summed', 'bounds.clamped', 'points.scaled', 'rounded', 'rubric.summed', 'rubric.capped', 'group.capped']
const points = ['value', 'points']
const counts = ['times', 'slips', 'n', 'x', 'w', 'words', 'files', 'wanted']

/** A step of the scoring in words; nothing for steps that say nothing, and for those this version does not know. */
export function traceWords(step: Step): string | undefined {
  const values = Object.fromEntries(Object.entries(step).map(([name, value]) => [name, inWords(step.step, name, value)]))
  return lookUp(texts.trace, messageOf(step), values)
}

function messageOf(step: Step): string {
  if (step.step === 'answer.normalised' && step.before === step.after) return 'answer.unchanged'
  if (step.step === 'number.read' && step.unit) return 'number.with_unit'
  return step.step === 'amend.found' && step.typed === '' ? 'amend.only_found' : step.step
}

function inWords(step: string, name: string, value: unknown): string | number | boolean {
  if (name === 'credit' || name === 'share' || step === 'credit.clamped') return percent(value)
  if (step === 'criterion.marked' && points.includes(name)) return decimal(value)
  if (ofPoints.includes(step)) return typeof value === 'boolean' ? value : decimal(value)
  if (counts.includes(name)) return Number(value)
  return typeof value === 'boolean' ? value : String(value)
}
