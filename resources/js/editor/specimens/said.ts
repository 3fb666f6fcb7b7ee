import type { QuestionJson, Responses, Specimen } from '@/api/question'
import { texts } from '@/messages'
import { partView } from '@/parts'

/** A response in words, part by part. */
export function saidResponse(response: Responses, question: QuestionJson): string {
  const words = question.parts.flatMap((part) => {
    const given = response[part.id]
    return given ? [partView(part.kind)?.said(given, part) ?? ''] : []
  })
  return words.join(' · ') || texts.specimens.nothing
}

/** What else holds for a specimen: its roll, tries and hints, where they are not the usual ones. */
export function circumstances(specimen: Specimen): string {
  return [
    specimen.seed !== undefined && specimen.seed !== 1 ? texts.specimens.roll({ n: specimen.seed }) : '',
    specimen.earlier_wrong ? texts.specimens.after({ n: specimen.earlier_wrong }) : '',
    specimen.hints ? texts.specimens.hints({ n: specimen.hints }) : '',
  ]
    .filter((one) => one !== '')
    .join(', ')
}

/** An id that no specimen has yet. */
export function freeId(taken: Specimen[]): string {
  let n = taken.length + 1
  while (taken.some((one) => one.id === `s${n}`)) n++
  return `s${n}`
}
