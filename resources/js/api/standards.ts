import { keepPreviousData, queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type FrameworkRow = schema.FrameworkRow
export type StatementRow = schema.StatementRow
export type FoundStatement = schema.FoundStatement
export type Alignment = schema.Alignment
export type QuestionStandard = schema.QuestionStandard
export type FrameworkRead = schema.FrameworkRead
export type Coverage = schema.Coverage

export const frameworksQuery = queryOptions({
  queryKey: ['frameworks'],
  queryFn: async () => (await call<schema.Answers['GET /frameworks']>('GET', '/frameworks')).body,
  staleTime: 30_000,
})

export const frameworkQuery = (id: string) =>
  queryOptions({
    queryKey: ['frameworks', id],
    queryFn: async () => (await call<schema.Answers['GET /frameworks/{framework}']>('GET', `/frameworks/${id}`)).body.data,
    staleTime: 30_000,
    enabled: id !== '',
  })

export const findStatementsQuery = (words: string, framework = '') =>
  queryOptions({
    queryKey: ['statements', words, framework],
    queryFn: async ({ signal }) =>
      (
        await call<schema.Answers['GET /statements']>(
          'GET',
          `/statements?words=${encodeURIComponent(words)}${framework === '' ? '' : `&framework=${framework}`}`,
          undefined,
          {},
          { signal },
        )
      ).body.data,
    staleTime: 60_000,
    placeholderData: keepPreviousData,
  })

export const statementQuery = (id: string) =>
  queryOptions({
    queryKey: ['statements', 'one', id],
    queryFn: async () => (await call<schema.Answers['GET /statements']>('GET', `/statements?id=${id}`)).body.data[0] ?? null,
    staleTime: 60_000,
  })

export type BringIn = { file?: File; text?: string; name?: string; how?: 'new' | 'over' | 'beside'; framework?: string }
/** Reads a framework; stores it too where `how` is said. */
export async function bringIn({ file, text, name, how, framework }: BringIn) {
  const form = new FormData()
  if (file) form.set('file', file)
  if (text) form.set('text', text)
  if (name) form.set('name', name)
  if (how) form.set('how', how)
  if (framework) form.set('framework', framework)
  return (await call<schema.Answers['POST /frameworks']>('POST', '/frameworks', form)).body
}

export const changeFramework = (id: string, change: { title?: string; version?: string; retired?: boolean }) =>
  call('PATCH', `/frameworks/${id}`, change)
export const deleteFramework = (id: string) => call('DELETE', `/frameworks/${id}`)

export type StatementChange = {
  code?: string
  title?: string
  text?: string
  level?: string
  notes?: string
  retired?: boolean
  parent?: string | null
  before?: string | null
}
export const addStatement = async (framework: string, change: StatementChange) =>
  (await call<schema.Answers['POST /frameworks/{framework}/statements']>('POST', `/frameworks/${framework}/statements`, change)).body.id
export const changeStatement = (framework: string, id: string, change: StatementChange) =>
  call('PATCH', `/frameworks/${framework}/statements/${id}`, change)
export const deleteStatement = (framework: string, id: string) => call('DELETE', `/frameworks/${framework}/statements/${id}`)

export type Link = { from: string; to: string; kind: string }
export const associate = (framework: string, link: Link) => call('POST', `/frameworks/${framework}/associations`, link)
export const dissociate = (framework: string, link: Link) => call('DELETE', `/frameworks/${framework}/associations`, link)

export const coverageQuery = (query: string) =>
  queryOptions({
    queryKey: ['coverage', query],
    queryFn: async ({ signal }) =>
      (await call<schema.Answers['GET /coverage']>('GET', `/coverage?${query}`, undefined, {}, { signal })).body.data,
    placeholderData: keepPreviousData,
    enabled: query !== '',
  })
export const coverageNodeQuery = (query: string, node: string, rows: string) =>
  queryOptions({
    queryKey: ['coverage', query, 'node', node, rows],
    queryFn: async ({ signal }) =>
      (
        await call<schema.Answers['GET /coverage/node']>(
          'GET',
          `/coverage/node?${query}&node=${node}&rows=${rows}`,
          undefined,
          {},
          { signal },
        )
      ).body.data,
    enabled: node !== '',
  })

export type Untagged = schema.Untagged
export const nextUntagged = async (slug: string, wish: { framework?: string; filter?: string; past: string[]; take?: number }) =>
  (await call<schema.Answers['POST /banks/{bank}/tagging']>('POST', `/banks/${slug}/tagging`, wish)).body
