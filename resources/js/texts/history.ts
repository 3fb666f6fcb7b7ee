import type { PathStep } from '@/api/queries'
import { kindNames } from '@/parts/words'

/** What the fields of a question are called. Those that say nothing of their own are empty; the others speak for themselves. */
const names: Record<string, string> = {
  settings: '',
  key: '',
  html: '',
  body: 'question',
  parts: 'answer',
  options: 'option',
  items: 'item',
  tiles: 'tile',
  groups: 'group',
  targets: 'target',
  rules: 'rule',
  gates: 'condition',
  hints: 'hint',
  variables: 'variable',
  on: 'meets',
  scoring: 'how the answers count',
  shuffle: 'mixed order',
  max: 'at most',
  min: 'at least',
  sequence: 'right order',
  normalise: 'comparison rules',
  general: 'feedback for all',
  other_credit: 'credit for any other',
  other_feedback: 'feedback for any other',
  missing_credit: 'credit for one left out',
  missing_feedback: 'feedback for one left out',
  wrong_credit: 'credit for a wrong one',
  wrong_feedback: 'feedback for a wrong one',
}

const called = (name: string) => names[name] ?? name.replaceAll('_', ' ')
const upper = (words: string) => words.slice(0, 1).toUpperCase() + words.slice(1)

/** What is said of the revisions of a question. */
export const revisions = {
  title: 'Revisions',
  one: (n: number) => `Revision ${n}`,
  first: 'Question created.',
  same: 'No differences from the previous revision.',
  sameAsHere: 'Same as the current revision.',
  newest: 'current',
  show: (n: number) => `What changed in revision ${n}`,
  since: { before: 'since the previous one', now: 'until now' },
  against: 'Compare with',
  restore: (n: number) => `Restore revision ${n}`,
  place: (path: PathStep[]) =>
    upper(
      path
        .map((step) => {
          const name = step.kind ? (kindNames[step.kind] ?? step.kind) : called(step.name)
          const count = step.number === undefined || (step.kind && step.number === 1) ? '' : ` ${step.number}`
          return `${name}${count}${step.words ? ` “${step.words}”` : ''}`
        })
        .filter((one) => one !== '')
        .join(', '),
    ),
}
