import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { QuestionJson } from './question'
import type * as schema from './schema'

export type TableRow = schema.TableRow
export type ReadTable = schema.ReadTable
export const readResponses = async (question: QuestionJson, text: string, columns?: string[], head?: boolean) =>
  (await call<schema.Answers['POST /responses']>('POST', '/responses', { question, text, columns, head })).body

export type SpecimenRun = schema.SpecimenRun
export const runQuery = (slug: string) =>
  queryOptions({
    queryKey: ['bank', slug, 'specimen-run'],
    queryFn: async () => (await call<schema.Answers['GET /banks/{bank}/specimen-runs']>('GET', `/banks/${slug}/specimen-runs`)).body.data,
    refetchInterval: (query) => (query.state.data?.state === 'running' ? 500 : false),
  })
export const startRun = async (slug: string) =>
  (await call<schema.Answers['POST /banks/{bank}/specimen-runs']>('POST', `/banks/${slug}/specimen-runs`)).body.data
export const stopRun = (id: string) => call('DELETE', `/specimen-runs/${id}`)
