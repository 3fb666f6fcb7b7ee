import { texts } from '@/messages'
import { list, number, rounded } from './format'

/** Sentences put together from several messages. */

const quoted = (words: string): string => texts.common.quoted({ words })
const quotedList = (titles: readonly string[], most: number): string => {
  const some = list(titles.slice(0, most).map(quoted))
  return titles.length > most ? texts.common.andMore({ list: some }) : some
}

export const sharedWith = (names: readonly string[]): string =>
  names.length === 0 ? texts.banks.sharedWithNone : texts.banks.sharedWith({ names })

export const managedBy = (names: readonly string[]): string => (names.length === 0 ? '' : texts.banks.kept({ names }))

/** How many questions of a list are found: the number, and what it is a number of. */
export const foundOf = (n: number, of: number): [string, string] => [
  number(n),
  n === of ? texts.bank.foundAll({ of }) : texts.bank.foundOf({ of }),
]

/** A range of which either end may be open. */
export function range(what: string, from: string, to: string): string {
  if (from === '') return texts.bank.rangeTo({ what, to })
  if (to === '') return texts.bank.rangeFrom({ what, from })
  return from === to ? texts.bank.rangeAt({ what, at: from }) : texts.bank.range({ what, from, to })
}

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

/** Where in an imported file something stands. */
export const placeInFile = (file: string | null, line: number | null): string => list([file, line ? texts.intake.line({ line }) : ''])

/** What an import will do. */
export const importEffects = (coming: { added: number; replaced: number; skipped: number }): string =>
  list([
    coming.added > 0 ? texts.intake.adds({ n: coming.added }) : '',
    coming.replaced > 0 ? texts.intake.replaces({ n: coming.replaced }) : '',
    coming.skipped > 0 ? texts.intake.skips({ n: coming.skipped }) : '',
  ])

export const makesAssessments = (titles: readonly string[]): string =>
  texts.intake.makesAssessments({ n: titles.length, titles: quotedList(titles, 5) })

/** Numbers sent and counted at the receiving desk that are not the same. */
export const differences = (rows: readonly (readonly [name: string, sent: number, counted: number])[]): string =>
  texts.dispatch.differs({
    rows: list(
      rows.map(([name, sent, counted]) => {
        const values = { name: name.toLowerCase(), n: Number(rounded(Math.abs(counted - sent))) }
        return counted > sent ? texts.dispatch.moreThere(values) : texts.dispatch.fewerThere(values)
      }),
    ),
  })

/** What an export holds. */
export const exportHolds = (body: { questions?: number; assessments?: number; stimuli?: number; media?: number }): string =>
  list([
    texts.acts.questions({ count: body.questions ?? 0 }),
    body.assessments ? texts.dispatch.assessmentCount({ n: body.assessments }) : '',
    body.stimuli ? texts.dispatch.stimulusCount({ n: body.stimuli }) : '',
    body.media ? texts.dispatch.mediaCount({ n: body.media }) : '',
  ])

export const changesEverywhere = (titles: readonly string[], others: number): string =>
  texts.assembly.editBankAbout({
    titles: list([...titles.map(quoted), others > 0 ? texts.assembly.othersHidden({ n: others }) : '']),
  })

/** The numbers of the questions a stimulus stands before. */
export function forQuestions(title: string, from: number, to: number): string {
  if (from === to) return texts.stimuli.forOne({ title, n: from })
  return to === from + 1 ? texts.stimuli.forTwo({ title, from, to }) : texts.stimuli.forQuestions({ title, from, to })
}

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
