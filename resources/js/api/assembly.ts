import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { QuestionJson, Responses } from './question'
import type * as schema from './schema'

export type TrayRow = schema.TrayRow
export const trayQuery = queryOptions({
  queryKey: ['tray'],
  queryFn: async () => (await call<schema.Answers['GET /tray']>('GET', '/tray')).body.data,
  staleTime: 60_000,
})
/** @param leaving  sent while the page is left, and not waited for */
export const changeTray = async (change: { add?: string[]; remove?: string[]; clear?: boolean }, leaving = false) =>
  (await call<schema.Answers['PATCH /tray']>('PATCH', '/tray', change, {}, { keepalive: leaving })).body.data

/** One question. */
export type Pick = schema.PickedQuestion
/** So many questions of a pool, other ones for everybody. */
export type Draw = schema.RandomDraw
export type Entry = schema.AssessmentEntry
export type Section = schema.AssessmentSection
export type Content = schema.AssessmentContent
export type Fact = schema.EntryFacts
export type TotalLine = schema.TotalLine
export type Totals = schema.AssessmentTotals
export type PrintSettings = schema.PrintSettings
export type Assessment = schema.Assessment
export type AssessmentRow = schema.AssessmentRow

export const assessmentsQuery = queryOptions({
  queryKey: ['assessments'],
  queryFn: async () => (await call<schema.Answers['GET /assessments']>('GET', '/assessments')).body.data,
})
export const assessmentQuery = (id: string) =>
  queryOptions({
    queryKey: ['assessment', id],
    queryFn: async () => (await call<schema.Answers['GET /assessments/{assessment}']>('GET', `/assessments/${id}`)).body.data,
    retry: false,
  })
export const makeAssessment = async (
  about: {
    title: string
    bank: string
    questions?: string[]
    like?: string
    merge?: string[]
    folder?: string[]
    course?: string
    term?: string
    /** Of one like another: whether it has the same rolls, and which revisions it asks. */
    rolls?: boolean
    revisions?: 'as_they_are' | 'follow' | 'pin'
  },
  key: string,
) => (await call<schema.Answers['POST /assessments']>('POST', '/assessments', about, { 'Idempotency-Key': key })).body.data
export const saveAssessment = async (content: Content, version: number) =>
  (
    await call<schema.Answers['PUT /assessments/{assessment}']>(
      'PUT',
      `/assessments/${content.id}`,
      { content },
      { 'If-Match': `"${version}"` },
    )
  ).body.data
export const addToAssessment = async (id: string, questions: string[], section?: string) =>
  (
    await call<schema.Answers['POST /assessments/{assessment}/questions']>('POST', `/assessments/${id}/questions`, {
      questions,
      ...(section ? { section } : {}),
    })
  ).body.data
/** Into the bin. */
export const binAssessment = (id: string) => call('DELETE', `/assessments/${id}`)
export const restoreAssessment = async (id: string) =>
  (await call<schema.Answers['POST /assessments/{assessment}/restore']>('POST', `/assessments/${id}/restore`, {})).body.data
export const binnedAssessmentsQuery = queryOptions({
  queryKey: ['assessments', 'binned'],
  queryFn: async () => (await call<schema.Answers['GET /assessments']>('GET', '/assessments?is=binned')).body.data,
})

export const comparedQuery = (here: string, there: string) =>
  queryOptions({
    queryKey: ['assessment', here, 'compare', there],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/compare/{other}']>('GET', `/assessments/${here}/compare/${there}`)).body
        .data,
    staleTime: 0,
  })
export const checkQuery = (id: string, version: number) =>
  queryOptions({
    queryKey: ['assessment', id, 'check', version],
    queryFn: async () => (await call<schema.Answers['GET /assessments/{assessment}/check']>('GET', `/assessments/${id}/check`)).body.data,
    staleTime: 0,
  })
export type StateChange = { state: 'draft' | 'ready' | 'used' | 'unused' | 'archived'; date?: string; group?: string }
export const changeState = async (id: string, change: StateChange, version: number) =>
  (
    await call<schema.Answers['POST /assessments/{assessment}/state']>('POST', `/assessments/${id}/state`, change, {
      'If-Match': `"${version}"`,
    })
  ).body.data

export type AssessmentRevision = schema.AssessmentRevision
export const historyQuery = (id: string) =>
  infiniteQueryOptions({
    queryKey: ['assessment', id, 'history'],
    queryFn: async ({ pageParam }) =>
      (
        await call<schema.Answers['GET /assessments/{assessment}/revisions']>(
          'GET',
          `/assessments/${id}/revisions${pageParam === 0 ? '' : `?before=${pageParam}`}`,
        )
      ).body.data,
    initialPageParam: 0,
    getNextPageParam: (page) => ((page.at(-1)?.number ?? 1) > 1 ? page.at(-1)?.number : undefined),
    staleTime: 0,
  })
export const bringBackRevision = async (id: string, number: number, version: number) =>
  (
    await call<schema.Answers['POST /assessments/{assessment}/revisions/{revision}/restore']>(
      'POST',
      `/assessments/${id}/revisions/${number}/restore`,
      {},
      { 'If-Match': `"${version}"` },
    )
  ).body.data

