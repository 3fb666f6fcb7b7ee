import { infiniteQueryOptions, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type Account = schema.Account
export type Team = schema.Team
export type Logged = schema.SecurityLogEntry
export type Failed = schema.FailedWork

export const accountsQuery = queryOptions({
  queryKey: ['admin', 'people'],
  queryFn: async () => (await call<schema.Answers['GET /admin/people']>('GET', '/admin/people')).body.data,
})
export const teamsQuery = queryOptions({
  queryKey: ['admin', 'teams'],
  queryFn: async () => (await call<schema.Answers['GET /admin/teams']>('GET', '/admin/teams')).body.data,
})
export const securityLogQuery = infiniteQueryOptions({
  queryKey: ['admin', 'security-log'],
  queryFn: async ({ pageParam }) =>
    (await call<schema.Answers['GET /admin/security-log']>('GET', `/admin/security-log${pageParam ? `?before=${pageParam}` : ''}`)).body,
  initialPageParam: 0,
  getNextPageParam: (page) => page.next,
  staleTime: 0,
})
export const failedQuery = queryOptions({
  queryKey: ['work'],
  queryFn: async () => (await call<schema.Answers['GET /work']>('GET', '/work')).body.data,
  staleTime: 0,
})

export const invite = (person: { name: string; email: string; administrator: boolean; words: string }, key: string) =>
  call('POST', '/admin/people', person, { 'Idempotency-Key': key })
export const changePerson = (
  id: string,
  change: { name?: string; administrator?: boolean; disabled?: boolean; invite?: boolean; second_factor_off?: boolean },
) => call('PATCH', `/admin/people/${id}`, change)
export const handOver = async (id: string, to: string, words: string) =>
  (await call<schema.Answers['POST /admin/people/{person}/hand-over']>('POST', `/admin/people/${id}/hand-over`, { to, words })).body.banks
export const saveTeam = (id: string | null, name: string, members: string[]) =>
  id === null ? call('POST', '/admin/teams', { name, members }) : call('PATCH', `/admin/teams/${id}`, { name, members })
export const deleteTeam = (id: string) => call('DELETE', `/admin/teams/${id}`)
export const retry = (failed: Failed) => call('POST', `/work/${failed.kind}/${failed.id}/retry`, {})
