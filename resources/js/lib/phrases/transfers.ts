import { list, rounded } from '@/lib/format'
import { texts } from '@/messages'
import { quotedList } from './quoted'

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
