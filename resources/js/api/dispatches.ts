import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type { Notice, Severity } from './intakes'

export type DispatchBody = {
  questions: number
  stimuli: number
  media: number
  assessments: number
  points: number
  tests: { title: string; questions: number; draws: number }[]
  format: string
  sha256: string
  bytes: number
  along: Record<string, boolean>
  counts: Record<Severity, number>
  notices: (Notice & { title: string | null })[]
}
export type Dispatch = {
  id: string
  title: string
  format: string
  state: 'writing' | 'ready' | 'failed'
  problem: string | null
  receipt: string | null
  created_at: string
  body: Partial<DispatchBody>
}
export type What = { questions: string[] } | { bank: string; filter?: string } | { assessment: string }

export const openDispatch = async (what: What, format: string, along: Record<string, boolean>) =>
  (await call<{ data: Dispatch }>('POST', '/dispatches', { ...what, format, ...along })).body.data
export type Losses = {
  checked: number
  of: number
  losses: { code: string; message: string; count: number; questions: { id: string; title: string }[] }[]
}
/** Losses in a format, before the file is written. */
export const lossesQuery = (what: What | null, format: string, along: Record<string, boolean>) =>
  queryOptions({
    queryKey: ['losses', what, format, along],
    queryFn: async () => (await call<{ data: Losses }>('POST', '/dispatches/losses', { ...what, format, ...along })).body.data,
    enabled: what !== null,
    staleTime: 0,
  })
/** What the receiving desk of the demo counted. */
export type Arrival = {
  id: string
  refused: string | null
  items: number
  points: number
  media: number
  tests: { title: string; questions: number; draws: number; points: number }[]
  left: { title: string; why: string }[]
}
export const deliver = async (id: string) => (await call<{ data: Arrival }>('POST', `/dispatches/${id}/deliver`)).body.data
export const dispatchQuery = (id: string) =>
  queryOptions({
    queryKey: ['dispatch', id],
    queryFn: async () => (await call<{ data: Dispatch }>('GET', `/dispatches/${id}`)).body.data,
    refetchInterval: (query) => (query.state.data?.state === 'writing' ? 500 : false),
  })
