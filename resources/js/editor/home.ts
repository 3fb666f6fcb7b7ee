import type { QueryClient } from '@tanstack/react-query'
import { fetchStaged, saveStaged } from '@/api/intakes'
import { createQuestion, fetchQuestion, questionQuery, revisionsQuery, saveQuestion } from '@/api/queries'
import type { QuestionJson } from '@/api/question'
import type { Saved } from '@/lib/saving/machine'
import { texts } from '@/messages'
import { foldersOf } from './newFolders'

/** Where the question on the desk lives: what saving it does, and what is said and shown of the place. */
export type Home = {
  slug: string
  name: string
  /** What unsaved typing is kept under. */
  subject: string
  /** Whether it is a question of a bank, whose record is changed apart from its revisions. */
  record: 'apart' | 'inside'
  /** A question not stored yet, for which folders can be chosen already. */
  choosesFolders?: boolean
  save: (question: QuestionJson, base: number, client: QueryClient, note: string) => Promise<Saved>
  /** The question as it is stored now, when somebody else was faster. */
  theirs: (id: string) => Promise<{ question: QuestionJson; revision: number }>
  saved: (revision: number) => string
  /** Where one goes after saving; undefined to stay. */
  after?: string
  /** The button's name, where it is no revision of a bank's question. */
  saveName?: string
  /** Instead of writing another: the next of a row. */
  next?: string
}

/** @param subject what a new question's typing is kept under */
export function inBank(bank: { slug: string; name: string }, stored: string | null, subject = `new:${bank.slug}`): Home {
  return {
    ...bank,
    subject: stored ?? subject,
    record: stored === null ? 'inside' : 'apart',
    ...(stored === null ? { choosesFolders: true } : {}),
    save: async (question, base, client, note) => {
      const whole =
        base === 0 ? await createQuestion(bank.slug, question, note, foldersOf(subject)) : await saveQuestion(question, base, note)
      client.setQueryData(questionQuery(whole.id).queryKey, whole)
      client.invalidateQueries({ queryKey: ['bank', bank.slug] })
      client.invalidateQueries({ queryKey: ['banks'] })
      client.invalidateQueries({ queryKey: revisionsQuery(whole.id).queryKey })
      return whole
    },
    theirs: fetchQuestion,
    saved: (revision) => texts.desk.saved({ n: revision, where: bank.name }),
  }
}

/** A question of an intake, mended before it goes into a bank. */
export function inIntake(intake: { id: string; title: string }, staged: string, slug: string, after: string, next?: string): Home {
  return {
    slug,
    name: texts.intake.inIntake({ title: intake.title }),
    subject: `staged:${staged}`,
    record: 'inside',
    save: async (question, base, client) => {
      const stored = await saveStaged(intake.id, staged, question, base)
      client.invalidateQueries({ queryKey: ['intake', intake.id] })
      return { id: stored.id, revision: stored.version }
    },
    theirs: async () => {
      const now = await fetchStaged(intake.id, staged)
      return { question: now.question, revision: now.version }
    },
    saved: () => texts.intake.mended,
    saveName: texts.intake.saveStaged,
    after,
    ...(next ? { next } : {}),
  }
}
