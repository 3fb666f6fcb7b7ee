import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type DispatchBody = schema.DispatchBody
export type Dispatch = schema.Dispatch
export type What = { questions: string[] } | { bank: string; filter?: string } | { assessment: string }

export const openDispatch = async (
  what: What,
  format: string,
  along: Record<string, boolean>,
  more: { rolls: number; columns?: string[] },
) => (await call<schema.Answers['POST /dispatches']>('POST', '/dispatches', { ...what, format, ...along, ...more })).body.data
export type Losses = schema.Losses
/** Losses in a format, before the file is written. */
export const lossesQuery = (what: What | null, format: string, along: Record<string, boolean>) =>
  queryOptions({
    queryKey: ['losses', what, format, along],
    queryFn: async () =>
      (await call<schema.Answers['POST /dispatches/losses']>('POST', '/dispatches/losses', { ...what, format, ...along })).body.data,
    enabled: what !== null,
    staleTime: 0,
  })
/** What the receiving desk of the demo counted. */
export type Arrival = schema.Arrival
export const deliver = async (id: string) =>
  (await call<schema.Answers['POST /dispatches/{dispatch}/deliver']>('POST', `/dispatches/${id}/deliver`)).body.data
export const dispatchQuery = (id: string) =>
  queryOptions({
    queryKey: ['dispatch', id],
    queryFn: async () => (await call<schema.Answers['GET /dispatches/{dispatch}']>('GET', `/dispatches/${id}`)).body.data,
    refetchInterval: (query) => (query.state.data?.state === 'writing' ? 500 : false),
  })
