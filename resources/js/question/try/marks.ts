import type { CriterionMarks, Marks, QuestionJson } from '@/api/question'
import { markedOf } from '@/parts/marking/MarkChoices'

/** The marks that still suit the rubrics of a question, and how many do not: a rubric may change while somebody marks by it. */
export function fitting(question: QuestionJson, marks: Marks): { marks: Marks; left: number } {
  let left = 0
  const kept: Marks = {}
  for (const [id, given] of Object.entries(marks)) {
    const part = question.parts.find((one) => one.id === id && one.scoring?.scheme === 'person')
    const rubric = part?.key?.rubric
    if (!part) {
      left++
      continue
    }
    if (!rubric || rubric.criteria.length === 0) {
      const { criteria, ...rest } = given
      left += Object.keys(criteria ?? {}).length
      kept[id] = rest
      continue
    }
    const criteria: CriterionMarks = {}
    for (const [criterion, mark] of Object.entries(given.criteria ?? {})) {
      const one = markedOf(rubric).find((it) => it.id === criterion)
      const isThere = one && (mark.level === undefined || one.levels.some((level) => level.id === mark.level))
      if (isThere) criteria[criterion] = mark
      else left++
    }
    kept[id] = { criteria, ...(given.note ? { note: given.note } : {}) }
  }
  return { marks: kept, left }
}
