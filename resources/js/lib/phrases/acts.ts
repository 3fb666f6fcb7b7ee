import { texts } from '@/messages'

/** What a bulk change would do to those looked at. */
export const previewSummary = (changes: number, left: number, same: number): string =>
  [
    texts.acts.preview.changes({ n: changes }),
    same > 0 ? texts.acts.preview.same({ n: same }) : '',
    left > 0 ? texts.acts.preview.skipped({ n: left }) : '',
  ]
    .filter((one) => one !== '')
    .join(' ')

export function placesFound(at: number, inQuestions: number, looked: number, count: number): string {
  if (looked < count) return texts.acts.replace.foundSoFar({ at, inQuestions, looked, count })
  return at === 0 ? texts.acts.replace.none : texts.acts.replace.found({ at, inQuestions })
}
