import { call } from './client'
import type { Criterion, Finding, QuestionJson, Rubric } from './question'
import type * as schema from './schema'

/** Cells of a spreadsheet as criteria and levels. */
export const readCells = async (text: string, scheme: Rubric['scheme'] = 'analytic'): Promise<Criterion[]> =>
  (await call<schema.Answers['POST /rubric-cells']>('POST', '/rubric-cells', { text, scheme })).body.criteria

export type RubricChecked = { highest: string; findings: Finding[] }
/** The most a rubric gives, and what is found in it; paths begin with /rubric. */
export const checkRubric = async (rubric: Rubric, points: number | null): Promise<RubricChecked> =>
  (await call<schema.Answers['POST /rubric-check']>('POST', '/rubric-check', { rubric, ...(points === null ? {} : { points }) })).body

export type MarkerAgreement = schema.MarkerAgreement
/** How far those who marked the specimens of a question agree. */
export const agreement = async (question: QuestionJson) =>
  (await call<schema.Answers['POST /agreement']>('POST', '/agreement', { question })).body.data
