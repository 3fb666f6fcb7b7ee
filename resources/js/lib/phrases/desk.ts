import { list } from '@/lib/format'
import { texts } from '@/messages'
import { quotedList } from './quoted'

export const triesLeft = (wrong: number, allowed: number): string =>
  wrong >= allowed ? texts.try.noTries : texts.try.tries({ n: wrong + 1, allowed })

/** Assessments that took a new revision. */
export const followed = (titles: readonly string[]): string =>
  titles.length === 1
    ? texts.desk.followed({ title: titles[0] ?? '' })
    : texts.desk.followedMany({ n: titles.length, titles: quotedList(titles, 3) })

/** What is set of feedback, hints and attempts. */
export const settingsSummary = (feedback: number, hints: number, attempts: number | null): string =>
  list([
    feedback > 0 ? texts.desk.feedbackTexts({ n: feedback }) : '',
    hints > 0 ? texts.desk.hintCount({ n: hints }) : '',
    attempts === null ? '' : texts.desk.attemptCount({ n: attempts }),
  ]) || texts.desk.noneSet
