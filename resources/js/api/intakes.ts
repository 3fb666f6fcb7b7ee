import { infiniteQueryOptions, keepPreviousData, queryOptions } from '@tanstack/react-query'
import type { Classification } from './actions'
import { call } from './client'
import type { QuestionJson } from './question'
import type * as schema from './schema'

export type Severity = schema.Severity
export type Notice = schema.Notice
export type IntakeFile = schema.IntakeFile
export type Group = schema.ImportGroup
export type Intake = schema.Intake
export type StagedRow = schema.StagedRow
export type Duplicate = schema.Duplicate
export type Staged = schema.StagedQuestion

export const working = ['reading', 'correcting', 'committing', 'undoing']
export const intakeQuery = (id: string) =>
  queryOptions({
    queryKey: ['intake', id],
    queryFn: async () => (await call<schema.Answers['GET /intakes/{intake}']>('GET', `/intakes/${id}`)).body.data,
    staleTime: 0,
    // While something is done in the background, how far it is; in review, whether somebody else has brought it in.
    refetchInterval: ({ state: { data } }) =>
      data && working.includes(data.state) && !data.problem ? 700 : data?.state === 'review' ? 15_000 : false,
  })

export type StagedPage = schema.StagedPage
export const stagedQuery = (id: string, filter: string) =>
  infiniteQueryOptions({
    queryKey: ['intake', id, 'questions', filter],
    queryFn: async ({ pageParam }) => {
      const query = [filter, pageParam === '' ? '' : `cursor=${pageParam}`].filter((one) => one !== '').join('&')
      return (await call<schema.Answers['GET /intakes/{intake}/questions']>('GET', `/intakes/${id}/questions?${query}`)).body
    },
    initialPageParam: '',
    getNextPageParam: (page) => page.meta.next_cursor,
    placeholderData: keepPreviousData,
  })
export const fetchStaged = async (intake: string, id: string) =>
  (await call<schema.Answers['GET /intakes/{intake}/questions/{staged}']>('GET', `/intakes/${intake}/questions/${id}`)).body.data
export const stagedOneQuery = (intake: string, id: string) =>
  queryOptions({ queryKey: ['intake', intake, 'question', id], queryFn: () => fetchStaged(intake, id) })

/** @param choose whether to be asked which parts of packages to read */
export const give = async (files: File[], text: string, bank: string | null, choose = false) => {
  const form = new FormData()
  for (const file of files) form.append('files[]', file)
  if (text.trim() !== '') form.append('text', text)
  if (bank) form.append('bank', bank)
  if (choose) form.append('choose', '1')
  return (await call<schema.Answers['POST /intakes']>('POST', '/intakes', form)).body.data
}
export type FileParts = schema.PackageParts
export type Part = FileParts['parts'][number]
export const partsQuery = (intake: string) =>
  queryOptions({
    queryKey: ['intake', intake, 'parts'],
    queryFn: async () => (await call<schema.Answers['GET /intakes/{intake}/parts']>('GET', `/intakes/${intake}/parts`)).body.data,
    staleTime: Number.POSITIVE_INFINITY,
  })
export const chooseParts = async (intake: string, parts: Record<string, string[]>) =>
  (await call<schema.Answers['PUT /intakes/{intake}/parts']>('PUT', `/intakes/${intake}/parts`, { parts })).body.data
/** Reads again the sources that questions of a bank kept because they could not be translated. */
export const reread = async (bank: string) =>
  (await call<schema.Answers['POST /banks/{bank}/reread']>('POST', `/banks/${bank}/reread`)).body.data
/**
 * Reads a file again with corrections, which go on from base.
 *
 * @returns whether it is read in the background
 */
export const correctFile = async <Of extends object>(intake: string, file: string, corrections: Of, base: Of) =>
  (
    await call<schema.Answers['PUT /intakes/{intake}/files/{file}/corrections']>('PUT', `/intakes/${intake}/files/${file}/corrections`, {
      corrections,
      base,
    })
  ).body.state === 'correcting'
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
  (await call<schema.Answers['PATCH /intakes/{intake}']>('PATCH', `/intakes/${id}`, place)).body.data
export const commitIntake = async (id: string) =>
  (await call<schema.Answers['POST /intakes/{intake}/commit']>('POST', `/intakes/${id}/commit`, {})).body.data
export const undoIntake = async (id: string) =>
  (await call<schema.Answers['POST /intakes/{intake}/undo']>('POST', `/intakes/${id}/undo`, {})).body.data
export type StagedChange = Pick<Classification, 'record' | 'topics'> & {
  skipped?: boolean
  decision?: string | null
  points?: number
  titles?: string
}
export const setStaged = async (id: string, target: { ids: string[] } | { filter: string }, change: StagedChange) =>
  (await call<schema.Answers['POST /intakes/{intake}/set']>('POST', `/intakes/${id}/set`, { ...target, ...change })).body
export const saveStaged = async (intake: string, id: string, question: QuestionJson, version: number) =>
  (
    await call<schema.Answers['PUT /intakes/{intake}/questions/{staged}']>(
      'PUT',
      `/intakes/${intake}/questions/${id}`,
      { question },
      { 'If-Match': `"${version}"` },
    )
  ).body.data

export type Transfer = schema.Transfer
export const transfersQuery = queryOptions({
  queryKey: ['transfers'],
  queryFn: async () => (await call<schema.Answers['GET /transfers']>('GET', '/transfers')).body.data,
  refetchInterval: 15_000,
})

export type Tally = schema.QuestionTally
export type ReceiptBody = schema.ReceiptBody
export type Receipt = schema.Receipt
export type DispatchReceipt = schema.DispatchReceipt
export const receiptQuery = (id: string) =>
  queryOptions({
    queryKey: ['receipt', id],
    queryFn: async () => (await call<schema.Answers['GET /receipts/{receipt}']>('GET', `/receipts/${id}`)).body.data,
    staleTime: Number.POSITIVE_INFINITY,
  })
