import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { Difference } from './queries'
import type { QuestionJson } from './question'
import type { Assessment as Shape } from './schema'

export type TrayRow = { id: string; title: string; kinds: string[]; points: number; bank: string; bank_name: string; may_write: boolean }
export const trayQuery = queryOptions({
  queryKey: ['tray'],
  queryFn: async () => (await call<{ data: TrayRow[] }>('GET', '/tray')).body.data,
  staleTime: 60_000,
})
/** @param leaving  sent while the page is left, and not waited for */
export const changeTray = async (change: { add?: string[]; remove?: string[]; clear?: boolean }, leaving = false) =>
  (await call<{ data: TrayRow[] }>('PATCH', '/tray', change, {}, leaving)).body.data

/** One question. */
export type Pick = {
  id: string
  question: string
  follow?: 'latest' | 'approved' | 'pinned'
  revision?: number | null
  /** Stimuli pinned with it; the server writes them. */
  stimuli?: Record<string, number>
  points?: number | null
  seen?: number | null
  variation?: QuestionJson | null
}
/** So many questions of a pool, other ones for everybody. */
export type Draw = { id: string; title?: string; draw: number; pool: string[]; points?: number | null }
export type Entry = Pick | Draw
export type Section = { id: string; title?: string; instructions?: string; entries: Entry[] }
export type Content = {
  format: string
  version: number
  id: string
  title: string
  language?: string
  instructions?: string
  state?: string
  sections: Section[]
}
export type Fact = {
  gone: boolean
  /** In a bank this person cannot view. */
  hidden: boolean
  title: string
  stem: string
  kinds: string[]
  points: number
  difficulty: number | null
  status: string | null
  revision: number | null
  varies: boolean
  complete: boolean
  bank: string | null
  bank_name: string | null
  changed: boolean
  varied: boolean
  /** What it shows above itself, in order. */
  stimuli: { id: string; title: string }[]
  /** Of a draw: how many questions of its pool are there, and what is wrong with it. */
  pool?: number
  findings?: string[]
}
export type TotalLine = { name: string; questions: number; points: number }
export type Totals = {
  questions: number
  points: number
  minutes: number | null
  kinds: TotalLine[]
  topics: TotalLine[]
  difficulties: TotalLine[]
}
export type PrintSettings = {
  school?: string
  name?: boolean
  date?: boolean
  score?: boolean
  points?: boolean
  columns?: number
  space?: string
  size?: string
  paper?: string
  seed?: number
}
export type Assessment = Omit<Shape, 'bank' | 'content' | 'entries' | 'totals' | 'print'> & {
  bank: { slug: string; name: string }
  content: Content
  entries: Record<string, Fact>
  totals: Totals
  print: PrintSettings
}
export type AssessmentRow = {
  id: string
  title: string
  state: string
  bank: string
  bank_name: string
  may_write: boolean
  archived: boolean
  questions: number
  updated_at: string
}

export const assessmentsQuery = queryOptions({
  queryKey: ['assessments'],
  queryFn: async () => (await call<{ data: AssessmentRow[] }>('GET', '/assessments')).body.data,
})
export const assessmentQuery = (id: string) =>
  queryOptions({
    queryKey: ['assessment', id],
    queryFn: async () => (await call<{ data: Assessment }>('GET', `/assessments/${id}`)).body.data,
    retry: false,
  })
export const makeAssessment = async (about: { title: string; bank: string; questions?: string[]; like?: string }, key: string) =>
  (await call<{ data: Assessment }>('POST', '/assessments', about, { 'Idempotency-Key': key })).body.data
export const saveAssessment = async (content: Content, version: number) =>
  (await call<{ data: Assessment }>('PUT', `/assessments/${content.id}`, { content }, { 'If-Match': `"${version}"` })).body.data
export const addToAssessment = async (id: string, questions: string[], section?: string) =>
  (await call<{ data: Assessment }>('POST', `/assessments/${id}/questions`, { questions, ...(section ? { section } : {}) })).body.data
export const removeAssessment = (id: string) => call('DELETE', `/assessments/${id}`)

export type Follower = { id: string; title: string; may_write: boolean }
export const fetchFollowers = async (question: string) =>
  (await call<{ data: Follower[] }>('GET', `/questions/${question}/followers`)).body.data
export const keepRevision = async (question: string, revision: number) =>
  (await call<{ data: { kept: number } }>('POST', `/questions/${question}/keep`, { revision })).body.data.kept
export type Uses = { assessments: { id: string; title: string }[]; others: number }
export type WholeEntry = {
  question: QuestionJson
  bank: string | null
  varied: boolean
  version: number
  origin: QuestionJson | null
  before: QuestionJson | null
  /** What differs here from either of them. */
  changes: { before: Difference[] | null; origin: Difference[] | null }
  may_write: boolean
  uses: Uses
}
export const fetchEntry = async (assessment: string, entry: string) =>
  (await call<{ data: WholeEntry }>('GET', `/assessments/${assessment}/entries/${entry}`)).body.data
export const entryQuery = (assessment: string, entry: string, version: number) =>
  queryOptions({ queryKey: ['assessment', assessment, 'entry', entry, version], queryFn: () => fetchEntry(assessment, entry) })
export const varyEntry = async (assessment: string, entry: string, question: QuestionJson | null, version: number) =>
  (await call<{ data: Assessment }>('PUT', `/assessments/${assessment}/entries/${entry}`, { question }, { 'If-Match': `"${version}"` }))
    .body.data

export type PoolRow = { id: string; title: string; stem: string; kinds: string[]; points: number; bank: string; bank_name: string }
export const drawQuery = (assessment: string, entry: string, version: number, seed: number) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'draw', entry, version, seed],
    queryFn: async () =>
      (await call<{ data: { pool: PoolRow[]; drawn: string[] } }>('GET', `/assessments/${assessment}/draws/${entry}?seed=${seed}`)).body
        .data,
    placeholderData: (before?: { pool: PoolRow[]; drawn: string[] }) => before,
  })

export const sheetQuery = (assessment: string, which: string, version: number, print: string) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'sheet', which, version, print],
    queryFn: async () => (await call<{ html: string }>('GET', `/assessments/${assessment}/sheet?which=${which}`)).body.html,
    placeholderData: (before?: string) => before,
  })
export const setPrint = (assessment: string, settings: PrintSettings) => call('PUT', `/assessments/${assessment}/print`, { settings })
export const printQuery = (assessment: string, which: string, version: number, print: string) =>
  queryOptions({
    queryKey: ['assessment', assessment, 'print', which, version, print],
    queryFn: async () => (await call<{ id: string; pages: number }>('POST', `/assessments/${assessment}/prints`, { which })).body,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  })
