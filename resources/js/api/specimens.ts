import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { QuestionJson, Responses } from './question'

export type TableRow = {
  number: number
  cells: string[]
  response: Responses
  /** Points given in the table. */
  stated: string | null
  /** What it scores now; null while the question cannot be scored. */
  scores: number | null
  note: string
  problem: string | null
  /** Whether a specimen with this response is there. */
  known: boolean
  /** Its roll. */
  seed: number
}
export type ReadTable = { columns: string[]; head: boolean; rows: TableRow[] }
export const readResponses = async (question: QuestionJson, text: string, columns?: string[], head?: boolean) =>
  (await call<ReadTable>('POST', '/responses', { question, text, columns, head })).body

export type SpecimenRun = {
  id: string
  state: 'running' | 'done' | 'stopped' | 'failed'
  total: number
  done: number
  specimens: number
  failing: number
  changed: number
  finished_at: string | null
}
export const runQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'specimen-run'],
    queryFn: async () => (await call<{ data: SpecimenRun | null }>('GET', `/banks/${slug}/specimen-runs`)).body.data,
    refetchInterval: (query) => (query.state.data?.state === 'running' ? 500 : false),
  })
export const startRun = async (slug: string) => (await call<{ data: SpecimenRun }>('POST', `/banks/${slug}/specimen-runs`)).body.data
export const stopRun = (id: string) => call('DELETE', `/specimen-runs/${id}`)
