import { queryOptions } from '@tanstack/react-query'
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

export type RubricRow = schema.RubricRow
export type WholeRubric = schema.WholeRubric
/** Rubrics of the banks one may read, or of one of them with how many questions follow each. */
export const rubricsQuery = (bank?: string) =>
  queryOptions({
    queryKey: ['rubrics', bank ?? ''],
    queryFn: async () =>
      bank === undefined
        ? (await call<schema.Answers['GET /rubrics']>('GET', '/rubrics')).body.data
        : (await call<schema.Answers['GET /banks/{bank}/rubrics']>('GET', `/banks/${bank}/rubrics`)).body.data,
  })
export const fetchRubric = async (id: string) => (await call<schema.Answers['GET /rubrics/{rubric}']>('GET', `/rubrics/${id}`)).body.data
export const rubricQuery = (id: string) =>
  queryOptions({
    queryKey: ['rubric', 'whole', id],
    queryFn: () => fetchRubric(id),
    retry: false,
  })
export const keepRubric = async (bank: string, rubric: Rubric, key: string) =>
  (await call<schema.Answers['POST /banks/{bank}/rubrics']>('POST', `/banks/${bank}/rubrics`, { rubric }, { 'Idempotency-Key': key })).body
    .data
/** @param follow whether the questions that follow it are changed too, in one act */
export const saveRubric = async (id: string, rubric: Rubric, base: number, follow: boolean) =>
  (await call<schema.Answers['PUT /rubrics/{rubric}']>('PUT', `/rubrics/${id}`, { rubric, follow }, { 'If-Match': `"${base}"` })).body
export const removeRubric = (id: string) => call('DELETE', `/rubrics/${id}`)
