import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import type { Classification } from './actions'
import { call } from './client'
import type { DispatchBody } from './dispatches'
import type { Finding, QuestionJson } from './question'
import type { Intake as IntakeShape, StagedRow as StagedRowShape } from './schema'

export type Severity = 'note' | 'loss' | 'problem'
export type Notice = {
  code: string
  severity: Severity
  file: string | null
  line: number | null
  message: string
  question: string | null
}
export type IntakeFile = { id: string; name: string; format: string | null; state: string; problem: string | null; bytes: number }
export type Group = { id: string; depth: number; kind: string; title: string; name: string; questions: number }
export type Intake = Omit<IntakeShape, 'groups' | 'files' | 'counts' | 'coming' | 'kinds' | 'notices' | 'bank' | 'receipts'> & {
  files: IntakeFile[]
  /** Groups of the source, in the order of a tree. */
  groups: Group[]
  counts: Record<string, number>
  coming: { added: number; replaced: number; skipped: number }
  kinds: Record<string, number>
  notices: Notice[]
  bank: { slug: string; name: string } | null
  receipts: { id: string; kind: string; created_at: string }[]
}
export type StagedRow = Omit<StagedRowShape, 'notices'> & { notices: Partial<Record<Severity, number>> }
export type Duplicate = {
  by: string
  id: string | null
  number: number | null
  title: string
  differs: boolean
  question: QuestionJson
  bank: string | null
}
export type Staged = {
  id: string
  number: number
  version: number
  question: QuestionJson
  skipped: boolean
  decision: string | null
  outcome: string | null
  question_id: string | null
  findings: Finding[]
  notices: Notice[]
  duplicate: Duplicate | null
  /** The one after it, whatever the list shows. */
  next: string | null
}

const working = ['reading', 'committing', 'undoing']
export const intakeQuery = (id: string) =>
  queryOptions({
    queryKey: ['intake', id],
    queryFn: async () => (await call<{ data: Intake }>('GET', `/intakes/${id}`)).body.data,
    staleTime: 0,
    // While something is done in the background, how far it is; in review, whether somebody else has brought it in.
    refetchInterval: ({ state: { data } }) =>
      data && working.includes(data.state) && !data.problem ? 700 : data?.state === 'review' ? 15_000 : false,
  })

export type StagedPage = { data: StagedRow[]; meta: { next_cursor: string | null; found: number | null } }
export const stagedQuery = (id: string, filter: string) =>
  infiniteQueryOptions({
    queryKey: ['intake', id, 'questions', filter],
    queryFn: async ({ pageParam }) => {
      const query = [filter, pageParam === '' ? '' : `cursor=${pageParam}`].filter((one) => one !== '').join('&')
      return (await call<StagedPage>('GET', `/intakes/${id}/questions?${query}`)).body
    },
    initialPageParam: '',
    getNextPageParam: (page) => page.meta.next_cursor,
    placeholderData: keepPreviousData,
  })
export const fetchStaged = async (intake: string, id: string) =>
  (await call<{ data: Staged }>('GET', `/intakes/${intake}/questions/${id}`)).body.data
export const stagedOneQuery = (intake: string, id: string) =>
  queryOptions({ queryKey: ['intake', intake, 'question', id], queryFn: () => fetchStaged(intake, id) })

export const give = async (files: File[], text: string, bank: string | null) => {
  const form = new FormData()
  for (const file of files) form.append('files[]', file)
  if (text.trim() !== '') form.append('text', text)
  if (bank) form.append('bank', bank)
  return (await call<{ data: Intake }>('POST', '/intakes', form)).body.data
}
export const dropIntake = (id: string) => call('DELETE', `/intakes/${id}`)
export type PlaceChange = {
  bank?: string
  new_bank?: string
  folder?: string[]
  duplicates?: string
  regroup?: boolean
  group_names?: Record<string, string>
}
export const placeIntake = async (id: string, place: PlaceChange) =>
  (await call<{ data: Intake }>('PATCH', `/intakes/${id}`, place)).body.data
export const commitIntake = async (id: string) => (await call<{ data: Intake }>('POST', `/intakes/${id}/commit`, {})).body.data
export const undoIntake = async (id: string) => (await call<{ data: Intake }>('POST', `/intakes/${id}/undo`, {})).body.data
export type StagedChange = Pick<Classification, 'record' | 'topics'> & { skipped?: boolean; decision?: string | null; points?: number }
export const setStaged = async (id: string, target: { ids: string[] } | { filter: string }, change: StagedChange) =>
  (await call<{ changed: number; left: { title: string; why: string }[] }>('POST', `/intakes/${id}/set`, { ...target, ...change })).body
export const saveStaged = async (intake: string, id: string, question: QuestionJson, version: number) =>
  (await call<{ data: Staged }>('PUT', `/intakes/${intake}/questions/${id}`, { question }, { 'If-Match': `"${version}"` })).body.data

export type Transfer = {
  id: string
  direction: 'in' | 'out'
  title: string
  state: string
  problem: string | null
  questions: number
  receipt: string | null
  person: string | null
  bank: string | null
  created_at: string
}
export const transfersQuery = queryOptions({
  queryKey: ['transfers'],
  queryFn: async () => (await call<{ data: Transfer[] }>('GET', '/transfers')).body.data,
  refetchInterval: 15_000,
})

export type Tally = { questions: number; points: string; kinds: Record<string, number> }
export type ReceiptBody = {
  bank: { slug: string; name: string } | null
  folder: string[]
  files: { name: string; format: string | null; bytes: number; problem: string | null; questions: number }[]
  source: Tally
  /** Receipts of before there were draws and folders of groups have none of them. */
  result: Tally & {
    added: number
    replaced: number
    skipped: number
    skipped_in_review: number
    assessments?: number
    draws?: number
    folders?: number
  }
  stimuli: number
  media: number
  groups: number
  assessments: number
  draws?: number
  notices: Record<Severity, number>
  /** Missing in receipts written before 2026-11-29. */
  losses?: { severity: Severity; code: string; message: string; title: string | null; question: string | null }[]
  taken_back?: { added: number; replaced: number }
  left?: { id: string; title: string; why: string }[]
}
export type Receipt = {
  id: string
  kind: 'intake' | 'undo'
  title: string
  at: string
  person: string | null
  intake: string | null
  body: ReceiptBody
}
export type DispatchReceipt = Omit<Receipt, 'kind' | 'body'> & { kind: 'dispatch'; body: DispatchBody }
export const receiptQuery = (id: string) =>
  queryOptions({
    queryKey: ['receipt', id],
    queryFn: async () => (await call<{ data: Receipt | DispatchReceipt }>('GET', `/receipts/${id}`)).body.data,
    staleTime: Number.POSITIVE_INFINITY,
  })
