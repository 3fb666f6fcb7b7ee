import type { Part, QuestionJson } from '@/api/question'
import { type Defaults, partWith } from '@/lib/defaults'
import { parts, partView } from '@/parts'
import type { GapMade } from '@/parts/definePart'
import { freshPart } from './fresh'

/** The kinds that a word can become. */
export const gapKinds = (): string[] => parts.filter((view) => view.fromWord).map((view) => view.kind)

/** Turns the selected words into a gap with those words as the key; other settings come from the bank's defaults. */
export function makeGap(question: QuestionJson, kind: string, word: string, defaults: Defaults = {}): GapMade {
  const ids = question.parts.map((part) => part.id)
  const made = partView(kind)?.fromWord?.(question, word, () => partWith(freshPart(kind, ids) as Part, defaults))
  if (!made) throw new Error(`A word cannot become a ${kind}.`)
  return made
}
