import type { PathStep } from '@/api/queries'
import { list } from '@/lib/format'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'

const capitalised = (words: string): string => words.slice(0, 1).toLocaleUpperCase() + words.slice(1)

/** A place in a question, step by step: "Answer 2, option 1". The fields that say nothing of their own are left out. */
export const placeInQuestion = (path: readonly PathStep[]): string => capitalised(list(path.map(stepName)))

const silent = ['settings', 'key', 'html']

function stepName(step: PathStep): string {
  const field = silent.includes(step.name) ? '' : (texts.revisions.fields[step.name] ?? step.name.replaceAll('_', ' '))
  const name = step.kind ? (kindNames[step.kind] ?? step.kind) : field
  const unnumbered = step.number === undefined || (step.kind && step.number === 1)
  const numbered = unnumbered ? name : texts.revisions.numbered({ name, n: step.number ?? 0 })
  return step.words ? texts.revisions.named({ name: numbered, words: step.words }).trim() : numbered
}
