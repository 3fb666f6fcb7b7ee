import { type Autosave, forgetAutosave } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import { texts } from '@/messages'
import { forgetHere, keptHere } from './localDraft'

/** What was typed and not saved: in this browser, if that never reached the server, else on the server. */
export function unsaved<Content = QuestionJson>(
  subject: string,
  kept: Autosave<Content> | null | undefined,
): { content: Content; base: number | null } | null {
  const here = keptHere<Content>(subject)
  if (here) return here
  return kept ? { content: kept.content, base: kept.base_revision } : null
}

export function forget(subject: string) {
  forgetHere(subject)
  return forgetAutosave(subject).catch(() => undefined)
}

/** Says that a desk begins with what was typed before, and lets that go if asked. */
export const restored = (subject: string, go: () => void, action = texts.desk.discard) => ({
  note: {
    text: texts.desk.restored,
    action,
    act: () => {
      forget(subject)
      go()
    },
  },
})
