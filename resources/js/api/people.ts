import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import { call } from './client'

export type Account = {
  id: string
  name: string
  email: string
  is_administrator: boolean
  disabled_at: string | null
  second_factor_on: boolean
  created_at: string
  banks: number
  teams: string[]
  last_seen: string | null
  invited: boolean
}
export type Team = { id: string; name: string; banks: number; members: { id: string; name: string }[] }
export type Logged = { id: number; at: string; kind: string; person: string; address: string; details: Record<string, unknown> }
export type Failed = {
  kind: 'intake' | 'dispatch' | 'act' | 'specimens'
  id: string
  title: string
  person: string | null
  bank: string | null
  problem: string | null
  at: string
}

export const accountsQuery = queryOptions({
  queryKey: ['admin', 'people'],
  queryFn: async () => (await call<{ data: Account[] }>('GET', '/admin/people')).body.data,
})
export const teamsQuery = queryOptions({
  queryKey: ['admin', 'teams'],
  queryFn: async () => (await call<{ data: Team[] }>('GET', '/admin/teams')).body.data,
})
export const securityLogQuery = infiniteQueryOptions({
  queryKey: ['admin', 'security-log'],
  queryFn: async ({ pageParam }) =>
    (await call<{ data: Logged[]; next: number | null }>('GET', `/admin/security-log${pageParam ? `?before=${pageParam}` : ''}`)).body,
  initialPageParam: 0,
  getNextPageParam: (page) => page.next,
  staleTime: 0,
})
export const failedQuery = queryOptions({
  queryKey: ['work'],
  queryFn: async () => (await call<{ data: Failed[] }>('GET', '/work')).body.data,
  staleTime: 0,
})

export const invite = (person: { name: string; email: string; administrator: boolean; words: string }, key: string) =>
  call('POST', '/admin/people', person, { 'Idempotency-Key': key })
export const changePerson = (
  id: string,
  change: { name?: string; administrator?: boolean; disabled?: boolean; invite?: boolean; second_factor_off?: boolean },
) => call('PATCH', `/admin/people/${id}`, change)
export const handOver = async (id: string, to: string, words: string) =>
  (await call<{ banks: number }>('POST', `/admin/people/${id}/hand-over`, { to, words })).body.banks
export const saveTeam = (id: string | null, name: string, members: string[]) =>
  id === null ? call('POST', '/admin/teams', { name, members }) : call('PATCH', `/admin/teams/${id}`, { name, members })
export const deleteTeam = (id: string) => call('DELETE', `/admin/teams/${id}`)
export const retry = (failed: Failed) => call('POST', `/work/${failed.kind}/${failed.id}/retry`, {})
