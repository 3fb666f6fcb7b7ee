import type { QuestionJson } from '@/api/question'
import { removeStored, storedValue, storeValue } from '@/lib/storage'

/** What was typed and has not reached the server yet: in this browser, whatever happens to the connection or the session. */
export type Kept<Content = QuestionJson> = { content: Content; base: number | null; at: number }
const key = (subject: string) => `typed:${subject}`

const isKept = <Content>(value: unknown): value is Kept<Content> =>
  typeof value === 'object' && value !== null && 'content' in value && typeof value.content === 'object' && value.content !== null

/** Where the browser's store is full, the server has the draft of a moment ago. */
export const keepHere = <Content>(subject: string, kept: Kept<Content>) => storeValue(key(subject), kept)

export const keptHere = <Content = QuestionJson>(subject: string): Kept<Content> | null =>
  storedValue<Kept<Content> | null>(key(subject), isKept<Content>, null)

export const forgetHere = (subject: string) => removeStored(key(subject))
