import type { QuestionJson } from '@/api/question'

/** What was typed and has not reached the server yet: in this browser, whatever happens to the connection or the session. */
export type Kept<Content = QuestionJson> = { content: Content; base: number | null; at: number }
const key = (subject: string) => `typed:${subject}`

export const keepHere = <Content>(subject: string, kept: Kept<Content>) => {
  try {
    localStorage.setItem(key(subject), JSON.stringify(kept))
  } catch {
    // The browser's store is full; the server has the copy of a moment ago.
  }
}

export function keptHere<Content = QuestionJson>(subject: string): Kept<Content> | null {
  try {
    return JSON.parse(localStorage.getItem(key(subject)) ?? 'null')
  } catch {
    return null
  }
}

export const forgetHere = (subject: string) => localStorage.removeItem(key(subject))