export type Follower = schema.Follower
export const fetchFollowers = async (question: string) =>
  (await call<schema.Answers['GET /questions/{question}/followers']>('GET', `/questions/${question}/followers`)).body.data
export const keepRevision = async (question: string, revision: number) =>
  (await call<schema.Answers['POST /questions/{question}/keep']>('POST', `/questions/${question}/keep`, { revision })).body.data.kept
export type Uses = schema.Uses
export type WholeEntry = schema.WholeEntry
export const fetchEntry = async (assessment: string, entry: string) =>
  (await call<schema.Answers['GET /assessments/{assessment}/entries/{entry}']>('GET', `/assessments/${assessment}/entries/${entry}`)).body
    .data
export const entryQuery = (assessment: string, entry: string, version: number) =>
  queryOptions({ queryKey: ['assessment', assessment, 'entry', entry, version], queryFn: () => fetchEntry(assessment, entry) })
export const varyEntry = async (assessment: string, entry: string, question: QuestionJson | null, version: number) =>
  (
    await call<schema.Answers['PUT /assessments/{assessment}/entries/{entry}']>(
      'PUT',
      `/assessments/${assessment}/entries/${entry}`,
      { question },
      { 'If-Match': `"${version}"` },
    )
  ).body.data

export type PoolRow = schema.PoolRow
export type DrawSource = schema.DrawSource
export type EntryOverride = schema.EntryOverride
export type RunSettings = schema.RunSettings
export const drawQuery = (assessment: string, entry: string, version: number, seed: number) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'draw', entry, version, seed],
    queryFn: async () =>
      (
        await call<schema.Answers['GET /assessments/{assessment}/draws/{entry}']>(
          'GET',
          `/assessments/${assessment}/draws/${entry}?seed=${seed}`,
        )
      ).body.data,
    placeholderData: keepPreviousData,
  })

export type EntryRoll = schema.EntryRoll
/** @param stored  what the rolls depend on, as it is stored */
export const rollsQuery = (assessment: string, stored: string) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'rolls', stored],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/rolls']>('GET', `/assessments/${assessment}/rolls`)).body.data,
    placeholderData: keepPreviousData,
  })
export const sheetQuery = (assessment: string, which: string, version: number, print: string) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'sheet', which, version, print],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/sheet']>('GET', `/assessments/${assessment}/sheet?which=${which}`)).body
        .html,
    placeholderData: (before?: string) => before,
  })
export const setPrint = (assessment: string, settings: PrintSettings) => call('PUT', `/assessments/${assessment}/print`, { settings })
export const readingQuery = (assessment: string, version: number) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'reading', version],
    queryFn: async () =>
      (await call<schema.Answers['GET /assessments/{assessment}/reading']>('GET', `/assessments/${assessment}/reading`)).body.data,
  })

export type RunPlan = schema.RunPlan
export type RunEntry = schema.RunEntry
export type RunReport = schema.RunReport
export const fetchRun = async (assessment: string, seed: number, practise: boolean) =>
  (
    await call<schema.Answers['GET /assessments/{assessment}/run']>(
      'GET',
      `/assessments/${assessment}/run?seed=${seed}${practise ? '&practise=1' : ''}`,
    )
  ).body.data
export type RunAnswer = { response: Responses; earlier_wrong: number; hints: number }
export const reportRun = async (assessment: string, body: { seed: number; practise: boolean; given: Record<string, RunAnswer> }) =>
  (await call<schema.Answers['POST /assessments/{assessment}/run']>('POST', `/assessments/${assessment}/run`, body)).body.data

export type ExchangeableQuestion = schema.ExchangeableQuestion
export const othersQuery = (assessment: string, entry: string, version: number) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'others', entry, version],
    queryFn: async () =>
      (
        await call<schema.Answers['GET /assessments/{assessment}/entries/{entry}/others']>(
          'GET',
          `/assessments/${assessment}/entries/${entry}/others`,
        )
      ).body.data,
  })

export const placeAssessment = async (id: string, place: { folder?: string[]; course?: string; term?: string }) =>
  (await call<schema.Answers['PATCH /assessments/{assessment}/place']>('PATCH', `/assessments/${id}/place`, place)).body.data
/** All that lies in a folder goes along. */
export const moveAssessmentFolder = async (bank: string, from: string[], to: string[]) =>
  (await call<schema.Answers['PATCH /assessment-folders']>('PATCH', '/assessment-folders', { bank, from, to })).body
export const openedAssessment = (id: string) => call('PUT', `/assessments/${id}/opened`)
export const assessmentTopicsQuery = queryOptions({
  queryKey: ['assessments', 'topics'],
  queryFn: async () => (await call<schema.Answers['GET /assessments/topics']>('GET', '/assessments/topics')).body.data,
})

export type MergedEdits = schema.MergedEdits
export const mergeEdits = async (base: Content, mine: Content, choose: Record<string, 'mine' | 'theirs'> = {}) =>
  (await call<schema.Answers['POST /assessments/{assessment}/merge']>('POST', `/assessments/${mine.id}/merge`, { base, mine, choose })).body
    .data
